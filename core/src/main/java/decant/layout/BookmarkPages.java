package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.label.ListLabels;
import decant.layout.pages.Page;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Walk;
import java.util.HashMap;
import java.util.Map;

/** Finds the pages that bookmarks stand on, as they are shown there. */
final class BookmarkPages {
  private BookmarkPages() {}

  static Map<String, String> of(Layout layout) {
    var out = new HashMap<String, String>();
    for (Page page : layout.pages()) {
      NumberFormat format =
          layout.document().sections().get(page.section()).page().numbers().format();
      String shown = ListLabels.number(format, page.shown());
      page.body().forEach(f -> add(f, shown, out));
      layout
          .pinned(page)
          .ifPresent(p ->
              Walk.paragraphs(layout.document().sections().get(page.section()).blocks())
                  .forEach(b ->
                      b.look()
                          .value(ParagraphTraits.BOOKMARKS)
                          .forEach(name -> out.putIfAbsent(name, shown))));
    }
    return out;
  }

  private static void add(Fragment f, String shown, Map<String, String> out) {
    switch (f) {
      case Fragment.Lines l ->
          l.layout()
              .source()
              .look()
              .value(ParagraphTraits.BOOKMARKS)
              .forEach(b -> out.putIfAbsent(b, shown));
      case Fragment.Rows r -> {
        for (int k = r.from(); k < r.to(); k++) {
          r.layout()
              .rows()
              .get(k)
              .cells()
              .forEach(c -> c.content().forEach(n -> add(n, shown, out)));
        }
      }
      case Fragment.Floated p -> {}
    }
  }
}
