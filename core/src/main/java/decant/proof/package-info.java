/** Holding two versions of a document side by side. */
@org.jspecify.annotations.NullMarked
package decant.proof;
