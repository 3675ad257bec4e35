/**
 * The fonts of a file: which characters their codes stand for, what their letters look like, and
 * fonts made of the letters that were shown.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.fonts;
