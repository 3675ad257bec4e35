/**
 * The document: an immutable tree of records under sealed interfaces.
 *
 * <p>A {@link decant.model.Document} holds {@link decant.model.Section}s of {@link
 * decant.model.Block}s, notes, media, named styles and lists. Every node that can be pointed at has
 * a {@link decant.model.NodeId} that survives edits. A place in the text is a {@link
 * decant.model.Position}: a paragraph, wherever it is nested, and an offset in it.
 *
 * <p>The blocks of a section or a story are a {@link decant.model.BlockList} in stretches: where
 * the nodes stand and what is told of them is made from version to version, for the stretch that
 * changed.
 *
 * <p>Invariants: nothing here changes after construction; a document knows nothing of pages, files
 * or views; what a reader did not understand is kept in {@link decant.model.look.Kept} and handed
 * back to the writer of the same format. Lengths are in points (1/72 inch) throughout.
 */
@org.jspecify.annotations.NullMarked
package decant.model;
