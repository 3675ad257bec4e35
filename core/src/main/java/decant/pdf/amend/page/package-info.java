/** What pages are made of in a file: their streams, and what is painted after them. */
@NullMarked
package decant.pdf.amend.page;

import org.jspecify.annotations.NullMarked;
