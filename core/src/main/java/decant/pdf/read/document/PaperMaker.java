package decant.pdf.read.document;

import decant.model.Box;
import decant.model.PageSetup;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.TextArea;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import java.util.List;

/** The paper and the margins of like pages. */
final class PaperMaker {
  private final List<ScannedPage> pages;
  private final RunningTexts.Result running;

  PaperMaker(List<ScannedPage> pages, RunningTexts.Result running) {
    this.pages = pages;
    this.running = running;
  }

  static boolean sameSheet(ScannedPage a, ScannedPage b) {
    return Math.abs(a.width() - b.width()) < 2 && Math.abs(a.height() - b.height()) < 2;
  }

  PageSetup setup(int from, int to, List<Detected> here) {
    ScannedPage p = pages.get(from);
    TextArea area = TextArea.of(here, p.width());
    double left = area.left();
    double right = area.right();
    double top = p.height();
    double bottom = 0;
    for (Detected f : here) {
      Box b = f.box();
      top = Math.min(top, b.y());
      bottom = Math.max(bottom, b.bottom());
    }
    if (here.isEmpty()) {
      return PageSetup.plain(p.width(), p.height(), PageSetup.Margins.INCH);
    }
    double header = fromEdge(true, p.height(), top);
    double footer = fromEdge(false, p.height(), p.height() - bottom);
    // The lowest line of the fullest page stands a little above the margin; half a line more is
    // safe.
    double below = Math.max(18, p.height() - bottom - 8);
    return PageSetup.plain(
        p.width(),
        p.height(),
        new PageSetup.Margins(
            margin(top, p.height()),
            margin(p.width() - right, p.width()),
            margin(below, p.height()),
            margin(left, p.width()),
            header,
            footer));
  }

  /**
   * How far running texts stand from the edge of the paper: as far as they were found, if set again
   * they still end before the text.
   *
   * @param room from the edge to the text
   */
  private double fromEdge(boolean header, double height, double room) {
    double nearest = height;
    double farthest = 0;
    for (RunningTexts.RunningText r : running.texts()) {
      TextLine l = r.lines().getFirst();
      double top = l.baseline() - DocumentThresholds.RunningStories.ABOVE * l.size();
      double bottom = l.baseline() + DocumentThresholds.RunningStories.BELOW * l.size();
      if (r.header() == header) {
        nearest = Math.min(nearest, header ? top : height - bottom);
        farthest = Math.max(farthest, header ? bottom : height - top);
      }
    }
    double taken =
        Math.max(0, farthest - nearest) * DocumentThresholds.RunningStories.SET_AGAIN
            + DocumentThresholds.RunningStories.APART;
    double most = Math.max(USUAL_DISTANCE, room - taken);
    return farthest == 0 ? USUAL_DISTANCE : Math.clamp(nearest, 12, most);
  }

  /** Of running texts from the edge, in points, where none were found. */
  private static final double USUAL_DISTANCE = 36;

  /** A margin of at least 12 points, but never more than a third of the page. */
  private static double margin(double found, double whole) {
    return Math.min(Math.max(found, 12), whole / 3);
  }
}
