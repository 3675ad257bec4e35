/**
 * Work that may be stopped, may take too long, or may fail through a fault of our own: {@link
 * decant.work.Deadline} says how long a file may take, {@link decant.work.Cancelled} ends what a
 * person stopped, {@link decant.work.Faults} makes of whatever is thrown one result with an id that
 * the log explains, and {@link decant.work.Log} is that log.
 */
@org.jspecify.annotations.NullMarked
package decant.work;
