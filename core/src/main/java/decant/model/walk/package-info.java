/** Ways through a document: one traversal for all who visit its parts, and what counts along it. */
@org.jspecify.annotations.NullMarked
package decant.model.walk;
