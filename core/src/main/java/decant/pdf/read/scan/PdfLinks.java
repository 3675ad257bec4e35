package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.pdf.content.PageSpace;
import decant.words.Words;
import decant.work.Faults;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.action.PDAction;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDNamedDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitWidthDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;

/** Link annotations (ISO 32000-1 §12.5.6.5) and where they lead. */
public final class PdfLinks {
  private record Target(int page, double y) {}

  private static final Words WORDS = Words.of(PdfLinks.class);
  private static final int MAX_FINDINGS = 1_000;

  private final List<Finding> findings = new ArrayList<>();
  private final PDDocument pdf;
  private final Map<Target, String> names = new LinkedHashMap<>();
  private final List<PDPage> pages = new ArrayList<>();
  private final Map<COSDictionary, Integer> numbers = new IdentityHashMap<>();
  private final Map<String, Optional<PDPageDestination>> destinations = new HashMap<>();

  public PdfLinks(PDDocument pdf) {
    this.pdf = pdf;
  }

  /** The link areas of a page. */
  LinkAreas of(PDPage page, int number) {
    var out = new LinkAreas();
    var framed = new ArrayList<Box>();
    try {
      for (PDAnnotation a : page.getAnnotations()) {
        if (a instanceof PDAnnotationLink l && l.getRectangle() != null && out.size() < 5000) {
          Optional<Link> link = link(l, page, number);
          Box b = PageScan.place(page, l.getRectangle());
          boolean frame = isFramed(l);
          if (frame && link.isEmpty()) {
            framed.add(b);
          }
          Optional<Colour> colour =
              frame ? Optional.of(PaintedPaths.colour(l.getColor())) : Optional.empty();
          link.ifPresent(to ->
              out.add(
                  new Box(b.x() - 0.5, b.y() - 0.5, b.width() + 1, b.height() + 1), to, colour));
        }
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading links", e);
      return out; // damaged annotations: the text stays, its links do not
    }
    if (!framed.isEmpty()) {
      String message = WORDS.count("pdf-links.frames", framed.size(), number + 1);
      left(Finding.Kind.DRAWING_LEFT_OUT, message, framed.getFirst(), number);
    }
    return out;
  }

  /**
   * Whether a frame is asked for around a link (ISO 32000-1 §12.5.2, §12.5.4): with a width, in the
   * dictionary of its border or else in the older array. Links that say nothing of it should have
   * one by the letter of the standard; common practice is to draw none.
   */
  private static boolean isFramed(PDAnnotationLink l) {
    if (l.isHidden() || l.isNoView()) {
      return false;
    }
    COSDictionary dictionary = l.getCOSObject();
    if (dictionary.getCOSDictionary(COSName.BS) != null) {
      return l.getBorderStyle().getWidth() > 0;
    }
    COSArray border = dictionary.getCOSArray(COSName.BORDER);
    return border != null
        && border.size() > 2
        && border.getObject(2) instanceof COSNumber width
        && width.floatValue() > 0;
  }

  private Optional<Link> link(PDAnnotationLink l, PDPage page, int number) throws IOException {
    PDAction action = l.getAction();
    if (action instanceof PDActionURI u && u.getURI() != null && !u.getURI().isBlank()) {
      String uri = u.getURI().strip();
      return Optional.of(new Link.External(uri));
    }
    if (action != null && !(action instanceof PDActionGoTo) && !(action instanceof PDActionURI)) {
      Box place = PageScan.place(page, l.getRectangle());
      left(Finding.Kind.ACTIVE_CONTENT, WORDS.say("pdf-links.action", number + 1), place, number);
      return Optional.empty();
    }
    PDDestination d = action instanceof PDActionGoTo g ? g.getDestination() : l.getDestination();
    if (d instanceof PDNamedDestination n) {
      d = named(n).orElse(null);
    }
    if (d instanceof PDPageDestination p) {
      return target(p)
          .map(t -> new Link.Internal(names.computeIfAbsent(t, k -> "place" + (names.size() + 1))));
    }
    return Optional.empty();
  }

  /** The number of the page that a destination means, which it says itself or by its page. */
  private Optional<Integer> number(PDPageDestination d) {
    COSBase to = d.getCOSObject().size() > 0 ? d.getCOSObject().getObject(0) : null;
    if (to instanceof COSDictionary page) {
      pages();
      return Optional.ofNullable(numbers.get(page));
    }
    return to instanceof COSNumber n && n.intValue() >= 0 && n.intValue() < pages().size()
        ? Optional.of(n.intValue())
        : Optional.empty();
  }

  /** All pages, looked up once: the library searches its tree anew for each number. */
  private List<PDPage> pages() {
    if (pages.isEmpty()) {
      for (PDPage p : pdf.getPages()) {
        numbers.putIfAbsent(p.getCOSObject(), pages.size());
        pages.add(p);
      }
    }
    return pages;
  }

  private Optional<PDPageDestination> named(PDNamedDestination n) throws IOException {
    String name = n.getNamedDestination();
    Optional<PDPageDestination> known = destinations.get(name);
    if (known == null) {
      known = Optional.ofNullable(pdf.getDocumentCatalog().findNamedDestinationPage(n));
      destinations.put(name, known);
    }
    return known;
  }

  private void left(Finding.Kind kind, String message, Box place, int number) {
    if (findings.size() < MAX_FINDINGS) {
      findings.add(Finding.general(kind, Finding.Severity.LOSS, message).from(number, place));
    }
  }

  /** What was left out of the links. */
  public List<Finding> findings() {
    return findings;
  }

  private Optional<Target> target(PDPageDestination d) {
    Optional<Integer> number = number(d);
    if (number.isEmpty()) {
      return Optional.empty();
    }
    int page = number.get();
    PDPage p = pages().get(page);
    double y = p.getCropBox().getUpperRightY();
    if (d instanceof PDPageXYZDestination xyz && xyz.getTop() > 0) {
      y = xyz.getTop();
    } else if (d instanceof PDPageFitWidthDestination f && f.getTop() > 0) {
      y = f.getTop();
    }
    Point2D shown =
        PageSpace.shown(p.getCropBox(), p.getRotation())
            .transform(new Point2D.Double(p.getCropBox().getLowerLeftX(), y), null);
    return Optional.of(new Target(page, Math.round(shown.getY())));
  }

  /**
   * Which paragraph each place stands for: the first one that begins at or below it on its page.
   */
  public Map<String, NodeId> targets(Map<NodeId, Finding.SourcePlace> places, Document d) {
    var out = new LinkedHashMap<String, NodeId>();
    if (names.isEmpty()) {
      return out;
    }
    Map<Integer, List<Map.Entry<NodeId, Finding.SourcePlace>>> byPage = new HashMap<>();
    for (Map.Entry<NodeId, Finding.SourcePlace> e : places.entrySet()) {
      if (d.paragraph(e.getKey()).isPresent()) {
        byPage.computeIfAbsent(e.getValue().page(), k -> new ArrayList<>()).add(e);
      }
    }
    names.forEach((t, name) -> {
      NodeId best = null;
      double bestY = Double.MAX_VALUE;
      NodeId last = null;
      for (Map.Entry<NodeId, Finding.SourcePlace> e : byPage.getOrDefault(t.page(), List.of())) {
        Finding.SourcePlace s = e.getValue();
        last = e.getKey();
        if (s.box().bottom() > t.y() && s.box().y() < bestY) {
          best = e.getKey();
          bestY = s.box().y();
        }
      }
      NodeId to = best != null ? best : last;
      if (to != null) {
        out.put(name, to);
      }
    });
    return out;
  }
}
