package decant.clip;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import java.util.ArrayList;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Element;

/** Lists of a page: how their items are marked and counted. */
final class HtmlLists {
  /** Marks stand before their items: where there is less room, lists are set in as usual. */
  private static final double LEAST = 9;

  private static final double MOST = 200;

  /** Signs that cannot stand in a string of a style attribute. */
  private static final String UNSAID = "[\\p{Cntrl}\\p{Co}\\s'\"\\\\;<>&{}]";

  /** A mark of one sign, said as it is. */
  private static final Pattern STRING = Pattern.compile("['\"](\\X)\\s*['\"]");

  private HtmlLists() {}

  static boolean isOrdered(Element e) {
    return e.normalName().equals("ol");
  }

  /** The number of its first item. */
  static int start(Element e) {
    String said = e.attr("start");
    return said.matches("\\d{1,3}") ? Integer.parseInt(said) : 1;
  }

  /** A list whose items of one level are marked as an element has it. */
  static ListDefinition of(String id, Element e, int start, int depth) {
    ListDefinition usual = ListDefinition.marked(id, isOrdered(e) ? "1." : "•");
    return with(usual, depth, level(e, start, depth));
  }

  /** The same with another level. */
  static ListDefinition with(ListDefinition d, int depth, Level own) {
    var levels = new ArrayList<>(d.levels());
    levels.set(depth, own);
    return new ListDefinition(d.id(), levels);
  }

  /** How an element marks its items, at the usual indent of a level. */
  static Level level(Element e, int start, int depth) {
    Level usual = ListDefinition.marked("", "•").level(depth);
    String said = Css.of(e).value("list-style-type");
    NumberFormat format = format(said.isEmpty() ? e.attr("type") : said, isOrdered(e));
    String pattern = format == NumberFormat.BULLET ? bullet(said, depth) : "%" + (depth + 1) + ".";
    double step = usual.paragraph().value(ParagraphTraits.INDENT_START) / (depth + 1);
    Look paragraph =
        inset(e)
            .map(by -> indentAround(e, step) + by)
            .filter(indent -> indent >= LEAST)
            .map(indent -> usual.paragraph().with(ParagraphTraits.INDENT_START, indent))
            .orElse(usual.paragraph());
    return new Level(format, pattern, start, paragraph, usual.label());
  }

  /** How far in a list stands by those around it, each with what it adds. */
  private static double indentAround(Element list, double usual) {
    return list.parents().stream()
        .filter(p -> p.normalName().matches("ul|ol"))
        .mapToDouble(p -> inset(p).orElse(usual))
        .sum();
  }

  /** What a list says that it adds, in points. */
  private static Optional<Double> inset(Element list) {
    Css css = Css.of(list);
    return css.length("padding-inline-start", CssShorthands.USUAL_SIZE)
        .or(() -> css.length("padding-left", CssShorthands.USUAL_SIZE))
        .filter(i -> i >= 0 && i < MOST);
  }

  /** By the name that style sheets have for it, or the letter that attributes have. */
  private static NumberFormat format(String said, boolean ordered) {
    return switch (said) {
      case "a", "lower-alpha", "lower-latin" -> NumberFormat.LOWER_LETTER;
      case "A", "upper-alpha", "upper-latin" -> NumberFormat.UPPER_LETTER;
      case "i", "lower-roman" -> NumberFormat.LOWER_ROMAN;
      case "I", "upper-roman" -> NumberFormat.UPPER_ROMAN;
      case "decimal-leading-zero" -> NumberFormat.TWO_DIGITS;
      case "1", "decimal" -> NumberFormat.DECIMAL;
      case "disc", "circle", "square" -> NumberFormat.BULLET;
      default -> ordered ? NumberFormat.DECIMAL : NumberFormat.BULLET;
    };
  }

  /**
   * What a style attribute says of the mark of items that are not counted; nothing where it cannot
   * (CSS Counter Styles 3, §3; CSS Lists 3, §3.4).
   */
  static String mark(Level level) {
    String sign = level.pattern();
    return level.ordered() || sign.codePointCount(0, sign.length()) != 1 || sign.matches(UNSAID)
        ? ""
        : switch (sign) {
          case "•" -> "list-style-type:disc;";
          case "◦" -> "list-style-type:circle;";
          case "▪" -> "list-style-type:square;";
          default -> "list-style-type:'%s ';".formatted(sign);
        };
  }

  /** As browsers have it (§15.3.8 of the living standard): other signs on inner levels. */
  private static String bullet(String said, int depth) {
    return switch (said) {
      case "disc" -> "•";
      case "circle" -> "◦";
      case "square" -> "▪";
      default -> {
        Matcher own = STRING.matcher(said);
        yield own.matches() ? own.group(1) : usual(depth);
      }
    };
  }

  private static String usual(int depth) {
    return depth == 0 ? "•" : depth == 1 ? "◦" : "▪";
  }
}
