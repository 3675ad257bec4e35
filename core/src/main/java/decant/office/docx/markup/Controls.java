package decant.office.docx.markup;

import decant.model.look.FormField;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Places to fill in as content controls (§17.5.2), and those of check boxes ([MS-DOCX] 2.6.1). */
public final class Controls {
  private static final String OURS = "decant;";

  private Controls() {}

  /** The place to fill in that a control is; empty for those that hold other things. */
  public static Optional<FormField> read(Element sdt, int number) {
    Optional<Element> properties = sdt.child("w:sdtPr");
    if (properties.isEmpty()) {
      return Optional.empty();
    }
    Element p = properties.get();
    String name =
        p.child("w:alias")
            .or(() -> p.child("w:tag"))
            .flatMap(a -> a.attribute("w:val"))
            .orElse("blank " + number);
    String tag = p.child("w:tag").flatMap(t -> t.attribute("w:val")).orElse("");
    String waiting =
        p.child("w:showingPlcHdr").isPresent()
            ? sdt.child("w:sdtContent").map(Controls::text).orElse("").strip()
            : "";
    double width = width(tag);
    String id = "s" + number;
    Optional<Element> text = p.child("w:text");
    if (text.isPresent()) {
      boolean lines =
          text.get().attribute("w:multiLine").filter(v -> v.matches("1|true|on")).isPresent();
      FormField.Kind kind = lines ? FormField.Kind.LINES : FormField.Kind.TEXT;
      return Optional.of(new FormField(id, name, kind, List.of(), width, waiting));
    }
    for (String list : List.of("w:dropDownList", "w:comboBox")) {
      Optional<Element> choice = p.child(list);
      if (choice.isPresent()) {
        FormField.Kind kind =
            list.equals("w:comboBox") ? FormField.Kind.CHOICE_OR_TEXT : FormField.Kind.CHOICE;
        return Optional.of(new FormField(id, name, kind, options(choice.get()), width, waiting));
      }
    }
    return p.child("w14:checkbox")
        .map(c -> {
          boolean round = tag.startsWith(OURS + "one;");
          return new FormField(
              id,
              name,
              round ? FormField.Kind.ONE_OF : FormField.Kind.TICK,
              round ? List.of(tag.substring(tag.lastIndexOf(';') + 1)) : List.of(),
              0,
              off(c));
        });
  }

  /** The sign of a box that is not ticked; empty for the usual one. */
  private static String off(Element checkbox) {
    try {
      return checkbox
          .child("w14:uncheckedState")
          .flatMap(e -> e.attribute("w14:val"))
          .map(v -> Character.toString(Integer.parseInt(v, 16)))
          .orElse("");
    } catch (IllegalArgumentException e) {
      return ""; // no character
    }
  }

  private static String text(Element e) {
    var b = new StringBuilder();
    for (Element c : e.elements()) {
      b.append(c.name().equals("w:t") ? c.text() : text(c));
    }
    return b.toString();
  }

  private static List<String> options(Element list) {
    var out = new ArrayList<String>();
    for (Element item : list.elements()) {
      item.attribute("w:displayText")
          .or(() -> item.attribute("w:value"))
          .filter(s -> !s.isBlank())
          .ifPresent(out::add);
    }
    return out;
  }

  private static double width(String tag) {
    String[] parts = tag.split(";");
    try {
      return tag.startsWith(OURS + "width;") && parts.length == 3
          ? Double.parseDouble(parts[2])
          : 0;
    } catch (NumberFormatException e) {
      return 0; // a tag of somebody else's
    }
  }

  /**
   * Begins a control, up to its content.
   *
   * @param text on it
   */
  public static void begin(Out o, FormField b, String text, int number) {
    o.raw("<w:sdt><w:sdtPr>");
    if (!b.name().isBlank()) {
      o.empty("w:alias", "w:val", b.name());
    }
    String tag =
        b.kind() == FormField.Kind.ONE_OF
            ? OURS + "one;" + String.join(" ", b.options())
            : b.width() > 0 ? OURS + "width;" + b.width() : "";
    if (!tag.isEmpty()) {
      o.empty("w:tag", "w:val", tag);
    }
    o.empty("w:id", "w:val", Integer.toString(1_000_000 + number));
    if (!b.holds(text) && !b.isSwitch()) {
      o.raw("<w:showingPlcHdr/>");
    }
    switch (b.kind()) {
      case TEXT -> o.raw("<w:text/>");
      case LINES -> o.raw("<w:text w:multiLine=\"1\"/>");
      case CHOICE -> choice(o, "w:dropDownList", b);
      case CHOICE_OR_TEXT -> choice(o, "w:comboBox", b);
      case TICK, ONE_OF -> {
        o.raw("<w14:checkbox>");
        o.empty("w14:checked", "w14:val", b.holds(text) ? "1" : "0");
        o.raw("<w14:checkedState w14:val=\"2611\" w14:font=\"DejaVu Sans\"/>");
        o.raw("<w14:uncheckedState w14:val=\"2610\" w14:font=\"DejaVu Sans\"/></w14:checkbox>");
      }
    }
    o.raw("</w:sdtPr><w:sdtContent>");
  }

  private static void choice(Out o, String element, FormField b) {
    o.raw("<" + element + ">");
    b.options().stream()
        .distinct()
        .forEach(s -> o.empty("w:listItem", "w:displayText", s, "w:value", s));
    o.raw("</" + element + ">");
  }

  public static void end(Out o) {
    o.raw("</w:sdtContent></w:sdt>");
  }
}
