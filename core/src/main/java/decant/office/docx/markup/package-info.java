/** The markup of DOCX (ISO/IEC 29500) that is both read and written, each element in one place. */
@org.jspecify.annotations.NullMarked
package decant.office.docx.markup;
