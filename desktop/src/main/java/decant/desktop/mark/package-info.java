/** Marks in the window: made, kept at the side, and placed on pages by the pointer. */
@org.jspecify.annotations.NullMarked
package decant.desktop.mark;
