package decant.layout.block;

import decant.layout.label.Styles;
import decant.model.Block;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which blocks are still as their source had them, and are set as they were set there. */
final class AsFound {
  /** What may change without a letter moving. */
  private static final List<Trait<?>> STILL =
      List.of(
          TextTraits.LINK,
          TextTraits.LINK_FRAME,
          TextTraits.COMMENTS,
          TextTraits.COLOUR,
          TextTraits.HIGHLIGHT,
          TextTraits.UNDERLINE,
          TextTraits.FIELD);

  private final SourceSetting setting;
  private final StyleSheet styles;
  private final Map<Block, Boolean> known = new IdentityHashMap<>();

  AsFound(SourceSetting setting, Styles styles) {
    this.setting = setting;
    this.styles = styles.sheet();
  }

  /** Where a block stood, if it is as it was. */
  Optional<SetBlock> of(Block b) {
    return setting.block(b.id()).filter(s -> known.computeIfAbsent(b, x -> same(s.as(), x)));
  }

  /** Forgets what it knows of blocks that have been changed since. */
  void forget() {
    known.clear();
  }

  private boolean same(Block was, Block is) {
    if (was == is && setting.styles() == styles) {
      return true;
    }
    return switch (is) {
      case Paragraph p -> was instanceof Paragraph q && same(q, p);
      case Table t -> was instanceof Table u && same(u, t);
      case KeptBlock k -> false;
    };
  }

  private boolean same(Table was, Table is) {
    if (!was.look().equals(is.look())
        || !was.columns().equals(is.columns())
        || was.rows().size() != is.rows().size()) {
      return false;
    }
    for (int r = 0; r < is.rows().size(); r++) {
      Table.Row a = was.rows().get(r);
      Table.Row b = is.rows().get(r);
      if (a.cells().size() != b.cells().size() || !a.look().equals(b.look())) {
        return false;
      }
      for (int c = 0; c < b.cells().size(); c++) {
        List<Block> x = a.cells().get(c).blocks();
        List<Block> y = b.cells().get(c).blocks();
        if (x.size() != y.size() || !a.cells().get(c).look().equals(b.cells().get(c).look())) {
          return false;
        }
        for (int k = 0; k < y.size(); k++) {
          if (!same(x.get(k), y.get(k))) {
            return false;
          }
        }
      }
    }
    return true;
  }

  private boolean same(Paragraph was, Paragraph is) {
    boolean looks =
        setting.styles() == styles
            ? bare(was.look()).equals(bare(is.look()))
            : bare(setting.styles().paragraphLook(was.look()))
                    .equals(bare(styles.paragraphLook(is.look())))
                && setting.styles().textBase(was.look()).equals(styles.textBase(is.look()));
    return looks && runs(was).equals(runs(is));
  }

  private static Look bare(Look look) {
    return look.without(ParagraphTraits.BOOKMARKS).without(ParagraphTraits.HEADING_LEVEL);
  }

  private record Run(String text, Look look) {}

  /** What stands in a paragraph, in the looks that its letters follow from. */
  private static List<Run> runs(Paragraph p) {
    var out = new ArrayList<Run>();
    for (Inline i : p.inlines()) {
      Look look = i.look();
      for (Trait<?> t : STILL) {
        look = look.without(t);
      }
      String text = i instanceof Inline.Text t ? t.text() : String.valueOf(Inline.OBJECT);
      if (!out.isEmpty() && i instanceof Inline.Text && out.getLast().look().equals(look)) {
        out.set(out.size() - 1, new Run(out.getLast().text() + text, look));
      } else {
        out.add(new Run(text, look));
      }
    }
    return out;
  }
}
