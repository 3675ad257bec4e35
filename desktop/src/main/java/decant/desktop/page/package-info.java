/** Pages on screen: scrolling, zooming, painting in the background, caret, selection and typing. */
@org.jspecify.annotations.NullMarked
package decant.desktop.page;
