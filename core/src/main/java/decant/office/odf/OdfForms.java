package decant.office.odf;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Rule;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The controls of forms (ODF 1.3 part 3, §13), which stand apart from where they are shown. */
final class OdfForms {
  private static final Words WORDS = Words.of(OdfForms.class);
  private static final int DEEPEST = 20;

  private final Map<String, Element> controls = new HashMap<>();

  /** Notes the controls of office:forms, or of a form in it. */
  void note(Element forms) {
    note(forms, 0);
  }

  private void note(Element in, int depth) {
    for (Element e : in.elements()) {
      if (e.name().equals("form:form") && depth < DEEPEST) {
        note(e, depth + 1);
      } else {
        e.attribute("xml:id").or(() -> e.attribute("form:id")).ifPresent(i -> controls.put(i, e));
      }
    }
  }

  /**
   * What a control shows, as text: a place to fill in, and what is written beside it.
   *
   * @param control where it is shown
   * @param id for the place to fill in
   * @param boxed whether a box shows where it is, also while it is empty
   * @return empty if it is none, or one that Decant does not know
   */
  List<Inline> shown(Element control, String id, boolean boxed, Look look) {
    double width = Measures.length(control.attribute("svg:width")).orElse(0.0);
    Element e = controls.get(control.attribute("draw:control").orElse(""));
    if (e == null) {
      return List.of();
    }
    String label = e.attribute("form:label").orElse("");
    if (e.name().equals("form:fixed-text")) {
      return label.isEmpty() ? List.of() : List.of(new Inline.Text(label, look));
    }
    Optional<Kind> kind = kind(e);
    if (kind.isEmpty()) {
      return List.of();
    }
    boolean isSwitch = kind.get() == Kind.TICK || kind.get() == Kind.ONE_OF;
    String name = e.attribute("form:name").filter(n -> !n.isBlank()).orElse("");
    var field =
        new FormField(
            id,
            name.isEmpty() ? WORDS.say("odf-forms.unnamed") : name,
            kind.get(),
            options(e, label),
            isSwitch ? 0 : width,
            boxed && !isSwitch ? FormField.HELD_OPEN : "",
            rule(e));
    var out = new ArrayList<Inline>();
    out.add(new Inline.Text(value(e, field), look.with(TextTraits.FIELD, field)));
    if (field.isSwitch() && !label.isBlank()) {
      out.add(new Inline.Text(" " + label, look));
    }
    return out;
  }

  /** Whether a control stands on the line, as a letter does. */
  static boolean isOnLine(Element control) {
    return control.name().equals("draw:control")
        && control.attribute("text:anchor-type").filter("as-char"::equals).isPresent();
  }

  private static Optional<Kind> kind(Element e) {
    return switch (e.name()) {
      case "form:text", "form:formatted-text", "form:number", "form:date", "form:time" ->
          Optional.of(Kind.TEXT);
      case "form:textarea" -> Optional.of(Kind.LINES);
      case "form:checkbox" -> Optional.of(Kind.TICK);
      case "form:radio" -> Optional.of(Kind.ONE_OF);
      case "form:listbox" -> Optional.of(Kind.CHOICE);
      case "form:combobox" -> Optional.of(Kind.CHOICE_OR_TEXT);
      default -> Optional.empty();
    };
  }

  private static List<String> options(Element e, String label) {
    return switch (e.name()) {
      case "form:radio" ->
          List.of(e.attribute("form:value").filter(v -> !v.isBlank()).orElse(label));
      case "form:listbox" -> labels(e, "form:option");
      case "form:combobox" -> labels(e, "form:item");
      default -> List.of();
    };
  }

  private static List<String> labels(Element e, String of) {
    return e.elements(of).flatMap(o -> o.attribute("form:label").stream()).toList();
  }

  private static FieldRule rule(Element e) {
    FieldRule any =
        FieldRule.NONE.withMost(Measures.whole(e.attribute("form:max-length")).orElse(0));
    return e.name().equals("form:number") ? any.number() : any;
  }

  private static String value(Element e, FormField field) {
    return switch (field.kind()) {
      case TICK -> FormField.sign(Kind.TICK, isOn(e, "state", "checked"));
      case ONE_OF -> FormField.sign(Kind.ONE_OF, isOn(e, "selected", "true"));
      case CHOICE ->
          e.elements("form:option")
              .filter(o -> isOn(o, "selected", "true"))
              .findFirst()
              .flatMap(o -> o.attribute("form:label"))
              .orElse(held(field));
      case TEXT, LINES, CHOICE_OR_TEXT ->
          e.attribute("form:current-value")
              .or(() -> e.attribute("form:value"))
              .filter(v -> !v.isEmpty())
              .orElse(held(field));
    };
  }

  private static String held(FormField field) {
    return field.isHeldOpen() ? FormField.HELD_OPEN : FormField.HELD_OPEN.repeat(5);
  }

  /** As it is now, else as it is at first. */
  private static boolean isOn(Element e, String what, String value) {
    return e.attribute("form:current-" + what)
        .or(() -> e.attribute("form:" + what))
        .filter(value::equals)
        .isPresent();
  }

  /** Of the line around a control, in points. */
  private static final double HAIR = 0.5;

  /** From that line to what stands in it, in points. */
  private static final Insets BESIDE = new Insets(0, 2, 0, 2);

  /** How large a control is, in points. */
  record Size(double width, double height) {}

  /** What a control shows, as the text of its box. */
  static Story story(List<Inline> shown) {
    var words = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, shown);
    return new Story(NodeId.fresh(), Story.Kind.BOX, List.of(words));
  }

  /** A control with its own place, with a line around it where something is written. */
  static Inline box(
      List<Inline> shown, Story story, Size size, OdfPlaces.Place place, String alt, Look look) {
    boolean written =
        shown.getFirst().look().get(TextTraits.FIELD).filter(f -> !f.isSwitch()).isPresent();
    return new Inline.Shape(
        new Inline.Drawing(
            Inline.Geometry.RECTANGLE,
            Optional.empty(),
            written ? Optional.of(Rule.single(HAIR, Colour.BLACK)) : Optional.empty()),
        size.width(),
        size.height(),
        new Inline.BoxText(Optional.of(story.id()), false, BESIDE, VerticalAlignment.CENTRE),
        alt,
        place.placement(),
        place.rotation(),
        Optional.empty(),
        look);
  }
}
