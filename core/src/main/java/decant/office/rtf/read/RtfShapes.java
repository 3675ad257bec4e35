package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.office.shape.DrawnShape;
import decant.office.shape.ShapeOptions;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Shapes (Rich Text Format 1.9.1, “Drawing Objects in Word 97 Through Word 2007”): where they stand
 * in control words, what they are like in pairs of names and values.
 */
final class RtfShapes {
  private static final int FRAME_OF_PICTURE = 75;
  private static final int RECTANGLE = 1;
  private static final int BOX_OF_TEXT = 202;
  private static final int DESCRIPTION = 0x0381;

  /** The options of [MS-ODRAW] 2.3 by the names that they have here. */
  private static final Map<Integer, String> NAMES =
      Map.ofEntries(
          Map.entry(0x0004, "rotation"),
          Map.entry(0x0081, "dxTextLeft"),
          Map.entry(0x0082, "dyTextTop"),
          Map.entry(0x0083, "dxTextRight"),
          Map.entry(0x0084, "dyTextBottom"),
          Map.entry(0x0087, "anchorText"),
          Map.entry(0x0100, "cropFromTop"),
          Map.entry(0x0101, "cropFromBottom"),
          Map.entry(0x0102, "cropFromLeft"),
          Map.entry(0x0103, "cropFromRight"),
          Map.entry(0x0181, "fillColor"),
          Map.entry(0x01C0, "lineColor"),
          Map.entry(0x01CB, "lineWidth"),
          Map.entry(0x01CD, "lineStyle"),
          Map.entry(0x01CE, "lineDashing"),
          Map.entry(DESCRIPTION, "wzDescription"),
          Map.entry(0x0384, "dxWrapDistLeft"),
          Map.entry(0x0385, "dyWrapDistTop"),
          Map.entry(0x0386, "dxWrapDistRight"),
          Map.entry(0x0387, "dyWrapDistBottom"),
          Map.entry(0x038F, "posh"),
          Map.entry(0x0390, "posrelh"),
          Map.entry(0x0391, "posv"),
          Map.entry(0x0392, "posrelv"));

  private static final Map<Integer, String> FLAGS =
      Map.of(
          0x01BF << 8 | 4, "fFilled",
          0x01FF << 8 | 3, "fLine",
          0x00BF << 8 | 1, "fFitShapeToText",
          0x03BF << 8 | 5, "fBehindDocument");

  private static final String KIND = "shapeType";

  /** What is told of a shape. */
  static final class Told implements ShapeOptions {
    final int groups;
    final boolean isGroup;
    final Map<Command, Integer> words = new EnumMap<>(Command.class);
    final Map<String, String> options = new HashMap<>();
    Optional<NodeId> story = Optional.empty();
    Optional<Inline.Picture> picture = Optional.empty();

    Told(int groups, boolean isGroup) {
      this.groups = groups;
      this.isGroup = isGroup;
    }

    int word(Command c, int otherwise) {
      return words.getOrDefault(c, otherwise);
    }

    int option(String name, int otherwise) {
      try {
        return Integer.parseInt(options.getOrDefault(name, "").strip());
      } catch (NumberFormatException e) {
        return otherwise;
      }
    }

    boolean says(String name) {
      return option(name, 0) != 0;
    }

    @Override
    public int number(int option, int otherwise) {
      return option(NAMES.getOrDefault(option, ""), otherwise);
    }

    @Override
    public boolean flag(int option, int bit, boolean otherwise) {
      return option(FLAGS.getOrDefault(option << 8 | bit, ""), otherwise ? 1 : 0) != 0;
    }

    @Override
    public String text(int option) {
      return options.getOrDefault(NAMES.getOrDefault(option, ""), "").strip();
    }
  }

  private final Deque<Told> open = new ArrayDeque<>();
  private final StringBuilder name = new StringBuilder();
  private final StringBuilder value = new StringBuilder();
  private Map<String, String> ofPicture = new HashMap<>();
  private boolean inPicture;
  private boolean inValue;
  private boolean simplified;

  /** A shape begins, or a group of them. @param groups how many groups it stands in */
  void begins(int groups, boolean isGroup) {
    said();
    open.push(new Told(groups, isGroup));
  }

  /** An object of an older file begins. @param groups how many groups it stands in */
  void oldBegins(int groups) {
    begins(groups, false);
    RtfOldShapes.begins(open.element());
  }

  /**
   * What kind of an older object comes; several may stand in one group.
   *
   * @return the one before it, if that ends with it
   */
  Optional<Inline> oldKind(Command c) {
    if (!RtfOldShapes.isKind(c) || open.isEmpty()) {
      return Optional.empty();
    }
    Optional<Inline> before = Optional.empty();
    Told last = open.element();
    if (last.options.containsKey(KIND)) {
      before = ended();
      oldBegins(last.groups);
      RtfOldShapes.goesOn(open.element(), last);
    }
    open.element().options.put(KIND, RtfOldShapes.kind(c));
    return before;
  }

  /** Whether the group that ends is that of a shape. */
  boolean endsAt(int groups) {
    return !open.isEmpty() && open.peek().groups == groups;
  }

  /** Properties of a picture come. */
  void pictureBegins() {
    said();
    inPicture = true;
    ofPicture = new HashMap<>();
  }

  /** The name of a property comes. */
  void name() {
    said();
    inValue = false;
  }

  /** Its value comes. */
  void value() {
    inValue = true;
  }

