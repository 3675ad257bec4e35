/**
 * Takes a {@link decant.verify.office.Digest} of an office document that was written, with readers
 * of its own, and compares it with that of the document.
 */
@org.jspecify.annotations.NullMarked
package decant.verify.office;
