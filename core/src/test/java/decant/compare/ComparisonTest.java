package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.layout.Layouter;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Documents against copies in which one thing was changed, and which thing is known. */
class ComparisonTest {
  private static final String[] WORDS =
      ("berth mooring quay harbour vessel owner winter storage charge notice tide gauge pontoon"
              + " ladder fender register office season metre depth insurance power water visitor")
          .split(" ");

  private static List<Difference> compared(Document a, Document b) {
    return Comparison.of(edition(a), edition(b));
  }

  private static Edition edition(Document d) {
    return EditionReader.of(d, new Layouter(FontBook.shipped()).layout(d));
  }

  private static Media picture(int seed) {
    var image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    var random = new Random(seed);
    for (int k = 0; k < 12; k++) {
      g.setColor(new Color(random.nextInt(0xFFFFFF)));
      g.fillRect(random.nextInt(50), random.nextInt(30), 20, 15);
    }
    g.dispose();
    try (var out = new ByteArrayOutputStream()) {
      ImageIO.write(image, "png", out);
      return Media.of("image/png", out.toByteArray());
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static String words(Random random, int n) {
    var b = new StringBuilder();
    for (int k = 0; k < n; k++) {
      b.append(k == 0 ? "" : " ").append(WORDS[random.nextInt(WORDS.length)]);
    }
    return b.toString();
  }

  /** Some chapters of prose, a table and a picture in each. */
  private static Document document(long seed) {
    var random = new Random(seed);
    var blocks = new ArrayList<Block>();
    var media = new LinkedHashMap<MediaId, Media>();
    for (int chapter = 0; chapter < 4; chapter++) {
      blocks.add(Samples.heading(1, "Part " + chapter + " " + words(random, 2)));
      for (int p = 0; p < 5; p++) {
        blocks.add(Paragraph.of(Look.PLAIN, words(random, 20 + random.nextInt(40)) + "."));
      }
      blocks.add(table(random));
      Media m = picture(random.nextInt());
      media.put(m.id(), m);
      blocks.add(
          Paragraph.of(Look.PLAIN, "")
              .withInlines(List.of(new Inline.Picture(m.id(), 120, 80, "", Look.PLAIN))));
    }
    Document d = Document.of(Samples.styles(), blocks);
    for (Media m : media.values()) {
      d = d.withMedia(m);
    }
    return d;
  }

  private static Table table(Random random) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < 4; r++) {
      var cells = new ArrayList<Cell>();
      for (int c = 0; c < 3; c++) {
        cells.add(
            new Cell(
                NodeId.fresh(),
                1,
                1,
                Look.PLAIN,
                List.of(Paragraph.of(Look.PLAIN, words(random, 1 + random.nextInt(4))))));
      }
      rows.add(new Table.Row(Look.PLAIN, cells));
    }
    return new Table(NodeId.fresh(), Look.PLAIN, List.of(100.0, 100.0, 100.0), rows);
  }

  private static List<Block> blocks(Document d) {
    return d.sections().getFirst().blocks();
  }

  private static Document with(Document d, List<Block> blocks) {
    return d.withSections(List.of(d.sections().getFirst().withBlocks(blocks)));
  }

  private static int prose(Document d, Random random) {
    List<Block> all = blocks(d);
    while (true) {
      int k = random.nextInt(all.size());
      if (all.get(k) instanceof Paragraph p && p.text().length() > 80) {
        return k;
      }
    }
  }

  private static Document replaced(Document d, int at, Block by) {
    var all = new ArrayList<>(blocks(d));
    all.set(at, by);
    return with(d, all);
  }

  @Test
  void aDocumentIsLikeItself() {
    for (int seed = 0; seed < 20; seed++) {
      assertThat(compared(document(seed), document(seed))).isEmpty();
    }
  }

  /**
   * Words come, go and change at several places of a paragraph, as java-diff-utils tells them too
   * (Myers' algorithm): as many places, with the same words on either side.
   */
  @Test
  void wordsDifferAsAnotherLibraryTellsThem() {
    int places = 0;
    for (int seed = 0; seed < 200; seed++) {
      var random = new Random(seed);
      // Every word once, so that there is one way to tell what became of it.
      List<String> was = new ArrayList<>(List.of(WORDS));
      java.util.Collections.shuffle(was, random);
      List<String> is = new ArrayList<>(was);
      int edits = 1 + random.nextInt(3);
      for (int e = 0; e < edits; e++) {
        int at = random.nextInt(is.size());
        switch (random.nextInt(3)) {
          case 0 -> is.set(at, "lighthouse" + e);
          case 1 -> is.add(at, "lantern" + e);
          default -> is.remove(at);
        }
      }
      List<String> ours =
          compared(
                  Samples.document(Samples.paragraph(String.join(" ", was))),
                  Samples.document(Samples.paragraph(String.join(" ", is))))
              .stream()
              .map(d -> said(d.a()) + "|" + said(d.b()))
              .toList();
      List<String> theirs =
          com.github.difflib.DiffUtils.diff(was, is).getDeltas().stream()
              .map(d ->
                  String.join(" ", d.getSource().getLines())
                      + "|"
                      + String.join(" ", d.getTarget().getLines()))
              .toList();
      assertThat(ours).as("seed %d", seed).isEqualTo(theirs);
      places += theirs.size();
    }
    assertThat(places).isGreaterThan(300);
  }

