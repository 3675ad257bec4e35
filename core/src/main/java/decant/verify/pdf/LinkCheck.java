package decant.verify.pdf;

import decant.verify.Check;
import decant.words.Words;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** Whether each link leads where it should, from where its text stands. */
final class LinkCheck {
  private static final Words WORDS = Words.of(LinkCheck.class);

  /** The share of its text that a link covers at least; lines and parts have areas of their own. */
  private static final double COVERED = 0.5;

  /**
   * A link.
   *
   * @param page from 0, in the file
   * @param to where it leads: an address, or a page of the file
   * @param area in points from the page's upper left corner
   */
  record Area(int page, String to, Rectangle2D area) {
    /** What it shares with another that leads to the same place; 0 if that leads elsewhere. */
    private double shared(Area other) {
      if (!to.equals(other.to)) {
        return 0;
      }
      Rectangle2D both = area.createIntersection(other.area);
      return Math.max(0, both.getWidth()) * Math.max(0, both.getHeight());
    }

    private double size() {
      return area.getWidth() * area.getHeight();
    }

    /** Whether some that lead there lie on it, one or several of them. */
    private boolean isCovered(List<Area> by) {
      return by.stream().mapToDouble(this::shared).sum() >= COVERED * size();
    }

    /** Whether it lies on one of some texts that lead there, or that text on it. */
    private boolean isOn(List<Area> texts) {
      return texts.stream().anyMatch(t -> shared(t) >= COVERED * Math.min(size(), t.size()));
    }
  }

  private LinkCheck() {}

  static Check of(PDDocument pdf, Expected expected) throws IOException {
    var got = new ArrayList<Area>();
    for (int k : expected.made(pdf)) {
      on(pdf, k, got);
    }
    List<Area> wanted = expected.links();
    Map<Integer, List<Area>> gotOn = got.stream().collect(Collectors.groupingBy(Area::page));
    Map<Integer, List<Area>> wantedOn = wanted.stream().collect(Collectors.groupingBy(Area::page));
    Optional<Area> missing =
        wanted.stream()
            .filter(w -> !w.isCovered(gotOn.getOrDefault(w.page(), List.of())))
            .findFirst();
    Optional<Area> unmeant =
        got.stream().filter(g -> !g.isOn(wantedOn.getOrDefault(g.page(), List.of()))).findFirst();
    return Check.of(
        WORDS.say("link-check.name"),
        missing.isEmpty() && unmeant.isEmpty(),
        wanted.isEmpty()
            ? WORDS.say("pdf-verifier.none")
            : WORDS.count("link-check.each-to-where-it", wanted.size()),
        missing
            .map(m -> WORDS.say("link-check.missing", m.page() + 1, m.to()))
            .or(() -> unmeant.map(u -> WORDS.say("link-check.unmeant", u.page() + 1, u.to())))
            .orElse(""));
  }

  private static void on(PDDocument pdf, int page, List<Area> out) {
    PDPage p = pdf.getPage(page);
    COSArray annotations = p.getCOSObject().getCOSArray(COSName.ANNOTS);
    double height = p.getMediaBox().getHeight();
    for (int a = 0; annotations != null && a < annotations.size(); a++) {
      if (annotations.getObject(a) instanceof COSDictionary d
          && "Link".equals(d.getNameAsString(COSName.SUBTYPE))
          && d.getCOSArray(COSName.RECT) != null) {
        var r = new PDRectangle(d.getCOSArray(COSName.RECT));
        COSDictionary action = d.getCOSDictionary(COSName.A);
        COSArray to = d.getCOSArray(COSName.DEST);
        out.add(
            new Area(
                page,
                action == null ? "page " + pageOf(pdf, to) : action.getString(COSName.URI, ""),
                new Rectangle2D.Double(
                    r.getLowerLeftX(), height - r.getUpperRightY(), r.getWidth(), r.getHeight())));
      }
    }
  }

  /** The page that a destination leads to, from 0; -1 if none. */
  static int pageOf(PDDocument pdf, @org.jspecify.annotations.Nullable COSArray destination) {
    return destination != null && destination.getObject(0) instanceof COSDictionary d
        ? pdf.getPages().indexOf(new PDPage(d))
        : -1;
  }
}
