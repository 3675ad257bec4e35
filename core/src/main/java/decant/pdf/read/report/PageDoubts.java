package decant.pdf.read.report;

import decant.model.Box;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.read.drawings.DetectedDrawings;
import decant.pdf.read.fonts.PrivateCodes;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.scan.RecognisedPages;
import decant.picture.PixelPicture;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is lost or in doubt of single pages: characters, drawings, coarse pictures, text over text.
 */
final class PageDoubts {
  private static final Words WORDS = Words.of(PageDoubts.class);

  private PageDoubts() {}

  static List<Finding> of(
      List<ScannedPage> pages, List<List<TextLine>> lines, DetectedDrawings.Result drawn) {
    var out = new ArrayList<Finding>();
    Set<MediaId> coarse = new HashSet<>();
    for (int k = 0; k < pages.size(); k++) {
      ScannedPage p = pages.get(k);
      unknown(p).ifPresent(out::add);
      unspoken(p).ifPresent(out::add);
      if (drawn.left().contains(p.number())) {
        out.add(
            Finding.general(
                    Kind.DRAWING_LEFT_OUT,
                    Severity.LOSS,
                    WORDS.say("page-doubts.a-drawing-on-page-is", (p.number() + 1)))
                .from(p.number(), whole(p)));
      }
      for (Placed drawing : drawn.worded().getOrDefault(p.number(), List.of())) {
        out.add(worded(p.number(), drawing));
      }
      scanned(p).ifPresent(out::add);
      boolean turned = p.glyphs().stream().anyMatch(g -> g.quarter() != 0);
      // Lines of turned text are kept as if they stood upright, where others may be.
      List<TextLine> upright =
          turned
              ? Lines.of(p.only(p.glyphs().stream().filter(g -> g.quarter() == 0).toList()))
              : lines.get(k);
      overlapping(p.number(), upright).ifPresent(out::add);
      for (Placed picture : p.pictures()) {
        coarse(p.number(), picture)
            .filter(f -> coarse.add(picture.media().id()))
            .ifPresent(out::add);
      }
    }
    return out;
  }

  private static Box whole(ScannedPage p) {
    return new Box(0, 0, p.width(), p.height());
  }

  private static Optional<Finding> unknown(ScannedPage p) {
    List<Glyph> lost =
        p.glyphs().stream().filter(g -> g.text().isEmpty() || g.text().contains("\uFFFD")).toList();
    return unknown(p, lost, Severity.LOSS, "page-doubts.unreadable");
  }

  /** Letters that are shown as they are, though nothing tells what they stand for. */
  private static Optional<Finding> unspoken(ScannedPage p) {
    List<Glyph> shown = p.glyphs().stream().filter(g -> PrivateCodes.in(g.text())).toList();
    return unknown(p, shown, Severity.DOUBT, "page-doubts.shown-only");
  }

  private static Optional<Finding> unknown(
      ScannedPage p, List<Glyph> unknown, Severity severity, String said) {
    if (unknown.isEmpty()) {
      return Optional.empty();
    }
    Box place =
        unknown.stream()
            .filter(g -> g.quarter() == 0)
            .map(
                g -> new Box(g.x(), g.baseline() - g.size(), g.width(), g.size() * Anatomy.LEADING))
            .reduce(Box::union)
            .orElse(whole(p));
    return Optional.of(
        Finding.general(
                Kind.CHARACTERS_UNKNOWN,
                severity,
                WORDS.count(said, unknown.size(), p.number() + 1))
            .from(p.number(), place));
  }

  /** Of the words of a drawing this much is told. */
  private static final int MOST_WORDS = 60;

  private static Finding worded(int page, Placed drawing) {
    String words = drawing.alt();
    String some = words.length() > MOST_WORDS ? words.substring(0, MOST_WORDS) + "…" : words;
    return Finding.general(
            Kind.WORDS_IN_PICTURE,
            Severity.DOUBT,
            WORDS.say("page-doubts.words-in-drawing", page + 1, some))
        .from(page, drawing.box());
  }

  private static Optional<Finding> scanned(ScannedPage p) {
    return RecognisedPages.isPicture(p)
        ? Optional.of(
            Finding.general(
                    Kind.SCANNED_PAGE,
                    Severity.DOUBT,
                    WORDS.say("page-doubts.page-is-a-picture-without", (p.number() + 1)))
                .from(p.number(), whole(p)))
        : Optional.empty();
  }

  /** Lines that are written over one another cannot be read, nor told apart for certain. */
  private static Optional<Finding> overlapping(int page, List<TextLine> lines) {
    List<TextLine> sorted = new ArrayList<>(lines);
    sorted.sort(Comparator.comparingDouble(l -> l.box().y()));
    Box place = null;
    for (int a = 0; a < sorted.size(); a++) {
      Box x = sorted.get(a).box();
      for (int b = a + 1; b < sorted.size() && sorted.get(b).box().y() < x.bottom(); b++) {
        Box y = sorted.get(b).box();
        boolean over =
            x.sharedHeight(y)
                    > ReportThresholds.PageDoubts.OVERLAP * Math.min(x.height(), y.height())
                && within(sorted.get(a), y) >= ReportThresholds.PageDoubts.LETTERS_OVER
                && within(sorted.get(b), x) >= ReportThresholds.PageDoubts.LETTERS_OVER;
        if (over) {
          Box both = x.union(y);
          place = place == null ? both : place.union(both);
        }
      }
    }
    return Optional.ofNullable(place)
        .map(box ->
            Finding.general(
                    Kind.TEXT_OVERLAPS,
                    Severity.DOUBT,
                    WORDS.say("page-doubts.lines-are-written-over-one", (page + 1)))
                .from(page, box));
  }

  /** How many letters of a line stand above the place of another. */
  private static long within(TextLine l, Box other) {
    return l.glyphs().stream()
        .filter(g -> !g.isSpace())
        .filter(g -> g.x() + g.width() / 2 > other.x() && g.x() + g.width() / 2 < other.right())
        .count();
  }

  private static Optional<Finding> coarse(int page, Placed picture) {
    Box b = picture.box();
    if (b.width() < ReportThresholds.PageDoubts.ORNAMENT
        || b.height() < ReportThresholds.PageDoubts.ORNAMENT / 2) {
      return Optional.empty();
    }
    return pixelsAcross(picture.media())
        .map(n -> n / (b.width() / 72))
        .filter(dots -> dots < ReportThresholds.PageDoubts.COARSE)
        .map(dots ->
            Finding.general(
                    Kind.PICTURE_COARSE,
                    Severity.NOTE,
                    WORDS.say("page-doubts.coarse", page + 1, Math.round(dots)))
                .from(page, b));
  }

  private static Optional<Integer> pixelsAcross(Media m) {
    if (!m.type().equals("image/png") && !m.type().equals("image/jpeg")) {
      return Optional.empty();
    }
    return PixelPicture.size(m.bytes()).map(size -> size.width); // damage shows elsewhere
  }
}
