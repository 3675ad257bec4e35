package decant.pdf.read.document;

import decant.model.Metadata;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import decant.text.FontBook;
import decant.text.FontFace;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The styles that a document needs: what most letters of each kind of paragraph look like. */
final class StyleMaker {
  private static final String BODY = "Body";

  /** What the styles of entries of contents are called, with their level. */
  static final String ENTRY_STYLE = "TOC";

  private final List<Detected> found;
  private final Look bodyText;
  private final double bodyPitch;
  private final Map<Integer, Look> headingTexts = new HashMap<>();

  /** What the entries of contents share, by level. */
  private final Map<Integer, Look> entries = new TreeMap<>();

  private final Map<Integer, Look> entryTexts = new HashMap<>();

  StyleMaker(List<Detected> found) {
    this.found = found;
    this.bodyText =
        commonLook(Detected.Kind.PARAGRAPH, 0)
            .orElseGet(() ->
                commonLook(Detected.Kind.ITEM, 1).orElse(Look.of(TextTraits.SIZE, Sizes.DEFAULT)));
    this.bodyPitch = commonPitch();
  }

  /** The look of most of the text. */
  Look bodyText() {
    return bodyText;
  }

  /** The look of the headings of a level. */
  Look headingText(int level) {
    return headingTexts.computeIfAbsent(
        level, l -> commonLook(Detected.Kind.HEADING, l).orElse(bodyText));
  }

  /** The look of the entries of contents of a level. */
  Look entryText(int level) {
    return entryTexts.computeIfAbsent(
        level, l -> commonLook(Detected.Kind.ENTRY, l).orElse(bodyText));
  }

  /** How far apart lines of a size stand by the font that serves the text, without more space. */
  double naturalPitch(double size) {
    return naturalPitch(bodyText) * size / bodyText.value(TextTraits.SIZE);
  }

  /** How far the font that serves the text reaches above the baseline of a first line. */
  double ascent(double size) {
    var t = face(bodyText).tables();
    return (t.ascent() + t.lineGap()) * size / t.unitsPerEm();
  }

  /** How far apart lines of a size are set. */
  double pitch(double size) {
    return bodyPitch * naturalPitch(bodyText) * size / bodyText.value(TextTraits.SIZE);
  }

  private record Key(String family, double size, boolean bold, boolean italic, Colour colour) {
    static Key of(Glyph g) {
      SourceFace face = g.ink().face();
      double size = LookMaker.rounded(g.size());
      return new Key(face.family(), size, face.bold(), face.italic(), g.ink().colour());
    }
  }

