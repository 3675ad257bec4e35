package decant.office.docx;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * The kept marks of fields of which an edit has taken the other half. They do not go back: a field
 * without an end makes a file that other programs refuse.
 */
final class FieldMarks {
  private final Set<Inline.KeptInline> unmatched =
      Collections.newSetFromMap(new IdentityHashMap<>());
  private final Deque<Inline.KeptInline> open = new ArrayDeque<>();

  private FieldMarks() {}

  static Set<Inline.KeptInline> unmatched(Document d) {
    var marks = new FieldMarks();
    for (Section s : d.sections()) {
      marks.walk(s.blocks());
    }
    marks.end();
    for (Section s : d.sections()) {
      for (Story r : s.running().values()) {
        marks.walk(r.blocks());
        marks.end();
      }
    }
    for (Story s : d.stories().values()) {
      marks.walk(s.blocks());
      marks.end();
    }
    return marks.unmatched;
  }

  private void end() {
    unmatched.addAll(open);
    open.clear();
  }

  private void walk(List<Block> blocks) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> p.inlines().forEach(this::inline);
        case Table t -> t.rows().forEach(r -> r.cells().forEach(c -> walk(c.blocks())));
        case KeptBlock k -> {}
      }
    }
  }

  private void inline(Inline i) {
    if (!(i instanceof Inline.KeptInline k)) {
      return;
    }
    String source = k.kept().source();
    boolean begins = source.contains("w:fldCharType=\"begin\"");
    boolean ends = source.contains("w:fldCharType=\"end\"");
    if (begins && !ends) {
      open.push(k);
    } else if (ends && !begins) {
      if (open.isEmpty()) {
        unmatched.add(k);
      } else {
        open.pop();
      }
    }
  }
}
