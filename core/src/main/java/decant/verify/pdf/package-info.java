/** Reads a published PDF back and holds it against the pages and the choices it was made from. */
@org.jspecify.annotations.NullMarked
package decant.verify.pdf;
