/** Pinned pages in the window: their lines and pictures, changed where they stand. */
@org.jspecify.annotations.NullMarked
package decant.desktop.pinned;
