package decant.pdf;

import decant.model.Block;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;

/** The tables of a document by what stands in their cells. */
final class FoundTables {
  private FoundTables() {}

  static List<Table> tables(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter((Block b) -> b instanceof Table)
        .map(b -> (Table) b)
        .toList();
  }

  /** The cells of each row, with nothing for what a merged one takes. */
  static List<List<String>> rows(Table t) {
    return t.rows().stream()
        .map(r -> {
          var out = new ArrayList<String>();
          r.cells()
              .forEach(c -> {
                out.add(
                    String.join(
                            " / ", c.blocks().stream().map(b -> ((Paragraph) b).text()).toList())
                        .strip());
                for (int k = 1; k < c.columnSpan(); k++) {
                  out.add("");
                }
              });
          return List.copyOf(out);
        })
        .toList();
  }

  /** The paragraphs that stand outside tables. */
  static List<String> textsOutside(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter((Block b) -> b instanceof Paragraph)
        .map(b -> ((Paragraph) b).text())
        .toList();
  }
}
