package decant.model.edit;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A selection in reading order. */
public record Range(Position start, Position end) {
  /** A part of one paragraph. */
  public record Part(Paragraph paragraph, int from, int to) {}

  /**
   * The selection from its earlier to its later end. A selection lies in one text: one that reaches
   * from the body into a note, say, holds nothing and stands where it began.
   */
  public static Range of(Document d, Selection s) {
    if (!d.index().sameText(s.anchor().paragraph(), s.caret().paragraph())) {
      return new Range(s.anchor(), s.anchor());
    }
    return compare(d, s.anchor(), s.caret()) <= 0
        ? new Range(s.anchor(), s.caret())
        : new Range(s.caret(), s.anchor());
  }

  /** Which of two places comes first. */
  public static int compare(Document d, Position a, Position b) {
    return a.paragraph().equals(b.paragraph())
        ? Integer.compare(a.offset(), b.offset())
        : d.index().compare(a.paragraph(), b.paragraph());
  }

  public boolean isEmpty() {
    return start.equals(end);
  }

  /**
   * The paragraphs it touches, each with the places that lie in it. From one cell of a table to
   * another these are the whole texts of all cells in the rectangle between them.
   */
  public List<Part> parts(Document d) {
    Optional<TableEdits.In> in = cells(d);
    if (in.isPresent()) {
      return in.get().cells().stream()
          .flatMap(c -> Walk.paragraphs(c.blocks()).stream())
          .map(p -> new Part(p, 0, p.length()))
          .toList();
    }
    if (start.paragraph().equals(end.paragraph())) {
      return List.of(new Part(d.requireParagraph(start.paragraph()), start.offset(), end.offset()));
    }
    var out = new ArrayList<Part>();
    List<NodeId> order = d.index().orderAround(start.paragraph());
    int first = d.index().placeInOrder(start.paragraph()).orElseThrow();
    int last = d.index().placeInOrder(end.paragraph()).orElseThrow();
    for (int k = first; k <= last; k++) {
      Paragraph p = d.requireParagraph(order.get(k));
      out.add(new Part(p, k == first ? start.offset() : 0, k == last ? end.offset() : p.length()));
    }
    return out;
  }

  /** The table whose cells are what is selected: more than one of them. */
  public Optional<TableEdits.In> cells(Document d) {
    return TableEdits.in(d, new Selection(start, end)).filter(i -> !i.from().equals(i.to()));
  }

  /** Its text, paragraphs apart by line feeds, objects left out. */
  public String text(Document d) {
    var b = new StringBuilder();
    for (Part part : parts(d)) {
      if (!b.isEmpty()) {
        b.append('\n');
      }
      b.append(part.paragraph().text(), part.from(), part.to());
    }
    return b.toString().replace(String.valueOf(decant.model.Inline.OBJECT), "");
  }
}
