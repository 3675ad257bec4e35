package decant.pin;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import decant.model.walk.Walk;
import decant.paint.KeptPdf;
import decant.picture.Png;
import decant.picture.StandInFonts;
import decant.publication.KeptPage;
import decant.words.Words;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Pinned pages for formats that have no pages: each is a picture of the whole page, whose words are
 * the picture's description.
 */
public final class PinnedPictures {
  private static final Words WORDS = Words.of(PinnedPictures.class);

  static {
    StandInFonts.use();
  }

  /** Dots an inch: small print can be read on paper, and a page stays under a megabyte or two. */
  private static final double DOTS = 170;

  private static final double MAX_DOTS = 5000;

  private PinnedPictures() {}

  /**
   * Pictures whose descriptions are the words of their pages; the same document where no page is
   * pinned.
   */
  public static Document in(Document d) {
    return in(d, false);
  }

  /** Pictures that lie over the text of their pages, small, so that it is found and read aloud. */
  public static Document overText(Document d) {
    return in(d, true);
  }

  private static Document in(Document d, boolean overText) {
    if (!d.hasPinned()) {
      return d;
    }
    Optional<CoveredText> covered = overText ? Optional.of(new CoveredText(d)) : Optional.empty();
    var media = new ArrayList<Media>();
    var sections = new ArrayList<Section>();
    try (var painter = new Painter()) {
      for (Section s : d.sections()) {
        sections.add(
            s.pinned()
                .flatMap(p ->
                    pictured(s, p, painter, media, covered.map(c -> c.of(s)).orElse(List.of())))
                .orElse(s.flowing()));
      }
    }
    Document out = d.withSections(sections);
    for (Media m : media) {
      out = out.withMedia(m);
    }
    return out;
  }

  /** Empty if the page cannot be painted; then its text flows, which is better than nothing. */
  private static Optional<Section> pictured(
      Section s, Pinned p, Painter painter, List<Media> media, List<Block> text) {
    Optional<Media> painted = painter.painted(s, p);
    painted.ifPresent(media::add);
    return painted.map(m -> {
      String words = text.isEmpty() ? words(s) : WORDS.say("pinned-pictures.page", p.page() + 1);
      var edge = new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 0);
      var picture =
          new Inline.Picture(
              m.id(),
              s.page().width(),
              s.page().height(),
              words,
              new Placement.Floating(
                  edge, edge, Placement.Wrap.THROUGH, Insets.NONE, text.isEmpty()),
              Insets.NONE,
              0,
              Optional.empty(),
              Look.PLAIN);
      var anchor = Paragraph.of(Look.PLAIN, "").withInlines(List.of(picture));
      var blocks = new ArrayList<Block>();
      blocks.add(anchor);
      blocks.addAll(text);
      PageSetup page = text.isEmpty() ? s.page() : CoveredText.page(s.page());
      return new Section(s.id(), page, s.start(), Map.of(), blocks);
    });
  }

  private static String words(Section s) {
    return Walk.paragraphs(s.blocks()).stream()
        .map(x -> x.text().replace(Inline.OBJECT, ' ').strip())
        .filter(t -> !t.isEmpty())
        .collect(Collectors.joining("\n"));
  }

  /** Paints pages; each file is opened once. */
  private static final class Painter implements AutoCloseable {
    private final Map<MediaId, PDDocument> open = new HashMap<>();

    private Optional<Media> painted(Section s, Pinned p) {
      double longer = Math.max(s.page().width(), s.page().height());
      double dots = Math.min(DOTS, 72 * MAX_DOTS / Math.max(1, longer));
      try {
        PDDocument pdf = open.get(p.file().id());
        if (pdf == null) {
          pdf = KeptPdf.open(new KeptPage.InMemory(p.file()));
          open.put(p.file().id(), pdf);
        }
        BufferedImage image =
            new PDFRenderer(pdf).renderImageWithDPI(p.page(), (float) dots, ImageType.RGB);
        return Optional.of(Png.of(image));
      } catch (IOException | RuntimeException | StackOverflowError e) {
        Faults.mended("making a picture of a pinned page", e);
        return Optional.empty();
      }
    }

    @Override
    public void close() {
      for (PDDocument pdf : open.values()) {
        try {
          pdf.close();
        } catch (IOException e) {
          Faults.mended("closing a file whose pages were painted", e);
        }
      }
    }
  }
}
