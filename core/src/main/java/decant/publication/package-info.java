/**
 * What can be published, whatever it was made from: {@link decant.publication.Publication} is the
 * one thing that painting, writing and verifying PDF, and publishing see of it.
 */
@org.jspecify.annotations.NullMarked
package decant.publication;
