/**
 * The file level of PDF (ISO 32000-2 §7): objects numbered, compressed together, encrypted and
 * written out with their cross-references, and every byte accounted for by the part of the document
 * it serves.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.file;
