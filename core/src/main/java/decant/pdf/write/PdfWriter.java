package decant.pdf.write;

import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import decant.layout.CaretPlace;
import decant.layout.Item;
import decant.layout.Layout;
import decant.layout.Outlines;
import decant.layout.Page;
import decant.layout.PageWalker;
import decant.model.Box;
import decant.model.Colour;
import decant.model.Inline.Geometry;
import decant.model.Insets;
import decant.model.Link;
import decant.model.Media;
import decant.model.MediaId;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.Position;
import decant.model.Rule;
import decant.text.FontFace;
import decant.vector.VectorPicture;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Writes pages of a layout as a PDF 1.7 file (ISO 32000-1). */
public final class PdfWriter {
  /** Thrown when the person cancels. */
  public static final class Cancelled extends RuntimeException {
    private static final long serialVersionUID = 1;

    Cancelled() {
      super("cancelled");
    }
  }

  private final Layout layout;
  private final PdfChoices choices;
  private final Map<FontFace, FontSubset> fonts = new LinkedHashMap<>();
  private final Map<FontFace, String> fontNames = new HashMap<>();
  private final Map<PictureKey, Optional<Embedded>> pictures = new HashMap<>();

  /**
   * A picture as the file holds it.
   *
   * @param proportion height of a drawing where its width is {@link #FORM}; 0 for an image
   */
  private record PictureKey(MediaId media, int proportion) {}

  /** Width of drawings in their own units; they are stretched to where they stand. */
  private static final int FORM = 1000;

  /** A picture in the file, and how large it is in its own units. */
  private record Embedded(COSStream stream, double width, double height) {}

  private final Map<Page, COSDictionary> pageObjects = new LinkedHashMap<>();
  private final Map<String, NodeId> bookmarkTargets = new HashMap<>();

  private PdfWriter(Layout layout, PdfChoices choices) {
    this.layout = layout;
    this.choices = choices;
    for (Paragraph p : layout.document().paragraphs()) {
      for (String name : p.look().value(ParagraphTraits.BOOKMARKS)) {
        bookmarkTargets.putIfAbsent(name, p.id());
      }
    }
  }

  /**
   * Writes a file.
   *
   * @param layout complete
   * @param progress told how many pages are done
   * @param cancelled asked before each page
   * @throws IOException if the target cannot be written
   * @throws Cancelled if {@code cancelled} says so
   */
  public static void write(
      Layout layout,
      PdfChoices choices,
      OutputStream out,
      IntConsumer progress,
      BooleanSupplier cancelled)
      throws IOException {
    if (!layout.complete()) {
      throw new IllegalArgumentException("the layout is not complete");
    }
    new PdfWriter(layout, choices).run(out, progress, cancelled);
  }

  private void run(OutputStream out, IntConsumer progress, BooleanSupplier cancelled)
      throws IOException {
    try (PDDocument pdf = new PDDocument()) {
      pdf.setVersion(1.7f);
      List<PageInPdf> written = new ArrayList<>();
      for (int index : choices.pages()) {
        if (cancelled.getAsBoolean()) {
          throw new Cancelled();
        }
        Page page = layout.pages().get(index);
        var size = new PDRectangle((float) page.setup().width(), (float) page.setup().height());
        PDPage object = new PDPage(size);
        pdf.addPage(object);
        pageObjects.put(page, object.getCOSObject());
        var content = new PageInPdf(pdf, page);
        PageWalker.walk(layout, page, content);
        content.finish(object.getCOSObject());
        written.add(content);
        progress.accept(written.size());
      }
      for (PageInPdf p : written) {
        p.writeLinks();
      }
      for (FontSubset f : fonts.values()) {
        f.finish();
      }
      if (choices.bookmarks()) {
        PdfOutline.write(pdf, layout, this::destination);
      }
      PdfParticulars.write(pdf, choices.particulars());
      pdf.save(out, CompressParameters.DEFAULT_COMPRESSION);
    }
  }

