package decant.layout;

import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.publication.PageSink;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Asks of every letter and every picture of a document whether it was laid on a sheet, and within
 * its edges. It looks at the finished pages alone and knows nothing of how they were made.
 */
public final class OnSheets {
  /**
   * What is on no sheet.
   *
   * @param block the paragraph
   * @param page the page whose edge it runs over; empty if it was laid on none
   * @param text its letters; empty for a picture
   */
  public record Missing(NodeId block, Optional<Page> page, String text) {}

  /** Of its size, how far a letter's middle may stand over the edge: slanted and swung ones do. */
  private static final double OVER = 0.1;

  private final Layout layout;
  private final Map<NodeId, BitSet> laid = new HashMap<>();
  private final Map<NodeId, Map<Integer, BitSet>> off = new LinkedHashMap<>();
  private final Set<NodeId> pinned = new HashSet<>();

  private OnSheets(Layout layout) {
    this.layout = layout;
  }

  /**
   * What is missing, in the order of the document; running texts are asked for where they are laid,
   * as not every one of them has a page.
   *
   * @param layout complete
   */
  public static List<Missing> missing(Layout layout) {
    var o = new OnSheets(layout);
    Document d = layout.document();
    d.sections().stream()
        .filter(s -> s.pinned().isPresent())
        .forEach(s -> Walk.paragraphs(s.blocks()).forEach(p -> o.pinned.add(p.id())));
    for (Page page : layout.pages()) {
      if (layout.pinned(page).isEmpty()) {
        layout.walk(page, o.new Sheet(page));
      }
    }
    var out = new ArrayList<Missing>();
    Set<NodeId> stories = o.storiesLaid(d);
    d.sections().forEach(s -> Walk.paragraphs(s.blocks()).forEach(p -> o.ask(p, true, out)));
    d.sections()
        .forEach(s ->
            s.running()
                .values()
                .forEach(r -> Walk.paragraphs(r.blocks()).forEach(p -> o.ask(p, false, out))));
    d.stories()
        .values()
        .forEach(
            s -> Walk.paragraphs(s.blocks()).forEach(p -> o.ask(p, stories.contains(s.id()), out)));
    return out;
  }

  /**
   * Notes and texts of shapes that stand in the flow, not in a running text or on a pinned page.
   */
  private Set<NodeId> storiesLaid(Document d) {
    var out = new HashSet<NodeId>();
    for (Paragraph p : Walk.paragraphs(d, Part.ONCE)) {
      if (pinned.contains(p.id())) {
        continue;
      }
      for (Inline i : p.inlines()) {
        switch (i) {
          case Inline.NoteMark n -> out.add(n.note());
          case Inline.Shape s -> s.content().story().ifPresent(out::add);
          case Inline.Text t -> {}
          case Inline.Picture x -> {}
          case Inline.Field f -> {}
          case Inline.KeptInline k -> {}
        }
      }
    }
    return out;
  }

  private void ask(Paragraph p, boolean everywhere, List<Missing> out) {
    if (pinned.contains(p.id())) {
      return;
    }
    off.getOrDefault(p.id(), Map.of())
        .forEach((page, places) -> say(p, Optional.of(layout.pages().get(page - 1)), places, out));
    if (everywhere) {
      BitSet missing = wanted(p);
      missing.andNot(laid.getOrDefault(p.id(), new BitSet()));
      if (!missing.isEmpty()) {
        say(p, Optional.empty(), missing, out);
      }
    }
  }

  private static void say(Paragraph p, Optional<Page> page, BitSet places, List<Missing> out) {
    String text = p.text();
    var words = new StringBuilder();
    int before = -1;
    boolean picture = false;
    for (int k = places.nextSetBit(0); k >= 0; k = places.nextSetBit(k + 1)) {
      if (text.charAt(k) == Inline.OBJECT) {
        picture = true;
        continue;
      }
      if (before >= 0 && text.substring(before + 1, k).codePoints().anyMatch(OnSheets::parts)) {
        words.append(' ');
      }
      words.append(text.charAt(k));
      before = k;
    }
    if (!words.isEmpty()) {
      out.add(new Missing(p.id(), page, words.toString()));
    }
    if (picture) {
      out.add(new Missing(p.id(), page, ""));
    }
  }

  private static boolean parts(int c) {
    return Character.getType(c) != Character.FORMAT;
  }

