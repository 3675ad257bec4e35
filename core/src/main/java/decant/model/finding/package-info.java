/**
 * What a person should know about a document: one thing each, with its place and what puts it
 * right, and those that are alike as one.
 */
@org.jspecify.annotations.NullMarked
package decant.model.finding;
