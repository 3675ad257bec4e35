package decant.pdf.kept;

import decant.layout.label.ListLabels;
import decant.model.AttachedFile;
import decant.model.Box;
import decant.model.Content;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.finding.Finding.SourcePlace;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.open.SourceParser;
import decant.publication.KeptPage;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import decant.publication.StructureNode;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;

/** All pages of a PDF as they are. Its headings, where they were found, become bookmarks. */
public final class KeptPages implements Publication {
  private static final Words WORDS = Words.of(KeptPages.class);

  private final Document document;
  private final Map<NodeId, SourcePlace> places;
  private final List<Sheet> sheets;
  private final Path file;
  private final String password;
  private final List<String> leftOut;
  private final Map<Integer, Sheet> byIndex = new HashMap<>();

  /**
   * A page as wide and high as it is shown.
   *
   * @param index its number in the file, from 0
   * @param own the page that the document has in its place
   */
  private record Sheet(int number, double width, double height, int index, Optional<Pinned> own)
      implements PublishedPage {
    @Override
    public int shown() {
      return number;
    }

    @Override
    public NumberFormat numbering() {
      return NumberFormat.DECIMAL;
    }

    @Override
    public double textRight() {
      return width;
    }

    @Override
    public boolean beginsWith(NodeId block) {
      return false;
    }
  }

  private KeptPages(
      Document document,
      Map<NodeId, SourcePlace> places,
      List<Sheet> sheets,
      Path file,
      String password,
      List<String> leftOut) {
    this.leftOut = List.copyOf(leftOut);
    this.document = document;
    this.places = places;
    this.sheets = sheets;
    this.file = file;
    this.password = password;
    sheets.forEach(s -> byIndex.put(s.index(), s));
  }

  /**
   * The pages in the order of the document where all of them are pinned and the person has given
   * it; else in that of the file. Pinned ones have files of their own: they may have been changed
   * where they stand.
   *
   * @param document what the file was taken in as
   * @param places where its blocks stand in the file
   * @throws IOException if the file cannot be read
   */
  public static KeptPages of(
      Path file, String password, Document document, Map<NodeId, SourcePlace> places)
      throws IOException {
    var sheets = new ArrayList<Sheet>();
    var leftOut = new ArrayList<String>();
    try (PDDocument pdf = SourceParser.open(file, password)) {
      if (!pdf.getSignatureDictionaries().isEmpty()) {
        leftOut.add(WORDS.say("kept-pages.signatures"));
      }
      Map<Integer, Section> pinned = new LinkedHashMap<>();
      document.sections().stream()
          .filter(s -> s.pinned().isPresent())
          .forEach(s -> pinned.put(s.pinned().get().page(), s));
      int all = pdf.getNumberOfPages();
      boolean given = Pinned.areOrdered(document.sections());
      boolean free = pinned.size() == document.sections().size();
      List<Integer> order =
          given && free ? List.copyOf(pinned.keySet()) : IntStream.range(0, all).boxed().toList();
      if (given && !free) {
        leftOut.add(WORDS.say("kept-pages.order"));
      }
      for (int index : order) {
        sheets.add(
            pinned.containsKey(index)
                ? sheet(sheets.size() + 1, pinned.get(index))
                : sheet(sheets.size() + 1, pdf.getPage(index), index));
        if (index < all) {
          leftOut.addAll(stayingBehind(pdf.getPage(index), sheets.size()));
        }
      }
    }
    return new KeptPages(document, places, sheets, file, password, leftOut);
  }

  private static Sheet sheet(int number, Section s) {
    int index = s.pinned().orElseThrow().page();
    return new Sheet(number, s.page().width(), s.page().height(), index, s.pinned());
  }

  private static Sheet sheet(int number, PDPage p, int index) {
    double width = p.getCropBox().getWidth();
    double height = p.getCropBox().getHeight();
    boolean turned = p.getRotation() % 180 != 0;
    return new Sheet(
        number, turned ? height : width, turned ? width : height, index, Optional.empty());
  }

  private static List<String> stayingBehind(PDPage page, int number) throws IOException {
    var out = new ArrayList<String>();
    for (PDAnnotation a : page.getAnnotations()) {
      String kind = Objects.requireNonNullElse(a.getSubtype(), "");
      if (!goesOut(kind)) {
        out.add(WORDS.say("kept-pages.stays-behind", number, kind));
      }
    }
    return out;
  }

  /** The kinds of what stands on pages that go out with them (ISO 32000-2 table 171). */
  private static final Set<String> GOING =
      Set.of(
          "Link",
          "Text",
          "FreeText",
          "Line",
          "Square",
          "Circle",
          "Polygon",
          "PolyLine",
          "Highlight",
          "Underline",
          "Squiggly",
          "StrikeOut",
          "Caret",
          "Stamp",
          "Ink",
          "Popup",
          "Widget",
          "Watermark",
          "Redact");

  /** Whether an annotation of a kind goes out; what plays, runs or brings files does not. */
  public static boolean goesOut(String kind) {
    return GOING.contains(kind);
  }

  /** What stands on pages and stays behind, in the person's words. */
  public List<String> leftOut() {
    return leftOut;
  }

  @Override
  public Content content() {
    return document;
  }

  @Override
  public boolean complete() {
    return true;
  }

  @Override
  public List<? extends PublishedPage> pages() {
    return sheets;
  }

  @Override
  public void walk(PublishedPage page, PageSink sink) {}

  @Override
  public Optional<KeptPage> kept(PublishedPage page) {
    Sheet s = sheets.get(page.number() - 1);
    KeptPage.Source from =
        s.own()
            .<KeptPage.Source>map(p -> new KeptPage.InMemory(p.file()))
            .orElseGet(() -> new KeptPage.InFile(file, password));
    return Optional.of(new KeptPage(from, s.index(), Map.of()));
  }

  @Override
  public Map<MediaId, Media> media() {
    return Map.of();
  }

  @Override
  public Metadata metadata() {
    return document.metadata();
  }

  @Override
  public List<AttachedFile> attachments() {
    return document.attachments();
  }

  @Override
  public List<Outline.Heading> headings() {
    return Outline.headings(document).stream()
        .filter(h -> sheet(h.paragraph()).isPresent())
        .toList();
  }

  @Override
  public Map<NodeId, String> labels() {
    return ListLabels.of(document);
  }

  @Override
  public Map<String, NodeId> bookmarks() {
    return Map.of(); // links go out as the pages have them
  }

  private Optional<Sheet> sheet(NodeId block) {
    return document
        .sectionOf(block)
        .flatMap(Section::pinned)
        .map(Pinned::page)
        .or(() -> Optional.ofNullable(places.get(block)).map(SourcePlace::page))
        .map(byIndex::get);
  }

  @Override
  public Optional<? extends PublishedPage> pageLike(int sourcePage) {
    return Optional.ofNullable(byIndex.get(sourcePage));
  }

  @Override
  public Optional<Place> place(NodeId block) {
    return sheet(block).flatMap(s -> top(s, block).map(y -> new Place(s, y)));
  }

  private Optional<Double> top(Sheet s, NodeId block) {
    return s.own()
        .map(p -> p.places().get(block))
        .map(Box::y)
        .or(() -> Optional.ofNullable(places.get(block)).map(p -> p.box().y()));
  }

  @Override
  public List<? extends PublishedPage> pagesOf(NodeId block) {
    return sheet(block).map(List::of).orElse(List.of());
  }

  @Override
  public String words(NodeId block) {
    return "";
  }

  @Override
  public String figureText(NodeId block, int at) {
    return "";
  }

  @Override
  public List<StructureNode> structure() {
    return List.of();
  }
}
