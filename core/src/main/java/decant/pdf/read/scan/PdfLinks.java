package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.Document;
import decant.model.Finding;
import decant.model.NodeId;
import decant.model.look.Link;
import decant.words.Words;
import decant.work.Faults;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

  public PdfLinks(PDDocument pdf) {
    this.pdf = pdf;
  }

  /** The link areas of a page. */
  LinkAreas of(PDPage page, int number) {
    var out = new LinkAreas();
    try {
      for (PDAnnotation a : page.getAnnotations()) {
        if (a instanceof PDAnnotationLink l && l.getRectangle() != null && out.size() < 5000) {
          Optional<Link> link = link(l, page, number);
          Box b = PageScan.place(page, l.getRectangle());
          link.ifPresent(
              to -> out.add(new Box(b.x() - 0.5, b.y() - 0.5, b.width() + 1, b.height() + 1), to));
        }
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading links", e);
      return out; // damaged annotations: the text stays, its links do not
    }
    return out;
  }

  private Optional<Link> link(PDAnnotationLink l, PDPage page, int number) throws IOException {
    PDAction action = l.getAction();
    if (action instanceof PDActionURI u && u.getURI() != null && !u.getURI().isBlank()) {
      String uri = u.getURI().strip();
      return Optional.of(new Link.External(uri));
    }
    if (action != null && !(action instanceof PDActionGoTo) && !(action instanceof PDActionURI)) {
      left(WORDS.say("pdf-links.action", number + 1), l, page, number);
      return Optional.empty();
    }
    PDDestination d = action instanceof PDActionGoTo g ? g.getDestination() : l.getDestination();
    if (d instanceof PDNamedDestination n) {
      d = pdf.getDocumentCatalog().findNamedDestinationPage(n);
    }
    if (d instanceof PDPageDestination p) {
      return target(p)
          .map(t -> new Link.Internal(names.computeIfAbsent(t, k -> "place" + (names.size() + 1))));
    }
    return Optional.empty();
  }

  private void left(String message, PDAnnotationLink l, PDPage page, int number) {
    if (findings.size() < MAX_FINDINGS) {
      findings.add(
          Finding.general(Finding.Kind.ACTIVE_CONTENT, Finding.Severity.LOSS, message)
              .from(number, PageScan.place(page, l.getRectangle())));
    }
  }

  /** What was left out of the links. */
  public List<Finding> findings() {
    return findings;
  }

  private Optional<Target> target(PDPageDestination d) {
    int page = d.retrievePageNumber();
    if (page < 0 || page >= pdf.getNumberOfPages()) {
      return Optional.empty();
    }
    PDPage p = pdf.getPage(page);
    double y = p.getCropBox().getUpperRightY();
    if (d instanceof PDPageXYZDestination xyz && xyz.getTop() > 0) {
      y = xyz.getTop();
    } else if (d instanceof PDPageFitWidthDestination f && f.getTop() > 0) {
      y = f.getTop();
    }
    Point2D shown =
        PageScan.shown(p.getCropBox(), p.getRotation())
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
