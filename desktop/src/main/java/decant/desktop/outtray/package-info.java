/** The Out-tray: published files that wait to be sent or printed, and what is queued. */
@org.jspecify.annotations.NullMarked
package decant.desktop.outtray;
