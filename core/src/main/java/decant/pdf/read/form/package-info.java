/** Places to fill in that are drawn or typed on a page and are no fields. */
@NullMarked
package decant.pdf.read.form;

import org.jspecify.annotations.NullMarked;
