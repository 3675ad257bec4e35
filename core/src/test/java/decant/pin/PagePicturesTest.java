package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.mark.Mark;
import decant.mark.Stamp;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Media;
import decant.pdf.amend.PagePicture;
import decant.text.FontBook;
import java.awt.Color;
import java.awt.Rectangle;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures put on pages of both kinds; held against poppler's painting. */
class PagePicturesTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");
  private static final Box AT = new Box(300, 500, 120, 40);

  @TempDir private Path folder;
  private Revision revision;
  private Mark stamp;

  @BeforeEach
  void pinTheFirstPage() throws Exception {
    revision = PinnedSample.pages(RULES, 0);
    stamp = Stamp.of(List.of("APPROVED"), new Colour(0x00A000));
  }

  private static Pinned first(Revision r) {
    return Pinning.pages(r.document()).get(0);
  }

  private static Layout layout(Document d) {
    return new Layouter(FontBook.shipped()).layout(d);
  }

  private Revision put(PagePictures.Place... places) throws Exception {
    return PagePictures.put(revision, stamp.picture(), "Stamp: approved", List.of(places));
  }

  /** Where green shows on a published page, in points. */
  private Rectangle green(Document d, int page) throws Exception {
    Path out = PinnedSample.published(d, folder.resolve("out.pdf"));
    BufferedImage image = Tool.painted(out, page);
    Rectangle box = null;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        var c = new Color(image.getRGB(x, y));
        if (c.getGreen() > 120 && c.getRed() < 110 && c.getBlue() < 110) {
          var one = new Rectangle(x, y, 1, 1);
          box = box == null ? one : box.union(one);
        }
      }
    }
    return box == null ? new Rectangle() : box;
  }

  private static void stands(Rectangle is, Box at) {
    assertThat(is.getX()).isCloseTo(at.x(), within(2.0));
    assertThat(is.getY()).isCloseTo(at.y(), within(2.0));
    assertThat(is.getMaxX()).isCloseTo(at.right(), within(2.0));
    assertThat(is.getMaxY()).isCloseTo(at.bottom(), within(2.0));
  }

  private static List<Inline.Picture> pictures(Document d, String alt) {
    return d.paragraphs().stream()
        .map(Paragraph::inlines)
        .flatMap(List::stream)
        .filter(i -> i instanceof Inline.Picture p && p.alt().equals(alt))
        .map(i -> (Inline.Picture) i)
        .toList();
  }

  @Test
  void aMarkStandsOnAPinnedPageAndOnThePageWhenItFlows() throws Exception {
    Revision r = put(new PagePictures.Place.OnPinned(first(revision), AT));
    stands(green(r.document(), 1), AT);
    assertThat(pictures(r.document(), "Stamp: approved")).hasSize(1);
    Document flowing = Pinning.release(r.document(), 0);
    stands(green(flowing, 1), AT);
    assertThat(r.undo().document().sections()).isEqualTo(revision.document().sections());
    assertThat(green(r.undo().document(), 1).isEmpty()).isTrue();
  }

  /** The end of the paragraph that is in the middle of a page. */
  private static Position anchor(Layout l, int page) {
    Position in = l.positionAt(l.pages().get(page), 100, 400).orElseThrow();
    return new Position(in.paragraph(), l.document().requireParagraph(in.paragraph()).length());
  }

  /** Where each line stands, as far as is said. */
  private static List<String> lines(Document d) {
    Layout l = layout(d);
    return d.paragraphs().stream()
        .map(p -> l.caret(new Position(p.id(), 0)))
        .flatMap(Optional::stream)
        .map(c -> c.page().number() + " " + Math.round(c.top()))
        .toList();
  }

  @Test
  void aMarkStandsOnAPageThatFlows() throws Exception {
    Layout l = layout(revision.document());
    Revision r = put(new PagePictures.Place.InFlow(anchor(l, 2), AT));
    stands(green(r.document(), 3), AT);
    assertThat(lines(r.document())).isEqualTo(lines(revision.document())); // none made room
  }

  @Test
  void oneActPutsAMarkOnSeveralPages() throws Exception {
    Layout l = layout(revision.document());
    Revision r =
        put(
            new PagePictures.Place.OnPinned(first(revision), AT),
            new PagePictures.Place.InFlow(anchor(l, 2), AT));
    stands(green(r.document(), 1), AT);
    stands(green(r.document(), 3), AT);
    assertThat(r.undo().document().sections()).isEqualTo(revision.document().sections());
  }

  /** Many pages of one file are changed in one go, and each can be changed alone afterwards. */
  @Test
  void pagesOfOneFileShareItAfterwards() throws Exception {
    revision = PinnedSample.all(Samples.taken(RULES), RULES);
    Map<Integer, Pinned> pages = Pinning.pages(revision.document());
    Revision r =
        put(
            new PagePictures.Place.OnPinned(pages.get(1), AT),
            new PagePictures.Place.OnPinned(pages.get(4), AT));
    Map<Integer, Pinned> now = Pinning.pages(r.document());
    assertThat(now.get(1).file()).isSameAs(now.get(4).file());
    assertThat(now.get(2)).isSameAs(pages.get(2));
    try (PDDocument pdf = Loader.loadPDF(now.get(1).file().bytes())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(15);
      Set<Object> forms = Collections.newSetFromMap(new IdentityHashMap<>());
      for (int k : List.of(1, 4)) {
        var resources = pdf.getPage(k).getResources();
        for (var n : resources.getXObjectNames()) {
          if (n.getName().startsWith("Amended")) {
            forms.add(resources.getXObject(n).getCOSObject());
          }
        }
      }
      assertThat(forms).hasSize(1); // the drawing stands in the file once
    }
    stands(green(r.document(), 2), AT);
    stands(green(r.document(), 5), AT);
    assertThat(green(r.document(), 3).isEmpty()).isTrue();
    PagePicture mark =
        AmendedPages.parts(now.get(4)).pictures().stream()
            .filter(p -> p.drawing() && Math.abs(p.box().x() - AT.x()) < 1)
            .findFirst()
            .orElseThrow();
    Revision gone = PagePictures.change(r, now.get(4), mark, Optional.empty());
    assertThat(green(gone.document(), 5).isEmpty()).isTrue();
    stands(green(gone.document(), 2), AT);
  }

  @Test
  void whatWasPutMovesAndGoesOnThePageAndInItsText() throws Exception {
    Revision r = put(new PagePictures.Place.OnPinned(first(revision), AT));
    PagePicture put =
        AmendedPages.parts(first(r)).pictures().stream()
            .filter(p -> Math.abs(p.box().x() - AT.x()) < 1)
            .findFirst()
            .orElseThrow();
    assertThat(put.drawing()).isTrue();
    Box to = new Box(100, 620, 180, 60);
    Revision moved = PagePictures.moved(r, first(r), put, to).orElseThrow();
    stands(green(moved.document(), 1), to);
    stands(green(Pinning.release(moved.document(), 0), 1), to);
    PagePicture there =
        AmendedPages.parts(first(moved)).pictures().stream()
            .filter(p -> Math.abs(p.box().x() - to.x()) < 1)
            .findFirst()
            .orElseThrow();
    Revision gone = PagePictures.change(moved, first(moved), there, Optional.empty());
    assertThat(green(gone.document(), 1).isEmpty()).isTrue();
    assertThat(pictures(gone.document(), "Stamp: approved")).isEmpty();
    assertThat(gone.undo().undo().undo().document().sections())
        .isEqualTo(revision.document().sections());
  }

  /** ISO 32000-2 §12.5.2: annotations are painted over what the page itself shows. */
  @Test
  void whatAFieldLiesOverIsKnown() throws Exception {
    Path form = Samples.DEMO.resolve("Berth application.pdf");
    var page = new Pinned(Media.of("application/pdf", Files.readAllBytes(form)), 0, "", Map.of());
    Rectangle2D field;
    try (PDDocument pdf = Loader.loadPDF(form.toFile())) {
      PDRectangle r =
          pdf.getPage(0).getAnnotations().stream()
              .filter(a -> a.getSubtype().equals("Widget"))
              .findFirst()
              .orElseThrow()
              .getRectangle();
      double height = pdf.getPage(0).getCropBox().getHeight();
      field =
          new Rectangle2D.Double(
              r.getLowerLeftX(), height - r.getUpperRightY(), r.getWidth(), r.getHeight());
    }
    var over = new Box(field.getMaxX() - 5, field.getMaxY() - 2, 80, 30);
    var beside = new Box(field.getMaxX() + 3, field.getY(), 10, 10);
    assertThat(PagePictures.isUnderField(new PagePictures.Place.OnPinned(page, over))).isTrue();
    assertThat(PagePictures.isUnderField(new PagePictures.Place.OnPinned(page, beside))).isFalse();
  }
}
