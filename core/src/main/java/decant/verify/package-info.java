/**
 * Holds what was written against what it was written from, by readers that know nothing of how it
 * was written.
 */
@org.jspecify.annotations.NullMarked
package decant.verify;
