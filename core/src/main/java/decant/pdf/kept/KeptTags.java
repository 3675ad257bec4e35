package decant.pdf.kept;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.US_ASCII;

import decant.model.Box;
import decant.model.NodeId;
import decant.pdf.content.ContentReader;
import decant.pdf.content.ContentSplice;
import decant.pdf.content.Instruction;
import decant.pdf.content.ReadPage;
import decant.pdf.content.Span;
import decant.pdf.content.StreamDamage;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.jspecify.annotations.Nullable;

/**
 * Marks what of a page belongs to which block (ISO 32000-2 §14.7.5), by where it paints. What
 * paints stays as it is and in its order: only marks are put in, and those of a structure that
 * stays behind are taken out.
 */
public final class KeptTags {
  /** How far beyond the box of its block a letter's middle may stand, in points. */
  private static final double SLACK = 2;

  /** Of content: a map or a plan with more is kept without tags. */
  private static final int MAX_BYTES = 4 << 20;

  /**
   * A page's content with marks.
   *
   * @param owners the block that each mark's content belongs to, by the number of the mark
   */
  public record Tagged(byte[] content, List<NodeId> owners) {}

  private final byte[] content;
  private final Map<NodeId, Box> places;
  private final List<ContentSplice> splices = new ArrayList<>();
  private final List<NodeId> owners = new ArrayList<>();

  /** What is open: from where on, up to where, and whose it is; an artifact has no owner. */
  private int from = -1;

  private int to;
  private @Nullable NodeId owner;

  private KeptTags(byte[] content, Map<NodeId, Box> places) {
    this.content = content;
    this.places = places;
  }

  /**
   * @param places where blocks stand on the page, in points from its top left as it is shown
   * @return empty if the content cannot be read as a whole, or is too much to be gone through
   */
  public static Optional<Tagged> of(PDPage page, Map<NodeId, Box> places) throws IOException {
    ReadPage.Unpacked content = ReadPage.Unpacked.of(page);
    if (!content.whole() || content.bytes().length > MAX_BYTES || StreamDamage.of(page)) {
      return Optional.empty();
    }
    Map<Integer, List<Point2D>> painted = PaintedPlaces.of(page);
    var tags = new KeptTags(content.bytes(), places);
    tags.mark(ContentReader.all(content.bytes()), painted, page.getResources());
    return Optional.of(
        new Tagged(ContentSplice.all(content.bytes(), tags.splices), List.copyOf(tags.owners)));
  }

  private void mark(
      List<Instruction> all, Map<Integer, List<Point2D>> painted, @Nullable PDResources resources) {
    var kept = new ArrayList<Boolean>(); // of the marks that are open, whether they stay
    int path = -1; // where the path begins that is under construction
    for (int k = 0; k < all.size(); k++) {
      Instruction i = all.get(k);
      int end = endOfReplaced(all, k, resources);
      if (end > k) {
        replaced(all, k, end, painted);
        k = end;
        continue;
      }
      switch (i) {
        case Instruction.MarkStart m -> {
          boolean stays = m.tag().equals("OC");
          kept.add(stays);
          close();
          if (!stays) {
            splices.add(ContentSplice.without(m.span()));
          }
        }
        case Instruction.MarkEnd m -> {
          close();
          if (!kept.isEmpty() && !kept.removeLast()) {
            splices.add(ContentSplice.without(m.span()));
          }
        }
        case Instruction.ShowText t -> part(t.span(), ownerOf(painted.get(k)));
        case Instruction.PaintObject o -> part(o.span(), ownerOf(painted.get(k)));
        case Instruction.InlineImage o -> part(o.span(), null);
        case Instruction.Shading s -> part(s.span(), null);
        case Instruction.Path p -> path = path < 0 ? p.span().from() : path;
        case Instruction.PaintPath p -> {
          if (p.paints() && path >= 0) {
            part(new Span(path, p.span().to()), null);
          }
          path = -1;
        }
        case Instruction.Save x -> close();
        case Instruction.Restore x -> close();
        case Instruction.TextStart x -> close();
        case Instruction.TextEnd x -> close();
        case Instruction.Compatibility x -> close();
        case Instruction.Unknown x -> close();
        case Instruction.Concat x -> {}
        case Instruction.State x -> {}
        case Instruction.Clip x -> {}
        case Instruction.Colour x -> {}
        case Instruction.Font x -> {}
        case Instruction.TextState x -> {}
        case Instruction.MoveText x -> {}
        case Instruction.TextMatrix x -> {}
        case Instruction.NextLine x -> {}
        case Instruction.MarkPoint x -> {}
        case Instruction.GlyphWidth x -> {}
      }
    }
    close();
  }

