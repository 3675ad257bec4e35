package decant.verify.pdf;

import decant.verify.Check;
import decant.words.Words;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
    /** Whether it leads where a text of its page does, and lies on it. */
    private boolean covers(Area text) {
      if (!to.equals(text.to)) {
        return false;
      }
      Rectangle2D both = area.createIntersection(text.area);
      double share = Math.max(0, both.getWidth()) * Math.max(0, both.getHeight());
      return share >= COVERED * text.area.getWidth() * text.area.getHeight();
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
    boolean there =
        wanted.stream()
            .allMatch(
                w -> gotOn.getOrDefault(w.page(), List.of()).stream().anyMatch(g -> g.covers(w)));
    boolean meant =
        got.stream()
            .allMatch(g -> wantedOn.getOrDefault(g.page(), List.of()).stream().anyMatch(g::covers));
    return Check.of(
        WORDS.say("link-check.name"),
        there && meant,
        wanted.isEmpty()
            ? WORDS.say("pdf-verifier.none")
            : WORDS.count("link-check.each-to-where-it", wanted.size()),
        WORDS.say("link-check.do-not-match-the", got.size(), wanted.size()));
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
