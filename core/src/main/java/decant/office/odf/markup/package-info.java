/** What the reader and the writer of OpenDocument share: lengths, colours, names of styles. */
@org.jspecify.annotations.NullMarked
package decant.office.odf.markup;
