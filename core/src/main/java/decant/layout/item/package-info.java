/**
 * What blocks come to once they are set: lines, tables, shapes, with their items at their places.
 */
@org.jspecify.annotations.NullMarked
package decant.layout.item;
