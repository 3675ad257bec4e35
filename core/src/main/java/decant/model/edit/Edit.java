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

  /**
   * What an edit comes to.
   *
   * @param inverse the edit that takes the document back to what it was before
   */
  public record Applied(Document document, Edit inverse) {}

  /** The document after this edit, and the way back, made in one walk. */
  public Applied apply(Document before) {
    var back = new ArrayList<Step>();
    Document d = before;
    for (Step s : steps) {
      Step.Applied a = s.apply(d);
      back.addFirst(a.inverse());
      d = a.document();
    }
    return new Applied(d, new Edit(name, back));
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
