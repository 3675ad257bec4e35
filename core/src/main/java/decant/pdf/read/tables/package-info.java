/** Ruled lines and aligned pieces into tables. */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.tables;
