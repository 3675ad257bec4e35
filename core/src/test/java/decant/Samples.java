package decant;

import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.edit.HeadingStyles;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.pending.Pending;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.Encryption;
import decant.pdf.write.PdfWriter;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.text.FontBook;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Documents for tests. */
public final class Samples {
  /** The demo data at the root of the project. */
  public static final Path DEMO = Path.of("..", "demo").toAbsolutePath().normalize();

  public static final String PROSE =
      "Lines must be doubled when the tide gauge at the east stairs stands above four metres or a gale is forecast. ";

  private Samples() {}

  /** A layout as a PDF. */
  public static byte[] pdf(Layout l, PdfChoices choices) {
    var out = new ByteArrayOutputStream();
    try {
      PdfWriter.write(l, choices, Optional.empty(), out, n -> {}, () -> false);
    } catch (IOException | Encryption.Problem e) {
      throw new AssertionError(e);
    }
    return out.toByteArray();
  }

  /** The usual choices for all pages. */
  public static PdfChoices choices(Layout l) {
    return PdfChoices.defaults(
        IntStream.range(0, l.pages().size()).boxed().toList(), l.document().metadata());
  }

  public static StyleSheet styles() {
    var sheet =
        new StyleSheet(
            Look.of(ParagraphTraits.SPACE_AFTER, 6.0),
            Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 11.0),
            "",
            Map.of());
    return HeadingStyles.ensure(HeadingStyles.ensure(HeadingStyles.ensure(sheet, 1), 2), 3);
  }

  public static Paragraph paragraph(String text) {
    return Paragraph.of(Look.PLAIN, text);
  }

  public static Paragraph heading(int level, String text) {
    return Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading" + level), text);
  }

  /** A paragraph of these, without a look of its own. */
  public static Paragraph inlines(Inline... inlines) {
    return new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(inlines));
  }

  public static Paragraph runs(Object... textsAndLooks) {
    var inlines = new ArrayList<Inline>();
    for (int k = 0; k < textsAndLooks.length; k += 2) {
      inlines.add(new Inline.Text((String) textsAndLooks[k], (Look) textsAndLooks[k + 1]));
    }
    return new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, inlines);
  }

  public static Document document(Block... blocks) {
    return Document.of(styles(), List.of(blocks));
  }

  /** A document whose blocks show a picture. */
  public static Document document(Media picture, Block... blocks) {
    var section =
        new Section(
            NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, Map.of(), List.of(blocks));
    return Document.of(
        Metadata.NONE,
        styles(),
        Map.of(),
        List.of(section),
        Map.of(),
        Map.of(picture.id(), picture),
        List.of());
  }

  public static Table table(String[]... rows) {
    var out = new ArrayList<Table.Row>();
    for (String[] row : rows) {
      var cells = new ArrayList<Cell>();
      for (String text : row) {
        cells.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(paragraph(text))));
      }
      out.add(new Table.Row(Look.PLAIN, cells));
    }
    return new Table(NodeId.fresh(), Look.PLAIN, List.of(150.0, 150.0), out);
  }

  /** A document of many paragraphs, headings and tables, the same for the same seed. */
  public static Document varied(long seed, int blocks) {
    var random = new Random(seed);
    var out = new ArrayList<Block>();
    for (int k = 0; k < blocks; k++) {
      switch (random.nextInt(8)) {
        case 0 -> out.add(heading(1 + random.nextInt(3), "Heading " + k));
        case 1 -> out.add(table(new String[] {"Berth " + k, PROSE}, new String[] {"Depth", "4 m"}));
        default ->
            out.add(
                runs(
                    PROSE.repeat(1 + random.nextInt(4)),
                    Look.PLAIN,
                    "Nobody is exempt. ",
                    Look.of(TextTraits.BOLD, true),
                    PROSE,
                    Look.PLAIN));
      }
    }
    out.add(paragraph("The end."));
    return Document.of(styles(), out);
  }

  /** The text of the flow, a line for each paragraph. */
  public static String text(TakenIn t) {
    return t.document().paragraphs().stream()
        .map(Paragraph::text)
        .collect(Collectors.joining("\n"));
  }

  public static Layout layout(Document d) {
    return new Layouter(FontBook.shipped()).layout(d);
  }

  public static TakenIn demo(String name) {
    return taken(DEMO.resolve(name));
  }

  public static TakenIn taken(Path file) {
    try {
      return decant.format.Intake.take(ReadRequest.of(file));
    } catch (ReadProblem e) {
      throw new AssertionError(file + ": " + e.getMessage(), e);
    }
  }

  /** Publishes a layout by a recipe into a folder, under the stem "rules". */
  public static Receipt publish(
      Layout l, Recipe recipe, Path folder, Path source, Publisher.Progress progress)
      throws PublishProblem, WriteProblem {
    return Publisher.publish(
        new Publisher.Order(
            l,
            recipe,
            folder,
            "rules",
            source,
            false,
            Passwords.NONE,
            Untouchable.inputs(List.of(source))),
        progress,
        () -> false);
  }

  /** Each place to fill in, of the text and of boxes in it, with all that stands on it. */
  public static Map<FormField, String> fields(Document d) {
    Stream<Paragraph> inStories =
        d.stories().values().stream()
            .flatMap(s -> s.blocks().stream())
            .filter(b -> b instanceof Paragraph)
            .map(b -> (Paragraph) b);
    Map<FormField, String> out = new LinkedHashMap<>();
    for (Paragraph p : Stream.concat(d.paragraphs().stream(), inStories).toList()) {
      p.inlines().stream()
          .flatMap(i -> i.look().get(TextTraits.FIELD).stream())
          .distinct()
          .forEach(f -> out.merge(f, p.textOn(f), String::concat));
    }
    return out;
  }

  /** What of the text waits to be accepted, piece by piece. */
  public static List<Pending> pending(Document d) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .flatMap(i ->
            Pending.takenAway(i).or(() -> Pending.putIn(i.look()).flatMap(Pending::of)).stream())
        .toList();
  }
}
