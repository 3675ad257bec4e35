package decant.pdf.write;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Security.Protection;
import decant.pdf.choices.Version;
import decant.pdf.file.Deflated;
import decant.pdf.file.Encryption;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import decant.pdf.write.PageContent.Size;
import decant.pdf.write.fonts.FontInFile;
import decant.pdf.write.fonts.GlyphEncoder;
import decant.pdf.write.fonts.UsedGlyphs;
import decant.pdf.write.pictures.PictureInFile;
import decant.pdf.write.pictures.PictureMaker;
import decant.picture.VectorPicture;
import decant.publication.KeptPage;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import decant.text.FontFace;
import decant.work.Cancelled;
import decant.work.Faults;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Writes pages as a PDF file (ISO 32000). Pages are walked twice, both times side by side: once to
 * see which glyphs and pictures they show, then to write them with the codes that follow from all
 * pages together, so that the file is the same however many processors there are.
 */
public final class PdfWriter {
  /**
   * What was written.
   *
   * @param bytes of each part
   * @param pictures how each picture was stored, in plain words
   */
  public record Written(Map<FilePart, Long> bytes, Map<MediaId, String> pictures) {
    public long total() {
      return bytes.values().stream().mapToLong(Long::longValue).sum();
    }
  }

  private final Publication publication;
  private final PdfChoices choices;
  private final Optional<Attachment> attachment;
  private final int level;
  private final BooleanSupplier cancelled;
  private final PDDocument scratch = new PDDocument();
  private final Map<FontFace, FontInFile> fonts = new LinkedHashMap<>();
  private final Map<DrawnAs, Optional<PictureInFile>> pictures = new HashMap<>();
  private final Map<Integer, COSDictionary> pageObjects = new LinkedHashMap<>();
  private int figures;

  private final KeptSources keptPages = new KeptSources();

  /**
   * A picture as the file holds it.
   *
   * @param proportion height of a drawing where its width is {@link DrawingForms#FORM}; 0 for an
   *     image
   */
  private record DrawnAs(MediaId media, int proportion) {}

  private PdfWriter(
      Publication publication,
      PdfChoices choices,
      Optional<Attachment> attachment,
      BooleanSupplier cancelled) {
    this.publication = publication;
    this.choices = choices;
    this.attachment = attachment;
    this.level = choices.settings().compression().effort().level();
    this.cancelled = cancelled;
  }

  /**
   * Writes a file.
   *
   * @param publication complete
   * @param choices without conflict
   * @param attachment the file to attach, if that is chosen
   * @param progress told how many pages are done
   * @param cancelled asked before each page
   * @throws IOException if the target cannot be written
   * @throws Encryption.Problem if a password cannot be used
   * @throws Cancelled if {@code cancelled} says so
   */
  public static Written write(
      Publication publication,
      PdfChoices choices,
      Optional<Attachment> attachment,
      OutputStream out,
      IntConsumer progress,
      BooleanSupplier cancelled)
      throws IOException, Encryption.Problem {
    if (!publication.complete()) {
      throw new IllegalArgumentException("there are more pages to come");
    }
    var writer = new PdfWriter(publication, choices, attachment, cancelled);
    try {
      return writer.run(out, progress);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    } finally {
      writer.keptPages.close();
      writer.scratch.close();
    }
  }

  private Written run(OutputStream out, IntConsumer progress)
      throws IOException, Encryption.Problem {
    byte[] id = PdfFile.freshIdentity();
    Optional<Encryption> encryption =
        choices.settings().security().protection() == Protection.NONE
            ? Optional.empty()
            : Optional.of(new Encryption(choices.settings().security(), choices.passwords(), id));
    Version version = choices.settings().conformance().writtenVersion();
    var file =
        new PdfFile(version, choices.settings().compression().objectStreams(), level, encryption);
    file.identity(id);
    List<PublishedPage> pages =
        choices.pages().stream().<PublishedPage>map(publication.pages()::get).toList();

    keptPages.open(pages.stream().map(publication::kept).flatMap(Optional::stream).toList(), file);

    List<Inventory> seen = all(pages, this::inventory);
    makeFonts(seen, file);
    makePictures(seen, file);
    // Pages that are kept bring marks of a structure that stays behind.
    boolean tagged = choices.settings().conformance().isTagged() && !publication.keepsAll();
    var done = new AtomicInteger();
    List<Finished> written =
        all(
            pages,
            p -> {
              Finished f = content(p, tagged);
              synchronized (progress) {
                progress.accept(done.incrementAndGet());
              }
              return f;
            });

    COSDictionary catalog = new COSDictionary();
    catalog.setItem(COSName.TYPE, COSName.CATALOG);
    assemble(catalog, written, file);
    structure(catalog, written, tagged, file);
    if (choices.settings().navigation().bookmarks()) {
      PdfOutline.write(catalog, publication, choices.settings().navigation(), this::destination)
          .ifPresent(o -> file.part(o, FilePart.WAYFINDING));
    }
    InitialViewEntries.write(catalog, choices, new ArrayList<>(pageObjects.values()));
    if (choices.settings().navigation().pageLabels()) {
      PageLabels.write(catalog, pages);
    }
    var attached = new ArrayList<Attachment>();
    attachment.ifPresent(attached::add);
    if (choices.settings().conformance().takesFiles()) {
      publication.attachments().forEach(f -> attached.add(Attachment.of(f)));
    }
    keptPages.complete(catalog);
    Attachment.write(attached, catalog, choices.settings().conformance(), level, file);
    PdfMetadata.write(catalog, file, choices, level);
    file.trailer().setItem(COSName.ROOT, catalog);
    Map<FilePart, Long> bytes = file.write(out);
    var how = new HashMap<MediaId, String>();
    pictures.forEach((k, v) -> v.ifPresent(p -> how.put(k.media(), p.how())));
    return new Written(bytes, how);
  }

