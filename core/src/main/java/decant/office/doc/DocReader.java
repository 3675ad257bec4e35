package decant.office.doc;

import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import decant.office.emit.NumberCodes;
import decant.office.source.SourceFile;
import decant.reading.ActiveContent;
import decant.reading.DocumentFindings;
import decant.reading.FontsUsed;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.Restriction;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.OldWordFileFormatException;
import org.apache.poi.hwpf.model.PlexOfCps;
import org.apache.poi.hwpf.model.SEPX;
import org.apache.poi.hwpf.usermodel.Bookmark;
import org.apache.poi.hwpf.usermodel.Range;
import org.apache.poi.hwpf.usermodel.SectionProperties;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** Reads DOC files. */
public final class DocReader {
  private static final Words WORDS = Words.of(DocReader.class);
  private static final double TWIPS = 20;

  /** The stories of a section, after six that are about notes ([MS-DOC] 2.3.3). */
  private static final Running[] STORIES = {
    Running.HEADER_EVEN,
    Running.HEADER,
    Running.FOOTER_EVEN,
    Running.FOOTER,
    Running.HEADER_FIRST,
    Running.FOOTER_FIRST
  };

  private static final int BEFORE_STORIES = 6;

  private final ReadRequest request;
  private final HWPFDocument file;
  private final DocShared shared;

  private DocReader(ReadRequest request, HWPFDocument file, DocHead head) {
    this.request = request;
    this.file = file;
    Typesetting plain = Typesetting.PLAIN;
    var looks = new DocLooks(file.getFontTable());
    var typesetting =
        new Typesetting(
            file.getDocProperties().getDxaTab() > 0
                ? file.getDocProperties().getDxaTab() / TWIPS
                : plain.tabDistance(),
            false,
            true,
            false,
            plain.footnotes(),
            plain.endnotes(),
            List.of());
    this.shared =
        new DocShared(file, head, looks, new DocStyles(file.getStyleSheet(), looks, typesetting));
  }

  /** Macros ([MS-DOC] 2.1.9) never run, and stay out. */
  private void programs(POIFSFileSystem packed) {
    if (packed.getRoot().hasEntry("Macros")) {
      shared.findings.add(ActiveContent.macrosLeftOut());
    }
  }

  /** Takes a file in. @throws ReadProblem if it is none, or too damaged to be one */
  public static TakenIn read(ReadRequest request) throws ReadProblem {
    try {
      Biff8EncryptionKey.setCurrentUserPassword(request.password().orElse(null));
      try (POIFSFileSystem packed = new POIFSFileSystem(request.file().toFile(), true);
          InputStream text = packed.createDocumentInputStream("WordDocument");
          HWPFDocument file = new HWPFDocument(packed)) {
        var reader = new DocReader(request, file, new DocHead(text.readAllBytes()));
        reader.programs(packed);
        return reader.run();
      } finally {
        Biff8EncryptionKey.setCurrentUserPassword(null);
      }
    } catch (OldWordFileFormatException e) {
      throw new ReadProblem(ReadProblem.Kind.NOT_SERVED, WORDS.say("doc-reader.older"), e);
    } catch (EncryptedDocumentException e) {
      if (request.password().isPresent()) {
        throw ReadProblem.wrongPassword();
      }
      throw new ReadProblem(ReadProblem.Kind.ENCRYPTED, WORDS.say("doc-reader.locked"), e);
    } catch (IOException | RuntimeException | StackOverflowError e) {
      // The library throws all kinds of things at damaged files.
      Faults.mended("reading a binary office document", e);
      throw new ReadProblem(ReadProblem.Kind.DAMAGED, WORDS.say("doc-reader.damaged"), e);
    }
  }

