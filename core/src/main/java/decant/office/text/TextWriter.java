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
import decant.model.look.Placement;
import decant.model.walk.Walk;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
  private final Set<NodeId> open = new HashSet<>();
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
    for (int k = 0; k < said.size(); k++) { // notes may have notes
      line("");
      blocks(new ArrayList<>(said.values()).get(k).blocks());
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
    return Walk.paragraphs(c.blocks()).stream()
        .map(p -> text(p).replaceAll("[\\t\\n]+", " "))
        .collect(Collectors.joining(" "));
  }

  private String text(Paragraph p) {
    var b = new StringBuilder();
    var boxes = new StringBuilder(); // after the paragraph that their shapes stand in
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
        case Inline.Shape s -> {
          b.append(s.placement() instanceof Placement.Floating ? "" : " ");
          Story story = s.content().story().map(document.stories()::get).orElse(null);
          if (story != null && open.add(story.id())) {
            Walk.paragraphs(story.blocks()).forEach(q -> boxes.append('\n').append(text(q)));
            open.remove(story.id());
          }
        }
      }
    }
    return b.append(boxes).toString();
  }
}
