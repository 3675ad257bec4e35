package decant.layout;

import decant.layout.block.BlockLayouter;
import decant.layout.block.Floater;
import decant.layout.item.Area;
import decant.layout.item.Fragment;
import decant.layout.label.Context;
import decant.layout.label.Styles;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.text.JdkShaper;
import decant.text.WordCache;
import java.util.List;
import java.util.Map;

/**
 * Sets running texts. Used by the threads that paint pages, one at a time, and kept from layout to
 * layout, so that what is known of a header is not found out again at every key.
 */
final class RunningSetter {
  private final Styles styles;
  private final SourceSetting source;
  private final BlockLayouter setter;

  RunningSetter(Styles styles, SourceSetting source) {
    this.styles = styles;
    this.source = source;
    // Styles and a shaper of its own: other threads use theirs at the same time.
    this.setter =
        new BlockLayouter(
            new Styles(styles.sheet(), styles.lists(), styles.fonts()),
            new WordCache(new JdkShaper()),
            source);
  }

  boolean serves(Styles others, SourceSetting from) {
    return styles == others && source == from;
  }

  /** Sets running texts of a document. */
  Layout.RunningTexts in(Context context) {
    return (story, setup, top, fields) ->
        set(
            story,
            setup,
            top,
            new Context(Map.of(), context.stories(), fields.withNotes(context.fields().notes())));
  }

  private synchronized List<Fragment> set(
      Story story, PageSetup setup, double top, Context context) {
    setter.use(context);
    return setter.stack(
        story.blocks(), setup.textWidth(), Area.running(setup, setup.margins().left(), top));
  }

  /**
   * What a running text takes of a page from its edge, in points; the margin, if that is more. Not
   * a number where something floats in it, of which the height says nothing.
   */
  double room(Story story, PageSetup p, boolean header, Context context) {
    boolean floats =
        story.blocks().stream().anyMatch(b -> b instanceof Paragraph t && Floater.anchors(t));
    if (floats) {
      return Double.NaN;
    }
    double edge = header ? p.margins().header() : p.margins().footer();
    double margin = header ? p.margins().top() : p.margins().bottom();
    return Math.max(margin, edge + Fragment.lowest(set(story, p, p.margins().header(), context)));
  }
}
