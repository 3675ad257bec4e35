/** Glyphs into lines of text, and lines into columns in reading order. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.lines;
