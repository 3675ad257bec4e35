/** Changes to what pages are like: their paper, what stands on every page. */
@NullMarked
package decant.model.edit.section;

import org.jspecify.annotations.NullMarked;
