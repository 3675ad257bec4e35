/** Several published files as one: {@link decant.pdf.merge.MergedPdf}. */
@org.jspecify.annotations.NullMarked
package decant.pdf.merge;
