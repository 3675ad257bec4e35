package decant.office.rtf;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.office.emit.StorablePicture;
import java.util.Optional;

/** Pictures and shapes. Pictures of kinds that the format lacks become pixels. */
final class RtfDrawings {
  private static final double EMU = 12_700; // to the point

  /** Writes the text of a shape, each paragraph with its end. */
  interface Texts {
    void write(Story story);
  }

  private final RtfTokens o;
  private final Document document;
  private final Texts texts;
  private final boolean withBytes;
  private int next = 1;

  /**
   * @param withBytes whether the bytes of pictures are written too; they are not where nothing is
   *     kept of what is written
   */
  RtfDrawings(RtfTokens o, Document document, Texts texts, boolean withBytes) {
    this.o = o;
    this.document = document;
    this.texts = texts;
    this.withBytes = withBytes;
  }

  void picture(Inline.Picture p) {
    Media m = document.media().get(p.media());
    if (m == null) {
      return;
    }
    if (p.placement() instanceof Placement.Floating f) {
      shapeHead(75, f, p.width(), p.height(), p.rotation());
      property("wzDescription", p.alt());
      cropped(p.crop());
      o.open().open().word("sn").text("pib").close().open().word("sv");
      bytes(m, p, false);
      o.close().close();
      o.close().close();
    } else {
      bytes(m, p, true);
    }
  }

  private void cropped(Insets c) {
    share("cropFromTop", c.top());
    share("cropFromBottom", c.bottom());
    share("cropFromLeft", c.left());
    share("cropFromRight", c.right());
  }

  private void turned(double degrees) {
    if (degrees != 0) {
      property("rotation", Long.toString(Math.round(degrees * 65_536)));
    }
  }

  private void share(String name, double v) {
    if (v != 0) {
      property(name, Long.toString(Math.round(v * 65_536)));
    }
  }

  /** One picture; on the line in a group that older readers skip, as the format has it. */
  private void bytes(Media original, Inline.Picture p, boolean onLine) {
    Media m = storable(original, p);
    String kind = word(m.type());
    if (kind.isEmpty()) {
      return;
    }
    Insets c = onLine ? p.crop() : Insets.NONE;
    double w = p.width() / Math.max(0.01, 1 - p.crop().left() - p.crop().right());
    double h = p.height() / Math.max(0.01, 1 - p.crop().top() - p.crop().bottom());
    if (onLine) {
      o.destination("shppict");
    }
    o.open().word("pict");
    if (onLine && (!p.alt().isEmpty() || p.rotation() != 0)) {
      o.destination("picprop");
      turned(p.rotation());
      property("wzDescription", p.alt());
      o.close();
    }
    // Cropping is measured in the picture's own size, which is its size here.
    o.twips("piccropl", c.left() * w).twips("piccropr", c.right() * w);
    o.twips("piccropt", c.top() * h).twips("piccropb", c.bottom() * h);
    o.word(kind);
    o.word("picw", Math.round(w * 35.28)).word("pich", Math.round(h * 35.28));
    o.twips("picwgoal", w).twips("pichgoal", h);
    if (withBytes) {
      o.hex(kind.startsWith("wmetafile") ? bareMetafile(m.bytes()) : m.bytes());
    }
    o.close();
    if (onLine) {
      o.close();
    }
  }

  private static String word(String type) {
    return switch (type) {
      case "image/png" -> "pngblip";
      case "image/jpeg", "image/jpg" -> "jpegblip";
      case "image/x-emf", "image/emf" -> "emfblip";
      case "image/x-wmf", "image/wmf" -> "wmetafile8";
      default -> "";
    };
  }

  /** Metafiles stand here without the head that they have as files. */
  private static byte[] bareMetafile(byte[] b) {
    boolean placeable =
        b.length > 22
            && (b[0] & 0xFF) == 0xD7
            && (b[1] & 0xFF) == 0xCD
            && (b[2] & 0xFF) == 0xC6
            && (b[3] & 0xFF) == 0x9A;
    return placeable ? java.util.Arrays.copyOfRange(b, 22, b.length) : b;
  }

  private Media storable(Media m, Inline.Picture p) {
    return withBytes
        ? StorablePicture.of(m, p.width(), p.height(), RtfDrawings::holds)
        : new Media(m.id(), "image/png", new byte[0]);
  }

  private static boolean holds(Media m) {
    boolean zipped = m.bytes().length > 1 && m.bytes()[0] == 0x1F && (m.bytes()[1] & 0xFF) == 0x8B;
    return !word(m.type()).isEmpty() && !zipped;
  }

