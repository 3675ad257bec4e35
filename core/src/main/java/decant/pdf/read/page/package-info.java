/**
 * What stands on a page of a PDF, as values: glyphs, lines of text, ruled lines, shapes, pictures.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.page;
