/**
 * Processes of their own for work that may take all memory or never end, as files by others make it
 * do: {@link decant.process.WorkerProcess} on the side that asks, {@link decant.process.Answering}
 * on the side that works. Both speak in lines of text.
 */
@org.jspecify.annotations.NullMarked
package decant.process;
