/** Set blocks into pages: breaks, columns, notes at the foot, what repeats. */
@org.jspecify.annotations.NullMarked
package decant.layout.pages;
