/**
 * Pages onto pictures: the same items that a PDF is written from, painted with glyphs at sub-pixel
 * places. {@link decant.paint.PagePainter} is what the screen and the printer use; it may be shared
 * by threads.
 */
@org.jspecify.annotations.NullMarked
package decant.paint;
