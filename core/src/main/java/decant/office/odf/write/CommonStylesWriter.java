package decant.office.odf.write;

import static decant.office.odf.markup.Measures.points;

import decant.model.Document;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.office.odf.markup.StyleNames;
import java.util.ArrayList;
import java.util.List;

/** The common styles (ODF 1.3 part 3, §3.15.2): named styles and what stands below them all. */
final class CommonStylesWriter {
  private final Document document;
  private final StyleSheet sheet;
  private final OdfLooksWriter looks;

  CommonStylesWriter(Document document, OdfLooksWriter looks) {
    this.document = document;
    this.sheet = document.styles();
    this.looks = looks;
  }

  String element() {
    var x = new Xml().raw("<office:styles>");
    Look base = sheet.textDefaults();
    // What holds without a word in our own model is said, so that no reader's own habit steps in.
    Look texts =
        base.with(TextTraits.FAMILY, base.value(TextTraits.FAMILY))
            .with(TextTraits.SIZE, base.value(TextTraits.SIZE));
    Look paragraphs = sheet.paragraphDefaults();
    paragraphs =
        paragraphs.with(
            ParagraphTraits.WIDOW_CONTROL, paragraphs.value(ParagraphTraits.WIDOW_CONTROL));
    Typesetting t = sheet.typesetting();
    x.open("style:default-style", "style:family", "paragraph");
    x.raw(
        looks.paragraph(
            paragraphs,
            paragraphs,
            new Xml().attribute("style:tab-stop-distance", points(t.tabDistance())).toString()));
    x.raw(
        looks.text(
            texts,
            texts.value(TextTraits.SIZE),
            hyphenation(
                paragraphs.with(
                    ParagraphTraits.HYPHENATION, paragraphs.value(ParagraphTraits.HYPHENATION)))));
    x.close("style:default-style");
    x.open("style:default-style", "style:family", "table")
        .empty("style:table-properties", "table:border-model", "separating")
        .close("style:default-style");
    if (sheet.defaultStyle().isEmpty() && !sheet.styles().containsKey("Standard")) {
      x.empty("style:style", "style:name", "Standard", "style:family", "paragraph");
    }
    for (NamedStyle s : sheet.styles().values()) {
      if (s.kind() != NamedStyle.Kind.TABLE) {
        style(x, s);
      }
    }
    notes(x, "footnote", t.footnotes());
    notes(x, "endnote", t.endnotes());
    return x.raw("</office:styles>").toString();
  }

  private String hyphenation(Look look) {
    return look.get(ParagraphTraits.HYPHENATION)
        .map(h ->
            new Xml()
                .attribute("fo:hyphenate", Boolean.toString(h && sheet.typesetting().hyphenates()))
                .toString())
        .orElse("");
  }

  private void style(Xml x, NamedStyle s) {
    boolean paragraph = s.kind() == NamedStyle.Kind.PARAGRAPH;
    int level = s.paragraph().value(ParagraphTraits.HEADING_LEVEL);
    x.open(
        "style:style",
        "style:name",
        StyleNames.encoded(s.id()),
        "style:display-name",
        s.name(),
        "style:family",
        paragraph ? "paragraph" : "text",
        "style:parent-style-name",
        s.basedOn()
            .filter(b -> sheet.style(b).filter(o -> o.kind() == s.kind()).isPresent())
            .map(StyleNames::encoded)
            .orElse(""),
        "style:next-style-name",
        paragraph
            ? s.next()
                .filter(n -> sheet.styles().containsKey(n))
                .map(StyleNames::encoded)
                .orElse("")
            : "",
        "style:default-outline-level",
        // An empty level takes it out of the outline again (§19.474).
        paragraph && level > 0
            ? Integer.toString(level)
            : paragraph && s.paragraph().sets(ParagraphTraits.HEADING_LEVEL) ? Xml.EMPTY : "");
    Look inForce =
        sheet.paragraphLook(Look.of(ParagraphTraits.STYLE, s.id()), Look.PLAIN, document.lists());
    double size = sheet.textBase(Look.of(ParagraphTraits.STYLE, s.id())).value(TextTraits.SIZE);
    if (paragraph) {
      x.raw(looks.paragraph(s.paragraph(), inForce, breaks(s.paragraph())));
    }
    x.raw(
        looks.text(
            s.text(),
            paragraph ? size : s.text().value(TextTraits.SIZE),
            paragraph ? hyphenation(s.paragraph()) : ""));
    x.close("style:style");
  }

  static String breaks(Look look) {
    return look.get(ParagraphTraits.PAGE_BREAK_BEFORE)
        .map(b -> new Xml().attribute("fo:break-before", b ? "page" : "auto").toString())
        .orElse("");
  }

  /** §16.38. */
  private static void notes(Xml x, String kind, NumberFormat format) {
    x.empty(
        "text:notes-configuration",
        "text:note-class",
        kind,
        "style:num-format",
        ListStylesWriter.format(format).isEmpty() ? "1" : ListStylesWriter.format(format),
        "text:start-value",
        "0",
        "text:footnotes-position",
        kind.equals("footnote") ? "page" : "",
        "text:start-numbering-at",
        "document");
  }

  /** The fonts that text was written in, which every part declares. */
  static String fonts(List<String> families, EmbeddedFontFiles files) {
    var x = new Xml().raw("<office:font-face-decls>");
    for (String f : new ArrayList<>(families)) {
      List<String> sources = files.faces(f);
      String quoted = f.matches("[A-Za-z][A-Za-z0-9-]*") ? f : "'" + f.replace("'", "") + "'";
      if (sources.isEmpty()) {
        x.empty("style:font-face", "style:name", f, "svg:font-family", quoted);
      }
      sources.forEach(x::raw);
    }
    return x.raw("</office:font-face-decls>").toString();
  }
}
