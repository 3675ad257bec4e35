/**
 * Files that are written whole or not at all: {@link decant.io.AtomicFile}. {@link
 * decant.io.Untouchable} knows which files of a call are never written over; {@link
 * decant.io.StateFolder} keeps what the program remembers to its user alone.
 */
@org.jspecify.annotations.NullMarked
package decant.io;
