package decant.office.doc.write;

import decant.model.Inline;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is drawn: pictures on the line, which stand in a stream of their own ([MS-DOC] 2.9.190), and
 * what stands beside the text, each with its place (Spa, §2.9.253) and its shape ([MS-ODRAW]).
 */
final class Drawings {
  private static final double EMU = 12_700; // to the point
  private static final int LONGEST_SIDE = 31_680; // twips
  private static final int PICTURE_FRAME = 75; // MSOSPT, [MS-ODRAW] 2.4.24
  private static final int TEXT_BOX = 202;
  private static final int IDS = 1024; // numbers of shapes that are given out at once
  private static final int HEAD = 68; // bytes of a PICF
  private static final int HAS_TYPE = 0x800;
  private static final int HAS_ANCHOR = 0x200;
  private static final int FLIPPED = 0x80;
  private static final int PATRIARCH = 0x5;

  /** The drawing of the text, or that of headers and footers. */
  private static final class Drawing {
    final Plc places = new Plc();
    final Bytes shapes = new Bytes();
    int count = 1; // with the one that holds all others
    int patriarch;
    int last;
    int cluster = -1;
  }

  private final Map<MediaId, Media> media;
  private final Bytes data;
  private final List<Blip> blips = new ArrayList<>();
  private final Map<MediaId, Integer> numbers = new LinkedHashMap<>();
  private final Map<MediaId, Optional<Blip>> known = new LinkedHashMap<>();

  /** For each thousand numbers of shapes the drawing that has them, and how many it has used. */
  private final List<int[]> clusters = new ArrayList<>();

  private final Drawing[] drawings = {new Drawing(), new Drawing()};

  /**
   * @param data the stream of pictures on the line
   */
  Drawings(Map<MediaId, Media> media, Bytes data) {
    this.media = media;
    this.data = data;
  }

  /** Puts a picture on the line; where in the stream it stands, empty if it cannot be written. */
  Optional<Integer> onLine(Inline.Picture p) {
    Optional<Blip> blip = blip(p);
    if (blip.isEmpty()) {
      return Optional.empty();
    }
    int at = data.size();
    double w = p.width() / Math.max(0.01, 1 - p.crop().left() - p.crop().right());
    double h = p.height() / Math.max(0.01, 1 - p.crop().top() - p.crop().bottom());
    var shape = new Bytes();
    shape.add(head(PICTURE_FRAME, 1, HAS_TYPE | HAS_ANCHOR).array());
    var options = new ArtRecord.Options().blip(0x0104, 1).text(0x0381, p.alt());
    cropped(options, p.crop());
    turned(options, p.rotation());
    shape.add(options.record(ArtRecord.OPTIONS).array());
    shape.add(ArtRecord.of(0, 0, ArtRecord.ANCHOR, new Bytes().u32(0x80000000L)).array());
    byte[] art =
        new Bytes()
            .add(ArtRecord.container(0, ArtRecord.SHAPE, shape).array())
            .add(blip.get().entry(-1).array())
            .array();
    int across = goal(w);
    int down = goal(h);
    data.u32(HEAD + art.length).u16(HEAD).u16(0x64).u16(across).u16(down).u16(0);
    data.zeros(14);
    data.u16(across).u16(down).u16(scale(w, across)).u16(scale(h, down));
    data.zeros(HEAD - 36).add(art).align(4);
    return Optional.of(at);
  }

  private static int goal(double points) {
    return Math.clamp(Math.round(points * 20), 1, LONGEST_SIDE);
  }

  /** In thousandths. */
  private static int scale(double points, int goal) {
    return Math.clamp(Math.round(points * 20_000 / goal), 10, 65_535);
  }

  private Optional<Blip> blip(Inline.Picture p) {
    return known.computeIfAbsent(
        p.media(),
        id -> Optional.ofNullable(media.get(id)).flatMap(m -> Blip.of(m, p.width(), p.height())));
  }

  /**
   * Draws a picture beside the text.
   *
   * @param at the character that stands for it, of its part
   * @return whether it can be written
   */
  boolean beside(boolean header, int at, Inline.Picture p, Placement.Floating place) {
    Optional<Blip> blip = blip(p);
    if (blip.isEmpty()) {
      return false;
    }
    int number =
        numbers.computeIfAbsent(
            p.media(),
            k -> {
              blips.add(blip.get());
              return blips.size();
            });
    var options = new ArtRecord.Options().blip(0x0104, number).text(0x0381, p.alt());
    cropped(options, p.crop());
    turned(options, p.rotation());
    shape(header, at, PICTURE_FRAME, 0, options, place, p.width(), p.height(), Optional.empty());
    return true;
  }

