package decant.office.odf.write;

import static decant.office.odf.markup.Measures.points;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Follow;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.office.odf.markup.StyleNames;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lists as list styles (ODF 1.3 part 3, §16.30). */
final class ListStylesWriter {
  private static final int LEVELS = 9;
  private static final Pattern NUMBER = Pattern.compile("%[1-9]");

  private final OdfLooksWriter looks;

  ListStylesWriter(OdfLooksWriter looks) {
    this.looks = looks;
  }

  static String name(ListDefinition l) {
    return StyleNames.encoded("List " + l.id());
  }

  String element(ListDefinition l) {
    var x = new Xml().open("text:list-style", "style:name", name(l));
    for (int k = 0; k < LEVELS; k++) {
      level(x, l.level(k), k);
    }
    return x.close("text:list-style").toString();
  }

  private void level(Xml x, Level l, int depth) {
    boolean bullet =
        l.format() == NumberFormat.BULLET
            && l.pattern().codePointCount(0, l.pattern().length()) == 1;
    String element = bullet ? "text:list-level-style-bullet" : "text:list-level-style-number";
    String level = Integer.toString(depth + 1);
    if (bullet) {
      x.open(element, "text:level", level, "text:bullet-char", l.pattern());
    } else {
      Label label = Label.of(l, depth);
      x.raw("<" + element).attribute("text:level", level);
      if (!label.before().isEmpty()) {
        x.attribute("style:num-prefix", label.before());
      }
      if (!label.after().isEmpty()) {
        x.attribute("style:num-suffix", label.after());
      }
      x.attribute("style:num-format", label.shown() == 0 ? "" : format(l.format()));
      if (label.shown() > 1) {
        x.attribute("text:display-levels", Integer.toString(label.shown()));
      }
      if (l.start() > 1 && label.shown() > 0) { // one from nothing is said at its first item
        x.attribute("text:start-value", Integer.toString(l.start()));
      }
      x.raw(">");
    }
    properties(x, l);
    x.raw(looks.text(l.label(), l.label().value(TextTraits.SIZE), ""));
    x.close(element);
  }

  private static void properties(Xml x, Level l) {
    Look p = l.paragraph();
    x.open(
        "style:list-level-properties",
        "text:list-level-position-and-space-mode",
        "label-alignment",
        "fo:text-align",
        l.alignment() == Alignment.END ? "end" : l.alignment() == Alignment.CENTRE ? "center" : "");
    var tabs = p.value(ParagraphTraits.TABS);
    x.empty(
        "style:list-level-label-alignment",
        "text:label-followed-by",
        l.follow() == Follow.TAB ? "listtab" : l.follow() == Follow.SPACE ? "space" : "nothing",
        "text:list-tab-stop-position",
        l.follow() == Follow.TAB && !tabs.isEmpty() ? points(tabs.getFirst().at()) : "",
        "fo:text-indent",
        points(p.value(ParagraphTraits.FIRST_LINE)),
        "fo:margin-left",
        points(p.value(ParagraphTraits.INDENT_START)));
    x.close("style:list-level-properties");
  }

  static String format(NumberFormat f) {
    return switch (f) {
      case DECIMAL, TWO_DIGITS, ORDINAL -> "1";
      case LOWER_LETTER -> "a";
      case UPPER_LETTER -> "A";
      case LOWER_ROMAN -> "i";
      case UPPER_ROMAN -> "I";
      case BULLET, NONE -> "";
    };
  }

  /**
   * A label as this format has it: numbers of so many levels, with points between them.
   *
   * @param shown how many levels; 0 where the label is its text alone
   */
  private record Label(String before, String after, int shown) {
    static Label of(Level l, int depth) {
      Matcher m = NUMBER.matcher(l.pattern());
      if (!l.ordered() || !m.find()) {
        return new Label(NUMBER.matcher(l.pattern()).replaceAll(""), "", 0);
      }
      int first = m.start();
      int from = l.pattern().charAt(m.start() + 1) - '1';
      int end = m.end();
      while (m.find()) {
        end = m.end();
      }
      return new Label(
          l.pattern().substring(0, first),
          l.pattern().substring(end),
          Math.max(1, depth - from + 1));
    }
  }
}
