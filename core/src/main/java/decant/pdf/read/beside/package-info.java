/**
 * What stands beside the flow: running texts, notes, text in boxes, pictures that text runs around.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.beside;
