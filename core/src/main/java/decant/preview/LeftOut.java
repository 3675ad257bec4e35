package decant.preview;

import decant.format.Format;
import decant.format.Format.Holding;
import decant.format.Formats;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Severity;
import decant.model.walk.HiddenText;
import decant.model.walk.Part;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.words.Words;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What of a document a format has no room for, in the person's words. */
public final class LeftOut {
  private static final Words WORDS = Words.of(LeftOut.class);

  private LeftOut() {}

  /** In a few words each; empty if all of it goes along. */
  public static List<String> of(Document d, Format format) {
    return findings(d, format).stream().map(Finding::message).toList();
  }

  /**
   * What the office formats that a recipe makes have no room for, each with the name of its format.
   */
  public static List<Finding> findings(Document d, Recipe recipe) {
    var out = new ArrayList<Finding>();
    for (Output o : recipe.outputs()) {
      if (o instanceof Output.Office office) {
        String name = office.format().name();
        findings(d, office.format())
            .forEach(f ->
                out.add(found(f.severity(), WORDS.say("left-out.no-room", name, f.message()))));
      }
    }
    return out;
  }

  /** The same, with how much it matters: what whoever chooses the format knows is a note. */
  private static List<Finding> findings(Document d, Format format) {
    var out = new ArrayList<Finding>();
    Enclosed has = Enclosed.in(d);
    if (!format.holds().contains(Holding.LOOKS)) {
      out.add(found(Severity.NOTE, WORDS.say("left-out.looks")));
    }
    if (has.pictures() > 0 && !format.holds().contains(Holding.PICTURES)) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.pictures", has.pictures())));
    }
    if (format.holds().contains(Holding.LOOKS) && !format.holds().contains(Holding.PLACES)) {
      out.addAll(withoutPlaces(d));
    }
    boolean running = d.sections().stream().anyMatch(s -> !s.running().isEmpty());
    if (running && !format.holds().contains(Holding.RUNNING_TEXTS)) {
      out.add(found(Severity.LOSS, WORDS.say("left-out.running")));
    }
    if (has.comments() > 0 && !format.holds().contains(Holding.COMMENTS)) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.comments", has.comments())));
    } else if (has.comments() > 0) {
      int lost = Enclosed.comments(d, withoutComments(format));
      if (lost > 0) {
        out.add(found(Severity.LOSS, WORDS.count("left-out.comments-there", lost)));
      }
    }
    if (has.changes() > 0 && !format.holds().contains(Holding.PENDING_CHANGES)) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.changes", has.changes())));
    }
    if (has.files() > 0 && !format.holds().contains(Holding.ATTACHED_FILES)) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.files", has.files())));
    }
    if (has.fields() > 0 && !format.holds().contains(Holding.FORM_FIELDS)) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.fields", has.fields())));
    } else if (has.oneOf() > 0 && !format.holds().contains(Holding.ONE_OF_FIELDS)) {
      out.add(found(Severity.DOUBT, WORDS.count("left-out.one-of", has.oneOf())));
    }
    if (has.asking() > 0
        && format.holds().contains(Holding.FORM_FIELDS)
        && !format.holds().contains(Holding.FIELD_RULES)) {
      out.add(found(Severity.DOUBT, WORDS.count("left-out.asking", has.asking())));
    }
    if (!d.styles().typesetting().fonts().isEmpty() && !format.holds().contains(Holding.FONTS)) {
      out.add(found(Severity.NOTE, WORDS.say("left-out.fonts")));
    }
    if (!format.holds().contains(Holding.HIDDEN_TEXT) && HiddenText.isIn(d)) {
      out.add(found(Severity.DOUBT, WORDS.say("left-out.hidden")));
    }
    long pinned = d.sections().stream().filter(s -> s.pinned().isPresent()).count();
    if (pinned > 0) {
      out.add(found(Severity.DOUBT, WORDS.count("left-out.pinned", pinned)));
    }
    // What came in a format goes back into that one alone.
    int kept =
        has.kept().entrySet().stream()
            .filter(k -> !goesBack(format, k.getKey()))
            .mapToInt(Map.Entry::getValue)
            .sum();
    if (kept > 0) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.kept", kept)));
    }
    if (has.details().stream().anyMatch(k -> !goesBack(format, k))) {
      out.add(found(Severity.NOTE, WORDS.say("left-out.details")));
    }
    return out;
  }

  /** The parts of a document on whose text files of a format have no room for comments. */
  private static Set<Part> withoutComments(Format format) {
    var out = EnumSet.noneOf(Part.class);
    if (!format.holds().contains(Holding.COMMENTS_BESIDE)) {
      out.addAll(EnumSet.of(Part.NOTES, Part.BOXES));
    }
    if (!format.holds().contains(Holding.COMMENTS_ON_RUNNING_TEXTS)) {
      out.add(Part.RUNNING);
    }
    return out;
  }

  private static List<Finding> withoutPlaces(Document d) {
    var out = new ArrayList<Finding>();
    PlacedThings placed = PlacedThings.in(d);
    if (placed.beside() > 0) {
      out.add(found(Severity.NOTE, WORDS.count("left-out.beside", placed.beside())));
    }
    if (placed.behind() > 0) {
      out.add(found(Severity.LOSS, WORDS.count("left-out.behind", placed.behind())));
    }
    if (PlacedThings.hasColumns(d)) {
      out.add(found(Severity.NOTE, WORDS.say("left-out.columns")));
    }
    return out;
  }

  private static Finding found(Severity severity, String what) {
    return Finding.general(Finding.Kind.CONTENT_LEFT_OUT, severity, what);
  }

  /** Whether what was kept of a document of some format goes into files of another. */
  private static boolean goesBack(Format into, String from) {
    return into.holds().contains(Holding.KEPT_PARTS)
        && Formats.of(from).filter(into::isKinOf).isPresent();
  }
}
