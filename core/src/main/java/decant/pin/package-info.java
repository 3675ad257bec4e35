/**
 * Pages of a PDF that stay as they were, as pages of a document: {@link decant.pin.Pinning} cuts
 * them out of the text and gives them back, {@link decant.pin.PageJudge} says which pages the text
 * does not bring over faithfully, and {@link decant.pin.PinnedPictures} makes pictures of them for
 * formats that have no pages.
 */
@org.jspecify.annotations.NullMarked
package decant.pin;
