/**
 * What every reader of files takes and gives: a {@link decant.reading.ReadRequest} with its limits,
 * and {@link decant.reading.TakenIn} with the document and its findings, or a {@link
 * decant.reading.ReadProblem} in the person's words. Pages that are pictures are read by a {@link
 * decant.reading.Recogniser}, if one is given.
 */
@org.jspecify.annotations.NullMarked
package decant.reading;
