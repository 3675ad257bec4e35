/** Blocks into lines, tables and shapes: line breaking, floats, columns of tables. */
@org.jspecify.annotations.NullMarked
package decant.layout.block;
