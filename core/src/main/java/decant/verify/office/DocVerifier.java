package decant.verify.office;

import decant.model.Cell;
import decant.model.Document;
import decant.model.Table;
import decant.model.look.FormField;
import decant.model.walk.Part;
import decant.verify.Check;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;

/** Takes the digest of a saved DOC and compares it with that of the document. */
public final class DocVerifier {
  /** The kinds of pictures that the format holds as they are; all others are made into one. */
  private static final Set<String> AS_THEY_ARE =
      Set.of("image/png", "image/jpeg", "image/jpg", "image/x-emf", "image/emf");

  private DocVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    try {
      Digest got = DocDigest.of(file);
      Digest wanted = DocumentDigest.of(d, new Room());
      return DigestCheck.of(wanted, got.remade(d, wanted, AS_THEY_ARE));
    } catch (IOException | RuntimeException | StackOverflowError e) {
      return DigestCheck.unread(e);
    }
  }

  private static final class Room implements DocumentDigest.Room {
    @Override
    public boolean holdsComments(Part part) {
      return part == Part.FLOW;
    }

    @Override
    public boolean showsItself(FormField f, boolean running) {
      return f.isSwitch() || f.isShortChoice();
    }

    private static final int LONGEST_PLACE = 40; // characters, [MS-DOC] 2.9.284

    @Override
    public boolean rowByRow() {
      return true;
    }

    @Override
    public String address(String uri) {
      return uri.replace("\"", "%22");
    }

    @Override
    public String place(String name) {
      return name.length() <= LONGEST_PLACE ? name : name.substring(0, LONGEST_PLACE);
    }

    /** A cell stands in every row that it covers ([MS-DOC] 2.9.315). */
    @Override
    public List<String> table(Table t) {
      return everyRow(t);
    }
  }

  /** The rows of a table, with cells that are merged downwards in every row that they cover. */
  static List<String> everyRow(Table t) {
    int[][] at = t.cellColumns();
    var rows = new ArrayList<TreeMap<Integer, String>>();
    for (int r = 0; r < at.length; r++) {
      rows.add(new TreeMap<>());
    }
    for (int r = 0; r < at.length; r++) {
      for (int k = 0; k < at[r].length; k++) {
        Cell c = t.rows().get(r).cells().get(k);
        for (int down = 0; down < c.rowSpan() && r + down < at.length; down++) {
          String merged = c.rowSpan() == 1 ? "" : down == 0 ? "v" : "^";
          rows.get(r + down).putIfAbsent(at[r][k], " 1" + merged);
        }
      }
    }
    return rows.stream().map(r -> "row:" + String.join("", r.values())).toList();
  }
}
