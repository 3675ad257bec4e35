package decant.office.docx.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Set;

/**
 * The kept marks of fields of which an edit has taken the other half. They do not go back: a field
 * without an end makes a file that other programs refuse.
 */
final class FieldMarks implements Walk.Visitor {
  private final Set<Inline.KeptInline> unmatched =
      Collections.newSetFromMap(new IdentityHashMap<>());
  private final Deque<Inline.KeptInline> open = new ArrayDeque<>();

  private FieldMarks() {}

  static Set<Inline.KeptInline> unmatched(Document d) {
    var marks = new FieldMarks();
    Walk.through(d, Part.ALL, marks);
    return marks.unmatched;
  }

  @Override
  public void end(Part part) {
    unmatched.addAll(open);
    open.clear();
  }

  @Override
  public void paragraph(Paragraph p) {
    p.inlines().forEach(this::inline);
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