  /**
   * A destination at a paragraph's own height on its page (ISO 32000-1 §12.3.2.2), if that page is
   * in the file.
   */
  private Optional<COSArray> destination(NodeId paragraph) {
    Optional<CaretPlace> place = layout.caret(new Position(paragraph, 0));
    COSDictionary page = place.map(p -> pageObjects.get(p.page())).orElse(null);
    if (place.isEmpty() || page == null) {
      return Optional.empty();
    }
    COSArray d = new COSArray();
    d.add(page);
    d.add(COSName.getPDFName("XYZ"));
    d.add(COSInteger.ZERO);
    d.add(real(place.get().page().setup().height() - place.get().top()));
    d.add(COSNull.NULL);
    return Optional.of(d);
  }

  static COSFloat real(double v) {
    return new COSFloat((float) (Math.round(v * 100) / 100.0));
  }

  /** One page while it is written. */
  private final class PageInPdf implements PageWalker.Sink {
    private final PDDocument pdf;
    private final Page page;
    private final ContentStream content;
    private final COSDictionary fontResources = new COSDictionary();
    private final COSDictionary pictureResources = new COSDictionary();
    private final List<LinkArea> links = new ArrayList<>();
    private COSDictionary object = new COSDictionary();

    private record LinkArea(Link link, Box box) {}

    PageInPdf(PDDocument pdf, Page page) {
      this.pdf = pdf;
      this.page = page;
      this.content = new ContentStream(page.setup().height());
    }

    @Override
    public void glyphs(Item.GlyphRun run, double x, double y) {
      try {
        FontSubset subset = fonts.get(run.face());
        if (subset == null) {
          subset = new FontSubset(run.face());
          fonts.put(run.face(), subset);
          fontNames.put(run.face(), "F" + fonts.size());
        }
        String name = fontNames.getOrDefault(run.face(), "F0");
        fontResources.setItem(COSName.getPDFName(name), subset.dictionary());
        content.text(run, x, y, name, subset);
      } catch (IOException e) {
        throw new java.io.UncheckedIOException(e);
      }
    }

    @Override
    public void fill(Box box, Colour colour) {
      content.rectangle(box, colour);
    }

    @Override
    public void shape(Geometry geometry, Box box, Optional<Colour> fill, Optional<Rule> line) {
      content.path(Outlines.of(geometry, box, 1), fill, line.filter(Rule::isDrawn));
    }

    @Override
    public void turn(double degrees, double x, double y) {
      content.turn(degrees, x, y);
    }

    @Override
    public void turnBack() {
      content.restore();
    }

    @Override
    public void picture(Item.PictureBox picture, Box box) {
      // What is cut off stands outside the box.
      Insets c = picture.crop();
      double w = box.width() / (1 - c.left() - c.right());
      double h = box.height() / (1 - c.top() - c.bottom());
      var key = new PictureKey(picture.media(), proportion(picture.media(), w, h));
      Optional<Embedded> known = pictures.computeIfAbsent(key, this::embed);
      if (known.isEmpty()) {
        content.rectangle(box, new Colour(0xE8E4DC));
        return;
      }
      String name = "P" + key.media().sha256().substring(0, 12) + "x" + key.proportion();
      pictureResources.setItem(COSName.getPDFName(name), known.get().stream());
      var whole = new Box(box.x() - c.left() * w, box.y() - c.top() * h, w, h);
      content.picture(
          name,
          c.equals(Insets.NONE) ? box : whole,
          box,
          known.get().width(),
          known.get().height());
    }

    /** Drawings may look otherwise where they are stretched otherwise; images do not. */
    private int proportion(MediaId id, double w, double h) {
      Media m = layout.document().media().get(id);
      return m != null && VectorPicture.isVector(m.type())
          ? Math.clamp(Math.round(FORM * h / w), 1, 100 * FORM)
          : 0;
    }