  /** The places of a paragraph that have to show: letters, signs and pictures. */
  private BitSet wanted(Paragraph p) {
    var out = new BitSet();
    Look base = layout.document().styles().paragraphLook(p.look());
    int at = 0;
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t -> {
          if (!layout.document().styles().textLook(base, t.look()).value(TextTraits.HIDDEN)) {
            shown(t.text(), at, out);
          }
        }
        case Inline.Picture x -> out.set(at);
        case Inline.Field f -> {}
        case Inline.KeptInline k -> {}
        case Inline.NoteMark n -> {}
        case Inline.Shape s -> {}
      }
      at += i.length();
    }
    return out;
  }

  private static void shown(String text, int at, BitSet out) {
    for (int k = 0; k < text.length(); k += Character.charCount(text.codePointAt(k))) {
      int c = text.codePointAt(k);
      if (Character.isLetterOrDigit(c) || isSign(c)) {
        out.set(at + k);
      }
    }
  }

  private static boolean isSign(int c) {
    return switch (Character.getType(c)) {
      case Character.MATH_SYMBOL,
          Character.CURRENCY_SYMBOL,
          Character.OTHER_SYMBOL,
          Character.OTHER_PUNCTUATION,
          Character.DASH_PUNCTUATION,
          Character.START_PUNCTUATION,
          Character.END_PUNCTUATION,
          Character.INITIAL_QUOTE_PUNCTUATION,
          Character.FINAL_QUOTE_PUNCTUATION,
          Character.PRIVATE_USE ->
          true;
      default -> false;
    };
  }

  /** Notes what is laid on one page, and what of it runs over its edges. */
  private final class Sheet implements PageSink {
    private final Page page;
    private final Deque<NodeId> blocks = new ArrayDeque<>();
    private final Deque<AffineTransform> turns = new ArrayDeque<>();

    Sheet(Page page) {
      this.page = page;
    }

    @Override
    public void begin(NodeId block, Role role) {
      blocks.push(block);
    }

    @Override
    public void end() {
      blocks.pop();
    }

    @Override
    public void turn(double degrees, double x, double y) {
      var t = turns.isEmpty() ? new AffineTransform() : new AffineTransform(turns.peek());
      t.rotate(Math.toRadians(degrees), x, y);
      turns.push(t);
    }

    @Override
    public void turnBack() {
      turns.pop();
    }

    @Override
    public void fill(Box box, Colour colour) {}

    @Override
    public void picture(Item.PictureBox p, Box box) {
      if (blocks.isEmpty()) {
        return;
      }
      if (isOff(box.x() + box.width() / 2, box.y() + box.height() / 2, 0)) {
        off(p.at());
      }
      laid().set(p.at());
    }

    @Override
    public void glyphs(Item.GlyphRun r, double x, double y) {
      Item.Shown s = r.shown();
      if (s.kind() != Item.Shown.Kind.TEXT || blocks.isEmpty() || s.to() <= s.from()) {
        return;
      }
      laid().set(s.from(), s.to());
      Item.Placed g = r.placed();
      double up = y - r.rise() - r.size() / 4;
      for (int k = 0; k < g.glyphs().length; k++) {
        double end = k + 1 < g.xs().length ? g.xs()[k + 1] : r.width();
        double middle = x + r.x() + (g.xs()[k] + Math.max(end, g.xs()[k])) / 2;
        if (isOff(middle, up - g.ys()[k], OVER * r.size())) {
          int at = g.clusters()[k];
          if (at >= s.from() && at < s.to() && !s.generated() && !isBlank(s, at)) {
            off(at);
          }
        }
      }
    }

    private boolean isBlank(Item.Shown s, int at) {
      return Character.isWhitespace(s.text().charAt(at - s.from()));
    }

    private BitSet laid() {
      return laid.computeIfAbsent(blocks.element(), k -> new BitSet());
    }

    private void off(int at) {
      off.computeIfAbsent(blocks.element(), k -> new LinkedHashMap<>())
          .computeIfAbsent(page.number(), k -> new BitSet())
          .set(at);
    }

    private boolean isOff(double x, double y, double over) {
      Point2D at = new Point2D.Double(x, y);
      if (!turns.isEmpty()) {
        turns.peek().transform(at, at);
      }
      return at.getX() < -over
          || at.getX() > page.width() + over
          || at.getY() < -over
          || at.getY() > page.height() + over;
    }
  }
}
