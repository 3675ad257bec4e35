/** Reads RTF: what another program put on the clipboard, and whole files. */
@NullMarked
package decant.office.rtf.read;

import org.jspecify.annotations.NullMarked;
