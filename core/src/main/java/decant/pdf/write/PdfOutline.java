package decant.pdf.write;

import decant.model.NodeId;
import decant.model.Outline;
import decant.pdf.choices.Navigation;
import decant.publication.Publication;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/** Writes headings as the outline (ISO 32000-2 §12.3.3). */
public final class PdfOutline {
  private final Navigation navigation;
  private final Function<NodeId, Optional<COSArray>> destination;
  private final Map<NodeId, String> labels;

  private PdfOutline(
      Publication p, Navigation navigation, Function<NodeId, Optional<COSArray>> destination) {
    this.navigation = navigation;
    this.destination = destination;
    this.labels = navigation.numbered() ? p.labels() : Map.of();
  }

  /** What stands in the bookmark of a heading. */
  public static String title(String text, String label) {
    return label.isBlank() ? text : label.strip() + " " + text;
  }

  /**
   * @param destination where a heading stands in the file; empty for one on a page that is left out
   * @return the outline, if there is anything in it
   */
  static Optional<COSDictionary> write(
      COSDictionary catalog,
      Publication p,
      Navigation navigation,
      Function<NodeId, Optional<COSArray>> destination) {
    var o = new PdfOutline(p, navigation, destination);
    COSDictionary root = new COSDictionary();
    root.setItem(COSName.TYPE, COSName.OUTLINES);
    int shown = o.fill(root, Outline.of(p.headings()), 1);
    if (shown == 0) {
      return Optional.empty();
    }
    root.setInt(COSName.COUNT, shown);
    catalog.setItem(COSName.OUTLINES, root);
    return Optional.of(root);
  }

  /** Adds entries below one; returns how many are in sight while it is unfolded. */
  private int fill(COSDictionary parent, List<Outline.Entry> entries, int depth) {
    List<Outline.Entry> kept = new ArrayList<>();
    for (Outline.Entry e : entries) {
      collect(e, kept);
    }
    COSDictionary before = null;
    int shown = 0;
    for (Outline.Entry e : kept) {
      COSDictionary item = new COSDictionary();
      item.setItem(
          COSName.TITLE, new COSString(title(e.text(), labels.getOrDefault(e.paragraph(), ""))));
      destination.apply(e.paragraph()).ifPresent(to -> item.setItem(COSName.DEST, to));
      item.setItem(COSName.PARENT, parent);
      if (before == null) {
        parent.setItem(COSName.FIRST, item);
      } else {
        before.setItem(COSName.NEXT, item);
        item.setItem(COSName.PREV, before);
      }
      int below = fill(item, e.children(), depth + 1);
      boolean unfolded = depth < navigation.openLevels();
      if (below > 0) {
        item.setInt(COSName.COUNT, unfolded ? below : -below);
      }
      shown += 1 + (unfolded ? below : 0);
      before = item;
    }
    if (before != null) {
      parent.setItem(COSName.LAST, before);
    }
    return shown;
  }

  /** An entry that is in the file, or else those below it that are. */
  private void collect(Outline.Entry e, List<Outline.Entry> out) {
    if (e.level() > navigation.bookmarkLevels()) {
      return;
    }
    if (destination.apply(e.paragraph()).isPresent()) {
      out.add(e);
    } else {
      e.children().forEach(c -> collect(c, out));
    }
  }
}
