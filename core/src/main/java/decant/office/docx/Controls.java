package decant.office.docx;

import decant.model.Blank;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Places to fill in as content controls (§17.5.2), and those of check boxes ([MS-DOCX] 2.6.1). */
final class Controls {
  private static final String OURS = "decant;";

  private Controls() {}

  /** The place to fill in that a control is; empty for those that hold other things. */
  static Optional<Blank> read(Element sdt, int number) {
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
    boolean placeholder = p.child("w:showingPlcHdr").isPresent();
    double width = width(tag);
    String id = "s" + number;
    Optional<Element> text = p.child("w:text");
    if (text.isPresent()) {
      boolean lines =
          text.get().attribute("w:multiLine").filter(v -> v.matches("1|true|on")).isPresent();
      Blank.Kind kind = lines ? Blank.Kind.LINES : Blank.Kind.TEXT;
      return Optional.of(new Blank(id, name, kind, List.of(), width, !placeholder));
    }
    for (String list : List.of("w:dropDownList", "w:comboBox")) {
      Optional<Element> choice = p.child(list);
      if (choice.isPresent()) {
        Blank.Kind kind = list.equals("w:comboBox") ? Blank.Kind.CHOICE_OR_TEXT : Blank.Kind.CHOICE;
        return Optional.of(new Blank(id, name, kind, options(choice.get()), width, !placeholder));
      }
    }
    return p.child("w14:checkbox")
        .map(c -> {
          boolean on =
              c.child("w14:checked")
                  .flatMap(e -> e.attribute("w14:val"))
                  .filter(v -> v.matches("1|true"))
                  .isPresent();
          boolean round = tag.startsWith(OURS + "one;");
          return new Blank(
              id,
              name,
              round ? Blank.Kind.ONE_OF : Blank.Kind.TICK,
              round ? List.of(tag.substring(tag.lastIndexOf(';') + 1)) : List.of(),
              0,
              on);
        });
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

  /** Begins a control, up to its content. */
  static void begin(Out o, Blank b, int number) {
    o.raw("<w:sdt><w:sdtPr>");
    if (!b.name().isBlank()) {
      o.empty("w:alias", "w:val", b.name());
    }
    String tag =
        b.kind() == Blank.Kind.ONE_OF
            ? OURS + "one;" + String.join(" ", b.options())
            : b.width() > 0 ? OURS + "width;" + b.width() : "";
    if (!tag.isEmpty()) {
      o.empty("w:tag", "w:val", tag);
    }
    o.empty("w:id", "w:val", Integer.toString(1_000_000 + number));
    if (!b.filled() && !b.isSwitch()) {
      o.raw("<w:showingPlcHdr/>");
    }
    switch (b.kind()) {
      case TEXT -> o.raw("<w:text/>");
      case LINES -> o.raw("<w:text w:multiLine=\"1\"/>");
      case CHOICE -> choice(o, "w:dropDownList", b);
      case CHOICE_OR_TEXT -> choice(o, "w:comboBox", b);
      case TICK, ONE_OF -> {
        o.raw("<w14:checkbox>");
        o.empty("w14:checked", "w14:val", b.filled() ? "1" : "0");
        o.raw("<w14:checkedState w14:val=\"2611\" w14:font=\"DejaVu Sans\"/>");
        o.raw("<w14:uncheckedState w14:val=\"2610\" w14:font=\"DejaVu Sans\"/></w14:checkbox>");
      }
    }
    o.raw("</w:sdtPr><w:sdtContent>");
  }

  private static void choice(Out o, String element, Blank b) {
    o.raw("<" + element + ">");
    b.options().stream()
        .distinct()
        .forEach(s -> o.empty("w:listItem", "w:displayText", s, "w:value", s));
    o.raw("</" + element + ">");
  }

  static void end(Out o) {
    o.raw("</w:sdtContent></w:sdt>");
  }
}
