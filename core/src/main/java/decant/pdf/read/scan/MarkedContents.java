package decant.pdf.read.scan;

import decant.pdf.read.page.Glyph;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jspecify.annotations.Nullable;

/** The marked content (ISO 32000-2 §14.6) that what is shown stands in. */
final class MarkedContents {
  /**
   * Marked content that is open.
   *
   * @param content its number; -1 for none
   * @param artifact marked as no part of the text
   * @param furniture marked as part of every page, not of what stands there (§14.8.2.2.2)
   * @param hidden on a layer that does not show
   */
  private record Mark(
      int content,
      boolean artifact,
      boolean furniture,
      boolean hidden,
      Optional<ReplacedText> replaced) {
    static final Mark NONE = new Mark(-1, false, false, false, Optional.empty());
  }

  private final Deque<Mark> open = new ArrayDeque<>();
  private final Layers layers;
  private boolean unseen;

  MarkedContents(Layers layers) {
    this.layers = layers;
  }

  /** What is said of a glyph that is shown now. */
  Glyph.Marked ofGlyph() {
    Mark m = open.peek();
    return m == null
        ? Glyph.Marked.NOT
        : new Glyph.Marked(m.content(), m.artifact(), m.furniture());
  }

  /** The last of some glyphs was shown; other text may stand for it. */
  void shown(List<Glyph> all) {
    outer().replaced().ifPresent(r -> r.last(all));
  }

  private Mark outer() {
    Mark m = open.peek();
    return m == null ? Mark.NONE : m;
  }

  void begin(COSName tag, @Nullable COSDictionary properties) {
    Mark outer = outer();
    int content = outer.content();
    boolean artifact = outer.artifact() || COSName.ARTIFACT.equals(tag);
    String kind = properties == null ? "" : properties.getNameAsString(COSName.TYPE, "");
    boolean furniture =
        outer.furniture()
            || COSName.ARTIFACT.equals(tag)
                && (kind.equals("Pagination") || kind.equals("Background") || kind.equals("Page"));
    boolean hidden = outer.hidden() || COSName.OC.equals(tag) && layers.hides(properties);
    Optional<ReplacedText> replaced = outer.replaced();
    if (properties != null) {
      if (content < PageAnnotations.CONTENT) {
        content = properties.getInt(COSName.MCID, content);
      }
      String text = properties.getString(COSName.ACTUAL_TEXT);
      if (text != null) {
        replaced = Optional.of(new ReplacedText(text));
      }
    }
    open.push(new Mark(content, artifact, furniture, hidden, replaced));
  }

  /** Something that has a layer of its own, if it has one (§8.11.3.3). */
  void beginOnLayer(COSDictionary object) {
    Mark outer = outer();
    boolean hidden = outer.hidden() || layers.hides(object.getCOSDictionary(COSName.OC));
    open.push(
        new Mark(outer.content(), outer.artifact(), outer.furniture(), hidden, outer.replaced()));
  }

  /** An annotation, outside the content of its page. */
  void annotation(COSDictionary annotation) {
    open.clear();
    boolean hidden = layers.hides(annotation.getCOSDictionary(COSName.OC));
    open.push(
        new Mark(PageAnnotations.content(annotation), false, false, hidden, Optional.empty()));
  }

  void end() {
    Mark ended = open.poll();
    Mark outer = open.peek();
    if (ended != null) {
      ended
          .replaced()
          .filter(r -> outer == null || outer.replaced().filter(o -> o == r).isEmpty())
          .ifPresent(ReplacedText::settle);
    }
  }

  void endAll() {
    while (!open.isEmpty()) {
      end();
    }
  }

  void clear() {
    open.clear();
  }

  /** The number of the marked content that is open; -1 outside any. */
  int content() {
    return outer().content();
  }

  /** Whether what is painted is part of every page, as headers are. */
  boolean isFurniture() {
    return outer().furniture();
  }

  boolean isArtifact() {
    return outer().artifact();
  }

  /** Whether what is shown now does not show, for its layer does not; that is remembered. */
  boolean isHidden() {
    unseen |= outer().hidden();
    return outer().hidden();
  }

  /** The same of a picture, which may have a layer of its own (§8.11.3.3). */
  boolean isHidden(PDImage image) {
    if (image instanceof PDImageXObject x
        && layers.hides(x.getCOSObject().getCOSDictionary(COSName.OC))) {
      unseen = true;
      return true;
    }
    return isHidden();
  }

  /** Whether anything was not to be seen. */
  boolean hasHidden() {
    return unseen;
  }
}
