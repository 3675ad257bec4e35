/**
 * What a publish comes to before anything is written: sizes, fonts, pictures as they would be
 * stored, what a document lacks and what a format leaves out.
 */
@org.jspecify.annotations.NullMarked
package decant.preview;
