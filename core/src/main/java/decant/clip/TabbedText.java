package decant.clip;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.edit.Fragment;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A fragment as text alone: paragraphs apart by line feeds, cells by tabs, as sheets have it (text
 * of the media type {@code text/tab-separated-values}, as the IANA registers it).
 */
public final class TabbedText {
  private TabbedText() {}

  public static String of(Fragment f) {
    var lines = new ArrayList<String>();
    for (Block b : f.blocks()) {
      lines.addAll(lines(b));
    }
    return String.join("\n", lines);
  }

  private static List<String> lines(Block b) {
    return switch (b) {
      case Paragraph p -> List.of(p.text().replace(String.valueOf(Inline.OBJECT), ""));
      case Table t -> t.rows().stream().map(TabbedText::row).toList();
      case KeptBlock k -> List.of();
    };
  }

  private static String row(Table.Row row) {
    return row.cells().stream().map(TabbedText::cell).collect(Collectors.joining("\t"));
  }

  private static String cell(Cell c) {
    return c.blocks().stream()
        .flatMap(b -> lines(b).stream())
        .map(l -> l.replaceAll("[\\t\\n\\r\\f\\u000B]", " "))
        .collect(Collectors.joining(" "));
  }

  /** A table of text whose lines have equally many tabs, at least one; empty for any other. */
  public static Optional<Fragment> table(String text, StyleSheet styles) {
    String[] lines = text.strip().isEmpty() ? new String[0] : text.split("\\r\\n?|\\n");
    if (lines.length == 0) {
      return Optional.empty();
    }
    int columns = lines[0].split("\t", -1).length;
    var rows = new ArrayList<Table.Row>();
    for (String line : lines) {
      String[] fields = line.split("\t", -1);
      if (columns < 2 || fields.length != columns) {
        return Optional.empty();
      }
      var cells = new ArrayList<Cell>();
      for (String field : fields) {
        Paragraph p = Paragraph.of(Look.PLAIN, field.strip());
        cells.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(p)));
      }
      rows.add(new Table.Row(Look.PLAIN, cells));
    }
    var table = new Table(NodeId.fresh(), TableTraits.RULED, List.of(), rows);
    return Optional.of(new Fragment(List.of(table), Map.of(), Map.of(), Map.of(), styles));
  }
}
