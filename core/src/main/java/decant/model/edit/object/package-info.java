/** Changes to pictures and shapes. */
@org.jspecify.annotations.NullMarked
package decant.model.edit.object;
