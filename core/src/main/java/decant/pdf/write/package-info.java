/**
 * Pages into PDF (ISO 32000). {@link decant.pdf.write.PdfWriter} takes the pages of a layout and
 * writes their items: content streams and font dictionaries of our own over PDFBox's objects, so
 * that every glyph is placed where it is painted and every character can be found and copied.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.write;
