package decant.pdf.amend;

import decant.model.Box;
import decant.model.look.FormField;

/**
 * A field that a page is to have.
 *
 * @param name without full stops
 * @param area on the page as it is shown, in points
 * @param size of what is filled in, in points
 */
public record NewField(String name, FormField.Kind kind, Box area, double size) {}
