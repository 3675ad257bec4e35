package decant.pdf.read.report;

import decant.model.Box;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Remedy;
import decant.model.finding.Finding.Severity;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Sizes;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is in doubt of the blocks that were found: headings that were not taken, tables that may be
 * none, an order that goes back up the page.
 */
final class BlockDoubts {
  private static final Words WORDS = Words.of(BlockDoubts.class);

  private final List<Detected> found;
  private final Map<Finding.SourcePlace, NodeId> nodes = new HashMap<>();

  private BlockDoubts(List<Detected> found, Map<NodeId, Finding.SourcePlace> places) {
    this.found = found;
    places.forEach((node, place) -> nodes.put(place, node));
  }

  static List<Finding> of(List<Detected> found, Map<NodeId, Finding.SourcePlace> places) {
    var doubts = new BlockDoubts(found, places);
    var out = new ArrayList<Finding>();
    out.addAll(doubts.headings());
    out.addAll(doubts.tables());
    out.addAll(doubts.order());
    return out;
  }

  private Optional<NodeId> node(Detected f) {
    return Optional.ofNullable(nodes.get(new Finding.SourcePlace(f.page(), f.box())));
  }

  private List<Finding> headings() {
    var out = new ArrayList<Finding>();
    Map<Double, Integer> letters = new HashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t && t.kind() == Detected.Kind.PARAGRAPH) {
        letters.merge(LookMaker.halves(t.size()), t.letters(), Integer::sum);
      }
    }
    double body =
        letters.entrySet().stream()
            .max(Map.Entry.comparingByValue())
            .map(Map.Entry::getKey)
            .orElse(Sizes.DEFAULT);
    boolean boldBody = isMostlyBold();
    for (int k = 0; k + 1 < found.size(); k++) {
      if (!(found.get(k) instanceof Detected.Text t) || !mayBeHeading(t, k, body, boldBody)) {
        continue;
      }
      int level = level(t, k);
      node(t)
          .ifPresent(n ->
              out.add(
                  Finding.of(
                          Kind.HEADING_SUSPECTED,
                          Severity.DOUBT,
                          WORDS.say("block-doubts.may-be-a-heading-it", t.text().strip()),
                          n)
                      .from(t.page(), t.box())
                      .with(new Remedy.MakeHeading(level))));
    }
    return out;
  }

  private boolean isMostlyBold() {
    int all = 0;
    int bold = 0;
    for (Detected f : found) {
      if (f instanceof Detected.Text t && t.kind() == Detected.Kind.PARAGRAPH) {
        all += t.letters();
        bold += t.bold() ? t.letters() : 0;
      }
    }
    return bold * 2 > all;
  }

  /** Whether a line stands out and off as headings do, and text follows it as it follows them. */
  private boolean mayBeHeading(Detected.Text t, int k, double body, boolean boldBody) {
    if (t.kind() != Detected.Kind.PARAGRAPH || t.lines().size() != 1) {
      return false;
    }
    String text = t.text().strip();
    boolean shape =
        text.length() > 3
            && text.length() < ReportThresholds.BlockDoubts.LONGEST_HEADING
            && text.chars().filter(Character::isLetter).count() * 2 > text.length()
            && !text.matches(".*[.;:,]$")
            && !text.contains("\t");
    boolean standsOut =
        Sizes.isLarger(t.size(), body) || t.bold() && !boldBody && t.size() > body * Sizes.AS_LARGE;
    boolean standsOff =
        Sizes.standsOff(t.spaceBefore(), t.size()) || k == 0 || found.get(k - 1).page() != t.page();
    boolean followed =
        found.get(k + 1) instanceof Detected.Text next
            && next.page() == t.page()
            && next.kind() == Detected.Kind.PARAGRAPH
            && !next.bold()
            && Sizes.isNoLarger(next.size(), t.size())
            && next.box().y() > t.box().y()
            && Math.abs(next.box().x() - t.box().x())
                < ReportThresholds.BlockDoubts.BELOW * t.size();
    return shape && standsOut && standsOff && followed;
  }

  /** The level of a heading that looks like it; else one below the heading before it. */
  private int level(Detected.Text t, int k) {
    int before = 0;
    for (int j = 0; j < found.size(); j++) {
      if (found.get(j) instanceof Detected.Text h && h.kind() == Detected.Kind.HEADING) {
        if (Sizes.same(h.size(), t.size()) && h.bold() == t.bold()) {
          return h.level();
        }
        before = j < k ? h.level() : before;
      }
    }
    return Math.clamp(before + 1, 1, 6);
  }

  private List<Finding> tables() {
    var out = new ArrayList<Finding>();
    for (Detected f : found) {
      if (!(f instanceof Detected.Grid g)
          || g.ruling().down().isPresent()
          || g.ruling().across().isPresent()) {
        continue;
      }
      long cells = g.rows().stream().mapToLong(List::size).sum();
      long empty = g.rows().stream().flatMap(List::stream).filter(c -> c.lines().isEmpty()).count();
      if (cells > 0 && empty > cells * ReportThresholds.BlockDoubts.EMPTY) {
        node(g)
            .ifPresent(n ->
                out.add(
                    Finding.of(
                            Kind.TABLE_DOUBTFUL,
                            Severity.DOUBT,
                            WORDS.say("block-doubts.table", g.rows().size(), empty, cells),
                            n)
                        .from(g.page(), g.box())
                        .with(new Remedy.MakeText())));
      }
    }
    return out;
  }

  /**
   * Reading goes down, or on to the next column; where it goes back up what it passed, it is in
   * doubt.
   */
  private List<Finding> order() {
    var out = new ArrayList<Finding>();
    Set<Integer> said = new HashSet<>();
    for (int k = 1; k < found.size(); k++) {
      Detected a = found.get(k - 1);
      Detected b = found.get(k);
      Box x = a.box();
      Box y = b.box();
      boolean up =
          a.page() == b.page()
              && !(a instanceof Detected.Figure)
              && !(b instanceof Detected.Figure)
              && y.bottom() < x.y() + 1
              && x.sharedWidth(y)
                  > ReportThresholds.BlockDoubts.OVERLAP * Math.min(x.width(), y.width());
      if (up && said.add(a.page())) {
        Finding f =
            Finding.general(
                    Kind.ORDER_DOUBTFUL,
                    Severity.DOUBT,
                    WORDS.say("block-doubts.on-page-the-text-goes", (a.page() + 1)))
                .from(b.page(), y);
        out.add(node(b).map(f::at).orElse(f));
      }
    }
    return out;
  }
}
