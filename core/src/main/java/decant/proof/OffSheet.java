package decant.proof;

import decant.layout.Layout;
import decant.layout.OnSheets;
import decant.layout.OnSheets.Missing;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.finding.Finding.SourcePlace;
import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Tells what of a document its pages do not show, because it is on no sheet. */
public final class OffSheet {
  private static final Words WORDS = Words.of(OffSheet.class);

  private static final int LONGEST = 60;

  private OffSheet() {}

  /**
   * One loss for each page that something runs over the edge of, and for all that is on none; one
   * for each page of the source where those are known.
   *
   * @param layout complete
   * @param places where blocks stood in the source, if that had pages
   */
  public static List<Finding> findings(Layout layout, Map<NodeId, SourcePlace> places) {
    record Where(int page, int source, boolean picture) {}
    Map<Where, List<Missing>> together = new LinkedHashMap<>();
    for (Missing m : OnSheets.missing(layout)) {
      Optional<SourcePlace> place = place(layout, places, m.block());
      if (!wasCut(m, place)) {
        var where =
            new Where(
                m.page().map(Page::number).orElse(0),
                place.map(SourcePlace::page).orElse(-1),
                m.text().isEmpty());
        together.computeIfAbsent(where, k -> new ArrayList<>()).add(m);
      }
    }
    return together.values().stream().map(some -> finding(layout, some, places)).toList();
  }

  private static Finding finding(
      Layout layout, List<Missing> some, Map<NodeId, SourcePlace> places) {
    Missing first = some.getFirst();
    String message =
        first.text().isEmpty()
            ? first
                .page()
                .map(p -> WORDS.count("off-sheet.picture-over", some.size(), p.number()))
                .orElseGet(() -> WORDS.count("off-sheet.picture-nowhere", some.size()))
            : first
                .page()
                .map(p -> WORDS.say("off-sheet.over", p.number(), shown(some)))
                .orElseGet(() -> WORDS.say("off-sheet.nowhere", shown(some)));
    Finding f =
        Finding.of(Finding.Kind.CONTENT_LEFT_OUT, Finding.Severity.LOSS, message, first.block());
    return place(layout, places, first.block()).map(p -> f.from(p.page(), p.box())).orElse(f);
  }

  /** Whether the source had it run over the edge of its sheet too. */
  private static boolean wasCut(Missing m, Optional<SourcePlace> place) {
    if (m.page().isEmpty() || place.isEmpty()) {
      return false;
    }
    Box was = place.get().box();
    Page sheet = m.page().get();
    return was.x() < EDGE
        || was.y() < EDGE
        || was.right() > sheet.width() - EDGE
        || was.bottom() > sheet.height() - EDGE;
  }

  /** Points; what comes nearer to the edge of a sheet runs over it. */
  private static final double EDGE = 2;

  private static String shown(List<Missing> some) {
    String all = String.join(" ", some.stream().map(Missing::text).toList());
    return all.length() > LONGEST ? all.substring(0, LONGEST - 1).strip() + "…" : all;
  }

  /** That of the block, or of the table or other block that it stands in. */
  private static Optional<SourcePlace> place(
      Layout layout, Map<NodeId, SourcePlace> places, NodeId block) {
    return Optional.ofNullable(places.get(block))
        .or(() -> layout.document().topLevel(block).map(Block::id).map(places::get));
  }
}
