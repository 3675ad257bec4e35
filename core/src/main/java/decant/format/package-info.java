/**
 * What a file is, by its content, and what serves it. A format's package offers a {@link
 * decant.format.FormatService}; nothing else in the program knows the format.
 */
@org.jspecify.annotations.NullMarked
package decant.format;
