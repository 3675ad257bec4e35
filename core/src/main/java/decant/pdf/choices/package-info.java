/**
 * What a PDF is to be like, one record for each question a person asks: which way is found through
 * it ({@link decant.pdf.choices.Navigation}), how its fonts are embedded ({@link
 * decant.pdf.choices.FontEmbedding}), how heavy it is ({@link decant.pdf.choices.Compression}),
 * what a recipient may do ({@link decant.pdf.choices.Security}), which standards it keeps ({@link
 * decant.pdf.choices.Conformance}) and how it opens ({@link decant.pdf.choices.InitialView}). Plain
 * values without passwords, so that recipes can hold them.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.choices;
