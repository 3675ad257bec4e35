/**
 * Fonts as a file holds them: subsets, whole programs or names alone, with codes for what is shown
 * and their way back to text.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.write.fonts;
