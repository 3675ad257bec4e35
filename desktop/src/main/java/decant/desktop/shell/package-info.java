/** The frame of the window, the state of the program and the one registry of actions. */
@org.jspecify.annotations.NullMarked
package decant.desktop.shell;