  void text(String s) {
    (inValue ? value : name).append(s);
  }

  private void said() {
    if (!name.isEmpty()) {
      Map<String, String> into = inPicture || open.isEmpty() ? ofPicture : open.getFirst().options;
      into.put(name.toString().strip(), value.toString());
    }
    name.setLength(0);
    value.setLength(0);
  }

  /** What was said of the picture that ends. */
  RtfPicture.Words pictureEnds() {
    said();
    var t = new Told(0, false);
    t.options.putAll(inPicture ? ofPicture : Map.of());
    inPicture = false;
    ofPicture = new HashMap<>();
    return new RtfPicture.Words(t.text(DESCRIPTION), DrawnShape.turned(t));
  }

  /** A word about where a shape stands. @return whether it is one */
  boolean takes(Command c, int v) {
    switch (c) {
      case shpleft,
          shptop,
          shpright,
          shpbottom,
          shpbxpage,
          shpbxmargin,
          shpbxcolumn,
          shpbypage,
          shpbymargin,
          shpbypara,
          shpwr,
          shpwrk,
          shpfblwtxt -> {
        if (!open.isEmpty()) {
          open.getFirst().words.put(c, v);
        }
        return true;
      }
      default -> {
        return !open.isEmpty() && RtfOldShapes.takes(open.getFirst(), c, v);
      }
    }
  }

  /** Text stands in the shape. */
  void story(NodeId id) {
    if (!open.isEmpty()) {
      open.getFirst().story = Optional.of(id);
    }
  }

  /** A picture is what the shape shows. @return whether there is a shape */
  boolean picture(Inline.Picture p) {
    if (open.isEmpty()) {
      return false;
    }
    open.getFirst().picture = Optional.of(p);
    return true;
  }

  /** Whether a shape was shown as the box around it. */
  boolean simplified() {
    return simplified;
  }

  /**
   * The shape that ends; empty for a group, whose shapes came one by one, and for one that is
   * hidden.
   */
  Optional<Inline> ended() {
    said();
    Told t = open.pop();
    if (t.isGroup || t.says("fHidden")) {
      return Optional.empty();
    }
    DrawnShape shape = drawn(t);
    Placement place = t.says("fPseudoInline") ? Placement.INLINE : shape.placement();
    if (t.picture.isPresent()) {
      Inline.Picture p = t.picture.get();
      return Optional.of(
          new Inline.Picture(
              p.media(),
              shape.width(),
              shape.height(),
              shape.alt().isEmpty() ? p.alt() : shape.alt(),
              place,
              shape.crop(),
              shape.rotation(),
              Optional.empty(),
              Look.PLAIN));
    }
    if (t.story.isEmpty() && shape.kind() == FRAME_OF_PICTURE) {
      return Optional.empty(); // the picture was told of where it could not be read
    }
    simplified |= !shape.isKnown();
    return Optional.of(shape.shape(t.story, place, Look.PLAIN));
  }

  private DrawnShape drawn(Told t) {
    int[] box = box(t);
    Told outer = outermost(t);
    return new DrawnShape(
        new DrawnShape.Bounds(box[0], box[1], box[2], box[3]),
        new DrawnShape.Flow(
            outer.word(Command.shpwr, 2),
            outer.word(Command.shpwrk, 0),
            outer.words.containsKey(Command.shpbxpage)
                ? 1
                : outer.words.containsKey(Command.shpbxmargin) ? 0 : 2,
            outer.words.containsKey(Command.shpbypage)
                ? 1
                : outer.words.containsKey(Command.shpbymargin) ? 0 : 2,
            outer.word(Command.shpfblwtxt, 0) == 1),
        t.option(KIND, t.options.isEmpty() ? BOX_OF_TEXT : RECTANGLE),
        t.says("fFlipV"),
        !t.options.isEmpty(),
        t);
  }

  private Told outermost(Told t) {
    return open.isEmpty() ? t : open.getLast();
  }

  /** Its box in twips; one in a group says where it stands by what the group measures in. */
  private int[] box(Told t) {
    int[] own = {
      t.word(Command.shpleft, 0),
      t.word(Command.shptop, 0),
      t.word(Command.shpright, 0),
      t.word(Command.shpbottom, 0)
    };
    if (!t.options.containsKey("relRight")) {
      return own;
    }
    own[0] = t.option("relLeft", 0);
    own[1] = t.option("relTop", 0);
    own[2] = t.option("relRight", 0);
    own[3] = t.option("relBottom", 0);
    for (Told g : open) { // from the innermost
      int[] in = {
        g.option("groupLeft", 0),
        g.option("groupTop", 0),
        g.option("groupRight", 0),
        g.option("groupBottom", 0)
      };
      boolean inner = g.options.containsKey("relRight");
      int[] at = {
        inner ? g.option("relLeft", 0) : g.word(Command.shpleft, 0),
        inner ? g.option("relTop", 0) : g.word(Command.shptop, 0),
        inner ? g.option("relRight", 0) : g.word(Command.shpright, 0),
        inner ? g.option("relBottom", 0) : g.word(Command.shpbottom, 0)
      };
      for (int k = 0; k < own.length; k++) {
        int low = k % 2;
        double size = Math.max(1, in[low + 2] - (double) in[low]);
        own[k] = (int) (at[low] + (own[k] - in[low]) * (at[low + 2] - (double) at[low]) / size);
      }
    }
    return own;
  }
}
