package decant.office.doc.write;

import decant.model.Document;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The style sheet (STSH, [MS-DOC] 2.9.271). The first fifteen places are for styles that every
 * document has: the usual one, headings, and what holds where no style is named; all others come
 * after.
 */
final class Styles {
  /** The number of no style. */
  static final int NONE = 0x0FFF;

  private static final int FIXED = 15;
  private static final int HEADINGS = 9;
  private static final int CHARACTERS = 10; // the place of what characters without a style have
  private static final int USER_MADE = 0x0FFE; // sti of what is not built in, §2.9.260
  private static final int MOST_BUILT_IN = 0x5B;
  private static final int HEAD = 20; // bytes of an STSHI
  private static final int STD_BASE = 10; // bytes of what every style says first
  private static final int LONGEST = 250; // characters of a name

  /** What holds where no style says otherwise; what every root style must say is made to differ. */
  private static final Look NOTHING =
      Look.of(TextTraits.FAMILY, "")
          .with(TextTraits.SIZE, 0.0)
          .with(TextTraits.KERNING, TextTraits.NEVER_KERNED);

  private final StyleSheet sheet;
  private final Lists lists;
  private final TextProperties texts;
  private final Map<String, Integer> numbers = new LinkedHashMap<>();
  private final Map<String, Look> paragraphLooks = new HashMap<>();
  private final Map<String, Look> textLooks = new HashMap<>();

  Styles(Document document, Lists lists, TextProperties texts) {
    this.sheet = document.styles();
    this.lists = lists;
    this.texts = texts;
    numbers.put(usual(), 0);
    int next = FIXED;
    for (NamedStyle s : sheet.styles().values()) {
      if (s.kind() == NamedStyle.Kind.TABLE || numbers.containsKey(s.id())) {
        continue;
      }
      int heading = s.kind() == NamedStyle.Kind.PARAGRAPH ? heading(s.name()) : 0;
      boolean free = heading > 0 && !numbers.containsValue(heading);
      if (free || next < USER_MADE) {
        numbers.put(s.id(), free ? heading : next++);
      }
    }
  }

  /** The style of paragraphs that name none; without a name of its own where there is none. */
  private String usual() {
    return sheet
        .style(sheet.defaultStyle())
        .filter(s -> s.kind() == NamedStyle.Kind.PARAGRAPH)
        .map(NamedStyle::id)
        .orElse("");
  }

  private static int heading(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    return n.matches("heading [1-9]") ? n.charAt(8) - '0' : 0;
  }

  /** The style of a paragraph with such a look. */
  int ofParagraph(Look look) {
    return numbers.getOrDefault(look.value(ParagraphTraits.STYLE), 0);
  }

  /** The style of characters; empty where they have none. */
  Optional<Integer> ofText(Look look) {
    String id = look.value(TextTraits.CHARACTER_STYLE);
    return id.isEmpty() ? Optional.empty() : Optional.ofNullable(numbers.get(id));
  }

  /** What the style of a paragraph gives it, without lists. */
  Look paragraph(String style) {
    return paragraphLooks.computeIfAbsent(
        style, s -> sheet.paragraphLook(Look.of(ParagraphTraits.STYLE, s)));
  }

  /** What the style of a paragraph gives to its text. */
  Look text(String style) {
    return textLooks.computeIfAbsent(style, s -> sheet.textBase(Look.of(ParagraphTraits.STYLE, s)));
  }

  Bytes table() {
    var byNumber = new HashMap<Integer, String>();
    int count = FIXED;
    for (Map.Entry<String, Integer> e : numbers.entrySet()) {
      byNumber.put(e.getValue(), e.getKey());
      count = Math.max(count, e.getValue() + 1);
    }
    var out = new Bytes().u16(HEAD);
    out.u16(count).u16(STD_BASE).u16(1).u16(MOST_BUILT_IN).u16(FIXED).u16(0);
    int usualFont = 0;
    out.u16(usualFont).u16(usualFont).u16(usualFont).u16(usualFont);
    for (int k = 0; k < count; k++) {
      String id = byNumber.get(k);
      if (id != null) {
        style(out, k, id);
      } else if (k == CHARACTERS) {
        write(out, new Std(65, 2, NONE, CHARACTERS, "Default Paragraph Font"), new byte[0]);
      } else {
        out.u16(0);
      }
    }
    return out;
  }