  /**
   * @param text in it
   */
  void shape(Inline.Shape s, Optional<Story> text) {
    int type =
        switch (s.drawing().geometry()) {
          case RECTANGLE -> s.content().story().isPresent() ? 202 : 1;
          case ROUNDED -> 2;
          case ELLIPSE -> 3;
          case LINE_DOWN, LINE_UP -> 20;
        };
    shapeHead(type, s.placement(), s.width(), s.height(), s.rotation());
    property("wzDescription", s.alt());
    if (s.drawing().geometry() == Inline.Geometry.LINE_UP) {
      property("fFlipV", "1");
    }
    if (s.drawing().fill().isPresent()) {
      property("fillColor", colour(s.drawing().fill().get()));
    } else {
      property("fFilled", "0");
    }
    Optional<Rule> line = s.drawing().outline().filter(Rule::isDrawn);
    if (line.isPresent()) {
      property("lineColor", colour(line.get().colour()));
      property("lineWidth", emu(line.get().width()));
      switch (line.get().kind()) {
        case SINGLE, DOUBLE -> {}
        case DOTTED -> property("lineDashing", "2");
        case DASHED -> property("lineDashing", "6");
      }
    } else {
      property("fLine", "0");
    }
    property("dxTextLeft", emu(s.content().padding().left()));
    property("dxTextRight", emu(s.content().padding().right()));
    property("dyTextTop", emu(s.content().padding().top()));
    property("dyTextBottom", emu(s.content().padding().bottom()));
    property(
        "anchorText",
        switch (s.content().alignment()) {
          case TOP -> "0";
          case CENTRE -> "1";
          case BOTTOM -> "2";
        });
    if (s.content().grows()) {
      property("fFitShapeToText", "1");
    }
    text.ifPresent(story -> {
      o.open().word("shptxt");
      texts.write(story);
      o.close();
    });
    o.close().close();
  }

  /** Begins a shape; two groups stay open. */
  private void shapeHead(int type, Placement place, double w, double h, double rotation) {
    o.open().word("shp").destination("shpinst");
    double left = 0;
    double top = 0;
    if (place instanceof Placement.Floating f) {
      left = f.across().align() == Placement.Align.OFFSET ? f.across().offset() : 0;
      top = f.down().align() == Placement.Align.OFFSET ? f.down().offset() : 0;
    }
    o.twips("shpleft", left).twips("shptop", top);
    o.twips("shpright", left + w).twips("shpbottom", top + h);
    o.word("shpfhdr0").word("shpz", next).word("shplid", 1024 + next++);
    switch (place) {
      case Placement.OnLine on -> {
        o.word("shpbxcolumn").word("shpbxignore").word("shpbypara").word("shpbyignore");
        o.word("shpwr3").word("shpwrk0");
        property("shapeType", Integer.toString(type));
        property("posrelh", "3");
        property("posrelv", "3");
        property("fPseudoInline", "1");
      }
      case Placement.Floating f -> {
        o.word(
            switch (f.across().origin()) {
              case PAGE -> "shpbxpage";
              case MARGIN -> "shpbxmargin";
              case COLUMN, PARAGRAPH, LINE -> "shpbxcolumn";
            });
        o.word(
            switch (f.down().origin()) {
              case PAGE -> "shpbypage";
              case MARGIN -> "shpbymargin";
              case COLUMN, PARAGRAPH, LINE -> "shpbypara";
            });
        switch (f.wrap()) {
          case Wrap.AboveAndBelow a -> o.word("shpwr1").word("shpwrk0");
          case Wrap.Through t -> o.word("shpwr3").word("shpwrk0");
          case Wrap.Around a ->
              o.word("shpwr2")
                  .word(
                      "shpwrk",
                      switch (a.side()) {
                        case BOTH -> 0;
                        case LEFT -> 1;
                        case RIGHT -> 2;
                        case WIDER -> 3;
                      });
        }
        o.word("shpfblwtxt", f.behind() ? 1 : 0);
        property("shapeType", Integer.toString(type));
        aligned("posh", f.across());
        aligned("posv", f.down());
        property("dxWrapDistLeft", emu(f.distance().left()));
        property("dxWrapDistRight", emu(f.distance().right()));
        property("dyWrapDistTop", emu(f.distance().top()));
        property("dyWrapDistBottom", emu(f.distance().bottom()));
        property("fBehindDocument", f.behind() ? "1" : "0");
      }
    }
    turned(rotation);
  }

  private void aligned(String name, Axis axis) {
    int number =
        switch (axis.align()) {
          case OFFSET -> 0;
          case START -> 1;
          case CENTRE -> 2;
          case END -> 3;
        };
    if (number > 0) {
      property(name, Integer.toString(number));
    }
    property(
        name.replace("pos", "posrel"),
        switch (axis.origin()) {
          case MARGIN -> "0";
          case PAGE -> "1";
          case COLUMN, PARAGRAPH, LINE -> "2";
        });
  }

  private void property(String name, String value) {
    if (value.isEmpty()) {
      return;
    }
    o.open().word("sp").open().word("sn").text(name).close();
    o.open().word("sv").text(value).close().close();
  }

  private static String emu(double points) {
    return Long.toString(Math.round(points * EMU));
  }

  /** Blue first, as shapes have it. */
  private static String colour(Colour c) {
    return Integer.toString(c.blue() << 16 | c.green() << 8 | c.red());
  }
}
