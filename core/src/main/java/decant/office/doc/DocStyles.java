package decant.office.doc;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.model.look.Typesetting;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.apache.poi.hwpf.model.StyleDescription;
import org.apache.poi.hwpf.sprm.ParagraphSprmUncompressor;
import org.apache.poi.hwpf.usermodel.ParagraphProperties;

/**
 * The style sheet ([MS-DOC] 2.9.271), whose styles say everything, as styles that say what is new.
 */
@SuppressWarnings("deprecation") // the library has no other way to what a style says
final class DocStyles {
  private static final int DEEPEST = 16; // styles do not stand deeper on one another
  // Properties of paragraphs, §2.6.2.
  private static final int CONTEXTUAL = 0x246D;
  private static final int AUTO_BEFORE = 0x245B;

  /** sprmPIlfo. */
  private static final int LIST = 0x460B;

  /** By what properties indents are said, those of 1997 first (2.6.2). */
  private static final Map<Trait<Double>, int[]> INDENTS =
      Map.of(
          ParagraphTraits.INDENT_START, new int[] {0x840F, 0x845E},
          ParagraphTraits.INDENT_END, new int[] {0x840E, 0x845D},
          ParagraphTraits.FIRST_LINE, new int[] {0x8411, 0x8460});

  private static final int AUTO_AFTER = 0x245C;
  private static final int SNAP = 0x2447;

  private static final int NONE = 0xFFF; // the index of no style

  private static final Look TEXT =
      Look.of(TextTraits.FAMILY, "Times New Roman")
          .with(TextTraits.SIZE, 10.0)
          .with(TextTraits.KERNING, TextTraits.NEVER_KERNED);

  private final org.apache.poi.hwpf.model.StyleSheet from;
  private final DocLooks looks;
  private final Map<Integer, Look> paragraphs = new HashMap<>();
  private final Map<Integer, Look> texts = new HashMap<>();
  private final StyleSheet sheet;

  DocStyles(org.apache.poi.hwpf.model.StyleSheet from, DocLooks looks, Typesetting typesetting) {
    this.from = from;
    this.looks = looks;
    this.sheet = read().withTypesetting(typesetting);
  }

  StyleSheet sheet() {
    return sheet;
  }

  /** How a style is called by looks. */
  static String id(int style) {
    return "s" + style;
  }

  boolean has(int style) {
    return sheet.styles().containsKey(id(style));
  }

  private StyleSheet read() {
    var styles = new LinkedHashMap<String, NamedStyle>();
    for (int k = 0; k < from.numStyles(); k++) {
      StyleDescription d = from.getStyleDescription(k);
      if (d != null && d.getName() != null && (d.getPAPX() != null || d.getCHPX() != null)) {
        styles.put(id(k), style(k, d));
      }
    }
    String usual = styles.containsKey(id(0)) ? id(0) : "";
    return new StyleSheet(Look.PLAIN, TEXT, usual, styles);
  }

  private NamedStyle style(int k, StyleDescription d) {
    boolean ofText = d.getPAPX() == null;
    int base = d.getBaseStyle();
    boolean based =
        base != NONE
            && base != k
            && base < from.numStyles()
            && from.getStyleDescription(base) != null
            && from.getStyleDescription(base).getPAPX() == null == ofText;
    String name = d.getName().split(",")[0].strip(); // other names stand after commas
    Look paragraph = ofText ? Look.PLAIN : differing(whole(k), based ? whole(base) : Look.PLAIN);
    Look text = text(k).differing(based ? text(base) : TEXT, TextTraits.OF_LETTERS);
    return new NamedStyle(
        id(k),
        name.isEmpty() ? id(k) : name,
        ofText ? NamedStyle.Kind.CHARACTER : NamedStyle.Kind.PARAGRAPH,
        based ? Optional.of(id(base)) : Optional.empty(),
        paragraph,
        text,
        List.of());
  }

  /**
   * What has to be said of a paragraph over what holds for it anyway. Lines and tab stops are added
   * to those below, so that what is not there any more has to be said, too.
   */
  static Look differing(Look whole, Look below) {
    return whole
        .with(
            ParagraphTraits.RULES,
            whole.value(ParagraphTraits.RULES).insteadOf(below.value(ParagraphTraits.RULES)))
        .with(
            ParagraphTraits.TABS,
            ParagraphTraits.tabsInsteadOf(
                below.value(ParagraphTraits.TABS), whole.value(ParagraphTraits.TABS)))
        .differing(below, ParagraphTraits.OF_PARAGRAPHS);
  }

  private Look whole(int k) {
    return paragraphs.computeIfAbsent(
        k,
        s -> {
          StyleDescription d = from.getStyleDescription(s);
          if (d == null || d.getPAPX() == null) {
            return Look.PLAIN;
          }
          Look look =
              looks
                  .paragraph(from.getParagraphStyle(s))
                  .with(ParagraphTraits.TABS, List.copyOf(tabs(s, 0).values()))
                  .with(ParagraphTraits.SHADING, shade(s, 0));
          look = more(look, s, new byte[0]);
          int level = DocLooks.builtInHeading(d.getName() == null ? "" : d.getName().split(",")[0]);
          return level > 0 ? look.with(ParagraphTraits.HEADING_LEVEL, level) : look;
        });
  }

