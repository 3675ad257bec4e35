package decant.verify.office;

import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Section;
import decant.model.Table;
import decant.model.look.FormField;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Part;
import decant.verify.Check;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Takes the digest of a saved ODT and compares it with that of the document. */
public final class OdtVerifier {
  /** The kinds of pictures that the format holds as they are; all others are made into one. */
  private static final Set<String> AS_THEY_ARE =
      Set.of(
          "image/png",
          "image/jpeg",
          "image/gif",
          "image/bmp",
          "image/tiff",
          "image/svg+xml",
          "image/x-emf",
          "image/emf",
          "image/x-wmf",
          "image/wmf");

  private OdtVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    try {
      var room = new Room(d);
      Digest got = OdtDigest.of(file);
      Digest wanted = DocumentDigest.of(d, room);
      Digest alike = got.remade(d, wanted, AS_THEY_ARE);
      return DigestCheck.of(wanted, room.saysAll() ? alike : alike.only(wanted, Aspect.LISTS));
    } catch (IOException | RuntimeException | StackOverflowError e) {
      return DigestCheck.unread(e);
    }
  }

  private record Room(Document document) implements DocumentDigest.Room {
    @Override
    public boolean holdsComments(Part part) {
      return part != Part.RUNNING;
    }

    @Override
    public boolean goesBack(Inline.Shape shape) {
      return shape.kept().filter(k -> k.format().equals("odt")).isPresent();
    }

    @Override
    public boolean tellsTextsOfTables() {
      return true;
    }

    @Override
    public boolean showsItself(FormField f, boolean running) {
      return f.isSwitch() && !running; // headers and footers have no controls
    }

    /** The mark of a note shows in it by itself (§6.3). */
    @Override
    public boolean marksNotes() {
      return false;
    }

    /** Breaks fall between paragraphs only (§20.185). */
    @Override
    public boolean breaksEndParagraphs() {
      return true;
    }

    /** What goes on down the page has the headers and footers of the page (§16.9). */
    @Override
    public boolean hasRunning(Section s) {
      return s == document.sections().getFirst() || s.start() != Section.Start.CONTINUOUS;
    }

    /** One that stands beside the package is a step up from inside it (part 2, §3.7). */
    @Override
    public String address(String uri) {
      var b = new StringBuilder();
      Matcher code = Pattern.compile("%[0-9A-Fa-f]{2}").matcher(uri);
      for (int k = 0; k < uri.length(); ) {
        boolean kept = code.find(k) && code.start() == k;
        int c = uri.codePointAt(k);
        if (kept) {
          b.append(code.group());
        } else if (c < 0x7F
            && (Character.isLetterOrDigit(c) || "-._~:/?#[]@!$&'()*+,;=".indexOf(c) >= 0)) {
          b.appendCodePoint(c);
        } else {
          for (byte o : Character.toString(c).getBytes(StandardCharsets.UTF_8)) {
            b.append(String.format("%%%02X", o & 0xFF));
          }
        }
        k += kept ? 3 : Character.charCount(c);
      }
      String legal = b.toString();
      boolean beside = !legal.matches("(?i)[a-z][a-z0-9+.-]*:.*|[/#].*");
      return beside ? "../" + legal : legal;
    }

    /** Chapters are told of by the level of their headings (§7.3.8). */
    @Override
    public boolean computes(Inline.Field f) {
      return f.kind() != Inline.Field.Kind.STYLED_TEXT
          || document
                  .styles()
                  .paragraphLook(Look.of(ParagraphTraits.STYLE, f.target()))
                  .value(ParagraphTraits.HEADING_LEVEL)
              > 0;
    }

    /** Whether all labels of all lists are written as they are. */
    boolean saysAll() {
      return document.lists().values().stream()
          .allMatch(l -> IntStream.range(0, l.levels().size()).allMatch(k -> says(l, k)));
    }

    private static final Set<NumberFormat> WRITTEN =
        EnumSet.complementOf(EnumSet.of(NumberFormat.TWO_DIGITS, NumberFormat.ORDINAL));

    /** Numbers of levels one below another, with points between them (§19.797). */
    @Override
    public boolean says(ListDefinition list, int depth) {
      ListDefinition.Level l = list.level(depth);
      if (!l.ordered()) {
        return l.pattern().replace("%" + (depth + 1), "").indexOf('%') < 0;
      }
      var wanted = new StringBuilder("%" + (depth + 1));
      boolean written = WRITTEN.contains(l.format());
      for (int k = depth; k >= 0; k--) {
        if (l.pattern().matches("[^%]*" + wanted + "[^%]*")) {
          return written;
        }
        if (k > 0) {
          ListDefinition.Level above = list.level(k - 1);
          written &= WRITTEN.contains(above.format()) && above.ordered();
          written &= !l.legal() || above.format() == NumberFormat.DECIMAL;
          wanted.insert(0, "%" + k + "\\.");
        }
      }
      return l.pattern().indexOf('%') < 0;
    }

    /** Places that no cell stands in are cells too. */
    @Override
    public List<String> table(Table t) {
      int[][] at = t.cellColumns();
      int columns = t.columnCount(at);
      int[] covered = new int[columns]; // up to which row, from above
      var out = new ArrayList<String>();
      for (int r = 0; r < at.length; r++) {
        var cells = new TreeMap<Integer, Cell>();
        for (int k = 0; k < at[r].length; k++) {
          if (at[r][k] < columns) {
            cells.put(at[r][k], t.rows().get(r).cells().get(k));
          }
        }
        var row = new StringBuilder("row " + (r + 1) + ":");
        for (int c = 0; c < columns; ) {
          Cell cell = cells.get(c);
          if (cell == null) {
            if (covered[c] <= r) {
              DocumentDigest.cell(row, c, 1, 1);
            }
            c++;
            continue;
          }
          int wide = Math.min(cell.columnSpan(), columns - c);
          int high = Math.min(cell.rowSpan(), at.length - r);
          DocumentDigest.cell(row, c, wide, high);
          for (int k = 0; k < wide; k++) {
            covered[c + k] = r + high;
          }
          c += wide;
        }
        out.add(row.toString());
      }
      return out;
    }
  }
}
