/**
 * Work that is not saved yet, kept so that a crash loses seconds of it at most: {@link
 * decant.recovery.WorkFile} is its form, and {@link decant.recovery.UnsavedWork} what it holds.
 */
@org.jspecify.annotations.NullMarked
package decant.recovery;
