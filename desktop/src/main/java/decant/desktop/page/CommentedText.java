package decant.desktop.page;

import decant.layout.Layout;
import decant.layout.Places;
import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.Box;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Where something was noted about the text of pages; looked for once for each page. */
final class CommentedText {
  private final Map<Page, List<Box>> known = new IdentityHashMap<>();
  private @Nullable Layout in;

  List<Box> on(Layout layout, Page page) {
    if (in != layout) {
      in = layout;
      known.clear();
    }
    return known.computeIfAbsent(page, CommentedText::find);
  }

  private static List<Box> find(Page page) {
    var out = new ArrayList<Box>();
    for (Places.PlacedLine l : Places.lines(page)) {
      for (Item i : l.line().items()) {
        if (i instanceof Item.GlyphRun r && !r.meaning().comments().isEmpty()) {
          out.add(new Box(l.x() + r.x(), l.top(), r.width(), l.line().height()));
        }
      }
    }
    return List.copyOf(out);
  }
}
