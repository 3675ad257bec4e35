package decant.pdf.read.tagged;

import decant.model.Box;
import decant.model.finding.Finding;
import decant.model.look.MediaId;
import decant.pdf.read.beside.Footnotes;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import java.util.function.Predicate;

/**
 * Puts what no tag of a tagged file holds among what its tags hold, by its place: nothing that
 * shows is left out.
 */
final class Untagged {
  private static final Words WORDS = Words.of(Untagged.class);

  private final List<ScannedPage> pages;
  private final List<List<TextLine>> lines;
  private final List<Detected> found;

  /**
   * @param lines of all pages, whatever tags say
   * @param found what the tags hold, in their order; what is missing is put in
   */
  Untagged(List<ScannedPage> pages, List<List<TextLine>> lines, List<Detected> found) {
    this.pages = pages;
    this.lines = lines;
    this.found = found;
  }

  /** Pictures; but for those that every page has, which belong to its frame. */
  void pictures(Predicate<Placed> missing) {
    Map<MediaId, Integer> times = new HashMap<>();
    pages.forEach(p -> p.pictures().forEach(x -> times.merge(x.media().id(), 1, Integer::sum)));
    for (ScannedPage p : pages) {
      for (Placed x : p.pictures()) {
        boolean frames = times.getOrDefault(x.media().id(), 0) > 2;
        if (!frames && missing.test(x)) {
          found.add(placeOf(p.number(), x.box()), new Detected.Figure(p.number(), x, x.alt()));
        }
      }
    }
  }

  /**
   * Text, as paragraphs, each page with which is told, and as notes at the foot of pages.
   *
   * @param missing whether a glyph of a page is held by no tag
   * @param notes takes the notes
   */
  List<Finding> texts(BiPredicate<Integer, Glyph> missing, List<DetectedNote> notes) {
    var findings = new ArrayList<Finding>();
    double bodySize = Lines.bodySize(lines);
    for (ScannedPage p : pages) {
      List<Glyph> left = p.glyphs().stream().filter(g -> missing.test(p.number(), g)).toList();
      List<TextLine> untagged = Lines.of(p.only(left));
      List<TextLine> foot = notesOf(p, untagged, bodySize, notes);
      List<List<TextLine>> paragraphs =
          apart(untagged.stream().filter(l -> !foot.contains(l)).toList());
      if (paragraphs.isEmpty()) {
        continue;
      }
      for (List<TextLine> paragraph : paragraphs) {
        TextLine head = paragraph.getFirst();
        found.add(
            placeOf(head.page(), head.box()),
            Detected.Text.of(Detected.Kind.PARAGRAPH, paragraph, "", 0, 0));
      }
      Box box =
          paragraphs.stream()
              .flatMap(List::stream)
              .map(TextLine::box)
              .reduce(Box::union)
              .orElseThrow();
      findings.add(
          Finding.general(
                  Finding.Kind.ORDER_DOUBTFUL,
                  Finding.Severity.DOUBT,
                  WORDS.say("untagged.text", p.number() + 1))
              .from(p.number(), box));
    }
    return findings;
  }

  /**
   * The untagged lines that are notes at the foot of a page. They are taken as such, and so is what
   * tags put into paragraphs.
   */
  private List<TextLine> notesOf(
      ScannedPage page, List<TextLine> untagged, double bodySize, List<DetectedNote> notes) {
    if (notes.stream().anyMatch(n -> n.page() == page.number())) {
      return List.of();
    }
    Footnotes.Result feet = Footnotes.of(page, lines.get(page.number()), bodySize);
    List<TextLine> foot = feet.notes().stream().flatMap(n -> n.lines().stream()).toList();
    List<TextLine> bare = untagged.stream().filter(l -> isAmong(l, foot)).toList();
    long tagged =
        found.stream()
            .filter(f -> f instanceof Detected.Text)
            .flatMap(f -> ((Detected.Text) f).lines().stream())
            .filter(l -> isAmong(l, foot))
            .count();
    if (foot.isEmpty() || bare.size() + tagged < foot.size()) {
      return List.of();
    }
    for (int k = found.size() - 1; k >= 0; k--) {
      if (found.get(k) instanceof Detected.Text t) {
        List<TextLine> rest = t.lines().stream().filter(l -> !isAmong(l, foot)).toList();
        if (rest.isEmpty()) {
          found.remove(k);
        } else if (rest.size() < t.lines().size()) {
          found.set(k, t.with(rest));
        }
      }
    }
    notes.addAll(feet.notes());
    return bare;
  }

  private static boolean isAmong(TextLine l, List<TextLine> others) {
    return others.stream()
        .anyMatch(o ->
            o.page() == l.page()
                && Math.abs(o.baseline() - l.baseline()) < 1
                && o.box().sharedWidth(l.box()) > 0);
  }

  /** Lines that follow one another closely from one edge are a paragraph. */
  private static List<List<TextLine>> apart(List<TextLine> lines) {
    var out = new ArrayList<List<TextLine>>();
    for (TextLine l : lines) {
      boolean goesOn = false;
      if (!out.isEmpty()) {
        TextLine last = out.getLast().getLast();
        double pitch = l.baseline() - last.baseline();
        goesOn =
            pitch > 0
                && pitch < TaggedThresholds.Untagged.FOLLOWS * last.size()
                && Math.abs(l.box().x() - last.box().x()) < 2 * last.size();
      }
      if (goesOn) {
        out.getLast().add(l);
      } else {
        out.add(new ArrayList<>(List.of(l)));
      }
    }
    return out;
  }

  /** Behind what stands above a place on its page, else before what stands on later pages. */
  private int placeOf(int page, Box box) {
    int at = 0;
    for (int k = 0; k < found.size(); k++) {
      Detected f = found.get(k);
      boolean before = f.page() < page || f.page() == page && f.box().y() <= box.y();
      if (before) {
        at = k + 1;
      }
    }
    return at;
  }
}
