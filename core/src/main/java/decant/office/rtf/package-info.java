/**
 * RTF (Rich Text Format 1.9.1), the format that office programs of every age read: written with
 * every look spelled out, so that nothing hangs on what a reader makes of styles.
 */
@NullMarked
package decant.office.rtf;

import org.jspecify.annotations.NullMarked;