  /** The look that most letters of a kind of paragraph have. */
  private Optional<Look> commonLook(Detected.Kind kind, int level) {
    Map<Key, int[]> counts = new HashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t
          && t.kind() == kind
          && (kind != Detected.Kind.HEADING && kind != Detected.Kind.ENTRY || t.level() == level)) {
        Glyph last = null;
        int[] counted = new int[1];
        for (TextLine l : t.lines()) {
          for (Glyph g : l.glyphs()) {
            if (g.isSpace()) {
              continue;
            }
            if (last == null || g.ink() != last.ink() || g.size() != last.size()) {
              counted = counts.computeIfAbsent(Key.of(g), k -> new int[1]);
              last = g;
            }
            counted[0]++;
          }
        }
      }
    }
    return counts.entrySet().stream()
        .max(Comparator.comparingInt(e -> e.getValue()[0]))
        .map(e ->
            Look.of(TextTraits.FAMILY, e.getKey().family())
                .with(TextTraits.SIZE, e.getKey().size())
                .with(TextTraits.BOLD, e.getKey().bold())
                .with(TextTraits.ITALIC, e.getKey().italic())
                .with(TextTraits.COLOUR, e.getKey().colour()));
  }

  /** The usual distance of lines as a multiple of the served font's own. */
  private double commonPitch() {
    double[] pitches =
        found.stream()
            .filter(f ->
                f instanceof Detected.Text t
                    && t.kind() != Detected.Kind.HEADING
                    && t.lines().size() > 1)
            .mapToDouble(f -> ((Detected.Text) f).pitch())
            .sorted()
            .toArray();
    if (pitches.length == 0) {
      return 1;
    }
    double factor = pitches[pitches.length / 2] / naturalPitch(bodyText);
    return Math.round(
            Math.clamp(
                    factor,
                    DocumentThresholds.StyleMaker.MIN_PITCH,
                    DocumentThresholds.StyleMaker.MAX_PITCH)
                * 100)
        / 100.0;
  }

  private static double naturalPitch(Look text) {
    var t = face(text).tables();
    return (t.ascent() + t.descent() + t.lineGap()) * text.value(TextTraits.SIZE) / t.unitsPerEm();
  }

  private static FontFace face(Look text) {
    return FontBook.shipped()
        .serve(
            text.value(TextTraits.FAMILY),
            text.value(TextTraits.BOLD),
            text.value(TextTraits.ITALIC))
        .face();
  }

  StyleSheet sheet(Metadata metadata, boolean hyphenated) {
    var styles = new LinkedHashMap<String, NamedStyle>();
    styles.put(
        BODY,
        new NamedStyle(
            BODY,
            "Body",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            Look.of(ParagraphTraits.LINE_PITCH, new LinePitch.Multiple(bodyPitch)),
            Look.PLAIN,
            List.of()));
    headingTexts.forEach((level, text) ->
        styles.put(
            headingStyle(level),
            new NamedStyle(
                headingStyle(level),
                "heading " + level,
                NamedStyle.Kind.PARAGRAPH,
                Optional.of(BODY),
                Look.of(ParagraphTraits.HEADING_LEVEL, level)
                    .with(ParagraphTraits.KEEP_WITH_NEXT, true)
                    .with(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE),
                text,
                List.of())));
    entries.forEach((level, look) ->
        styles.put(
            ENTRY_STYLE + level,
            new NamedStyle(
                ENTRY_STYLE + level,
                "toc " + level,
                NamedStyle.Kind.PARAGRAPH,
                Optional.of(BODY),
                look,
                entryText(level),
                List.of())));
    Look defaults = bodyText;
    if (!metadata.language().isEmpty()) {
      defaults = defaults.with(TextTraits.LANGUAGE, metadata.language());
    }
    var sheet = new StyleSheet(Look.PLAIN, defaults, BODY, styles);
    return !hyphenated ? sheet : sheet.withTypesetting(Typesetting.PLAIN.withHyphenation(true));
  }

  static Map<String, String> stylesOfHeadings(List<Detected> found) {
    var out = new HashMap<String, String>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t && t.kind() == Detected.Kind.HEADING) {
        String text = Folding.fold(t.text());
        out.putIfAbsent(text, headingStyle(t.level()));
        // The number may stand elsewhere in the running title, or nowhere.
        out.putIfAbsent(text.replaceFirst("^(\\d+ )+", ""), headingStyle(t.level()));
      }
    }
    return out;
  }

  static String headingStyle(int level) {
    return "Heading" + level;
  }

  /** An entry of the contents: what it differs in from the first of its level. */
  Look entry(Detected.Text t, Look before, Edges edges) {
    double indent = LookMaker.halves(Math.clamp(edges.indent(t.lines().getFirst()), 0, 250));
    TextLine last = t.lines().getLast();
    double at = edges.rightToLeft() ? last.box().x() : last.box().right();
    boolean dotted = last.glyphs().stream().anyMatch(g -> g.ink().decor().leader());
    TabStop.Leader leader = dotted ? TabStop.Leader.DOT : TabStop.Leader.NONE;
    var stop = new TabStop(LookMaker.halves(edges.indentAt(at)), TabStop.Kind.RIGHT, leader);
    Look style =
        entries.computeIfAbsent(
            t.level(),
            l ->
                Look.of(ParagraphTraits.INDENT_START, indent)
                    .with(ParagraphTraits.TABS, List.of(stop)));
    TabStop usual = style.value(ParagraphTraits.TABS).getFirst();
    if (Math.abs(usual.at() - stop.at()) < 2 && usual.leader() == leader) {
      return before;
    }
    return before.with(
        ParagraphTraits.TABS, List.of(new TabStop(usual.at(), TabStop.Kind.RIGHT, leader)));
  }
}
