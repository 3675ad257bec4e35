package decant.clip;

import decant.model.Inline;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/** The controls of forms (§4.10 of the living standard) as places to fill in. */
final class HtmlFields {
  private static final Words WORDS = Words.of(HtmlFields.class);

  private static final Set<String> NAMES = Set.of("input", "select", "textarea");

  /** Of a line to write on where its control says no size (§4.10.5.3.5: 20 characters). */
  private static final int USUAL = 20;

  private static final int WIDEST = 60;

  private HtmlFields() {}

  static boolean isControl(String name) {
    return NAMES.contains(name);
  }

  /** What a control shows; empty if nothing. */
  static Optional<Inline> of(Element e, HtmlPage page, Look look) {
    page.takeAll(e);
    String type = e.attr("type").toLowerCase(Locale.ROOT);
    if (e.normalName().equals("input")) {
      switch (type) {
        case "hidden", "file" -> {
          return Optional.empty();
        }
        case "submit", "reset", "button" -> {
          String said = e.attr("value").strip();
          return said.isEmpty() ? Optional.empty() : Optional.of(new Inline.Text(said, look));
        }
        case "image" -> {
          return page.picture(e);
        }
        default -> {}
      }
    }
    Kind kind = kind(e, type);
    List<String> options = options(e, kind);
    boolean isSwitch = kind == Kind.TICK || kind == Kind.ONE_OF;
    var field =
        new FormField(
            "html-" + page.nextField(),
            name(e),
            kind,
            options,
            0,
            isSwitch ? "" : FormField.HELD_OPEN.repeat(characters(e)),
            rule(e, type));
    String value = value(e, field);
    return Optional.of(
        new Inline.Text(
            value.isEmpty() ? field.waiting() : value, look.with(TextTraits.FIELD, field)));
  }

  private static Kind kind(Element e, String type) {
    return switch (e.normalName()) {
      case "select" -> Kind.CHOICE;
      case "textarea" -> Kind.LINES;
      default ->
          switch (type) {
            case "checkbox" -> Kind.TICK;
            case "radio" -> Kind.ONE_OF;
            default -> e.hasAttr("list") ? Kind.CHOICE_OR_TEXT : Kind.TEXT;
          };
    };
  }

  private static List<String> options(Element e, Kind kind) {
    return switch (kind) {
      case ONE_OF -> List.of(e.hasAttr("value") ? e.attr("value") : "on"); // §4.10.5.1.16
      case CHOICE -> e.select("option").stream().map(HtmlFields::shown).toList();
      case CHOICE_OR_TEXT -> {
        Document page = e.ownerDocument();
        Element list = page == null ? null : page.getElementById(e.attr("list"));
        yield list == null
            ? List.of()
            : list.select("option").stream().map(HtmlFields::shown).toList();
      }
      case TEXT, LINES, TICK -> List.of();
    };
  }

  private static String shown(Element option) {
    String text = option.hasAttr("label") ? option.attr("label") : option.text();
    return text.isBlank() ? option.attr("value").strip() : text.strip();
  }

  /** What its form calls it, else what stands beside it. */
  private static String name(Element e) {
    for (String said : List.of(e.attr("name"), e.attr("aria-label"), e.id(), e.attr("title"))) {
      if (!said.isBlank()) {
        return said.strip();
      }
    }
    return WORDS.say("html-fields.unnamed");
  }

  private static int characters(Element e) {
    String said = e.normalName().equals("select") ? "" : e.attr("size") + e.attr("cols");
    return said.matches("\\d{1,3}") ? Math.clamp(Integer.parseInt(said), 1, WIDEST) : USUAL;
  }

  private static FieldRule rule(Element e, String type) {
    String most = e.attr("maxlength");
    FieldRule rule = FieldRule.NONE.withMost(most.matches("\\d{1,6}") ? Integer.parseInt(most) : 0);
    return switch (type) {
      case "number", "range" ->
          rule.number()
              .between(
                  number(e.attr("min")).orElse(Double.NEGATIVE_INFINITY),
                  number(e.attr("max")).orElse(Double.POSITIVE_INFINITY));
      case "date" -> rule.date("yyyy-mm-dd"); // §2.3.5.2
      default -> rule;
    };
  }

  private static Optional<Double> number(String s) {
    return s.matches("-?\\d{1,15}(\\.\\d{1,9})?")
        ? Optional.of(Double.parseDouble(s))
        : Optional.empty();
  }

  private static String value(Element e, FormField field) {
    return switch (field.kind()) {
      case TICK, ONE_OF -> FormField.sign(field.kind(), e.hasAttr("checked"));
      case CHOICE -> {
        Element chosen = e.selectFirst("option[selected]");
        // §4.10.7: the first is chosen where none is, but in lists that show several.
        boolean several = e.hasAttr("multiple") || e.attr("size").matches("[2-9]|\\d{2,}");
        if (chosen == null && !several) {
          chosen = e.selectFirst("option:not([disabled])");
        }
        yield chosen == null ? "" : shown(chosen);
      }
      case LINES -> e.wholeText().replaceFirst("^\\r?\\n", "").strip();
      case TEXT, CHOICE_OR_TEXT ->
          e.attr("type").equalsIgnoreCase("password") ? "" : e.attr("value").strip();
    };
  }
}
