/**
 * OpenDocument written: text as it is told, styles gathered on the way, the package around them.
 */
@org.jspecify.annotations.NullMarked
package decant.office.odf.write;
