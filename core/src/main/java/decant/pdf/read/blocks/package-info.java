/** Lines into paragraphs, items and headings, joined over columns and pages. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.blocks;
