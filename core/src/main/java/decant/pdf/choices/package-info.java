/**
 * What a PDF is to be like, one record for each question a person asks: which way is found through
 * it ({@link decant.pdf.choices.Wayfinding}), how its fonts are embedded ({@link
 * decant.pdf.choices.Type}), how heavy it is ({@link decant.pdf.choices.Weight}), what a recipient
 * may do ({@link decant.pdf.choices.Rights}), which standards it keeps ({@link
 * decant.pdf.choices.Keeping}) and how it opens ({@link decant.pdf.choices.FirstSight}). Plain
 * values without passwords, so that recipes can hold them.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.choices;
