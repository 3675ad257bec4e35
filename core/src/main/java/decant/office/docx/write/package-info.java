/** Writes DOCX: {@link decant.office.docx.write.DocxWriter} makes the parts, one class for each. */
@org.jspecify.annotations.NullMarked
package decant.office.docx.write;
