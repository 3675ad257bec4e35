package decant.pin;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.walk.Walk;
import decant.paint.KeptPdf;
import decant.picture.StandInFonts;
import decant.publication.KeptPage;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Pinned pages for formats that have no pages: each is a picture of the whole page, whose words are
 * the picture's description.
 */
public final class PinnedPictures {
  static {
    StandInFonts.use();
  }

  /** Dots an inch: small print can be read on paper, and a page stays under a megabyte or two. */
  private static final double DOTS = 200;

  private static final double MAX_DOTS = 5000;

  private PinnedPictures() {}

  /** The same document where no page is pinned. */
  public static Document in(Document d) {
    if (!d.hasPinned()) {
      return d;
    }
    var media = new ArrayList<Media>();
    var sections = new ArrayList<Section>();
    for (Section s : d.sections()) {
      sections.add(s.pinned().flatMap(p -> pictured(s, p, media)).orElse(s.flowing()));
    }
    Document out = d.withSections(sections);
    for (Media m : media) {
      out = out.withMedia(m);
    }
    return out;
  }

  /** Empty if the page cannot be painted; then its text flows, which is better than nothing. */
  private static Optional<Section> pictured(Section s, Pinned p, List<Media> media) {
    Optional<Media> painted = painted(s, p);
    painted.ifPresent(media::add);
    return painted.map(m -> {
      String words =
          Walk.paragraphs(s.blocks()).stream()
              .map(x -> x.text().replace(Inline.OBJECT, ' ').strip())
              .filter(t -> !t.isEmpty())
              .collect(Collectors.joining("\n"));
      var edge = new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 0);
      var picture =
          new Inline.Picture(
              m.id(),
              s.page().width(),
              s.page().height(),
              words,
              new Placement.Floating(edge, edge, Placement.Wrap.THROUGH, Insets.NONE, true),
              Insets.NONE,
              0,
              Optional.empty(),
              Look.PLAIN);
      var anchor = Paragraph.of(Look.PLAIN, "").withInlines(List.of(picture));
      return new Section(s.id(), s.page(), s.start(), java.util.Map.of(), List.of(anchor));
    });
  }

  private static Optional<Media> painted(Section s, Pinned p) {
    double dots =
        Math.min(DOTS, 72 * MAX_DOTS / Math.max(1, Math.max(s.page().width(), s.page().height())));
    try (PDDocument pdf = KeptPdf.open(new KeptPage.InMemory(p.file()))) {
      BufferedImage image =
          new PDFRenderer(pdf).renderImageWithDPI(p.page(), (float) dots, ImageType.RGB);
      var out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return Optional.of(Media.of("image/png", out.toByteArray()));
    } catch (IOException | RuntimeException | StackOverflowError e) {
      Faults.mended("making a picture of a pinned page", e);
      return Optional.empty();
    }
  }
}
