/**
 * PDFs that go out with their pages as they are: {@link decant.pdf.kept.KeptPages} is such a
 * publication, with bookmarks, properties and files from what was taken in.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.kept;