  /** Something of each page, made side by side, in the order of the pages. */
  private <A, T> List<T> all(List<A> of, Function<A, T> make) {
    return of.parallelStream()
        .map(p -> {
          if (cancelled.getAsBoolean()) {
            throw new Cancelled();
          }
          return make.apply(p);
        })
        .toList();
  }

  // What the pages show.

  private record Inventory(Map<FontFace, UsedGlyphs> glyphs, Map<DrawnAs, Size> pictures) {}

  private Inventory inventory(PublishedPage page) {
    var seen = new Inventory(new LinkedHashMap<>(), new LinkedHashMap<>());
    publication.walk(
        page,
        new PageSink() {
          @Override
          public void glyphs(Item.GlyphRun run, double x, double y) {
            if (run.placed().glyphs().length > 0) {
              seen.glyphs().computeIfAbsent(run.face(), f -> new UsedGlyphs()).note(run);
            }
          }

          @Override
          public void fill(Box box, Colour colour) {}

          @Override
          public void picture(Item.PictureBox picture, Box box) {
            Size s = PageContent.whole(picture, box);
            seen.pictures().merge(key(picture.media(), s), s, Size::larger);
          }
        });
    return seen;
  }

  private void makeFonts(List<Inventory> seen, PdfFile file) throws IOException {
    var used = new LinkedHashMap<FontFace, UsedGlyphs>();
    for (Inventory i : seen) {
      i.glyphs()
          .forEach(
              (face, g) -> used.computeIfAbsent(face, f -> new UsedGlyphs()).noteAll(g.table()));
    }
    List<FontFace> faces = List.copyOf(used.keySet());
    List<FontInFile> made =
        all(
            IntStream.range(0, faces.size()).boxed().toList(),
            k -> {
              FontFace f = faces.get(k);
              try {
                return FontInFile.of(
                    f,
                    used.getOrDefault(f, new UsedGlyphs()).table(),
                    "F" + (k + 1),
                    choices.settings().fonts().of(f.family()),
                    choices.settings().conformance(),
                    level);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
    for (int k = 0; k < faces.size(); k++) {
      fonts.put(faces.get(k), made.get(k));
      var part = new FilePart(FilePart.Kind.FONT, faces.get(k).toString());
      made.get(k).dictionaries().values().forEach(d -> file.part(d, part));
    }
  }

  private void makePictures(List<Inventory> seen, PdfFile file) {
    var sizes = new LinkedHashMap<DrawnAs, Size>();
    for (Inventory i : seen) {
      i.pictures().forEach((k, s) -> sizes.merge(k, s, Size::larger));
    }
    var maker =
        new PictureMaker(choices.settings().compression(), choices.settings().conformance());
    var drawings = new DrawingForms(scratch, choices.settings().conformance(), level);
    List<DrawnAs> keys = List.copyOf(sizes.keySet());
    List<Optional<PictureInFile>> images =
        all(
            keys,
            k -> {
              Media m = publication.media().get(k.media());
              Size s = sizes.getOrDefault(k, new Size(1, 1));
              try {
                return m == null || k.proportion() > 0
                    ? Optional.<PictureInFile>empty()
                    : maker.image(m, s.width(), s.height());
              } catch (IOException | RuntimeException e) {
                Faults.mended("storing a picture", e);
                return Optional.<PictureInFile>empty(); // the page shows a blank in its place
              }
            });
    for (int k = 0; k < keys.size(); k++) {
      DrawnAs key = keys.get(k);
      Media m = publication.media().get(key.media());
      Optional<PictureInFile> made =
          m != null && key.proportion() > 0
              ? drawings.of(m, key.proportion(), sizes.getOrDefault(key, new Size(1, 1)).width())
              : images.get(k);
      made.ifPresent(
          p -> file.part(p.stream(), new FilePart(FilePart.Kind.PICTURE, key.media().sha256())));
      pictures.put(key, made);
    }
  }

  /** Drawings may look otherwise where they are stretched otherwise; images do not. */
  private DrawnAs key(MediaId id, Size size) {
    Media m = publication.media().get(id);
    return new DrawnAs(
        id,
        m != null && VectorPicture.isVector(m.type())
            ? Math.clamp(
                Math.round(DrawingForms.FORM * size.height() / size.width()),
                1,
                100 * DrawingForms.FORM)
            : 0);
  }

  // Pages.

  private record Finished(PageContent content, COSStream stream) {}

  private Finished content(PublishedPage page, boolean tagged) {
    var shelf =
        new PageContent.Resources() {
          @Override
          public GlyphEncoder font(FontFace face) {
            FontInFile f = fonts.get(face);
            if (f == null) {
              throw new IllegalStateException(face + " was not noted before");
            }
            return f;
          }

          @Override
          public Optional<PictureInFile> picture(MediaId media, PageContent.Size size) {
            return pictures.getOrDefault(key(media, size), Optional.empty());
          }
        };
    var content =
        new PageContent(page, shelf, tagged, choices.settings().conformance().takesFields());
    publication.walk(page, content);
    try {
      return new Finished(content, Deflated.stream(content.bytes(), level));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void assemble(COSDictionary catalog, List<Finished> written, PdfFile file)
      throws IOException {
    var leaves = new ArrayList<COSDictionary>();
    for (Finished f : written) {
      PublishedPage page = f.content().page();
      Optional<KeptPage> kept = publication.kept(page);
      if (kept.isPresent()) {
        COSDictionary asItIs = keptPages.page(kept.get());
        pageObjects.put(page.number(), asItIs);
        leaves.add(asItIs);
        continue;
      }
      file.part(f.stream(), FilePart.TEXT);
      COSDictionary d = PageDictionary.of(f.content(), f.stream(), fonts);
      pageObjects.put(page.number(), d);
      leaves.add(d);
    }
    keptPages.annotate(k -> publication.pageLike(k).map(p -> pageObjects.get(p.number())));
    catalog.setItem(COSName.PAGES, PageTree.of(leaves));
  }

  private void structure(
      COSDictionary catalog, List<Finished> written, boolean tagged, PdfFile file)
      throws IOException {
    var fields = new Fields(file, level);
    Optional<Structure> structure =
        tagged
            ? Optional.of(new Structure(publication.structure(), this::figureText))
            : Optional.empty();
    var annotations =
        new AnnotationWriter(publication, choices, file, fields, structure, this::destination);
    for (int k = 0; k < written.size(); k++) {
      PageContent content = written.get(k).content();
      COSDictionary page = pageObject(content.page());
      int number = k;
      Optional<KeptPage> kept = publication.kept(content.page());
      if (kept.isPresent()) {
        if (structure.isPresent()) {
          keptPages.tag(kept.get(), structure.get(), page, number, level);
        }
        continue;
      }
      structure.ifPresent(s -> {
        s.page(number, page, content.marks());
        content
            .figures()
            .forEach((figure, b) -> s.figureBox(number, figure, Numbers.box(b, content.page())));
      });
      annotations.page(content, page, number);
    }
    fields.write(catalog);
    structure.ifPresent(s -> {
      COSDictionary tree = s.write();
      file.part(tree, FilePart.STRUCTURE);
      catalog.setItem(COSName.STRUCT_TREE_ROOT, tree);
      COSDictionary marked = new COSDictionary();
      marked.setItem(COSName.getPDFName("Marked"), COSBoolean.TRUE);
      catalog.setItem(COSName.MARK_INFO, marked);
    });
  }

  /** Where every picture needs words, one without says that it has none. */
  private String figureText(NodeId block, int at) {
    figures++;
    String said = publication.figureText(block, at);
    return said.isEmpty() && choices.settings().conformance().accessible()
        ? "Picture " + figures + ", without a description"
        : said;
  }

  private COSDictionary pageObject(PublishedPage page) {
    return Optional.ofNullable(pageObjects.get(page.number()))
        .orElseThrow(() -> new IllegalStateException("page " + page.number() + " is missing"));
  }

  /**
   * A destination at the height of a block on its page (ISO 32000-2 §12.3.2.2), if that page is in
   * the file.
   */
  private Optional<COSArray> destination(NodeId block) {
    Optional<Publication.Place> place = publication.place(block);
    COSDictionary page = place.map(p -> pageObjects.get(p.page().number())).orElse(null);
    if (place.isEmpty() || page == null) {
      return Optional.empty();
    }
    double down = place.get().top();
    Optional<KeptPage> kept = publication.kept(place.get().page());
    COSArray d = new COSArray();
    d.add(page);
    d.add(COSName.getPDFName("XYZ"));
    d.add(COSInteger.ZERO);
    d.add(
        kept.map(k -> keptPages.height(k, down))
            .orElseGet(() -> Numbers.real(place.get().page().height() - down)));
    d.add(COSNull.NULL);
    return Optional.of(d);
  }
}