  private static String said(java.util.Optional<Difference.Side> side) {
    return side.map(Difference.Side::text).orElse("");
  }

  @Test
  void everyWordThatIsChangedIsListed() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      Document a = document(seed % 20);
      int at = prose(a, random);
      String[] words = ((Paragraph) blocks(a).get(at)).text().split(" ");
      int k = random.nextInt(words.length);
      String was = words[k];
      words[k] = "lighthouse";
      Document b = replaced(a, at, Paragraph.of(Look.PLAIN, String.join(" ", words)));
      assertThat(compared(a, b))
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.TEXT);
            assertThat(d.change()).isEqualTo(Change.CHANGED);
            assertThat(d.a().orElseThrow().text()).isEqualTo(was);
            assertThat(d.b().orElseThrow().text()).isEqualTo("lighthouse");
            assertThat(d.a().orElseThrow().page()).isPositive();
          });
    }
  }

  @Test
  void wordsThatComeAndGoAreListedOnTheSideWhereTheyAre() {
    for (int seed = 0; seed < 50; seed++) {
      var random = new Random(seed);
      Document a = document(seed % 20);
      int at = prose(a, random);
      var words = new ArrayList<>(List.of(((Paragraph) blocks(a).get(at)).text().split(" ")));
      words.add(random.nextInt(words.size()), "lighthouse");
      Document b = replaced(a, at, Paragraph.of(Look.PLAIN, String.join(" ", words)));
      assertThat(compared(a, b))
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.TEXT);
            assertThat(d.change()).isEqualTo(Change.ADDED);
            assertThat(d.a()).isEmpty();
            assertThat(d.b().orElseThrow().text()).isEqualTo("lighthouse");
          });
      assertThat(compared(b, a))
          .singleElement()
          .satisfies(d -> assertThat(d.change()).isEqualTo(Change.REMOVED));
    }
  }

  @Test
  void everyLookThatIsChangedIsListed() {
    List<Look> looks =
        List.of(
            Look.of(TextTraits.BOLD, true),
            Look.of(TextTraits.ITALIC, true),
            Look.of(TextTraits.SIZE, 14.0),
            Look.of(TextTraits.FAMILY, "Liberation Sans"),
            Look.of(TextTraits.UNDERLINE, true),
            Look.of(TextTraits.COLOUR, new decant.model.look.Colour(0x883300)));
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      Document a = document(seed % 20);
      int at = prose(a, random);
      Paragraph p = (Paragraph) blocks(a).get(at);
      String text = p.text();
      int from = text.indexOf(' ', random.nextInt(text.length() / 2)) + 1;
      int to = text.indexOf(' ', from + 8);
      Paragraph other =
          p.withInlines(
              List.of(
                  new Inline.Text(text.substring(0, from), Look.PLAIN),
                  new Inline.Text(text.substring(from, to), looks.get(seed % looks.size())),
                  new Inline.Text(text.substring(to), Look.PLAIN)));
      assertThat(compared(a, replaced(a, at, other)))
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.LOOK);
            assertThat(d.change()).isEqualTo(Change.CHANGED);
            assertThat(d.b().orElseThrow().text()).isEqualTo(text.substring(from, to));
          });
    }
  }

  @Test
  void everyParagraphThatMovedIsListedOnce() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      Document a = document(seed % 20);
      var all = new ArrayList<>(blocks(a));
      int from = prose(a, random);
      Block moved = all.remove(from);
      int to = prose(with(a, all), random);
      while (to == from) {
        to = prose(with(a, all), random);
      }
      all.add(to, moved);
      List<Difference> found = compared(a, with(a, all));
      assertThat(found)
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.TEXT);
            assertThat(d.change()).isEqualTo(Change.MOVED);
          });
    }
  }

  @Test
  void aChapterThatMovedIsOneDifference() {
    Document a = document(3);
    var all = new ArrayList<>(blocks(a));
    List<Block> chapter = List.copyOf(all.subList(0, 8));
    all.subList(0, 8).clear();
    all.addAll(16, chapter);
    assertThat(compared(a, with(a, all)))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.change()).isEqualTo(Change.MOVED);
          assertThat(d.a().orElseThrow().text()).startsWith("Part 0");
        });
  }

  @Test
  void everyCellThatIsChangedIsListed() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      Document a = document(seed % 20);
      List<Block> all = blocks(a);
      int at = random.nextInt(all.size());
      while (!(all.get(at) instanceof Table)) {
        at = random.nextInt(all.size());
      }
      Table t = (Table) all.get(at);
      var rows = new ArrayList<>(t.rows());
      int r = random.nextInt(rows.size());
      var cells = new ArrayList<>(rows.get(r).cells());
      int c = random.nextInt(cells.size());
      String was = ((Paragraph) cells.get(c).blocks().getFirst()).text();
      cells.set(c, cells.get(c).withBlocks(List.of(Paragraph.of(Look.PLAIN, "12 metres"))));
      rows.set(r, new Table.Row(Look.PLAIN, cells));
      assertThat(compared(a, replaced(a, at, t.withRows(rows))))
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.TABLE);
            assertThat(d.change()).isEqualTo(Change.CHANGED);
            assertThat(d.a().orElseThrow().text()).isEqualTo(was);
            assertThat(d.b().orElseThrow().text()).isEqualTo("12 metres");
          });
    }
  }

  @Test
  void rowsThatComeAndGoAreListed() {
    Document a = document(1);
    int at = 6;
    Table t = (Table) blocks(a).get(at);
    var rows = new ArrayList<>(t.rows());
    Table.Row gone = rows.remove(2);
    assertThat(compared(a, replaced(a, at, t.withRows(rows))))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.kind()).isEqualTo(Kind.TABLE);
          assertThat(d.change()).isEqualTo(Change.REMOVED);
          assertThat(d.a().orElseThrow().text())
              .contains(((Paragraph) gone.cells().getFirst().blocks().getFirst()).text());
        });
  }

  @Test
  void everyPictureThatIsChangedIsListed() {
    for (int seed = 0; seed < 60; seed++) {
      Document a = document(seed % 20);
      int at = 7 + 8 * (seed % 4);
      Paragraph p = (Paragraph) blocks(a).get(at);
      Inline.Picture was = (Inline.Picture) p.inlines().getFirst();
      Media other = picture(1000 + seed);
      Inline.Picture is =
          switch (seed % 3) {
            case 0 -> new Inline.Picture(other.id(), 120, 80, "", Look.PLAIN);
            case 1 -> new Inline.Picture(was.media(), 90, 60, "", Look.PLAIN);
            default -> null;
          };
      Document b =
          replaced(a.withMedia(other), at, p.withInlines(is == null ? List.of() : List.of(is)));
      assertThat(compared(a, b))
          .singleElement()
          .satisfies(d -> {
            assertThat(d.kind()).isEqualTo(Kind.PICTURE);
            assertThat(d.change()).isEqualTo(is == null ? Change.REMOVED : Change.CHANGED);
          });
    }
  }

  @Test
  void aHeadingOfAnotherLevelIsListed() {
    Document a = document(2);
    Paragraph h = (Paragraph) blocks(a).getFirst();
    Document b = replaced(a, 0, h.withLook(h.look().with(ParagraphTraits.HEADING_LEVEL, 2)));
    assertThat(compared(a, b))
        .singleElement()
        .satisfies(d -> assertThat(d.kind()).isEqualTo(Kind.HEADING));
  }

  @Test
  void aPageThatIsBegunIsListedWithWhatItBeginsWith() {
    Look broken = Look.of(ParagraphTraits.PAGE_BREAK_BEFORE, true);
    Document a =
        Samples.document(
            Samples.paragraph("Berths."), Samples.paragraph("Charges."), Samples.paragraph("Z."));
    Document b =
        Samples.document(
            Samples.paragraph("Berths."),
            Paragraph.of(broken, "Charges."),
            Samples.paragraph("Z."));
    Document c =
        Samples.document(
            Samples.paragraph("Berths."), Samples.paragraph("Charges.\f"), Samples.paragraph("Z."));
    assertThat(breaks(a, b)).containsExactly("ADDED Charges.");
    assertThat(breaks(b, a)).containsExactly("REMOVED Charges.");
    assertThat(breaks(b, c)).containsExactly("ADDED Z.", "REMOVED Charges.");
    assertThat(breaks(b, b)).isEmpty();
    // A break within its paragraph and one before it are the same to a reader.
    Document d =
        Samples.document(
            Samples.paragraph("Berths."), Samples.paragraph("\fCharges."), Samples.paragraph("Z."));
    assertThat(breaks(b, d)).isEmpty();
  }

  private static List<String> breaks(Document a, Document b) {
    return compared(a, b).stream()
        .filter(x -> x.kind() == Difference.Kind.PAGE && x.change() != Difference.Change.CHANGED)
        .map(x -> x.change() + " " + x.b().or(x::a).orElseThrow().text())
        .sorted()
        .toList();
  }

  @Test
  void paragraphsThatArePartedOtherwiseSayTheSame() {
    Document a = document(4);
    var all = new ArrayList<>(blocks(a));
    String text = ((Paragraph) all.get(2)).text();
    int at = text.indexOf(' ', text.length() / 2);
    all.set(2, Paragraph.of(Look.PLAIN, text.substring(0, at)));
    all.add(3, Paragraph.of(Look.PLAIN, text.substring(at + 1)));
    assertThat(compared(a, with(a, all))).isEmpty();
  }
}
