package decant.office.docx.write;

import decant.model.look.Kept;
import decant.model.look.Placement;
import decant.office.docx.markup.Anchors;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.docx.markup.VmlPlace;
import decant.office.docx.markup.VmlStyle;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/**
 * A drawing as its source had it, with what became of it since: what is not asked for here stays as
 * it was, whether we know what it is or not.
 */
record KeptDrawing(Element root) {
  private static final int DEEPEST = 400;
  private static final int WHOLE_TURN = 360;
  private static final double TURN_UNITS = 60_000; // in a degree, §20.1.10.3

  /** What is not shown turned, whatever it says. */
  private static final String GROUP = "v:group";

  /** The elements of VML that are drawn (ISO/IEC 29500-4 §19.1.2). */
  private static final List<String> OLDER =
      List.of("v:shape", "v:rect", "v:roundrect", "v:oval", "v:line", GROUP);

  static Optional<KeptDrawing> of(Optional<Kept> kept) {
    return kept.filter(k -> k.format().equals(DocxLooks.FORMAT)).flatMap(KeptDrawing::parsed);
  }

  private static Optional<KeptDrawing> parsed(Kept k) {
    try {
      return Optional.of(
          new KeptDrawing(
              XmlParts.parse(k.source().getBytes(StandardCharsets.UTF_8), "drawing", DEEPEST)));
    } catch (ReadProblem e) {
      return Optional.empty(); // not written by ourselves; it is drawn anew
    }
  }

  /** Shows the picture that a relationship leads to. */
  void show(String relationship) {
    set("a:blip", "r:embed", relationship);
    set("v:imagedata", "r:id", relationship);
  }

  /** Says what it shows. */
  void describe(String words) {
    set("wp:docPr", "descr", words);
    set("v:shape", "alt", words);
  }

  private void set(String name, String attribute, String value) {
    root.descendant(name).ifPresent(e -> e.attributes().put(attribute, value));
  }

  /** Gives it a size, in points. */
  void resize(double w, double h) {
    Optional<Element> extent = root.descendant("wp:extent");
    if (extent.isEmpty()) {
      older().ifPresent(e -> resize(e, w, h));
      return;
    }
    double was = DocxLooks.number(extent.get().attribute("cx")).orElse(0.0) / Out.EMU;
    double high = DocxLooks.number(extent.get().attribute("cy")).orElse(0.0) / Out.EMU;
    if (isAbout(was, w) && isAbout(high, h)) {
      return;
    }
    for (Optional<Element> e :
        List.of(extent, root.descendant("a:xfrm").flatMap(x -> x.child("a:ext")))) {
      e.ifPresent(x -> {
        x.attributes().put("cx", Out.emu(w));
        x.attributes().put("cy", Out.emu(h));
      });
    }
  }

  private static void resize(Element shape, double w, double h) {
    VmlStyle style = style(shape);
    boolean same =
        isAbout(VmlStyle.points(style.get("width", "0")), w)
            && isAbout(VmlStyle.points(style.get("height", "0")), h);
    if (!same) {
      shape.attributes().put("style", style.sized(w, h).css());
    }
  }

  private static boolean isAbout(double a, double b) {
    return Math.abs(a - b) < 0.5;
  }

  private Optional<Element> older() {
    return root.elements().stream().filter(e -> OLDER.contains(e.name())).findFirst();
  }

  private static VmlStyle style(Element shape) {
    return VmlStyle.of(shape.attribute("style").orElse(""));
  }

  /** Lets it stand somewhere. @return whether it can say where that is */
  boolean stand(Placement to) {
    if (stand(root, to)) {
      return true;
    }
    Optional<Element> shape = older();
    if (shape.isEmpty()) {
      return to.equals(Placement.INLINE);
    }
    VmlStyle style = style(shape.get());
    if (!VmlPlace.of(shape.get(), style).equals(to)) {
      VmlPlace.move(shape.get(), style, to);
    }
    return true;
  }

  private boolean stand(Element in, Placement to) {
    for (int k = 0; k < in.children().size(); k++) {
      if (!(in.children().get(k) instanceof Element e)) {
        continue;
      }
      if (e.name().equals("wp:inline") || e.name().equals("wp:anchor")) {
        if (!Anchors.of(e).equals(to)) {
          in.children().set(k, Anchors.moved(e, to));
          // What older programs would show in its stead stands where it stood.
          root.children().removeIf(c -> c instanceof Element f && f.name().equals("mc:Fallback"));
        }
        return true;
      }
      if (stand(e, to)) {
        return true;
      }
    }
    return false;
  }

  /** Turns it, clockwise, by degrees. @return whether it can be turned so */
  boolean turn(double degrees) {
    Optional<Element> shape = older();
    if (shape.filter(s -> !s.name().equals(GROUP)).isPresent()) {
      VmlStyle style = style(shape.get());
      if (!isSame(style.rotation(), degrees)) {
        shape.get().attributes().put("style", style.turned(degrees).css());
      }
      return true;
    }
    Optional<Element> frame =
        root.descendant("a:graphicData")
            .flatMap(d -> d.elements().stream().findFirst())
            .flatMap(e -> e.child("pic:spPr").or(() -> e.child("wps:spPr")))
            .flatMap(p -> p.child("a:xfrm"));
    double is =
        DocxLooks.number(frame.flatMap(x -> x.attribute("rot")))
            .map(v -> v / TURN_UNITS)
            .orElse(0.0);
    if (isSame(is, degrees)) {
      return true;
    }
    frame.ifPresent(
        x -> x.attributes().put("rot", Long.toString(Math.round(degrees * TURN_UNITS))));
    return frame.isPresent();
  }

  private static boolean isSame(double a, double b) {
    double apart = Math.abs(a - b) % WHOLE_TURN;
    return Math.min(apart, WHOLE_TURN - apart) < 0.01;
  }
}