  private void style(Bytes out, int number, String id) {
    Optional<NamedStyle> s = sheet.style(id);
    String name = s.map(NamedStyle::name).orElse("Normal").replace(',', ';');
    name = name.substring(0, Math.min(name.length(), LONGEST));
    boolean ofText = s.isPresent() && s.get().kind() == NamedStyle.Kind.CHARACTER;
    int based = based(s, ofText);
    int next = s.flatMap(NamedStyle::next).map(n -> numbers.getOrDefault(n, number)).orElse(number);
    int builtIn = number <= HEADINGS ? number : USER_MADE;
    if (builtIn >= 1 && builtIn <= HEADINGS) {
      name = "heading " + builtIn; // as readers know it
    }
    if (ofText) {
      // All that it stands on is said too: there are readers that do not look there.
      Look all = sheet.textLook(Look.PLAIN, Look.of(TextTraits.CHARACTER_STYLE, id));
      byte[] own = texts.set(all).array();
      write(out, new Std(builtIn, 2, based == NONE ? CHARACTERS : based, next, name), own);
      return;
    }
    String base = based == NONE ? "" : s.flatMap(NamedStyle::basedOn).orElse("");
    Look whole = paragraph(id);
    Look below =
        based == NONE
            ? Look.of(ParagraphTraits.WIDOW_CONTROL, !whole.value(ParagraphTraits.WIDOW_CONTROL))
            : paragraph(base);
    Properties p = ParagraphProperties.differing(whole, below, false);
    s.filter(x -> x.paragraph().sets(ParagraphTraits.LIST))
        .map(x -> x.paragraph().value(ParagraphTraits.LIST))
        .filter(m -> lists.number(m.list()) > 0)
        .ifPresent(m ->
            p.add(Sprm.P_LEVEL, Math.clamp(m.depth(), 0, 8))
                .add(Sprm.P_LIST, lists.number(m.list())));
    byte[] text = texts.differing(text(id), based == NONE ? NOTHING : text(base)).array();
    byte[] paragraph = new Bytes().u16(number).add(p.array()).array();
    write(out, new Std(builtIn, 1, based, next, name), paragraph, text);
  }

  private int based(Optional<NamedStyle> s, boolean ofText) {
    return s.flatMap(NamedStyle::basedOn)
        .flatMap(sheet::style)
        .filter(b -> b.kind() == NamedStyle.Kind.CHARACTER == ofText)
        .filter(b -> !standsOn(b, s.get().id()))
        .map(b -> numbers.getOrDefault(b.id(), NONE))
        .orElse(NONE);
  }

  /** Whether a style is another, or stands on it: readers would go around in a circle. */
  private boolean standsOn(NamedStyle s, String other) {
    Optional<NamedStyle> next = Optional.of(s);
    for (int k = 0; k <= numbers.size() && next.isPresent(); k++) {
      if (next.get().id().equals(other)) {
        return true;
      }
      next = next.get().basedOn().flatMap(sheet::style);
    }
    return next.isPresent();
  }

  /**
   * What a style says of itself (STD, §2.9.258).
   *
   * @param builtIn its number among those that readers know
   * @param kind 1 of paragraphs, 2 of characters
   */
  private record Std(int builtIn, int kind, int based, int next, String name) {}

  /** A style, with what it says of paragraphs, if it does, and then of text. */
  private static void write(Bytes out, Std s, byte[]... said) {
    var b = new Bytes();
    b.u16(s.builtIn()).u16(s.kind() | s.based() << 4).u16(said.length | s.next() << 4);
    b.u16(0).u16(0).closed(s.name());
    for (byte[] one : said) {
      b.u16(one.length).add(one).align(2);
    }
    b.put16(6, b.size());
    out.u16(b.size()).add(b.array()).align(2);
  }
}
