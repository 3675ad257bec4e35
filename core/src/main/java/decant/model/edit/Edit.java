package decant.model.edit;

import decant.model.Document;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;

/**
 * A change a person makes in one go.
 *
 * @param name what it is called where it can be undone, such as "Typing"
 */
public record Edit(String name, List<Step> steps) {
  public Edit {
    steps = List.copyOf(steps);
  }

  public static Edit of(String name, Step... steps) {
    return new Edit(name, List.of(steps));
  }

  /** The document after this edit. */
  public Document apply(Document before) {
    Document d = before;
    for (Step s : steps) {
      d = s.apply(d);
    }
    return d;
  }

  /** The edit that takes the result back to {@code before}. */
  public Edit invert(Document before) {
    var back = new ArrayList<Step>();
    Document d = before;
    for (Step s : steps) {
      back.addFirst(s.invert(d));
      d = s.apply(d);
    }
    return new Edit(name, back);
  }

  /** Where a position of the document before stands after this edit. */
  public Position map(Position position) {
    Position p = position;
    for (Step s : steps) {
      p = s.map(p);
    }
    return p;
  }
}
