/**
 * Puts what was changed in a document into the package that it came in, so that all else in it
 * stays as it stood, known to us or not.
 *
 * <p>A part is compared as we write it for the document as it was taken in and as we write it now;
 * where both say the same, the source's own markup stands.
 */
@org.jspecify.annotations.NullMarked
package decant.office.docx.weave;
