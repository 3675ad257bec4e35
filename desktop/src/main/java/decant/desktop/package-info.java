/**
 * The desktop program: {@link decant.desktop.Launcher} starts it, {@code shell} is its frame, the
 * stages are beside it.
 */
@org.jspecify.annotations.NullMarked
package decant.desktop;
