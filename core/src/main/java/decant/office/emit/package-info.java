/**
 * A document as events, in the order in which files of office formats have it: what every writer
 * shares, so that a format says only how each thing is written. {@link decant.office.emit.Emitter}
 * tells, a {@link decant.office.emit.Sink} writes.
 */
@org.jspecify.annotations.NullMarked
package decant.office.emit;
