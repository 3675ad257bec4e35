/**
 * What waits: published files to be sent or printed ({@link decant.tray.OutTray}), and documents to
 * be published later ({@link decant.tray.PublishQueue}). Both are remembered between runs.
 */
@org.jspecify.annotations.NullMarked
package decant.tray;
