package decant.layout.block;

import decant.layout.item.Area;
import decant.layout.item.BlockLayout;
import decant.layout.item.Drawn;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.Line;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.TableLayout;
import decant.model.Box;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Placement;
import decant.model.look.Placement.Floating;
import decant.model.look.TableTraits;
import decant.model.look.TextFrame;
import java.util.ArrayList;
import java.util.List;

/** Puts things beside the flow and in the way of its lines. */
public final class Floater {
  private final BlockLayouter setter;
  private final Floats floats;

  public Floater(BlockLayouter setter, Floats floats) {
    this.setter = setter;
    this.floats = floats;
  }

  private boolean pushedUp;

  /** Whether a block stands beside the flow rather than in it. */
  public static boolean floats(BlockLayout l) {
    return switch (l) {
      case ParagraphLayout p -> p.style().frame().placement() instanceof Floating;
      case TableLayout t -> t.source().look().value(TableTraits.PLACEMENT) instanceof Floating;
    };
  }

  /** Whether anything is anchored to a paragraph. */
  public static boolean anchors(Paragraph p) {
    for (Inline i : p.inlines()) {
      if (floating(i) != null) {
        return true;
      }
    }
    return false;
  }

  private static @org.jspecify.annotations.Nullable Floating floating(Inline i) {
    Placement p =
        switch (i) {
          case Inline.Picture pic -> pic.placement();
          case Inline.Shape shape -> shape.placement();
          default -> Placement.INLINE;
        };
    return p instanceof Floating f ? f : null;
  }

  /**
   * Puts what is anchored to a paragraph where it belongs.
   *
   * @param free the paragraph as it is set where nothing is in the way
   * @param top of its first line
   */
  public List<Fragment> anchored(ParagraphLayout free, double top, Area area) {
    pushedUp = false;
    var out = new ArrayList<Fragment>();
    int at = 0;
    for (Inline i : free.source().inlines()) {
      Floating f = floating(i);
      if (f != null) {
        out.add(place(i, f, at, free, top, area));
      }
      at += i.length();
    }
    return out;
  }

  private Fragment place(
      Inline i, Floating f, int at, ParagraphLayout free, double top, Area area) {
    Item object;
    double height;
    switch (i) {
      case Inline.Shape shape -> {
        Drawn d = setter.drawn(shape);
        object = new Item.ShapeBox(d, 0, shape.width(), d.height(), at);
        height = d.height();
      }
      case Inline.Picture pic -> {
        object = Item.PictureBox.of(pic, 0, at);
        height = pic.height();
      }
      default -> throw new IllegalArgumentException("only pictures and shapes float");
    }
    Box box = Floats.place(f, object.width(), height, area, top, top + lineTop(free, at));
    pushedUp |= f.wrap().equals(Placement.Wrap.ABOVE_AND_BELOW) && liftedOffItsAnchor(f, box, top);
    floats.add(f, box);
    return new Fragment.Floated(
        free.source(),
        object,
        box.x(),
        box.y(),
        height,
        f.behind(),
        !f.wrap().equals(Placement.Wrap.THROUGH));
  }

  /** Whether it stands above its anchor only because the page ends too soon below that. */
  private static boolean liftedOffItsAnchor(Floating f, Box box, double top) {
    boolean follows =
        f.down().origin() == Placement.Origin.PARAGRAPH
            || f.down().origin() == Placement.Origin.LINE;
    return follows
        && box.y() < top - 1
        && f.down().align() != Placement.Align.END
        && f.down().offset() >= 0;
  }

  /**
   * Whether something that no text stands beside had to be lifted above its anchor for the page to
   * have room for it: text would make way for it, its anchor too.
   */
  public boolean pushedUp() {
    return pushedUp;
  }

  private static double lineTop(ParagraphLayout p, int at) {
    double top = 0;
    for (Line l : p.lines()) {
      if (l.from() > at) {
        break;
      }
      top = l.top();
    }
    return top;
  }

  /** Puts a table beside the flow that is anchored where {@code top} is. */
  public Fragment table(TableLayout t, double top, Area area) {
    Floating f = (Floating) t.source().look().value(TableTraits.PLACEMENT);
    Box box = Floats.place(f, t.width(), t.height(), area, top, top);
    floats.add(f, box);
    return new Fragment.Rows(t, 0, t.parts(), false, box.x(), box.y());
  }

  /** Puts paragraphs of one frame beside the flow. */
  public List<Fragment> frame(List<Paragraph> paragraphs, TextFrame frame, double top, Area area) {
    Floating f = (Floating) frame.placement();
    double width =
        frame.width() > 0
            ? frame.width()
            : Math.min(area.columnWidth(), setter.widest(paragraphs) + 0.1);
    List<Fragment> content = setter.framed(paragraphs, width);
    double needed = content.stream().mapToDouble(Fragment::bottom).max().orElse(0);
    double height = frame.exact() ? frame.height() : Math.max(frame.height(), needed);
    Box box = Floats.place(f, width, height, area, top, top);
    floats.add(f, box);
    return content.stream().map(c -> c.moved(box.x(), box.y())).toList();
  }
}
