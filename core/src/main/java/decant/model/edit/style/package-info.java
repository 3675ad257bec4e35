/** Looks of what is selected, and the named styles that they come from. */
@org.jspecify.annotations.NullMarked
package decant.model.edit.style;
