package decant.layout;

import decant.model.Inline;

/**
 * What fields show. In the flow, where pages are not known yet, page fields show what the source
 * showed.
 */
record FieldValues(int page, int pages, String title) {
  static final FieldValues NONE = new FieldValues(0, 0, "");

  String show(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE -> page > 0 ? Integer.toString(page) : f.shown();
      case PAGES -> pages > 0 ? Integer.toString(pages) : f.shown();
      case TITLE -> title.isEmpty() ? f.shown() : title;
      case OTHER -> f.shown();
    };
  }
}
