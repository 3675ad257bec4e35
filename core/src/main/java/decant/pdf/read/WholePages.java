package decant.pdf.read;

import decant.model.Box;
import decant.model.finding.Finding;
import decant.model.look.Media;
import decant.pdf.read.drawings.DrawingCutter;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Pages that cannot be told apart into text, tables and pictures: each is one drawing. */
final class WholePages {
  private static final Words WORDS = Words.of(WholePages.class);

  private final DrawingCutter cutter;
  private final Set<Integer> pages = new HashSet<>();
  private final List<Finding> findings = new ArrayList<>();

  WholePages(DrawingCutter cutter) {
    this.cutter = cutter;
  }

  /** Why a page is kept whole. */
  sealed interface Why {
    /** What the page is told to be, if all of it could be kept. */
    Finding.Kind kind();

    /** Its text lies in more pieces than lines can be made of. */
    record Scattered() implements Why {
      @Override
      public Finding.Kind kind() {
        return Finding.Kind.SCANNED_PAGE;
      }
    }

    /**
     * Telling it apart failed by a fault of ours.
     *
     * @param number under which the log has it
     */
    record Fault(String number) implements Why {
      @Override
      public Finding.Kind kind() {
        return Finding.Kind.PAGE_KEPT_WHOLE;
      }
    }
  }

  /** A page with nothing but a drawing of all that it shows, which is told. */
  ScannedPage whole(ScannedPage page, Why why) {
    var all = new Box(0, 0, page.width(), page.height());
    Optional<Media> kept = cutter.cut(page.number(), all);
    pages.add(page.number());
    findings.add(
        Finding.general(
                kept.isPresent() ? why.kind() : Finding.Kind.CONTENT_LEFT_OUT,
                Finding.Severity.LOSS,
                said(why, page.number() + 1, kept.isPresent()))
            .from(page.number(), all));
    return new ScannedPage(
        page.number(),
        page.width(),
        page.height(),
        List.of(),
        List.of(),
        kept.map(m -> List.of(new Placed(m, all, -1, ""))).orElse(List.of()),
        List.of(),
        page.comments());
  }

  private static String said(Why why, int page, boolean kept) {
    return switch (why) {
      case Why.Scattered() ->
          kept ? WORDS.say("whole-pages.scattered", page) : WORDS.say("whole-pages.lost", page);
      case Why.Fault(String number) ->
          kept
              ? WORDS.say("whole-pages.fault", page, number)
              : WORDS.say("whole-pages.fault-lost", page, number);
    };
  }

  boolean contains(int page) {
    return pages.contains(page);
  }

  List<Finding> findings() {
    return findings;
  }
}
