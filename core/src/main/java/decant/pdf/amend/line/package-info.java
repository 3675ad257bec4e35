/**
 * The letters of a page with the bytes that show them ({@link decant.pdf.amend.line.PageLetters}),
 * the lines they stand in ({@link decant.pdf.amend.line.Rows}), and words found in these ({@link
 * decant.pdf.amend.line.Search}).
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.amend.line;
