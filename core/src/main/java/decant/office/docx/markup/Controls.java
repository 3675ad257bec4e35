package decant.office.docx.markup;

import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.office.field.AskedFor;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Places to fill in as content controls (§17.5.2), and those of check boxes ([MS-DOCX] 2.6.1). */
public final class Controls {
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
            .orElse(unnamed(number));
    String tag = p.child("w:tag").flatMap(t -> t.attribute("w:val")).orElse("");
    String waiting =
        p.child("w:showingPlcHdr").isPresent()
            ? sdt.child("w:sdtContent").map(Controls::text).orElse("").strip()
            : "";
    double width = ControlTag.width(tag);
    FieldRule rule = ControlTag.rule(tag);
    String id = "s" + number;
    Optional<Element> date = p.child("w:date");
    if (date.isPresent()) {
      String written =
          date.get().child("w:dateFormat").flatMap(f -> f.attribute("w:val")).orElse("");
      AskedFor asked =
          new AskedFor(AskedFor.Kind.TEXT, AskedFor.Text.DATE, name, 0, written, List.of(), 0);
      FieldRule said = rule.equals(FieldRule.NONE) ? asked.field(id, name).rule() : rule;
      return Optional.of(
          new FormField(id, name, FormField.Kind.TEXT, List.of(), width, waiting, said));
    }
    Optional<Element> text = p.child("w:text");
    if (text.isPresent()) {
      boolean lines = text.get().attribute("w:multiLine").filter(DocxLooks::isOn).isPresent();
      FormField.Kind kind = lines ? FormField.Kind.LINES : FormField.Kind.TEXT;
      return Optional.of(new FormField(id, name, kind, List.of(), width, waiting, rule));
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
          boolean round = ControlTag.isOneOf(tag);
          return new FormField(
              id,
              name,
              round ? FormField.Kind.ONE_OF : FormField.Kind.TICK,
              round ? List.of(ControlTag.stands(tag)) : List.of(),
              0,
              off(c));
        });
  }

  /** A field of a form of older programs as a place to fill in. */
  public static FormField named(AskedFor asked, int number) {
    return asked.field("s" + number, unnamed(number));
  }

  private static String unnamed(int number) {
    return "blank " + number;
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
    String tag = ControlTag.of(b);
    if (!tag.isEmpty()) {
      o.empty("w:tag", "w:val", tag);
    }
    o.empty("w:id", "w:val", Integer.toString(1_000_000 + number));
    if (!b.holds(text) && !b.isSwitch()) {
      o.raw("<w:showingPlcHdr/>");
    }
    switch (b.kind()) {
      case TEXT -> {
        if (b.rule().sort() == FieldRule.Sort.DATE) {
          date(o, b.rule().picture());
        } else {
          o.raw("<w:text/>");
        }
      }
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

  /** §17.5.2.7; in it m are minutes, and M are months. */
  private static void date(Out o, String picture) {
    o.raw("<w:date>");
    if (!picture.isEmpty()) {
      o.empty("w:dateFormat", "w:val", picture.replace('m', 'M'));
    }
    o.raw("</w:date>");
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
