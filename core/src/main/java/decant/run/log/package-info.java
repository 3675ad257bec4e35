/**
 * What a run tells of itself when it is over: {@link decant.run.log.RunLog} for people, {@link
 * decant.run.log.Csv} with the same for programs, and {@link decant.run.log.Manifest} with the
 * hashes of what was made, for archives.
 */
@org.jspecify.annotations.NullMarked
package decant.run.log;