  /** The stops of a style, those of the styles that it stands on among them. */
  private TreeMap<Integer, TabStop> tabs(int k, int depth) {
    StyleDescription d = k < from.numStyles() ? from.getStyleDescription(k) : null;
    if (d == null || d.getPAPX() == null || depth > DEEPEST) {
      return new TreeMap<>();
    }
    TreeMap<Integer, TabStop> stops = tabs(d.getBaseStyle(), depth + 1);
    DocSprms.tabs(d.getPAPX(), stops);
    return stops;
  }

  /**
   * What a paragraph says of a property that the library does not know, or else its style and those
   * that it stands on.
   */
  OptionalInt said(int style, byte[] properties, int sprm) {
    OptionalInt own = DocSprms.last(properties, 2, sprm);
    return own.isPresent() ? own : said(style, sprm, 0);
  }

  private OptionalInt said(int k, int sprm, int depth) {
    StyleDescription d = k < from.numStyles() ? from.getStyleDescription(k) : null;
    if (d == null || d.getPAPX() == null || depth > DEEPEST) {
      return OptionalInt.empty();
    }
    OptionalInt own = DocSprms.last(d.getPAPX(), 2, sprm);
    return own.isPresent() ? own : said(d.getBaseStyle(), sprm, depth + 1);
  }

  /** The properties of a paragraph that the library does not know, over those that it does. */
  Look more(Look look, int style, byte[] properties) {
    Look out =
        look.with(
                ParagraphTraits.CONTEXTUAL_SPACING,
                said(style, properties, CONTEXTUAL).orElse(0) == 1)
            .with(ParagraphTraits.AUTO_BEFORE, said(style, properties, AUTO_BEFORE).orElse(0) == 1)
            .with(ParagraphTraits.AUTO_AFTER, said(style, properties, AUTO_AFTER).orElse(0) == 1)
            .with(ParagraphTraits.SNAP_TO_GRID, said(style, properties, SNAP).orElse(1) == 1);
    // [MS-DOC] 2.6.2, sprmPFDyaBeforeAuto and sprmPFDyaAfterAuto: what is said of space is ignored.
    if (out.value(ParagraphTraits.AUTO_BEFORE)) {
      out = out.with(ParagraphTraits.SPACE_BEFORE, ParagraphTraits.AUTO_SPACE);
    }
    if (out.value(ParagraphTraits.AUTO_AFTER)) {
      out = out.with(ParagraphTraits.SPACE_AFTER, ParagraphTraits.AUTO_SPACE);
    }
    return out.with(ParagraphTraits.FRAME, DocFrames.frame(sprm -> said(style, properties, sprm)));
  }

  /**
   * How far an item of a list stands in, where that is said after its list and so holds instead of
   * what the level says (2.4.6.6): by the item itself, or by the style that the list comes from.
   *
   * @param whole all that holds for the paragraph
   */
  Look indents(Look look, Look whole, int style, byte[] properties) {
    boolean own = DocSprms.last(properties, 2, LIST).isPresent();
    Look out = look;
    for (Map.Entry<Trait<Double>, int[]> e : INDENTS.entrySet()) {
      boolean said =
          Arrays.stream(e.getValue())
              .anyMatch(sprm ->
                  DocSprms.last(properties, 2, sprm).isPresent()
                      || !own && saidWithList(style, sprm, 0));
      out = said ? out.with(e.getKey(), whole.value(e.getKey())) : out;
    }
    return out;
  }

  /** Whether a style says it, or one that it is based on, up to the one that says the list. */
  private boolean saidWithList(int k, int sprm, int depth) {
    StyleDescription d = k < from.numStyles() ? from.getStyleDescription(k) : null;
    if (d == null || d.getPAPX() == null || depth > DEEPEST) {
      return false;
    }
    return DocSprms.last(d.getPAPX(), 2, sprm).isPresent()
        || DocSprms.last(d.getPAPX(), 2, LIST).isEmpty()
            && saidWithList(d.getBaseStyle(), sprm, depth + 1);
  }

  /** What stands behind a paragraph; the library looks for it in the wrong place. */
  Colour shade(int style, byte[] properties) {
    return DocSprms.shade(properties, 2, DocSprms.BEHIND_PARAGRAPH)
        .orElseGet(() -> shade(style, 0));
  }

  private Colour shade(int k, int depth) {
    StyleDescription d = k < from.numStyles() ? from.getStyleDescription(k) : null;
    if (d == null || d.getPAPX() == null || depth > DEEPEST) {
      return Colour.WHITE;
    }
    return DocSprms.shade(d.getPAPX(), 2, DocSprms.BEHIND_PARAGRAPH)
        .orElseGet(() -> shade(d.getBaseStyle(), depth + 1));
  }

  /**
   * All that holds for a paragraph but what a list gives it: its own properties over those of its
   * style and the styles that that one stands on, which the library leaves out.
   */
  ParagraphProperties paragraph(int style, byte[] properties) {
    ParagraphProperties below =
        has(style) ? from.getParagraphStyle(style) : new ParagraphProperties();
    return properties.length > 2
        ? ParagraphSprmUncompressor.uncompressPAP(below, properties, 2)
        : below;
  }

  /**
   * The stops of a paragraph, as they hold.
   *
   * @param properties its own, over those of its style
   */
  List<TabStop> tabs(int style, byte[] properties) {
    TreeMap<Integer, TabStop> stops = tabs(style, 0);
    DocSprms.tabs(properties, stops);
    return List.copyOf(stops.values());
  }

  private Look text(int k) {
    return texts.computeIfAbsent(
        k,
        s -> {
          StyleDescription d = from.getStyleDescription(s);
          return d == null ? TEXT : looks.text(from.getCharacterStyle(s));
        });
  }
}
