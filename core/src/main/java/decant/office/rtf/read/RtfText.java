package decant.office.rtf.read;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A text as far as it is read: that of the whole, or that of a note within it. */
final class RtfText {
  /** More raised characters are text. */
  private static final int LONGEST_MARK = 4;

  /** Tables do not stand deeper in one another: what does, stands in the cell around it. */
  private static final int DEEPEST = 16;

  private final int depth;
  private final Optional<RtfText> around;
  private final RtfColours colours;
  private final List<Block> blocks = new ArrayList<>();

  /** The tables that what is read stands in, from the outermost. */
  private final List<Level> levels = new ArrayList<>();

  private final List<Inline> open = new ArrayList<>();
  private final NodeId id = NodeId.fresh();
  private final Optional<String> label;
  private Story.Kind kind = Story.Kind.FOOTNOTE;
  private Optional<Apart> apart = Optional.empty();

  /** Whether a mark that counts was just named, that of the note which comes next. */
  private boolean counts;

  /** A table, and the cell of it that is not ended yet. */
  private record Level(RtfTable table, List<Block> cell) {}

  private RtfText(int depth, Optional<RtfText> around, Optional<String> label, RtfColours colours) {
    this.colours = colours;
    this.depth = depth;
    this.around = around;
    this.label = label;
  }

  static RtfText whole(RtfColours colours) {
    return new RtfText(0, Optional.empty(), Optional.empty(), colours);
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
    return new RtfText(groups, Optional.of(this), said, colours);
  }

  /** What a text that is apart from the one around it is for. */
  sealed interface Apart {
    record Header(Running which) implements Apart {}

    record Box() implements Apart {}

    record Remark() implements Apart {}
  }

  /** A text apart from it. */
  RtfText apart(int groups, Apart what) {
    var text = new RtfText(groups, Optional.of(this), Optional.empty(), colours);
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

  /**
   * The table of which is told.
   *
   * @param deep how many tables it stands in, itself too; from 1
   */
  RtfTable table(int deep) {
    while (levels.size() < Math.min(deep, DEEPEST)) {
      levels.add(new Level(new RtfTable(colours), new ArrayList<>()));
    }
    return levels.get(Math.min(deep, DEEPEST) - 1).table;
  }

  /** What stands in the paragraph that is not ended yet. */
  List<Inline> open() {
    return open;
  }

  /** It stands after the last section. */
  void isEndnote() {
    kind = Story.Kind.ENDNOTE;
  }

  /** Whether the cell that is open ends with a table, which no paragraph need follow. */
  boolean endsWithTable(int deep) {
    leave(deep);
    return deep <= levels.size()
        && !levels.get(deep - 1).cell.isEmpty()
        && levels.get(deep - 1).cell.getLast() instanceof Table;
  }

  /** A cell ends, and with it the tables in it. */
  void cell(int deep) {
    RtfTable table = table(deep);
    leave(deep);
    Level level = levels.get(Math.min(deep, DEEPEST) - 1);
    table.cell(level.cell);
    level.cell.clear();
  }

  /**
   * A paragraph ends.
   *
   * @param deep in how many tables it stands
   */
  void paragraph(Paragraph p, int deep) {
    open.clear();
    leave(deep);
    if (deep > 0) {
      table(deep);
    }
    into(Math.min(deep, DEEPEST)).add(p);
  }

  private List<Block> into(int deep) {
    return deep == 0 ? blocks : levels.get(deep - 1).cell;
  }

  /** Ends the tables that stand deeper. */
  void leave(int deep) {
    for (int k = levels.size(); k > deep; k--) {
      Level level = levels.get(k - 1);
      if (!level.cell.isEmpty()) {
        level.table.cell(level.cell);
        level.cell.clear();
      }
      if (!level.table.isEmpty()) {
        into(k - 1).add(level.table.done());
      }
      if (k > 1) {
        levels.removeLast(); // the outermost may be told of long before its first cell
      }
    }
  }

  /** All of it; a table that is open ends. */
  List<Block> blocks() {
    leave(0);
    return blocks;
  }
}
