/** What lies ready to be worked on. */
@org.jspecify.annotations.NullMarked
package decant.desktop.tray;
