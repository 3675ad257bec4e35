/** Reads RTF that another program put on the clipboard. */
@NullMarked
package decant.office.rtf.paste;

import org.jspecify.annotations.NullMarked;