    private Optional<Embedded> embed(PictureKey key) {
      MediaId id = key.media();
      Media m = layout.document().media().get(id);
      if (m == null) {
        return Optional.empty();
      }
      try {
        if (m.type().equals("application/pdf")) {
          Optional<EmbeddedPage.Form> whole = EmbeddedPage.of(m, pdf);
          if (whole.isPresent()) {
            EmbeddedPage.Form f = whole.get();
            return Optional.of(new Embedded(f.form().getCOSObject(), f.width(), f.height()));
          }
        }
        if (VectorPicture.isVector(m.type())) {
          return drawing(m, key.proportion());
        }
        PDImageXObject image = PDImageXObject.createFromByteArray(pdf, m.bytes(), id.sha256());
        image.setInterpolate(true); // smooth where it is enlarged, as it was on screen
        return Optional.of(new Embedded(image.getCOSObject(), 1, 1));
      } catch (IOException | RuntimeException e) {
        return Optional
            .empty(); // a kind that PDF has no filter for; the page shows a blank in its place
      }
    }

    /** A drawing as a form (ISO 32000-1 §8.10), so that it stays sharp at any size. */
    private Optional<Embedded> drawing(Media m, int height) throws IOException {
      Optional<VectorPicture> v = VectorPicture.of(m);
      if (v.isEmpty()) {
        return Optional.empty();
      }
      var g = new PdfBoxGraphics2D(pdf, FORM, height);
      boolean whole = v.get().draw(g, 0, 0, FORM, height);
      g.dispose();
      return whole
          ? Optional.of(new Embedded(g.getXFormObject().getCOSObject(), FORM, height))
          : Optional.empty();
    }

    @Override
    public void link(Link link, Box box) {
      if (!links.isEmpty()) {
        LinkArea last = links.getLast();
        boolean follows =
            last.link().equals(link)
                && Math.abs(last.box().y() - box.y()) < 0.01
                && box.x() - last.box().right() < 1;
        if (follows) {
          links.set(links.size() - 1, new LinkArea(link, last.box().union(box)));
          return;
        }
      }
      links.add(new LinkArea(link, box));
    }

    void finish(COSDictionary pageObject) throws IOException {
      object = pageObject;
      object.setItem(COSName.CONTENTS, FontSubset.stream(content.bytes()));
      COSDictionary resources = new COSDictionary();
      if (fontResources.size() > 0) {
        resources.setItem(COSName.FONT, fontResources);
      }
      if (pictureResources.size() > 0) {
        resources.setItem(COSName.XOBJECT, pictureResources);
      }
      object.setItem(COSName.RESOURCES, resources);
    }

    void writeLinks() {
      COSArray annotations = new COSArray();
      for (LinkArea l : links) {
        COSDictionary a = new COSDictionary();
        a.setItem(COSName.TYPE, COSName.ANNOT);
        a.setItem(COSName.SUBTYPE, COSName.getPDFName("Link"));
        COSArray rect = new COSArray();
        double h = page.setup().height();
        rect.add(real(l.box().x()));
        rect.add(real(h - l.box().bottom()));
        rect.add(real(l.box().right()));
        rect.add(real(h - l.box().y()));
        a.setItem(COSName.RECT, rect);
        COSArray border = new COSArray();
        border.add(COSInteger.ZERO);
        border.add(COSInteger.ZERO);
        border.add(COSInteger.ZERO);
        a.setItem(COSName.BORDER, border);
        a.setInt(COSName.F, 4); // printed as it is shown
        switch (l.link()) {
          case Link.External e -> {
            COSDictionary action = new COSDictionary();
            action.setItem(COSName.S, COSName.URI);
            action.setItem(COSName.URI, new COSString(e.uri()));
            a.setItem(COSName.A, action);
            annotations.add(a);
          }
          case Link.Internal i -> {
            Optional<COSArray> to =
                Optional.ofNullable(bookmarkTargets.get(i.bookmark()))
                    .flatMap(PdfWriter.this::destination);
            if (to.isPresent()) {
              a.setItem(COSName.DEST, to.get());
              annotations.add(a);
            }
          }
        }
      }
      if (annotations.size() > 0) {
        object.setItem(COSName.ANNOTS, annotations);
      }
    }
  }
}
