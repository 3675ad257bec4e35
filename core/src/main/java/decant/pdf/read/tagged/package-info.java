/**
 * Blocks from structure tags (ISO 32000-1 §14.7), in place of the stages that find them on pages.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read.tagged;
