/** Changes that somebody proposed and nobody has accepted yet, as formats say them. */
@org.jspecify.annotations.NullMarked
package decant.office.pending;
