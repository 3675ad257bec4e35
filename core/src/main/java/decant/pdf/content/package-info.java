/**
 * Content streams of PDF (ISO 32000-2 §7.8.2): {@link decant.pdf.content.ContentReader} reads them
 * as {@link decant.pdf.content.Instruction instructions}, each with its place in the bytes, and
 * {@link decant.pdf.content.ContentSplice} changes some and leaves every other byte as it was.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.content;
