package decant.office.odf.write;

import decant.model.look.FormField;
import decant.office.odf.markup.Measures;

/**
 * Controls of the form (ODF 1.3 part 3, §13), which are told of before the text and shown where it
 * says.
 */
final class Controls {
  private final boolean inText;
  private final Xml told = new Xml();
  private int numbers;

  /**
   * @param inText whether they are told of: headers and footers have none
   */
  Controls(boolean inText) {
    this.inText = inText;
  }

  boolean held() {
    return inText;
  }

  /**
   * Writes what is on or off where it stands.
   *
   * @param side of it in points
   */
  void write(Xml x, FormField f, boolean on, double side) {
    String name = "control" + ++numbers;
    boolean oneOf = f.kind() == FormField.Kind.ONE_OF;
    told.empty(
        oneOf ? "form:radio" : "form:checkbox",
        "xml:id",
        name,
        "form:id",
        name,
        "form:name",
        f.name(),
        "form:value",
        oneOf && !f.options().isEmpty() ? f.options().getFirst() : "",
        oneOf ? "form:current-selected" : "form:current-state",
        oneOf ? Boolean.toString(on) : on ? "checked" : "unchecked");
    String length = Measures.points(side);
    x.empty(
        "draw:control",
        "text:anchor-type",
        "as-char",
        "svg:width",
        length,
        "svg:height",
        length,
        "draw:control",
        name);
  }

  /** The element before the text; empty if there are no controls. */
  String element() {
    return told.isEmpty()
        ? ""
        : "<office:forms form:automatic-focus=\"false\" form:apply-design-mode=\"false\">"
            + "<form:form form:name=\"Form\">"
            + told
            + "</form:form></office:forms>";
  }
}
