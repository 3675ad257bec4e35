package decant.pdf.read.form;

import decant.model.Box;
import decant.model.look.FormField;

/**
 * A place to fill in that is no field: a line to write on, an empty box.
 *
 * @param area where what is filled in would stand, on the page as it is shown
 * @param label the words that say what belongs there
 * @param size of the letters around it, in points
 */
public record FlatBlank(Box area, FormField.Kind kind, String label, double size) {}
