/**
 * The blanks of a form: found in a document ({@link decant.blanks.Blanks}), filled in and checked
 * as the form asks, on pages that flow and on pinned ones; what is filled in goes out and comes in
 * as FDF, XFDF or CSV ({@link decant.blanks.BlankFiles}).
 */
@org.jspecify.annotations.NullMarked
package decant.blanks;
