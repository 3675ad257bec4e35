package decant.office.odf.write;

import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.emit.Event;
import decant.office.odf.markup.StyleNames;

/** What stands on the lines of a text: stretches in one look, white space, values. */
final class OdfRuns {
  private final OdtWriter file;
  private final OdtWriter.Part part;

  private final Spaces spaces = new Spaces();

  OdfRuns(OdtWriter file, OdtWriter.Part part) {
    this.file = file;
    this.part = part;
  }

  /** A paragraph begins. */
  void begin() {
    spaces.begin();
  }

  /** Something stands on the line that is no white space. */
  void thing() {
    spaces.thing();
  }

  /** The style of a stretch of text; empty for none. */
  String style(Event.TextLooks looks, Paragraph paragraph) {
    var sheet = file.document().styles();
    Look own = looks.own();
    Look inForce = looks.inForce();
    String character = own.value(TextTraits.CHARACTER_STYLE);
    boolean known = !character.isEmpty() && sheet.styles().containsKey(character);
    Look named = sheet.textBase(paragraph.look());
    Look below = known ? file.characterStyle(character).over(named) : named;
    Look direct = Look.PLAIN;
    for (Trait<?> t : TextTraits.OF_LETTERS) {
      direct = differs(direct, own, inForce, below, t);
    }
    String properties = part.looks().text(direct, inForce.value(TextTraits.SIZE), "");
    if (properties.isEmpty()) {
      return known ? StyleNames.encoded(character) : "";
    }
    String attributes =
        " style:family=\"text\""
            + (known
                ? new Xml()
                    .attribute("style:parent-style-name", StyleNames.encoded(character))
                    .toString()
                : "");
    return part.styles().name("T", attributes, properties);
  }

  /** What the text sets itself, and what holds for it that nothing below it says. */
  private static <T> Look differs(Look direct, Look own, Look inForce, Look below, Trait<T> t) {
    boolean says = own.sets(t) || !inForce.value(t).equals(below.value(t));
    return says ? direct.with(t, inForce.value(t)) : direct;
  }

  void characters(Xml x, String s) {
    spaces.write(x, s);
  }

  private static String[] words(Event.Value v) {
    String[] all = v.instruction().split("\\s+", 2);
    String target = all.length > 1 ? all[1].split("\\s+\\\\")[0].replace("\"", "") : "";
    return new String[] {all[0], target};
  }

  /** Whether readers of the format work a value out: chapters by the level of their headings. */
  boolean worksOut(Event.Value v) {
    String[] words = words(v);
    return !words[0].equals("STYLEREF") || file.headingLevel(words[1]).isPresent();
  }

  /** Values that readers work out (§7.3 to §7.7). */
  void value(Xml x, Event.Value v, Paragraph paragraph) {
    String[] words = words(v);
    String target = words[1];
    String style = style(v.looks(), paragraph);
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    switch (words[0]) {
      case "PAGE" -> shown(x, "text:page-number", v, "text:select-page", "current");
      case "NUMPAGES" -> shown(x, "text:page-count", v);
      case "TITLE" -> shown(x, "text:title", v);
      case "PAGEREF" ->
          shown(
              x, "text:bookmark-ref", v, "text:reference-format", "page", "text:ref-name", target);
      case "STYLEREF" ->
          shown(
              x,
              "text:chapter",
              v,
              "text:display",
              "name",
              "text:outline-level",
              file.headingLevel(target).map(Object::toString).orElse("1"));
      case "DATE" -> shown(x, "text:date", v);
      default -> x.text(v.shown());
    }
    if (!style.isEmpty()) {
      x.close("text:span");
    }
    spaces.thing();
  }

  private static void shown(Xml x, String element, Event.Value v, String... attributes) {
    x.open(element, attributes).text(v.shown()).close(element);
  }
}
