/**
 * From a document to published files: which pages ({@link decant.recipe.PageRange}), written beside
 * their final name and moved there when whole ({@link decant.io.AtomicFile}), verified ({@link
 * decant.verify.pdf.PdfVerifier}) and told about in a {@link decant.publish.Receipt}.
 */
@org.jspecify.annotations.NullMarked
package decant.publish;
