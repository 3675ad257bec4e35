/** Changes to headers and footers. */
@NullMarked
package decant.model.edit.running;

import org.jspecify.annotations.NullMarked;