  /**
   * Where a mark ends whose text stands for what is shown (ISO 32000-2 §14.9.4), with all that is
   * in it; the instruction itself where it begins none.
   */
  private static int endOfReplaced(
      List<Instruction> all, int begin, @Nullable PDResources resources) {
    if (!(all.get(begin) instanceof Instruction.MarkStart m) || !replaces(m, resources)) {
      return begin;
    }
    int open = 0;
    for (int k = begin; k < all.size(); k++) {
      open += all.get(k) instanceof Instruction.MarkStart ? 1 : 0;
      open -= all.get(k) instanceof Instruction.MarkEnd ? 1 : 0;
      if (open == 0) {
        return k;
      }
    }
    return begin;
  }

  private static boolean replaces(Instruction.MarkStart m, @Nullable PDResources resources) {
    COSBase p = m.properties().orElse(null);
    if (p instanceof COSDictionary own) {
      return own.containsKey(COSName.ACTUAL_TEXT);
    }
    if (!(p instanceof COSName name) || resources == null) {
      return false;
    }
    PDPropertyList list = resources.getProperties(name);
    return list != null
        && list.getCOSObject().containsKey(COSName.ACTUAL_TEXT)
        && !list.getCOSObject().containsKey(COSName.MCID);
  }

  /** All that one text stands for belongs to one block; the marks within it go. */
  private void replaced(
      List<Instruction> all, int begin, int end, Map<Integer, List<Point2D>> painted) {
    var points = new ArrayList<Point2D>();
    boolean whole = true;
    for (int k = begin; k <= end; k++) {
      points.addAll(painted.getOrDefault(k, List.of()));
      Instruction i = all.get(k);
      whole &= !(i instanceof Instruction.TextStart || i instanceof Instruction.TextEnd);
    }
    NodeId of = ownerOf(points);
    close();
    if (whole) {
      from = all.get(begin).span().from();
      to = all.get(end).span().to();
      owner = of;
    }
    close(() -> {
      placeTakenOut((Instruction.MarkStart) all.get(begin));
      for (int k = begin + 1; k < end; k++) {
        Instruction i = all.get(k);
        if (i instanceof Instruction.MarkStart || i instanceof Instruction.MarkEnd) {
          splices.add(ContentSplice.without(i.span()));
        }
      }
    });
  }

  private static final Pattern PLACE = Pattern.compile("/MCID\\s*\\d+");

  /** Takes the place in the structure that stays behind out of a mark that stays. */
  private void placeTakenOut(Instruction.MarkStart m) {
    var bytes = new String(content, m.span().from(), m.span().length(), ISO_8859_1);
    Matcher place = PLACE.matcher(bytes);
    if (place.find()) {
      int at = m.span().from();
      splices.add(ContentSplice.without(new Span(at + place.start(), at + place.end())));
    }
  }

  /** What paints: goes on with what is open if that has the same owner. */
  private void part(Span span, @Nullable NodeId of) {
    if (from >= 0 && owner != null ? !owner.equals(of) : of != null) {
      close();
    }
    if (from < 0) {
      from = span.from();
      owner = of;
    }
    to = span.to();
  }

  private void close() {
    close(() -> {});
  }

  /**
   * @param within adds what else changes in what is closed
   */
  private void close(Runnable within) {
    if (from < 0) {
      within.run();
      return;
    }
    String begins = "/Artifact BMC";
    if (owner != null) {
      begins = "/P <</MCID " + owners.size() + ">> BDC";
      owners.add(owner);
    }
    splices.add(ContentSplice.before(from, begins.getBytes(US_ASCII)));
    within.run();
    splices.add(ContentSplice.before(to, "EMC".getBytes(US_ASCII)));
    from = -1;
    owner = null;
  }

  /** The block that most of what is painted stands in; of blocks in one another the smallest. */
  private @Nullable NodeId ownerOf(@Nullable List<Point2D> points) {
    if (points == null) {
      return null;
    }
    var votes = new HashMap<NodeId, Integer>();
    for (Point2D p : points) {
      blockAt(places, p.getX(), p.getY(), SLACK).ifPresent(id -> votes.merge(id, 1, Integer::sum));
    }
    return votes.entrySet().stream()
        .max(
            Map.Entry.<NodeId, Integer>comparingByValue()
                .thenComparing(e -> -area(places.get(e.getKey()))))
        .map(Map.Entry::getKey)
        .orElse(null);
  }

  /**
   * The block that stands at a point; of blocks in one another the smallest.
   *
   * @param slack how far beyond its box the point may be, in points
   */
  public static Optional<NodeId> blockAt(
      Map<NodeId, Box> places, double x, double y, double slack) {
    return places.entrySet().stream()
        .filter(e -> holds(e.getValue(), x, y, slack))
        .min((a, b) -> Double.compare(area(a.getValue()), area(b.getValue())))
        .map(Map.Entry::getKey);
  }

  private static double area(@Nullable Box b) {
    return b == null ? 0 : b.width() * b.height();
  }

  private static boolean holds(Box b, double x, double y, double slack) {
    return x >= b.x() - slack
        && x <= b.right() + slack
        && y >= b.y() - slack
        && y <= b.bottom() + slack;
  }
}