  /**
   * Draws a shape.
   *
   * @param text the number of its text among those of all shapes, from 1; empty if it has none
   * @return the number of the shape, which its text names
   */
  int shape(
      boolean header, int at, Inline.Shape s, Placement.Floating place, Optional<Integer> text) {
    int kind =
        switch (s.drawing().geometry()) {
          case RECTANGLE -> text.isPresent() ? TEXT_BOX : 1;
          case ROUNDED -> 2;
          case ELLIPSE -> 3;
          case LINE_DOWN, LINE_UP -> 20;
        };
    var o = new ArtRecord.Options().text(0x0381, s.alt());
    turned(o, s.rotation());
    text.ifPresent(n -> o.add(0x0080, (long) n << 16));
    Insets p = s.content().padding();
    o.add(0x0081, emu(p.left())).add(0x0082, emu(p.top()));
    o.add(0x0083, emu(p.right())).add(0x0084, emu(p.bottom()));
    o.add(
        0x0087,
        switch (s.content().alignment()) {
          case TOP -> 0;
          case CENTRE -> 1;
          case BOTTOM -> 2;
        });
    o.add(0x00BF, s.content().grows() ? 0x00020002 : 0x00020000);
    Optional<Colour> fill = s.drawing().fill();
    fill.ifPresent(c -> o.add(0x0181, Units.colour(c)));
    o.add(0x01BF, fill.isPresent() ? 0x00100010 : 0x00100000);
    Optional<Rule> line = s.drawing().outline().filter(Rule::isDrawn);
    line.ifPresent(l -> {
      o.add(0x01C0, Units.colour(l.colour())).add(0x01CB, emu(l.width()));
      switch (l.kind()) {
        case SINGLE -> {}
        case DOUBLE -> o.add(0x01CD, 1);
        case DOTTED -> o.add(0x01CE, 2);
        case DASHED -> o.add(0x01CE, 6);
      }
    });
    o.add(0x01FF, line.isPresent() ? 0x00080008 : 0x00080000);
    int flags = s.drawing().geometry() == Inline.Geometry.LINE_UP ? FLIPPED : 0;
    return shape(header, at, kind, flags, o, place, s.width(), s.height(), text);
  }

  private static long emu(double points) {
    return Math.round(points * EMU);
  }

  private static void cropped(ArtRecord.Options o, Insets c) {
    share(o, 0x0100, c.top());
    share(o, 0x0101, c.bottom());
    share(o, 0x0102, c.left());
    share(o, 0x0103, c.right());
  }

  private static void share(ArtRecord.Options o, int option, double share) {
    if (share != 0) {
      o.add(option, Math.round(share * 65_536));
    }
  }

  private static void turned(ArtRecord.Options o, double degrees) {
    if (degrees != 0) {
      o.add(0x0004, Math.round(degrees * 65_536));
    }
  }

  private static Bytes head(int kind, int id, int flags) {
    return ArtRecord.of(2, kind, ArtRecord.SHAPE_HEAD, new Bytes().u32(id).u32(flags));
  }

  private int shape(
      boolean header,
      int at,
      int kind,
      int flags,
      ArtRecord.Options options,
      Placement.Floating place,
      double width,
      double height,
      Optional<Integer> text) {
    Drawing d = drawings[header ? 1 : 0];
    if (d.patriarch == 0) {
      d.patriarch = id(header);
    }
    int id = id(header);
    d.last = id;
    Insets away = place.distance();
    options.add(0x0384, emu(away.left())).add(0x0385, emu(away.top()));
    options.add(0x0386, emu(away.right())).add(0x0387, emu(away.bottom()));
    if (place.behind()) {
      options.add(0x03BF, 0x00200020);
    }
    var more = new ArtRecord.Options();
    aligned(more, 0x038F, place.across());
    aligned(more, 0x0391, place.down());
    var shape = new Bytes();
    shape.add(head(kind, id, flags | HAS_TYPE | HAS_ANCHOR).array());
    shape.add(options.record(ArtRecord.OPTIONS).array());
    shape.add(more.record(ArtRecord.MORE_OPTIONS).array());
    int number = d.count - 1;
    shape.add(ArtRecord.of(0, 0, ArtRecord.ANCHOR, new Bytes().u32(number)).array());
    shape.add(ArtRecord.of(0, 0, ArtRecord.DATA, new Bytes().u32(1)).array());
    text.ifPresent(n ->
        shape.add(ArtRecord.of(0, 0, ArtRecord.TEXT_BOX, new Bytes().u32((long) n << 16)).array()));
    d.shapes.add(ArtRecord.container(0, ArtRecord.SHAPE, shape).array());
    d.count++;
    d.places.add(at, spa(header, id, place, width, height));
    return id;
  }