  private TakenIn run() throws ReadProblem {
    bookmarks();
    List<Section> sections = sections();
    Metadata metadata = metadata();
    if (shared.drawings.words().stream().anyMatch(this::isLeftOut)) {
      shared.findings.add(
          Finding.general(
              Finding.Kind.CONTENT_LEFT_OUT,
              Finding.Severity.LOSS,
              WORDS.say("doc-reader.text-boxes")));
    }
    Document d =
        Document.of(
            metadata,
            shared.styles.sheet(),
            shared.lists.lists(),
            sections,
            shared.stories,
            shared.media,
            request.password().isPresent()
                ? List.of() // locked: it is not given on as it is
                : SourceFile.of(DocFormat.ID, request));
    restrictions();
    FontBook fonts = ReadingFonts.of(List.of());
    shared.findings.addAll(DocumentFindings.of(d, fonts));
    SummaryInformation info = file.getSummaryInformation();
    return new TakenIn(
        d,
        shared.findings,
        new TakenIn.Origin(
            DocFormat.ID,
            info == null ? 0 : info.getPageCount(),
            properties(info),
            FontsUsed.of(d, fonts),
            Map.of(),
            List.of()));
  }

  /** Whether the words of a box stand nowhere. */
  private boolean isLeftOut(DocDrawings.Words w) {
    return !shared.boxesTold.contains(w.from())
        && !new Range(w.from(), w.to(), file).text().isBlank();
  }

  private void bookmarks() {
    for (int k = 0; k < file.getBookmarks().getBookmarksCount(); k++) {
      Bookmark b = file.getBookmarks().getBookmark(k);
      if (b.getName() != null && !b.getName().isBlank()) {
        shared.bookmarks.computeIfAbsent(b.getStart(), s -> new ArrayList<>()).add(b.getName());
      }
    }
  }

  private List<Section> sections() throws ReadProblem {
    Range all = file.getRange();
    List<SEPX> described = file.getSectionTable().getSections();
    var out = new ArrayList<Section>();
    var text = new DocText(shared, Optional.empty(), request::checkpoint);
    Map<Running, Story> running = new LinkedHashMap<>();
    for (int k = 0; k < Math.max(1, described.size()); k++) {
      SectionProperties p =
          k < described.size() ? described.get(k).getSectionProperties() : new SectionProperties();
      Range r =
          k < described.size()
              ? new Range(
                  described.get(k).getStart(),
                  Math.min(described.get(k).getEnd(), all.getEndOffset()),
                  file)
              : all;
      running(k, running);
      List<Block> blocks = text.blocks(r, 0);
      if (blocks.stream().noneMatch(b -> b instanceof Paragraph)) {
        blocks.add(Paragraph.of(Look.PLAIN, ""));
      }
      out.add(
          new Section(
              NodeId.fresh(),
              page(p),
              switch (p.getBkc()) {
                case 0, 1 -> Section.Start.CONTINUOUS;
                case 3 -> Section.Start.EVEN_PAGE;
                case 4 -> Section.Start.ODD_PAGE;
                default -> Section.Start.NEW_PAGE;
              },
              used(running, p.getFTitlePage()),
              blocks));
    }
    return out;
  }

  /**
   * The texts that a section uses: those for a first page, and for even ones, only if it has such.
   */
  private Map<Running, Story> used(Map<Running, Story> all, boolean titlePage) {
    var out = new LinkedHashMap<>(all);
    if (titlePage) {
      out.computeIfAbsent(Running.HEADER_FIRST, r -> empty());
      out.computeIfAbsent(Running.FOOTER_FIRST, r -> empty());
    } else {
      out.remove(Running.HEADER_FIRST);
      out.remove(Running.FOOTER_FIRST);
    }
    if (!file.getDocProperties().isFFacingPages()) {
      out.remove(Running.HEADER_EVEN);
      out.remove(Running.FOOTER_EVEN);
    }
    return out;
  }

