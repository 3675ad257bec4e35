package decant.office.text;

import decant.layout.label.Flow;
import decant.layout.label.ListLabels;
import decant.layout.label.NoteLabels;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Writes plain text in UTF-8, a line for each paragraph: labels before items, cells with tabs
 * between them, the words of pictures in brackets, notes after all text under their marks.
 */
final class TextWriter {
  private final Document document;
  private final Map<NodeId, String> labels;
  private final Map<NodeId, String> notes;
  private final Map<NodeId, Story> said = new LinkedHashMap<>();
  private final Writer out;

  private TextWriter(Document document, Writer out) {
    this.document = document;
    this.labels = ListLabels.of(document);
    this.notes = NoteLabels.of(document, Flow.of(document, null));
    this.out = out;
  }

  /** Writes a document. @throws IOException if the stream cannot be written */
  static void write(Document document, OutputStream stream) throws IOException {
    var writer = new OutputStreamWriter(stream, StandardCharsets.UTF_8);
    new TextWriter(document, writer).all();
    writer.flush();
  }

  private void all() throws IOException {
    for (Section s : document.sections()) {
      blocks(s.blocks());
    }
    for (Map.Entry<NodeId, Story> n : new ArrayList<>(said.entrySet())) {
      line("");
      blocks(n.getValue().blocks());
    }
  }

  private void line(String s) throws IOException {
    out.write(s);
    out.write("\r\n"); // the ends of lines of text that is sent (RFC 2046, §4.1.1)
  }

  private void blocks(List<Block> blocks) throws IOException {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          for (String l : text(p).split("\n", -1)) {
            line(l);
          }
        }
        case Table t -> {
          for (Table.Row row : t.rows()) {
            line(row.cells().stream().map(this::cell).collect(Collectors.joining("\t")));
          }
        }
        case KeptBlock k -> {}
      }
    }
  }

  private String cell(Cell c) {
    return decant.model.walk.Walk.paragraphs(c.blocks()).stream()
        .map(p -> text(p).replaceAll("[\\t\\n]+", " "))
        .collect(Collectors.joining(" "));
  }

  private String text(Paragraph p) {
    var b = new StringBuilder();
    String label = labels.getOrDefault(p.id(), "");
    b.append(label.isEmpty() ? "" : label + " ");
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t ->
            b.append(t.text().replaceAll("[\\f\\x0B]", "\n").replace("\u00AD", ""));
        case Inline.Field f -> b.append(f.shown());
        case Inline.KeptInline k -> b.append(k.shown());
        case Inline.NoteMark n -> {
          Story s = document.stories().get(n.note());
          if (s != null) {
            b.append('[').append(notes.getOrDefault(n.note(), "")).append(']');
            said.putIfAbsent(n.note(), s);
          }
        }
        case Inline.Picture x -> b.append(x.alt().isBlank() ? "" : "[" + x.alt() + "]");
        case Inline.Shape s ->
            s.content()
                .story()
                .map(document.stories()::get)
                .ifPresent(story ->
                    decant.model.walk.Walk.paragraphs(story.blocks())
                        .forEach(q -> b.append('\n').append(text(q))));
      }
    }
    return b.toString();
  }
}
