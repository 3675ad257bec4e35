/** A format that is there for tests alone. */
@org.jspecify.annotations.NullMarked
package decant.format.toy;
