package decant.publication;

import static org.assertj.core.api.Assertions.assertThat;

import decant.layout.item.Item;
import decant.layout.item.Item.Shown.Kind;
import decant.layout.item.Meaning;
import decant.model.AttachedFile;
import decant.model.Box;
import decant.model.Content;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.look.Colour;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.PdfWriter;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Glyphs;
import decant.text.JdkShaper;
import decant.text.Joins;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is no text document can be published as well, and is verified as strictly. */
class PublicationTest {
  @TempDir Path folder;

  /** Signs for berths, one a page and each of its own size, with a coloured band along the top. */
  private record Signs(List<String> words, List<NodeId> ids) implements Publication {
    static final FontFace FACE = FontBook.shipped().serve("", true, false).face();

    static Signs of(String... words) {
      return new Signs(
          List.of(words), IntStream.range(0, words.length).mapToObj(k -> NodeId.fresh()).toList());
    }

    private record Sign(int number, NodeId id) implements PublishedPage {
      @Override
      public int shown() {
        return number;
      }

      @Override
      public NumberFormat numbering() {
        return NumberFormat.UPPER_ROMAN;
      }

      @Override
      public double width() {
        return 200 + 100 * number;
      }

      @Override
      public double height() {
        return 150;
      }

      @Override
      public double textRight() {
        return width();
      }

      @Override
      public boolean beginsWith(NodeId block) {
        return block.equals(id);
      }
    }

    @Override
    public Content content() {
      throw new UnsupportedOperationException("signs are not revised");
    }

    @Override
    public boolean complete() {
      return true;
    }

    @Override
    public List<Sign> pages() {
      var out = new ArrayList<Sign>();
      for (int k = 0; k < words.size(); k++) {
        out.add(new Sign(k + 1, ids.get(k)));
      }
      return out;
    }

    @Override
    public void walk(PublishedPage page, PageSink sink) {
      sink.fill(new Box(0, 0, page.width(), 20), new Colour(0x1F5673));
      sink.begin(ids.get(page.number() - 1), PageSink.Role.BODY);
      sink.glyphs(run(words.get(page.number() - 1)), 30, 80);
      sink.end();
    }

    private static Item.GlyphRun run(String text) {
      Glyphs g = new JdkShaper().shape(FACE, text, false, Joins.ALL);
      double size = 24;
      float[] xs = new float[g.ids().length];
      for (int k = 0; k < xs.length; k++) {
        xs[k] = (float) (g.x()[k] * size / FACE.unitsPerEm());
      }
      return new Item.GlyphRun(
          FACE,
          size,
          Colour.BLACK,
          0,
          0,
          g.width() * size / FACE.unitsPerEm(),
          new Item.Placed(g.ids(), xs, g.y(), g.clusters(), false),
          new Item.Shown(Kind.TEXT, 0, text.length(), text),
          Meaning.NONE);
    }

    @Override
    public Map<MediaId, Media> media() {
      return Map.of();
    }

    @Override
    public Metadata metadata() {
      return new Metadata("Signs of the east pier", "", "", "", "en");
    }

    @Override
    public List<AttachedFile> attachments() {
      return List.of();
    }

    @Override
    public List<Outline.Heading> headings() {
      return IntStream.range(0, words.size())
          .mapToObj(k -> new Outline.Heading(ids.get(k), 1, words.get(k)))
          .toList();
    }

    @Override
    public Map<NodeId, String> labels() {
      return Map.of();
    }

    @Override
    public Map<String, NodeId> bookmarks() {
      return Map.of();
    }

    @Override
    public Optional<Place> place(NodeId block) {
      return pages().stream()
          .filter(p -> p.beginsWith(block))
          .findFirst()
          .map(p -> new Place(p, 56));
    }

    @Override
    public List<Sign> pagesOf(NodeId block) {
      return pages().stream().filter(p -> p.beginsWith(block)).toList();
    }

    @Override
    public String words(NodeId block) {
      return words.get(ids.indexOf(block));
    }

    @Override
    public String figureText(NodeId block, int at) {
      return "";
    }

    @Override
    public List<StructureNode> structure() {
      return ids.stream().<StructureNode>map(id -> new StructureNode.Text(id, 1)).toList();
    }
  }

  private Path published(Signs signs, PdfChoices choices) throws IOException {
    Path file = folder.resolve("signs.pdf");
    try (var out = Files.newOutputStream(file)) {
      PdfWriter.write(signs, choices, Optional.empty(), out, n -> {}, () -> false);
    } catch (decant.pdf.file.Encryption.Problem e) {
      throw new AssertionError(e);
    }
    return file;
  }

  private static PdfChoices all(Signs signs) {
    return PdfChoices.defaults(
        IntStream.range(0, signs.words().size()).boxed().toList(), signs.metadata());
  }

  /** Held against PDFBox. */
  @Test
  void isWrittenAsItIsShown() throws IOException {
    Signs signs = Signs.of("Berth 7", "No mooring", "Slip closed");
    Path file = published(signs, all(signs));
    assertThat(PdfVerifier.verify(file, signs, all(signs))).isNotEmpty().allMatch(Check::passed);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(new PDFTextStripper().getText(pdf).lines().toList())
          .containsExactlyElementsOf(signs.words());
      assertThat(pdf.getPage(1).getMediaBox().getWidth()).isEqualTo(400);
      var outline = pdf.getDocumentCatalog().getDocumentOutline();
      var titles = new ArrayList<String>();
      outline.children().forEach(i -> titles.add(i.getTitle()));
      assertThat(titles).isEqualTo(signs.words());
      assertThat(pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices())
          .containsExactly("I", "II", "III");
      assertThat(pdf.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
    }
  }

  @Test
  void isHeldAgainstWhatItWasMadeOf() throws IOException {
    Signs signs = Signs.of("Berth 7", "No mooring");
    Path file = published(signs, all(signs));
    for (Signs other :
        List.of(
            new Signs(List.of("Berth 8", "No mooring"), signs.ids()),
            new Signs(List.of("No mooring", "Berth 7"), signs.ids()))) {
      assertThat(PdfVerifier.verify(file, other, all(other)))
          .filteredOn(c -> !c.passed())
          .extracting(Check::name)
          .contains("Text", "Bookmarks");
    }
  }
}
