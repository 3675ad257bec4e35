package decant.verify.office;

import java.util.ArrayList;
import java.util.List;
import org.w3c.dom.Element;

/** The grid of a table of a DOCX (ISO/IEC 29500-1 §17.4.48), cell by cell. */
final class DocxGrid {
  /** A cell as the file has it: whether it goes on from the row above, and how wide it is. */
  record Placed(Element cell, int column, int wide, String merge) {}

  private DocxGrid() {}

  /** Over how many rows a cell goes. */
  static int high(List<List<Placed>> rows, int r, Placed c) {
    int high = 1;
    for (int k = r + 1; c.merge().equals("restart") && k < rows.size(); k++) {
      boolean goesOn =
          rows.get(k).stream()
              .anyMatch(b -> b.column() == c.column() && b.merge().equals("continue"));
      if (!goesOn) {
        break;
      }
      high++;
    }
    return high;
  }

  /** The rows of a table, those in controls too. */
  static void rows(Element parent, List<List<Placed>> out) {
    for (Element e : Package.children(parent)) {
      switch (e.getLocalName()) {
        case "tr" -> {
          var row = new ArrayList<Placed>();
          int before =
              (int) Docx.number(Docx.value(Docx.child(Docx.child(e, "trPr"), "gridBefore"), "val"));
          cells(e, before, row);
          out.add(row);
        }
        case "sdt" -> {
          Element content = Docx.child(e, "sdtContent");
          if (content != null) {
            rows(content, out);
          }
        }
        case "ins", "customXml" -> rows(e, out);
        default -> {}
      }
    }
  }

  private static int cells(Element parent, int from, List<Placed> out) {
    int column = from;
    for (Element e : Package.children(parent)) {
      switch (e.getLocalName()) {
        case "tc" -> {
          Element p = Docx.child(e, "tcPr");
          int wide = Math.max(1, (int) Docx.number(Docx.value(Docx.child(p, "gridSpan"), "val")));
          Element merge = Docx.child(p, "vMerge");
          String how = Docx.value(merge, "val");
          out.add(
              new Placed(e, column, wide, merge == null ? "" : how.isEmpty() ? "continue" : how));
          column += wide;
        }
        case "sdt" -> {
          Element content = Docx.child(e, "sdtContent");
          if (content != null) {
            column = cells(content, column, out);
          }
        }
        case "customXml" -> column = cells(e, column, out);
        default -> {}
      }
    }
    return column;
  }
}
