package decant.office.text;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.reading.FontsUsed;
import decant.reading.GlyphCoverage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.TakenIn;
import decant.reading.TextEncoding;
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** Reads plain text: a paragraph for each line, a table where lines have equally many tabs. */
final class TextReader {
  private static final Words WORDS = Words.of(TextReader.class);
  private static final int LONGEST = 50_000_000; // bytes; more is no letter

  /** Columns made of spaces stand under one another only where all letters are equally wide. */
  private static final Pattern ALIGNED = Pattern.compile("\\S {3,}\\S");

  /** Colours and such of terminals (ECMA-48 §5.4), which show nothing. */
  private static final Pattern COLOURS = Pattern.compile("\\x1B\\[[0-?]*[ -/]*[@-~]");

  private TextReader() {}

  /** Takes a file in. @throws ReadProblem if it is too large, or cannot be read */
  static TakenIn read(ReadRequest request) throws ReadProblem {
    byte[] bytes;
    try {
      if (Files.size(request.file()) > LONGEST) {
        throw ReadProblem.tooLarge();
      }
      bytes = Files.readAllBytes(request.file());
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.UNREADABLE, WORDS.say("text-reader.the-file-cannot-be-read"), e);
    }
    var findings = new ArrayList<Finding>();
    TextEncoding read = TextEncoding.of(bytes);
    read.doubt().ifPresent(findings::add);
    String text = read.text();
    request.checkpoint();
    boolean aligned = ALIGNED.matcher(text).find();
    Document d = Document.of(styles(aligned), blocks(text, aligned));
    FontBook fonts = ReadingFonts.of(List.of());
    findings.addAll(GlyphCoverage.of(d, fonts));
    return new TakenIn(
        d,
        findings,
        new TakenIn.Origin(
            TextFormat.ID, 0, Map.of(), FontsUsed.of(d, fonts), Map.of(), List.of()));
  }

  private static StyleSheet styles(boolean aligned) {
    Look texts =
        aligned
            ? Look.of(TextTraits.FAMILY, "Liberation Mono").with(TextTraits.SIZE, 10.0)
            : Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 11.0);
    return new StyleSheet(Look.PLAIN, texts, "", Map.of());
  }

  private static List<Block> blocks(String text, boolean aligned) {
    String[] lines = text.split("\\r\\n|\\r|\\n", -1);
    int count =
        lines.length > 1 && lines[lines.length - 1].isEmpty() ? lines.length - 1 : lines.length;
    var out = new ArrayList<Block>();
    int k = 0;
    while (k < count) {
      int to = k;
      int tabs = tabs(lines[k]);
      while (!aligned && tabs > 0 && to < count && tabs(lines[to]) == tabs) {
        to++;
      }
      if (to - k > 1) {
        out.add(table(List.of(lines).subList(k, to)));
        k = to;
      } else {
        out.add(paragraph(lines[k++]));
      }
    }
    if (out.stream().noneMatch(b -> b instanceof Paragraph)) {
      out.add(paragraph(""));
    }
    return out;
  }

  private static int tabs(String line) {
    return (int) line.strip().chars().filter(c -> c == '\t').count();
  }

  private static Paragraph paragraph(String line) {
    boolean page = line.startsWith("\f");
    String plain = COLOURS.matcher(line).replaceAll("").replaceAll("[\\p{Cc}&&[^\\t]]", "");
    return Paragraph.of(
        page ? Look.of(ParagraphTraits.PAGE_BREAK_BEFORE, true) : Look.PLAIN, plain);
  }

  private static Table table(List<String> lines) {
    var rows = new ArrayList<Table.Row>();
    for (String line : lines) {
      var cells = new ArrayList<Cell>();
      for (String cell : line.split("\t", -1)) {
        cells.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(paragraph(cell.strip()))));
      }
      rows.add(new Table.Row(Look.PLAIN, cells));
    }
    return new Table(NodeId.fresh(), TableTraits.RULED, List.of(), rows);
  }
}