  /** 1 to 3 for a side or the middle; nothing for a place that is measured. */
  private static void aligned(ArtRecord.Options o, int option, Axis a) {
    o.add(
        option,
        switch (a.align()) {
          case OFFSET -> 0;
          case START -> 1;
          case CENTRE -> 2;
          case END -> 3;
        });
    o.add(
        option + 1,
        switch (a.origin()) {
          case MARGIN -> 0;
          case PAGE -> 1;
          case COLUMN, PARAGRAPH -> 2;
          case LINE -> 3;
        });
  }

  private static Bytes spa(
      boolean header, int id, Placement.Floating p, double width, double height) {
    int left = twips(p.across());
    int top = twips(p.down());
    int wrap =
        switch (p.wrap()) {
          case Wrap.AboveAndBelow a -> 1;
          case Wrap.Around a -> 2;
          case Wrap.Through t -> 3;
        };
    int side =
        p.wrap() instanceof Wrap.Around a
            ? switch (a.side()) {
              case BOTH -> 0;
              case LEFT -> 1;
              case RIGHT -> 2;
              case WIDER -> 3;
            }
            : 0;
    int flags =
        (header ? 1 : 0)
            | origin(p.across()) << 1
            | origin(p.down()) << 3
            | wrap << 5
            | side << 9
            | (p.behind() ? 1 << 14 : 0);
    return new Bytes()
        .u32(id)
        .u32(left)
        .u32(top)
        .u32(left + Math.round(width * 20))
        .u32(top + Math.round(height * 20))
        .u16(flags)
        .u32(0);
  }

  private static int twips(Axis a) {
    return a.align() == Placement.Align.OFFSET ? (int) Math.round(a.offset() * 20) : 0;
  }

  private static int origin(Axis a) {
    return switch (a.origin()) {
      case MARGIN -> 0;
      case PAGE -> 1;
      case COLUMN, PARAGRAPH, LINE -> 2;
    };
  }

  private int id(boolean header) {
    Drawing d = drawings[header ? 1 : 0];
    if (d.cluster < 0 || clusters.get(d.cluster)[1] == IDS) {
      d.cluster = clusters.size();
      clusters.add(new int[] {header ? 2 : 1, 0});
    }
    int[] c = clusters.get(d.cluster);
    return IDS * (d.cluster + 1) + c[1]++;
  }

  /** Where what is drawn stands, of the text or of headers (PlcfSpa, §2.8.37). */
  Plc places(boolean header) {
    return drawings[header ? 1 : 0].places;
  }

  boolean isEmpty() {
    return clusters.isEmpty();
  }

  /**
   * All shapes (OfficeArtContent, §2.9.172).
   *
   * @param stream of the text, at whose end the pictures are put
   */
  Bytes content(Bytes stream) {
    var entries = new Bytes();
    for (Blip b : blips) {
      stream.align(4);
      int at = stream.size();
      stream.add(b.record().array());
      entries.add(b.entry(at).array());
    }
    int shapes = 0;
    int count = 0;
    for (Drawing d : drawings) {
      shapes += d.patriarch > 0 ? d.count : 0;
      count += d.patriarch > 0 ? 1 : 0;
    }
    var counts =
        new Bytes()
            .u32((clusters.size() + 1L) * IDS)
            .u32(clusters.size() + 1L)
            .u32(shapes)
            .u32(count);
    clusters.forEach(c -> counts.u32(c[0]).u32(c[1]));
    var group = new Bytes().add(ArtRecord.of(0, 0, ArtRecord.COUNTS, counts).array());
    if (!blips.isEmpty()) {
      group.add(ArtRecord.container(blips.size(), ArtRecord.BLIPS, entries).array());
    }
    var out = new Bytes().add(ArtRecord.container(0, ArtRecord.DRAWINGS, group).array());
    for (int k = 0; k < drawings.length; k++) {
      if (drawings[k].patriarch > 0) {
        out.u8(k).add(drawing(drawings[k], k + 1).array());
      }
    }
    return out;
  }

  private static Bytes drawing(Drawing d, int number) {
    var all =
        new Bytes()
            .add(ArtRecord.of(1, 0, ArtRecord.GROUP_BOX, new Bytes().zeros(16)).array())
            .add(head(0, d.patriarch, PATRIARCH).array());
    var group =
        new Bytes().add(ArtRecord.container(0, ArtRecord.SHAPE, all).array()).add(d.shapes.array());
    var counts = new Bytes().u32(d.count).u32(d.last);
    return ArtRecord.container(
        0,
        ArtRecord.DRAWING,
        new Bytes()
            .add(ArtRecord.of(0, number, ArtRecord.DRAWING_COUNTS, counts).array())
            .add(ArtRecord.container(0, ArtRecord.GROUP, group).array()));
  }
}