  private static Story empty() {
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of());
  }

  /** The headers and footers of a section; one that is empty is that of the section before. */
  private void running(int section, Map<Running, Story> running) throws ReadProblem {
    var fib = file.getFileInformationBlock();
    if (fib.getPlcfHddSize() == 0) {
      return;
    }
    var plex =
        new PlexOfCps(file.getTableStream(), fib.getPlcfHddOffset(), fib.getPlcfHddSize(), 0);
    Range stories = file.getHeaderStoryRange();
    for (int k = 0; k < STORIES.length; k++) {
      int at = BEFORE_STORIES + section * STORIES.length + k;
      if (at >= plex.length()) {
        return;
      }
      int from = stories.getStartOffset() + plex.getProperty(at).getStart();
      int to = stories.getStartOffset() + plex.getProperty(at).getEnd();
      // A story ends with a mark of its own, which is no part of it.
      if (to - 1 > from && to <= stories.getEndOffset()) {
        List<Block> blocks =
            new DocText(shared, Optional.empty(), request::checkpoint)
                .blocks(new Range(from, to - 1, file), 0);
        running.put(STORIES[k], new Story(NodeId.fresh(), Story.Kind.RUNNING, blocks));
      }
    }
  }

  private static PageSetup page(SectionProperties p) {
    PageSetup a4 = PageSetup.A4;
    double width = p.getXaPage() > 2000 ? p.getXaPage() / TWIPS : a4.width();
    double height = p.getYaPage() > 2000 ? p.getYaPage() / TWIPS : a4.height();
    double gutter = p.getDzaGutter() / TWIPS;
    int count = Math.clamp(p.getCcolM1() + 1, 1, 45);
    return new PageSetup(
        width,
        height,
        new PageSetup.Margins(
            Math.abs(p.getDyaTop() / TWIPS),
            p.getDxaRight() / TWIPS,
            Math.abs(p.getDyaBottom() / TWIPS),
            p.getDxaLeft() / TWIPS + gutter,
            p.getDyaHdrTop() / TWIPS,
            p.getDyaHdrBottom() / TWIPS),
        Columns.equal(count, p.getDxaColumns() / TWIPS, p.getFLBetween()),
        new PageNumbers(
            p.getFPgnRestart() ? Optional.of(p.getPgnStart()) : Optional.empty(),
            NumberCodes.format(p.getNfcPgn())),
        PageSetup.Borders.NONE,
        Colour.WHITE,
        switch (p.getVjc()) {
          case 1 -> VerticalAlignment.CENTRE;
          case 3 -> VerticalAlignment.BOTTOM;
          default -> VerticalAlignment.TOP;
        },
        p.getClm() != 0 && p.getDyaLinePitch() > 20 && p.getDyaLinePitch() < 4000
            ? p.getDyaLinePitch() / TWIPS
            : 0);
  }

  private Metadata metadata() {
    SummaryInformation info = file.getSummaryInformation();
    String language = shared.styles.sheet().textBase(Look.PLAIN).value(TextTraits.LANGUAGE);
    return info == null
        ? new Metadata("", "", "", "", language)
        : new Metadata(
                said(info.getTitle()),
                said(info.getSubject()),
                said(info.getAuthor()),
                said(info.getKeywords()),
                language)
            .clean();
  }

  private static String said(@org.jspecify.annotations.Nullable String s) {
    return s == null ? "" : s;
  }

  private static Map<String, String> properties(
      @org.jspecify.annotations.Nullable SummaryInformation info) {
    var out = new LinkedHashMap<String, String>();
    if (info != null) {
      out.put("title", said(info.getTitle()));
      out.put("author", said(info.getAuthor()));
      out.put("application", said(info.getApplicationName()));
      out.put("comments", said(info.getComments()));
      out.values().removeIf(String::isBlank);
    }
    return out;
  }

  /** [MS-DOC] 2.5.2 (FibBase) and 2.7.2 (DopBase). */
  private void restrictions() {
    var head = file.getFileInformationBlock().getFibBase();
    if (head.isFReadOnlyRecommended()) {
      shared.findings.add(Restriction.READING_RECOMMENDED.finding());
    }
    if (head.isFWriteReservation()) {
      shared.findings.add(Restriction.WRITING_RESERVED.finding());
    }
    var whole = file.getDocProperties();
    if (whole.isFProtEnabled()) {
      shared.findings.add(Restriction.FORMS_ONLY.finding());
    } else if (whole.isFLockAtn()) {
      shared.findings.add(Restriction.COMMENTS_ONLY.finding());
    } else if (whole.isFLockRev()) {
      shared.findings.add(Restriction.TRACKED_ONLY.finding());
    }
  }
}
