package decant.preview;

import decant.format.Format;
import decant.format.Format.Holding;
import decant.format.Formats;
import decant.model.Document;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What of a document a format has no room for, in the person's words. */
public final class LeftOut {
  private static final Words WORDS = Words.of(LeftOut.class);

  private LeftOut() {}

  /** Empty if all of it goes along. */
  public static List<String> of(Document d, Format format) {
    var out = new ArrayList<String>();
    Enclosed has = Enclosed.in(d);
    if (!format.holds().contains(Holding.LOOKS)) {
      out.add(WORDS.say("left-out.looks"));
    }
    if (has.pictures() > 0 && !format.holds().contains(Holding.PICTURES)) {
      out.add(WORDS.count("left-out.pictures", has.pictures()));
    }
    boolean running = d.sections().stream().anyMatch(s -> !s.running().isEmpty());
    if (running && !format.holds().contains(Holding.RUNNING_TEXTS)) {
      out.add(WORDS.say("left-out.running"));
    }
    if (has.comments() > 0 && !format.holds().contains(Holding.COMMENTS)) {
      out.add(WORDS.count("left-out.comments", has.comments()));
    }
    if (has.changes() > 0 && !format.holds().contains(Holding.PENDING_CHANGES)) {
      out.add(WORDS.count("left-out.changes", has.changes()));
    }
    if (has.files() > 0 && !format.holds().contains(Holding.ATTACHED_FILES)) {
      out.add(WORDS.count("left-out.files", has.files()));
    }
    if (has.fields() > 0 && !format.holds().contains(Holding.FORM_FIELDS)) {
      out.add(WORDS.count("left-out.fields", has.fields()));
    } else if (has.oneOf() > 0 && !format.holds().contains(Holding.ONE_OF_FIELDS)) {
      out.add(WORDS.count("left-out.one-of", has.oneOf()));
    }
    if (has.asking() > 0
        && format.holds().contains(Holding.FORM_FIELDS)
        && !format.holds().contains(Holding.FIELD_RULES)) {
      out.add(WORDS.count("left-out.asking", has.asking()));
    }
    if (!d.styles().typesetting().fonts().isEmpty() && !format.holds().contains(Holding.FONTS)) {
      out.add(WORDS.say("left-out.fonts"));
    }
    long pinned = d.sections().stream().filter(s -> s.pinned().isPresent()).count();
    if (pinned > 0) {
      out.add(WORDS.count("left-out.pinned", pinned));
    }
    // What came in a format goes back into that one alone.
    int kept =
        has.kept().entrySet().stream()
            .filter(k -> !goesBack(format, k.getKey()))
            .mapToInt(Map.Entry::getValue)
            .sum();
    if (kept > 0) {
      out.add(WORDS.count("left-out.kept", kept));
    }
    if (has.details().stream().anyMatch(k -> !goesBack(format, k))) {
      out.add(WORDS.say("left-out.details"));
    }
    return out;
  }

  /** Whether what was kept of a document of some format goes into files of another. */
  private static boolean goesBack(Format into, String from) {
    return into.holds().contains(Holding.KEPT_PARTS)
        && Formats.of(from).filter(into::isKinOf).isPresent();
  }
}
