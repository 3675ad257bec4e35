package decant.layout.block;

import decant.layout.item.Drawn;
import decant.layout.item.Fragment;
import decant.model.Inline;
import decant.model.look.Insets;
import java.util.ArrayList;
import java.util.List;

/** Sets the text of shapes into them. */
final class Shapes {
  private Shapes() {}

  /** A shape with its text set; it is higher than it says where it grows with its text. */
  static Drawn drawn(Inline.Shape shape, StorySetter stories) {
    if (shape.content().story().isEmpty()) {
      return new Drawn(shape, shape.height(), List.of());
    }
    Insets in = shape.content().padding();
    double inner = Math.max(6, shape.width() - in.left() - in.right());
    List<Fragment> set = stories.set(shape.content().story().get(), inner);
    double content = set.stream().mapToDouble(Fragment::bottom).max().orElse(0);
    double needed = content + in.top() + in.bottom();
    double height = shape.content().grows() ? Math.max(needed, 1) : shape.height();
    double shift =
        in.top()
            + Math.max(0, height - needed)
                * switch (shape.content().alignment()) {
                  case TOP -> 0;
                  case CENTRE -> 0.5;
                  case BOTTOM -> 1;
                };
    var placed = new ArrayList<Fragment>();
    for (Fragment f : set) {
      placed.add(f.moved(in.left(), shift));
    }
    return new Drawn(shape, height, placed);
  }
}
