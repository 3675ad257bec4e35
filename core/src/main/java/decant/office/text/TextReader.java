package decant.office.text;

import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
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
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
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
    String text = decoded(bytes, findings);
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

  /** By its mark, or as UTF-8 where it is that, or as what its letters are likely in. */
  private static String decoded(byte[] b, List<Finding> findings) {
    if (b.length > 1 && (b[0] & 0xFF) == 0xFF && (b[1] & 0xFF) == 0xFE) {
      return new String(b, 2, b.length - 2, StandardCharsets.UTF_16LE);
    }
    if (b.length > 1 && (b[0] & 0xFF) == 0xFE && (b[1] & 0xFF) == 0xFF) {
      return new String(b, 2, b.length - 2, StandardCharsets.UTF_16BE);
    }
    try {
      String s = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(b)).toString();
      return s.startsWith("\uFEFF") ? s.substring(1) : s;
    } catch (CharacterCodingException e) {
      CharsetMatch likely = new CharsetDetector().setText(b).detect();
      Charset set =
          likely != null && Charset.isSupported(likely.getName())
              ? Charset.forName(likely.getName())
              : Charset.forName("windows-1252");
      // What is guessed is called by the wider set, which has quotation marks too.
      Charset wide =
          set.equals(StandardCharsets.ISO_8859_1) ? Charset.forName("windows-1252") : set;
      findings.add(
          Finding.general(
              Finding.Kind.CHARACTERS_UNKNOWN,
              Finding.Severity.DOUBT,
              WORDS.say("text-reader.guessed", wide.displayName())));
      return new String(b, wide);
    }
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
    String plain = line.replaceAll("[\\p{Cc}&&[^\\t]]", "");
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
