/**
 * The command line: {@code decant publish} and {@code decant describe}, for scripts and servers.
 */
@org.jspecify.annotations.NullMarked
package decant.cli;
