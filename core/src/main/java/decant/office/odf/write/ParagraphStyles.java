package decant.office.odf.write;

import decant.model.Section;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.odf.markup.StyleNames;
import java.util.Optional;

/** The automatic styles of paragraphs. */
final class ParagraphStyles {
  private final OdtWriter file;
  private final OdtWriter.Part part;

  ParagraphStyles(OdtWriter file, OdtWriter.Part part) {
    this.file = file;
    this.part = part;
  }

  /**
   * The name of a paragraph's style, with what it stands in and where it begins.
   *
   * @param end look of its end, which text typed into it takes on if it is empty
   * @param breaks the attribute that says what it breaks before; empty for what its look says
   * @param begins the section whose page begins with it, if one does
   */
  String name(
      Look own, Look inForce, Look end, String breaks, boolean isEmpty, Optional<Section> begins) {
    var sheet = file.document().styles();
    String named = own.value(ParagraphTraits.STYLE);
    String parent =
        named.isEmpty() || !sheet.styles().containsKey(named) ? sheet.defaultStyle() : named;
    // What a list or a table gives it is said too: readers differ in what they let them give.
    Look below =
        sheet.paragraphLook(
            own.sets(ParagraphTraits.STYLE) ? Look.of(ParagraphTraits.STYLE, named) : Look.PLAIN);
    Look direct = own;
    for (Trait<?> t : OdtWriter.PROPERTIES_OF_PARAGRAPHS) {
      direct = told(direct, inForce, below, t);
    }
    if (!inForce.value(ParagraphTraits.LIST).list().isEmpty()) {
      direct =
          direct
              .with(ParagraphTraits.INDENT_START, inForce.value(ParagraphTraits.INDENT_START))
              .with(ParagraphTraits.FIRST_LINE, inForce.value(ParagraphTraits.FIRST_LINE));
    }
    Optional<String> master = begins.flatMap(file.pages()::master);
    Optional<Integer> number = begins.flatMap(s -> s.page().numbers().start());
    String more = breaks.isEmpty() ? CommonStylesWriter.breaks(direct) : breaks;
    if (number.isPresent()) {
      more += new Xml().attribute("style:page-number", number.get().toString());
    }
    String hyphens =
        own.get(ParagraphTraits.HYPHENATION)
            .map(h ->
                new Xml()
                    .attribute(
                        "fo:hyphenate", Boolean.toString(h && sheet.typesetting().hyphenates()))
                    .toString())
            .orElse("");
    // Text typed into an empty paragraph takes on the look of its end.
    Look text = isEmpty ? end : Look.PLAIN;
    String properties =
        part.looks().paragraph(direct, inForce, more)
            + part.looks().text(text, text.value(TextTraits.SIZE), hyphens);
    String attributes =
        " style:family=\"paragraph\""
            + new Xml()
                .attribute(
                    "style:parent-style-name",
                    parent.isEmpty() ? "Standard" : StyleNames.encoded(parent))
            + master
                .map(m -> new Xml().attribute("style:master-page-name", m).toString())
                .orElse("");
    return properties.isEmpty() && master.isEmpty()
        ? parent.isEmpty() ? "Standard" : StyleNames.encoded(parent)
        : part.styles().name("P", attributes, properties);
  }

  /** A trait that holds, and that neither a style nor the look itself says. */
  private static <T> Look told(Look direct, Look inForce, Look below, Trait<T> t) {
    if (direct.sets(t) || inForce.value(t).equals(below.value(t))) {
      return direct;
    }
    return direct.with(t, inForce.value(t));
  }
}
