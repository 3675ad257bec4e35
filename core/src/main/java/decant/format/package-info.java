/** What a file is, by its content, and which reader serves it. */
@org.jspecify.annotations.NullMarked
package decant.format;
