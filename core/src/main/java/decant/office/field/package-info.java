/** What fields are told to show, in the language that DOCX, DOC and RTF have in common. */
@org.jspecify.annotations.NullMarked
package decant.office.field;
