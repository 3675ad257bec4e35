package decant.office.pending;

import decant.model.Inline;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A change of a text that waits to be accepted or taken back (ISO/IEC 29500-1 §17.13.5; ODF 1.3
 * part 3, §5.5). A document shows it as accepted and keeps it: what was put in is text with the
 * change among what is kept of it, what was taken away is something kept that shows nothing.
 *
 * @param author empty where nobody is named
 * @param date as xsd:dateTime says it; empty where none is said
 * @param text that was taken away, its paragraphs parted by line feeds; empty for what was put in
 */
public record Pending(Kind kind, String author, String date, String text) {
  /** What was done. */
  public enum Kind {
    PUT_IN,
    TAKEN_AWAY
  }

  /** The format in whose terms changes are kept of files that have none of their own. */
  private static final String COMMON = "docx";

  private static final Pattern PUT_IN =
      Pattern.compile("<w:(ins|moveTo)[\\s/>]|<text:changed-region[^>]*><text:insertion[\\s/>]");
  private static final Pattern TAKEN_AWAY =
      Pattern.compile("<w:(del|moveFrom)[\\s/>]|<text:changed-region[^>]*><text:deletion[\\s/>]");
  private static final Pattern DATE =
      Pattern.compile(
          "-?\\d{4,}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?(Z|[+-]\\d\\d:\\d\\d)?");
  private static final int DEEPEST = 200;

  public Pending {
    date = DATE.matcher(date).matches() ? date : "";
  }

  /** What is kept of a text because it was put in. */
  public static Optional<Kept> putIn(Look look) {
    List<Kept> all = look.value(TextTraits.KEPT);
    return all.isEmpty() ? Optional.empty() : all.stream().filter(Pending::isPutIn).findFirst();
  }

  public static boolean isPutIn(Kept k) {
    return PUT_IN.matcher(k.source()).lookingAt();
  }

  public static boolean isTakenAway(Kept k) {
    return TAKEN_AWAY.matcher(k.source()).lookingAt();
  }

  /** Whether something on a line stands for text that was taken away. */
  public static boolean isTakenAway(Inline i) {
    return i instanceof Inline.KeptInline k && k.shown().isEmpty() && isTakenAway(k.kept());
  }

  /** The change by which text was taken away that something on a line stands for, if one was. */
  public static Optional<Pending> takenAway(Inline i) {
    return i instanceof Inline.KeptInline k && isTakenAway(k) ? of(k.kept()) : Optional.empty();
  }

  /** The change that is kept; empty if it is none, or one that cannot be read. */
  public static Optional<Pending> of(Kept k) {
    boolean in = isPutIn(k);
    if (!in && !isTakenAway(k)) {
      return Optional.empty();
    }
    Kind kind = in ? Kind.PUT_IN : Kind.TAKEN_AWAY;
    try {
      Element e = XmlParts.parse(k.source().getBytes(StandardCharsets.UTF_8), "", DEEPEST);
      return Optional.of(e.name().startsWith("w:") ? ofRun(kind, e) : ofRegion(kind, e));
    } catch (ReadProblem damaged) {
      return Optional.empty();
    }
  }

  private static Pending ofRun(Kind kind, Element e) {
    var words = new StringBuilder();
    if (kind == Kind.TAKEN_AWAY) {
      words(e, words);
    }
    return new Pending(
        kind,
        e.attribute("w:author").orElse(""),
        e.attribute("w:date").orElse(""),
        words.toString());
  }

  private static void words(Element e, StringBuilder into) {
    switch (e.name()) {
      case "w:delText", "w:t" -> into.append(e.text());
      case "w:tab" -> into.append('\t');
      case "w:br", "w:cr" -> into.append('\n');
      case "w:rPr", "w:delInstrText", "w:instrText" -> {}
      default -> e.elements().forEach(c -> words(c, into));
    }
  }

  private static Pending ofRegion(Kind kind, Element region) {
    Element change = region.elements().getFirst();
    Optional<Element> info = change.child("office:change-info");
    var words = new ArrayList<String>();
    for (Element c : change.elements()) {
      if (!c.name().equals("office:change-info")) {
        paragraphs(c, words);
      }
    }
    return new Pending(
        kind,
        info.flatMap(i -> i.child("dc:creator")).map(Element::text).orElse(""),
        info.flatMap(i -> i.child("dc:date")).map(Element::text).orElse(""),
        String.join("\n", words));
  }

  private static void paragraphs(Element e, List<String> into) {
    if (e.name().equals("text:p") || e.name().equals("text:h")) {
      var b = new StringBuilder();
      spaced(e, b);
      into.add(b.toString());
    } else {
      e.elements().forEach(c -> paragraphs(c, into));
    }
  }

  /** Text with the white space that stands as elements (ODF 1.3 part 3, §6.1). */
  private static void spaced(Element e, StringBuilder into) {
    for (Object c : e.children()) {
      if (!(c instanceof Element child)) {
        into.append(((String) c).replaceAll("[\\t\\n\\r ]+", " "));
        continue;
      }
      switch (child.name()) {
        case "text:s" ->
            into.append(" ".repeat(Math.clamp(number(child.attribute("text:c")), 1, 500)));
        case "text:tab" -> into.append('\t');
        case "text:line-break" -> into.append('\n');
        case "office:annotation" -> {}
        default -> spaced(child, into);
      }
    }
  }

  private static int number(Optional<String> said) {
    return said.filter(s -> s.matches("\\d{1,4}")).map(Integer::parseInt).orElse(1);
  }

  /**
   * Keeps text that was taken away where it stood; more of the same change goes with it.
   *
   * @param inlines that stand before it, at the end of which it is put
   */
  public void after(List<Inline> inlines, Look look) {
    Pending whole = this;
    if (!inlines.isEmpty() && inlines.getLast() instanceof Inline.KeptInline last) {
      Optional<Pending> before = of(last.kept()).filter(this::isOfOneChange);
      if (before.isPresent()) {
        inlines.removeLast();
        whole = new Pending(kind, author, date, before.get().text + text);
      }
    }
    inlines.add(new Inline.KeptInline(whole.kept(), "", look));
  }

  private boolean isOfOneChange(Pending o) {
    return kind == o.kind && author.equals(o.author) && date.equals(o.date);
  }

  /** The change as it is kept of files whose own terms are no elements. */
  public Kept kept() {
    return new Kept(COMMON, XmlParts.write(element("0")));
  }

  /**
   * The change as an element of WordprocessingML: a run of the text that was taken away, or what
   * stands around one that was put in.
   *
   * @param id by which it is told from others there
   */
  public Element element(String id) {
    var attributes = new java.util.LinkedHashMap<String, String>();
    attributes.put("w:id", id);
    attributes.put("w:author", author);
    if (!date.isEmpty()) {
      attributes.put("w:date", date);
    }
    return kind == Kind.PUT_IN
        ? new Element("w:ins", attributes, List.of())
        : new Element("w:del", attributes, List.of(deleted()));
  }

  private Element deleted() {
    var run = new ArrayList<Object>();
    String[] lines = text.split("\n", -1);
    for (int k = 0; k < lines.length; k++) {
      if (k > 0) {
        run.add(new Element("w:br", Map.of(), List.of()));
      }
      if (!lines[k].isEmpty()) {
        run.add(new Element("w:delText", Map.of("xml:space", "preserve"), List.of(lines[k])));
      }
    }
    return new Element("w:r", Map.of(), run);
  }
}
