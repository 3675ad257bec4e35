/**
 * The file that an office document came in, kept with it: what was not touched goes back as it
 * stood.
 */
@org.jspecify.annotations.NullMarked
package decant.office.source;
