/**
 * Pages into glyphs, ruled lines, drawn shapes, pictures, links, fields and comments; and what else
 * a file carries.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.scan;
