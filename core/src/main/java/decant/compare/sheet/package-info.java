/**
 * Proof sheets: the pages of two versions beside one another, with what differs marked and listed,
 * as a document to be signed off ({@link decant.compare.sheet.ProofSheet}).
 */
@org.jspecify.annotations.NullMarked
package decant.compare.sheet;
