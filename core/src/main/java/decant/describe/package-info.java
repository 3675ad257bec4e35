/**
 * A document as JSON, one object a file, in the shape that tests and tools outside the project
 * read.
 */
@org.jspecify.annotations.NullMarked
package decant.describe;
