package decant.layout.item;

/** The parts of a fragment that a page break can fall between: lines, or rows. */
final class Parts {
  private Parts() {}

  /** The part that a fragment can be cut before so that what stands above is within a limit. */
  static int fitting(Fragment f, double limit) {
    int k = from(f);
    while (k < to(f) && f.y() + height(f, from(f), k + 1) <= limit + 0.01) {
      k++;
    }
    return k;
  }

  static int from(Fragment f) {
    return switch (f) {
      case Fragment.Lines l -> l.from();
      case Fragment.Rows r -> r.from();
      case Fragment.Floated p -> 0;
    };
  }

  static int to(Fragment f) {
    return switch (f) {
      case Fragment.Lines l -> l.to();
      case Fragment.Rows r -> r.to();
      case Fragment.Floated p -> 1;
    };
  }

  static double height(Fragment f, int from, int to) {
    return switch (f) {
      case Fragment.Lines l -> l.layout().height(from, to);
      case Fragment.Rows r -> r.layout().height(from, to);
      case Fragment.Floated p -> from < to ? p.height() : 0;
    };
  }

  static Fragment part(Fragment f, int from, int to, double y) {
    return switch (f) {
      case Fragment.Floated p -> p.moved(0, y - p.y());
      case Fragment.Lines l -> new Fragment.Lines(l.layout(), from, to, l.x(), y);
      case Fragment.Rows r -> new Fragment.Rows(r.layout(), from, to, false, r.x(), y);
    };
  }
}
