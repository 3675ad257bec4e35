/**
 * Opens the PDFs of others (ISO 32000-2 §7.5), damaged ones as far as they go: {@link
 * decant.pdf.open.SourceParser} reads what their tables of contents lead to, {@link
 * decant.pdf.open.PageList} finds their pages, and {@link decant.pdf.open.SourceDocument} tells
 * what of them could not be read.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.open;
