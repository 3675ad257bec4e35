/** Blocks into the document: looks, sections, headers and footers, live contents. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.document;
