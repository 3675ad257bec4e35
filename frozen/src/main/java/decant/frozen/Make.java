package decant.frozen;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Makes the frozen files: {@code Make FOLDER}. */
public final class Make {
  private static final ObjectMapper JSON = new ObjectMapper();

  /** One that makes a PDF of a document with a library of its own. */
  interface Producer {
    void make(Doc d, Path file) throws Exception;

    /** Whether it has footnotes; they are paragraphs where it has none. */
    default boolean hasNotes() {
      return true;
    }
  }

  private record Named(String name, Producer producer, int from) {}

  private Make() {}

  /** @param args the folder */
  public static void main(String[] args) throws Exception {
    Path folder = Path.of(args[0]);
    Files.createDirectories(folder);
    for (Named p :
        List.of(
            new Named("fo", new FopProducer(), 1),
            new Named("html", new HtmlProducer(), 21),
            new Named("open", new OpenPdfProducer(), 41),
            new Named("drawn", new DrawnProducer(), 61))) {
      for (int k = 0; k < 10; k++) {
        Doc d = Doc.of(p.from() + k);
        String name = p.name() + "-" + (k + 1);
        p.producer().make(d, folder.resolve(name + ".pdf"));
        Files.writeString(folder.resolve(name + ".truth.json"), truth(d, p.producer().hasNotes()) + "\n");
      }
    }
  }

  private static String truth(Doc d, boolean hasNotes) throws Exception {
    ObjectNode root = JSON.createObjectNode();
    var blocks = root.putArray("blocks");
    for (Doc.Block b : d.blocks()) {
      ObjectNode o = blocks.addObject();
      switch (b) {
        case Doc.Block.Heading h -> o.put("kind", "heading").put("level", h.level()).put("text", h.text());
        case Doc.Block.Paragraph p -> {
          o.put("kind", "paragraph").put("text", p.text());
          if (!p.note().isEmpty()) {
            blocks.addObject().put("kind", hasNotes ? "note" : "paragraph").put("text", p.note());
          }
        }
        case Doc.Block.Item i -> o.put("kind", "item").put("ordered", i.ordered()).put("text", i.text());
        case Doc.Block.Table t -> {
          o.put("kind", "table");
          var rows = o.putArray("rows");
          t.rows().forEach(r -> {
            var row = rows.addArray();
            r.forEach(row::add);
          });
        }
      }
    }
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root);
  }

  static String xml(String s) {
    return s.replace("&", "&amp;").replace("<", "&lt;");
  }
}
