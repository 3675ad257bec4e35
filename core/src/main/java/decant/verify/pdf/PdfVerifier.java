package decant.verify.pdf;

import decant.model.AttachedFile;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Security;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import decant.verify.Check;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.jspecify.annotations.Nullable;

/** Verifies a published PDF. */
public final class PdfVerifier {
  private static final Words WORDS = Words.of(PdfVerifier.class);

  private final PDDocument pdf;
  private final Publication publication;
  private final PdfChoices choices;
  private final Expected expected;

  private PdfVerifier(PDDocument pdf, Publication publication, PdfChoices choices) {
    this.pdf = pdf;
    this.publication = publication;
    this.choices = choices;
    this.expected = new Expected(publication, choices, pdf);
  }

  /**
   * Opens the file again and holds it against the pages and the choices. A file that does not open
   * fails one check.
   */
  public static List<Check> verify(Path file, Publication publication, PdfChoices choices) {
    var out = new ArrayList<Check>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), password(choices))) {
      var v = new PdfVerifier(pdf, publication, choices);
      try (LooksCheck looks =
          LooksCheck.begin(file, password(choices), publication, choices, v.seen())) {
        v.all(looks, out);
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("verifying a PDF", e);
      return List.of(
          Check.of(
              WORDS.say("pdf-verifier.opens"),
              false,
              "",
              WORDS.say("pdf-verifier.the-file-does-not-open")));
    }
    if (choices.settings().security().protection() != Security.Protection.NONE) {
      out.add(ProtectionCheck.of(file, choices));
    }
    out.addAll(StandardCheck.of(file, choices));
    return out;
  }

  private void all(LooksCheck looks, List<Check> out) throws IOException {
    out.add(pages());
    if (publication.keepsPages()) {
      out.add(KeptCheck.of(pdf, publication, choices));
    }
    if (!publication.keepsAll()) {
      out.add(text());
    }
    out.add(bookmarks());
    if (!publication.keepsAll()) {
      out.add(LinkCheck.of(pdf, expected));
      out.add(fonts());
      out.add(pictures());
      looks.check(pdf).ifPresent(out::add);
      FieldCheck.of(pdf, expected).ifPresent(out::add);
      comments().ifPresent(out::add);
    }
    out.add(metadata());
    attachedFiles().ifPresent(out::add);
    OpeningCheck.of(pdf, choices).ifPresent(out::add);
  }

  private static String password(PdfChoices c) {
    return c.settings().security().askToChange()
        ? c.passwords().change()
        : c.settings().security().askToOpen() ? c.passwords().open() : "";
  }

  /** The pages with pictures or drawings, or with lines, that are not all kept as they were. */
  private LooksCheck.Seen seen() {
    if (publication.keepsAll()) {
      return LooksCheck.Seen.NOTHING;
    }
    int count = Math.min(choices.pages().size(), pdf.getNumberOfPages());
    return new LooksCheck.Seen(
        IntStream.range(0, count).filter(k -> expected.pictures(k).isDrawn()).boxed().toList(),
        IntStream.range(0, count).filter(k -> expected.pictures(k).isLined()).boxed().toList());
  }

  private Check pages() {
    int n = pdf.getNumberOfPages();
    int wanted = choices.pages().size();
    if (n != wanted) {
      return Check.of(
          WORDS.say("pdf-verifier.pages"),
          false,
          "",
          WORDS.say("pdf-verifier.pages-instead-of", n, wanted));
    }
    for (int k = 0; k < n; k++) {
      PublishedPage page = publication.pages().get(choices.pages().get(k));
      var box = pdf.getPage(k).getMediaBox();
      boolean same =
          expected.keeps(k)
              || Math.abs(box.getWidth() - page.width()) < 0.1
                  && Math.abs(box.getHeight() - page.height()) < 0.1;
      if (!same) {
        return Check.of(
            WORDS.say("pdf-verifier.pages"),
            false,
            "",
            WORDS.say("pdf-verifier.page-has-another-size", page.number()));
      }
    }
    return Check.of(
        WORDS.say("pdf-verifier.pages"), true, WORDS.count("pdf-verifier.each-in-its-size", n), "");
  }

  private Check text() throws IOException {
    var reader = new ShownText();
    for (int k = 0; k < choices.pages().size() && k < pdf.getNumberOfPages(); k++) {
      if (expected.keeps(k)) {
        continue;
      }
      PublishedPage page = publication.pages().get(choices.pages().get(k));
      Expected.PageText wanted = expected.text(page);
      String got = Expected.bare(reader.of(pdf.getPage(k)));
      boolean same =
          wanted.rightToLeft()
              ? Expected.sorted(got).equals(Expected.sorted(wanted.text()))
              : got.equals(wanted.text());
      if (!same) {
        return Check.of(
            WORDS.say("pdf-verifier.text"),
            false,
            "",
            WORDS.say("pdf-verifier.the-text-of-page-is", page.number()));
      }
    }
    return Check.of(
        WORDS.say("pdf-verifier.text"), true, WORDS.say("pdf-verifier.the-text-of-every-page"), "");
  }

  /** The notes, each with its words; empty if none should be there. */
  private Optional<Check> comments() throws IOException {
    if (expected.comments().isEmpty()) {
      return Optional.empty();
    }
    var got = new ArrayList<String>();
    for (int k : expected.made(pdf)) {
      pdf.getPage(k).getAnnotations().stream()
          .filter(a -> a instanceof PDAnnotationText)
          .map(a -> (PDAnnotationText) a)
          .forEach(a -> got.add(noted(a.getTitlePopup(), a.getContents())));
    }
    boolean same =
        got.size() == expected.comments().size()
            && expected.comments().stream()
                .allMatch(r -> got.contains(noted(r.author(), r.text())));
    return Optional.of(
        Check.of(
            WORDS.say("pdf-verifier.remarks"),
            same,
            WORDS.count("pdf-verifier.go-along", got.size()),
            WORDS.say("pdf-verifier.not-all-remarks-are-there")));
  }

  private static String noted(@Nullable String author, @Nullable String text) {
    return Objects.requireNonNullElse(author, "").strip()
        + ": "
        + Objects.requireNonNullElse(text, "").strip();
  }

  /** The files that go along, byte by byte; empty if none should. */
  private Optional<Check> attachedFiles() throws IOException {
    List<AttachedFile> wanted =
        choices.settings().conformance().takesFiles() ? publication.attachments() : List.of();
    if (wanted.isEmpty()) {
      return Optional.empty();
    }
    var names = pdf.getDocumentCatalog().getNames();
    var tree = names == null ? null : names.getEmbeddedFiles();
    Map<String, PDComplexFileSpecification> got =
        tree == null || tree.getNames() == null ? Map.of() : tree.getNames();
    for (AttachedFile f : wanted) {
      boolean there = false;
      for (PDComplexFileSpecification s : got.values()) {
        there |=
            f.name().equals(s.getFilename())
                && Arrays.equals(s.getEmbeddedFile().toByteArray(), f.bytes());
      }
      if (!there) {
        return Optional.of(
            Check.of(
                WORDS.say("pdf-verifier.attached-files"),
                false,
                "",
                WORDS.say("pdf-verifier.is-not-as-it-was", f.name())));
      }
    }
    String words = WORDS.count("pdf-verifier.files-go-along", wanted.size());
    return Optional.of(Check.of(WORDS.say("pdf-verifier.attached-files"), true, words, ""));
  }

  private Check bookmarks() {
    var got = new ArrayList<Expected.Bookmark>();
    PDOutlineNode root = pdf.getDocumentCatalog().getDocumentOutline();
    if (root != null) {
      collect(root, 0, got);
    }
    List<Expected.Bookmark> wanted = expected.bookmarks();
    String detail =
        WORDS.say("pdf-verifier.bookmarks-do-not-match-headings", got.size(), wanted.size());
    boolean same = got.size() == wanted.size();
    for (int k = 0; same && k < got.size(); k++) {
      same = got.get(k).leadsAs(wanted.get(k));
      if (!same) {
        detail = WORDS.say("pdf-verifier.does-not-lead-to-its", wanted.get(k).title());
      }
    }
    return Check.of(
        WORDS.say("pdf-verifier.bookmarks"),
        same,
        some("pdf-verifier.bookmarks-each-to-its-heading", wanted.size()),
        detail);
  }

  private void collect(PDOutlineNode node, int depth, List<Expected.Bookmark> out) {
    for (PDOutlineItem i = node.getFirstChild(); i != null; i = i.getNextSibling()) {
      COSArray to = i.getCOSObject().getCOSArray(COSName.DEST);
      int page = LinkCheck.pageOf(pdf, to);
      out.add(
          new Expected.Bookmark(i.getTitle(), depth, page, to == null ? 0 : fromLower(to, page)));
      collect(i, depth + 1, out);
    }
  }

  /** How high a destination lies above the lower edge of its page; 0 where that is left open. */
  private double fromLower(COSArray to, int page) {
    return expected.keeps(page) && to.getObject(3) instanceof COSNumber
        ? number(to, 3) - pdf.getPage(page).getCropBox().getLowerLeftY()
        : number(to, 3);
  }

  private static double number(COSArray a, int at) {
    return a.getObject(at) instanceof COSNumber n ? n.floatValue() : 0;
  }

  private Check fonts() throws IOException {
    return FontCheck.of(pdf, expected);
  }

  /** Each by its kind and place, and whole. A frame in place of one is none. */
  private Check pictures() throws IOException {
    String name = WORDS.say("pdf-verifier.pictures");
    int all = 0;
    for (int k = 0; k < choices.pages().size() && k < pdf.getNumberOfPages(); k++) {
      if (expected.keeps(k)) {
        continue;
      }
      List<PlacedPictures.Placed> wanted = expected.pictures(k).placed();
      List<PlacedPictures.Placed> got = PlacedPictures.on(pdf.getPage(k));
      int page = number(k);
      if (got.size() != wanted.size()) {
        return Check.of(
            name,
            false,
            "",
            WORDS.say("pdf-verifier.pictures-instead-of", page, got.size(), wanted.size()));
      }
      for (int p = 0; p < got.size(); p++) {
        if (!got.get(p).stands(wanted.get(p))) {
          return Check.of(
              name, false, "", WORDS.say("pdf-verifier.picture-stands-elsewhere", page));
        }
      }
      all += got.size();
    }
    Optional<Integer> damaged = ShownPictures.firstDamaged(pdf, expected.made(pdf));
    return Check.of(
        name,
        damaged.isEmpty(),
        some("pdf-verifier.shown", all),
        damaged.map(k -> WORDS.say("pdf-verifier.picture-damaged", number(k))).orElse(""));
  }

  private int number(int inFile) {
    return publication.pages().get(choices.pages().get(inFile)).number();
  }

  private Check metadata() throws IOException {
    PDDocumentInformation info = pdf.getDocumentInformation();
    var p = choices.metadata();
    boolean hasInfo =
        choices.settings().conformance().writtenVersion() != decant.pdf.choices.Version.V2_0;
    boolean same =
        !hasInfo
            || same(info.getTitle(), p.title())
                && same(info.getAuthor(), p.author())
                && same(info.getSubject(), p.subject())
                && same(info.getKeywords(), p.keywords());
    XmpFacts xmp = XmpFacts.of(pdf);
    boolean agrees =
        xmp.title().equals(squeezed(p.title()))
            && xmp.author().equals(squeezed(p.author()))
            && xmp.subject().equals(squeezed(p.subject()))
            && xmp.keywords().equals(squeezed(p.keywords()));
    return Check.of(
        WORDS.say("pdf-verifier.particulars"),
        same && agrees,
        WORDS.say("pdf-verifier.title-author-subject-and-keywords"),
        same
            ? WORDS.say("pdf-verifier.the-two-places-for-title")
            : WORDS.say("pdf-verifier.title-author-subject-or-keywords"));
  }

  static String squeezed(String s) {
    return s.replaceAll("\\s+", " ").strip();
  }

  private static boolean same(String got, String wanted) {
    return wanted.equals(Optional.ofNullable(got).orElse(""));
  }

  private static String some(String key, int n) {
    return n == 0 ? WORDS.say("pdf-verifier.none") : WORDS.count(key, n);
  }
}
