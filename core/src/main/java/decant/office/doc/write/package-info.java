/**
 * Writing binary office documents ([MS-DOC], with [MS-ODRAW] for what is drawn). A document is
 * written as one stream of characters, part after part (text, notes, headers, comments, boxes), and
 * tables that say by the numbers of the characters what each of them is: {@link
 * decant.office.doc.write.DocWriter} fills the parts, {@link decant.office.doc.write.DocFile} puts
 * the tables around them.
 */
@org.jspecify.annotations.NullMarked
package decant.office.doc.write;
