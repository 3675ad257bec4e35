/**
 * What differs between two versions of a document, whatever formats they are in: {@link
 * decant.compare.Edition} takes a version apart into pieces in the order in which they are read,
 * {@link decant.compare.Pairing} finds which piece of one is which of the other, and {@link
 * decant.compare.Comparison} lists what became of them, by {@link decant.compare.Difference}.
 */
@org.jspecify.annotations.NullMarked
package decant.compare;
