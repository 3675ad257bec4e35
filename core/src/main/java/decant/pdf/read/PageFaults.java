package decant.pdf.read;

import java.util.Map;

/** Faults of ours on some pages of a file, the others of which can be read. */
final class PageFaults extends RuntimeException {
  private static final long serialVersionUID = 1;

  private final transient Map<Integer, Throwable> byPage;

  /**
   * @param byPage what was thrown, by the index of the page, from 0
   */
  PageFaults(Map<Integer, Throwable> byPage) {
    super(byPage.values().iterator().next());
    this.byPage = Map.copyOf(byPage);
  }

  Map<Integer, Throwable> byPage() {
    return byPage;
  }
}
