/**
 * Puts what was changed in a document into the OpenDocument package that it came in: blocks that
 * say the same as when they were taken in stand as they stood.
 */
@org.jspecify.annotations.NullMarked
package decant.office.odf.weave;
