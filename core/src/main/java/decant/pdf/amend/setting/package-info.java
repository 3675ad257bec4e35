/**
 * How a line stands after words of it were changed ({@link decant.pdf.amend.setting.RowSetting}),
 * in which fonts, and how words go on in the lines below it ({@link
 * decant.pdf.amend.setting.Reflow}).
 */
@NullMarked
package decant.pdf.amend.setting;

import org.jspecify.annotations.NullMarked;
