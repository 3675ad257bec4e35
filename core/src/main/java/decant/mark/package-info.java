/**
 * Marks: signatures, initials and stamps. They are drawn with a pointer ({@link decant.mark.Ink}),
 * typed in a script face ({@link decant.mark.ScriptFace}), set as a stamp ({@link
 * decant.mark.Stamp}) or taken from a picture ({@link decant.mark.InkOnPaper}), and kept on a shelf
 * ({@link decant.mark.MarkShelf}), locked with a passphrase where that is wanted.
 */
@org.jspecify.annotations.NullMarked
package decant.mark;
