/**
 * Words of a PDF changed where they stand: {@link decant.pdf.amend.PdfAmender} finds them on the
 * pages ({@code PageLetters}, {@code Rows}, {@code Search}), sets their line anew within its own
 * room ({@code RowSetting}) and writes the operators that show it ({@code ShowWriter}); every other
 * byte of the page stays as it was.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.amend;
