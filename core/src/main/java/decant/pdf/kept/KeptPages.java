package decant.pdf.kept;

import decant.layout.label.ListLabels;
import decant.model.AttachedFile;
import decant.model.Content;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Pinned;
import decant.model.finding.Finding.SourcePlace;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Media;
import decant.model.look.MediaId;
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
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
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

  /** Pages that are pinned have files of their own: they may have been changed where they stand. */
  private final Map<Integer, Pinned> pinned = new HashMap<>();

  /** A page of the file, as wide and high as it is shown. */
  private record Sheet(int number, double width, double height) implements PublishedPage {
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
    document.sections().stream()
        .flatMap(s -> s.pinned().stream())
        .forEach(p -> pinned.put(p.page(), p));
  }

  /**
   * @param document what the file was taken in as
   * @param places where its blocks stand in the file
   * @throws IOException if the file cannot be read
   */
  public static KeptPages of(
      Path file, String password, Document document, Map<NodeId, SourcePlace> places)
      throws IOException {
    var sheets = new ArrayList<Sheet>();
    var leftOut = new ArrayList<String>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), password)) {
      if (!pdf.getSignatureDictionaries().isEmpty()) {
        leftOut.add(WORDS.say("kept-pages.signatures"));
      }
      int n = 1;
      for (PDPage p : pdf.getPages()) {
        double width = p.getCropBox().getWidth();
        double height = p.getCropBox().getHeight();
        boolean turned = p.getRotation() % 180 != 0;
        sheets.add(new Sheet(n++, turned ? height : width, turned ? width : height));
        for (PDAnnotation a : p.getAnnotations()) {
          String kind = Objects.requireNonNullElse(a.getSubtype(), "");
          if (!goesOut(kind)) {
            leftOut.add(WORDS.say("kept-pages.stays-behind", n - 1, kind));
          }
        }
      }
    }
    return new KeptPages(document, places, sheets, file, password, leftOut);
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
    int index = page.number() - 1;
    Pinned own = pinned.get(index);
    KeptPage.Source from =
        own == null ? new KeptPage.InFile(file, password) : new KeptPage.InMemory(own.file());
    return Optional.of(new KeptPage(from, index, Map.of()));
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
    return Optional.ofNullable(places.get(block))
        .map(SourcePlace::page)
        .filter(p -> p >= 0 && p < sheets.size())
        .map(sheets::get);
  }

  @Override
  public Optional<? extends PublishedPage> pageLike(int sourcePage) {
    return sourcePage >= 0 && sourcePage < sheets.size()
        ? Optional.of(sheets.get(sourcePage))
        : Optional.empty();
  }

  @Override
  public Optional<Place> place(NodeId block) {
    SourcePlace at = places.get(block);
    return at == null ? Optional.empty() : sheet(block).map(s -> new Place(s, at.box().y()));
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
