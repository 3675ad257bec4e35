package decant.office.rtf.read;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A text as far as it is read: that of the whole, or that of a note within it. */
final class RtfText {
  /** More raised characters are text. */
  private static final int LONGEST_MARK = 4;

  private final int depth;
  private final Optional<RtfText> around;
  private final RtfTable table = new RtfTable();
  private final List<Block> blocks = new ArrayList<>();
  private final List<Block> inCell = new ArrayList<>();
  private final List<Inline> open = new ArrayList<>();
  private final NodeId id = NodeId.fresh();
  private final Optional<String> label;
  private Story.Kind kind = Story.Kind.FOOTNOTE;
  private Optional<Apart> apart = Optional.empty();

  /** Whether a mark that counts was just named, that of the note which comes next. */
  private boolean counts;

  private RtfText(int depth, Optional<RtfText> around, Optional<String> label) {
    this.depth = depth;
    this.around = around;
    this.label = label;
  }

  static RtfText whole() {
    return new RtfText(0, Optional.empty(), Optional.empty());
  }

  /**
   * A note in it. One whose mark does not count is called by the raised characters before it, which
   * are its mark and no text.
   *
   * @param groups how many groups it stands in
   */
  RtfText note(int groups) {
    Optional<String> said = counts || open.isEmpty() ? Optional.empty() : mark(open.getLast());
    said.ifPresent(s -> open.removeLast());
    counts = false;
    return new RtfText(groups, Optional.of(this), said);
  }

  /** What a text that is apart from the one around it is for. */
  sealed interface Apart {
    record Header(Running which) implements Apart {}

    record Box() implements Apart {}

    record Remark() implements Apart {}
  }

  /** A text apart from it. */
  RtfText apart(int groups, Apart what) {
    var text = new RtfText(groups, Optional.of(this), Optional.empty());
    text.apart = Optional.of(what);
    text.kind = what instanceof Apart.Box ? Story.Kind.BOX : Story.Kind.RUNNING;
    return text;
  }

  /** What it is for, where it is no note. */
  Optional<Apart> apart() {
    return apart;
  }

  private static Optional<String> mark(Inline i) {
    return i instanceof Inline.Text t
            && t.look().value(TextTraits.RAISE) == TextTraits.Raise.SUPERSCRIPT
            && !t.text().isBlank()
            && t.text().strip().length() <= LONGEST_MARK
        ? Optional.of(t.text().strip())
        : Optional.empty();
  }

  /** The number of a note stands here; within a note it is its own. */
  void counted() {
    if (around.isPresent() && apart.isEmpty()) {
      open.add(new Inline.NoteMark(id, Look.PLAIN));
    } else {
      counts = true;
    }
  }

  /** The note that was read. */
  Story story() {
    List<Block> all = new ArrayList<>(blocks());
    if (label.isPresent() && !all.isEmpty() && all.getFirst() instanceof Paragraph p) {
      all.set(0, withOwnMark(p, label.get()));
    }
    var story = new Story(id, kind, all);
    return label.map(story::labelled).orElse(story);
  }

  private Paragraph withOwnMark(Paragraph p, String said) {
    if (p.inlines().isEmpty() || !mark(p.inlines().getFirst()).equals(Optional.of(said))) {
      return p;
    }
    var inlines = new ArrayList<>(p.inlines());
    inlines.set(0, new Inline.NoteMark(id, Look.PLAIN));
    return new Paragraph(p.id(), p.look(), p.endLook(), inlines);
  }

  int depth() {
    return depth;
  }

  Optional<RtfText> around() {
    return around;
  }

  RtfTable table() {
    return table;
  }

  /** What stands in the paragraph that is not ended yet. */
  List<Inline> open() {
    return open;
  }

  /** It stands after the last section. */
  void isEndnote() {
    kind = Story.Kind.ENDNOTE;
  }

  boolean isInCell() {
    return !inCell.isEmpty();
  }

  void cell() {
    table.cell(inCell);
    inCell.clear();
  }

  /** A paragraph ends. */
  void paragraph(Paragraph p, boolean inTable) {
    open.clear();
    if (inTable) {
      inCell.add(p);
    } else {
      leaveTable();
      blocks.add(p);
    }
  }

  void leaveTable() {
    if (!inCell.isEmpty()) {
      cell();
    }
    if (!table.isEmpty()) {
      blocks.add(table.done());
    }
  }

  /** All of it; a table that is open ends. */
  List<Block> blocks() {
    leaveTable();
    return blocks;
  }
}
