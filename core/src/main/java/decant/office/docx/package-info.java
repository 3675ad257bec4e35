/**
 * DOCX (ISO/IEC 29500-1, WordprocessingML). {@link decant.office.docx.DocxReader} takes a file in;
 * what it does not understand it keeps where it stood, and {@link
 * decant.office.docx.write.DocxWriter} puts it back.
 */
@org.jspecify.annotations.NullMarked
package decant.office.docx;
