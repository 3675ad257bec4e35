package decant.office.odf.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Kept;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.office.pending.Pending;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Changes that wait to be accepted (ODF 1.3 part 3, §5.5), which are told before the text as the
 * text goes.
 */
final class Regions {
  private static final String FORMAT = "odt";
  private static final Pattern NAMED = Pattern.compile(" (xml|text):id=\"([^\"]*)\"");

  /** Names of styles, of which only the file that a change came in has the styles. */
  private static final Pattern STYLED = Pattern.compile(" [a-z]+:[a-z-]*style-name=\"[^\"]*\"");

  /** Names that changes of the document have. */
  private final Set<String> reserved = new HashSet<>();

  private final Set<String> names = new HashSet<>();
  private final Xml told = new Xml();
  private int numbers;
  private final boolean inText;

  /**
   * @param inText whether they are told before the text; headers and footers would tell their own,
   *     and do not
   */
  Regions(Document document, boolean inText) {
    this.inText = inText;
    if (inText) {
      Walk.paragraphs(document, Part.ALL).forEach(this::reserve);
    }
  }

  private void reserve(Paragraph p) {
    reserve(p.endLook().value(TextTraits.KEPT));
    for (Inline i : p.inlines()) {
      reserve(i.look().value(TextTraits.KEPT));
      if (i instanceof Inline.KeptInline k) {
        reserve(List.of(k.kept()));
      }
    }
  }

  private void reserve(List<Kept> kept) {
    for (Kept k : kept) {
      if (isOwn(k)) {
        reserved.add(name(k.source()));
      }
    }
  }

  private static boolean isOwn(Kept k) {
    return k.format().equals(FORMAT) && k.source().startsWith("<text:changed-region");
  }

  private static String name(String source) {
    Matcher m = NAMED.matcher(source.substring(0, source.indexOf('>')));
    return m.find() ? m.group(2) : "";
  }

  /** Whether something that is kept is a change that can stand here. */
  static boolean holds(Kept k) {
    return isOwn(k) || Pending.isPutIn(k) || Pending.isTakenAway(k);
  }

  /**
   * Tells of a change once more.
   *
   * @return the name by which marks are about it; empty if nothing can be told of it
   */
  Optional<String> tell(Kept change) {
    if (!inText) {
      return Optional.empty();
    }
    return change.format().equals(FORMAT) ? Optional.of(own(change.source())) : other(change);
  }

  /** A change keeps its name, by which the file that it came in tells of it. */
  private String own(String source) {
    int end = source.indexOf('>');
    String said = name(source);
    String name = said.isEmpty() || !names.add(said) ? free() : said;
    told.raw(NAMED.matcher(source.substring(0, end)).replaceAll(""))
        .attribute("xml:id", name)
        .attribute("text:id", name)
        .raw(STYLED.matcher(source.substring(end)).replaceAll(""));
    return name;
  }

  private Optional<String> other(Kept change) {
    Optional<Pending> pending = Pending.of(change);
    if (pending.isEmpty()) {
      return Optional.empty();
    }
    Pending p = pending.get();
    String name = free();
    String kind = p.kind() == Pending.Kind.PUT_IN ? "text:insertion" : "text:deletion";
    told.open("text:changed-region", "xml:id", name, "text:id", name).open(kind);
    told.open("office:change-info");
    told.open("dc:creator").text(p.author()).close("dc:creator");
    // A date must be said; of one that is not known, the first there is.
    told.open("dc:date").text(date(p.date())).close("dc:date");
    told.close("office:change-info");
    if (p.kind() == Pending.Kind.TAKEN_AWAY) {
      for (String line : p.text().split("\n", -1)) {
        told.open("text:p");
        new Spaces().write(told, line);
        told.close("text:p");
      }
    }
    told.close(kind).close("text:changed-region");
    return Optional.of(name);
  }

  private static String date(String said) {
    return said.isEmpty() ? "1970-01-01T00:00:00" : said;
  }

  private String free() {
    String name;
    do {
      name = "change" + ++numbers;
    } while (reserved.contains(name) || !names.add(name));
    return name;
  }

  /** The element before the text; empty if nothing was changed. */
  String element() {
    return told.isEmpty()
        ? ""
        : "<text:tracked-changes text:track-changes=\"false\">" + told + "</text:tracked-changes>";
  }
}
