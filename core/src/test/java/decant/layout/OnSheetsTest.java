package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.OnSheets.Missing;
import decant.layout.item.Fragment;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.finding.Finding;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TextTraits;
import decant.proof.OffSheet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Whether every letter and picture is on a sheet; where not, it is said. */
class OnSheetsTest {
  /** A place so far from the left edge of the paper. */
  private static Placement across(double x) {
    return new Placement.Floating(
        new Axis(Origin.PAGE, Align.OFFSET, x),
        new Axis(Origin.PAGE, Align.OFFSET, 300),
        Wrap.THROUGH,
        Insets.NONE,
        false);
  }

  /** A shape with a text in it, whose left edge is so far from that of the paper. */
  private static Document far(double x) {
    var rich = new Rich();
    Inline box = rich.box(80, 50, across(x), Samples.paragraph("Adrift\nAshore"));
    return rich.section(
            PageSetup.A4,
            Section.Start.NEW_PAGE,
            Rich.of(box, Rich.text("Berths are let by the season.")))
        .document();
  }

  private static NodeId inBox(Document d) {
    return d.stories().values().iterator().next().blocks().getFirst().id();
  }

  @Test
  void documentsOfAllKindsAreWhollyOnTheirSheets() {
    for (int seed = 1; seed <= 12; seed++) {
      assertThat(OnSheets.missing(Samples.layout(Rich.varied(seed, 40))))
          .as("seed " + seed)
          .isEmpty();
    }
  }

  @Test
  void lettersBeyondTheEdgeAreMissingWithTheirPage() {
    // ISO 216: A4 is 210 mm wide, 595.28 points.
    Layout l = Samples.layout(far(575));
    List<Missing> got = OnSheets.missing(l);
    assertThat(got).hasSize(1);
    assertThat(got.getFirst().page()).map(Page::number).contains(1);
    assertThat(got.getFirst().text()).endsWith("re").contains("ft ").doesNotContain("A");
  }

  @Test
  void lettersThatNoPageWasGivenAreMissing() {
    Document d = Samples.document(Samples.paragraph("Kept"), Samples.paragraph("Swept away"));
    Layout l = Samples.layout(d);
    Page p = l.pages().getFirst();
    List<Fragment> body = p.body().subList(0, 1);
    Layout without =
        new Layout(
            d,
            List.of(
                new Page(1, 1, 0, true, p.setup(), p.start(), body, p.notes(), p.columnRules())),
            true,
            l.flow(),
            (story, setup, top, fields) -> List.of());
    assertThat(OnSheets.missing(without))
        .containsExactly(new Missing(d.paragraphs().get(1).id(), Optional.empty(), "Swept away"));
  }

  @Test
  void whatIsHiddenOrDividesWordsIsNotMissing() {
    Document d =
        Samples.document(
            Samples.runs(
                "Quay\u00ADside ", Look.PLAIN, "secret", Look.of(TextTraits.HIDDEN, true)));
    assertThat(OnSheets.missing(Samples.layout(d))).isEmpty();
  }

  @Test
  void aPictureMostlyBeyondTheEdgeIsMissing() {
    for (double x : new double[] {540, 400}) {
      var rich = new Rich();
      Inline picture = rich.picture(150, 50, across(x));
      Document d =
          rich.section(PageSetup.A4, Section.Start.NEW_PAGE, Rich.of(picture, Rich.text("By")))
              .document();
      List<Missing> got = OnSheets.missing(Samples.layout(d));
      assertThat(got).hasSize(x == 540 ? 1 : 0).allMatch(m -> m.text().isEmpty());
    }
  }

  @Test
  void whatTheSourceCutOffItselfIsNoLoss() {
    Layout l = Samples.layout(far(575));
    NodeId id = inBox(l.document());
    List<Finding> told =
        OffSheet.findings(l, Map.of(id, new Finding.SourcePlace(4, new Box(90, 80, 60, 12))));
    assertThat(told).hasSize(1);
    assertThat(told.getFirst().severity()).isEqualTo(Finding.Severity.LOSS);
    assertThat(told.getFirst().source()).map(Finding.SourcePlace::page).contains(4);
    assertThat(told.getFirst().message()).contains("page 1").contains("edge of the sheet");
    assertThat(
            OffSheet.findings(l, Map.of(id, new Finding.SourcePlace(4, new Box(570, 80, 40, 12)))))
        .isEmpty();
  }
}
