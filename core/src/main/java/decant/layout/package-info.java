/**
 * From a document to pages of positioned items. {@link decant.layout.Layouter} keeps what it knows
 * of each block and re-breaks only what changed; its result, a {@link decant.layout.Layout}, is
 * immutable and is what the screen, the printer and the PDF are made from. A {@link
 * decant.layout.pages.Page} holds fragments of block layouts; {@link decant.layout.PageWalker}
 * visits them as items with places on the page.
 *
 * <p>Places are in points from the top left corner of the page, y growing downwards. Within a block
 * layout they are relative to the block, so that a block moves without being set again.
 */
@org.jspecify.annotations.NullMarked
package decant.layout;
