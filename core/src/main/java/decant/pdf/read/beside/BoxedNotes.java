package decant.pdf.read.beside;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.ScannedPage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Finds which text stands in a drawn box, and how the box looks. */
public final class BoxedNotes {
  /** A box and what of it its text has for a look, alike for all of its paragraphs. */
  private record Boxed(Box box, double textLeft, Look look, double pad) {}

  private final Map<Detected.Text, Boxed> boxes = new IdentityHashMap<>();

  public BoxedNotes(List<ScannedPage> pages, List<Detected> found) {
    Map<Integer, List<Detected.Text>> byPage = new LinkedHashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t) {
        byPage.computeIfAbsent(t.page(), k -> new ArrayList<>()).add(t);
      }
    }
    byPage.forEach((page, texts) -> of(pages.get(page), texts));
  }

  private void of(ScannedPage page, List<Detected.Text> texts) {
    List<Painted> frames =
        stacked(page.shapes()).stream()
            .filter(s ->
                !s.free()
                    && s.box().width() > page.width() * BesideThresholds.BoxedNotes.NARROWEST
                    && s.box().height() > page.height() * BesideThresholds.BoxedNotes.LOWEST)
            .filter(s ->
                s.box().height() < page.height() * BesideThresholds.BoxedNotes.TALLEST
                    && s.box().width() < page.width() * BesideThresholds.BoxedNotes.WIDEST)
            .filter(Painted::shows)
            .sorted(Comparator.comparingDouble(s -> s.box().width() * s.box().height()))
            .toList();
    if (frames.isEmpty() || frames.size() > 500) {
      return;
    }
    Map<Painted, List<Detected.Text>> held = new LinkedHashMap<>();
    for (Detected.Text t : texts) {
      frames.stream()
          .filter(s -> s.box().holds(t.box(), 1))
          .findFirst()
          .ifPresent(s -> held.computeIfAbsent(s, k -> new ArrayList<>()).add(t));
    }
    held.forEach((frame, inside) -> {
      boolean part = texts.stream().anyMatch(t -> !inside.contains(t) && overlap(frame.box(), t));
      // A bar behind a heading alone is drawn behind it.
      boolean heading = inside.stream().allMatch(t -> t.kind() == Detected.Kind.HEADING);
      if (!part && !heading) {
        Boxed b = boxed(page, frame, inside);
        inside.forEach(t -> boxes.put(t, b));
      }
    });
  }

  /** Areas that are painted strip by strip, one for each line of a text, as whole ones. */
  private static List<Painted> stacked(List<Painted> shapes) {
    var out = new ArrayList<Painted>();
    var strips = new ArrayList<Painted>();
    for (Painted s : shapes) {
      boolean strip = !s.free() && !s.patterned() && s.stroke().isEmpty() && s.fill().isPresent();
      (strip ? strips : out).add(s);
    }
    strips.sort(Comparator.comparingDouble(s -> s.box().y()));
    var open = new ArrayList<Painted>();
    for (Painted s : strips) {
      Optional<Painted> above = open.stream().filter(a -> goesOn(a, s)).findFirst();
      if (above.isPresent()) {
        open.remove(above.get());
        open.add(
            new Painted(
                above.get().box().union(s.box()),
                false,
                false,
                s.fill(),
                s.stroke(),
                above.get().content()));
      } else {
        open.add(s);
      }
    }
    out.addAll(open);
    return out;
  }

  private static boolean goesOn(Painted above, Painted below) {
    double near = BesideThresholds.BoxedNotes.STRIPS;
    return above.fill().equals(below.fill())
        && Math.abs(above.box().x() - below.box().x()) < near
        && Math.abs(above.box().right() - below.box().right()) < near
        && Math.abs(below.box().y() - above.box().bottom()) < near;
  }

  /** By lines: a paragraph that goes on in the next column reaches around much. */
  private static boolean overlap(Box frame, Detected.Text t) {
    return t.lines().stream()
        .anyMatch(l ->
            l.page() == t.page()
                && frame.sharedWidth(l.box()) > 4
                && frame.sharedHeight(l.box()) > 4);
  }

  private static Boxed boxed(ScannedPage page, Painted frame, List<Detected.Text> inside) {
    Box box = frame.box();
    double left = box.right();
    double top = box.bottom();
    double bottom = box.y();
    for (Detected.Text t : inside) {
      double marker =
          t.kind() == Detected.Kind.ITEM
              ? BesideThresholds.BoxedNotes.MARKER * t.size()
              : 0; // before its lines
      left = Math.min(left, t.box().x() - marker);
      top = Math.min(top, t.box().y());
      bottom = Math.max(bottom, t.box().bottom());
    }
    double pad = Math.clamp(left - box.x(), 1, 24);
    Look look = Look.PLAIN;
    Colour shade = shade(page, frame);
    if (!shade.equals(Colour.WHITE)) {
      look = look.with(ParagraphTraits.SHADING, shade);
    }
    // Without a line the shade still keeps its distance: by lines of its own colour.
    Rule line =
        line(page, frame).orElse(Rule.single(BesideThresholds.BoxedNotes.SHADE_LINE, shade));
    double above = Math.clamp(top - box.y(), 1, 24);
    double below = Math.clamp(box.bottom() - bottom, 1, 24);
    look =
        look.with(
            ParagraphTraits.RULES,
            new Rules(
                rule(line, above),
                rule(line, pad),
                rule(line, below),
                rule(line, pad),
                Optional.empty(),
                Optional.empty()));
    return new Boxed(box, left, look, pad);
  }

  private static Optional<Rule> rule(Rule line, double space) {
    return Optional.of(new Rule(line.kind(), line.width(), line.colour(), Math.round(space)));
  }

  private static Colour shade(ScannedPage page, Painted frame) {
    Colour out = frame.fill().orElse(Colour.WHITE);
    for (Painted s : page.shapes()) {
      if (!s.free() && s.fill().isPresent() && same(s.box(), frame.box())) {
        out = s.fill().get(); // what is painted last shows
      }
    }
    return out;
  }

  /** The line around: of the shape, of another of the same size, or of four rules. */
  private static Optional<Rule> line(ScannedPage page, Painted frame) {
    if (frame.stroke().isPresent()) {
      return frame.stroke();
    }
    Optional<Rule> stroked =
        page.shapes().stream()
            .filter(s -> s.stroke().isPresent() && same(s.box(), frame.box()))
            .flatMap(s -> s.stroke().stream())
            .findFirst();
    if (stroked.isPresent()) {
      return stroked;
    }
    Optional<Rule> rim = rim(page, frame);
    if (rim.isPresent()) {
      return rim;
    }
    Box b = frame.box();
    List<Painted> sides =
        page.shapes().stream()
            .filter(s ->
                s != frame
                    && Math.min(s.box().width(), s.box().height())
                        < BesideThresholds.BoxedNotes.SAME_SIDE)
            .filter(s -> isSide(s.box(), b) && isAt(s.box(), b))
            .toList();
    return sides.size() < 3 ? Optional.empty() : Optional.of(drawn(sides.getFirst()));
  }

  /** What a box shows of itself around another that is painted over all but its rim. */
  private static Optional<Rule> rim(ScannedPage page, Painted frame) {
    for (Painted s : page.shapes()) {
      double width = (frame.box().width() - s.box().width()) / 2;
      boolean over = !s.free() && s.fill().isPresent() && same(s.box(), frame.box());
      if (over && frame.fill().isPresent() && !s.fill().equals(frame.fill()) && width > 0) {
        return Optional.of(Rule.single(width, frame.fill().get()));
      }
    }
    return Optional.empty();
  }

  private static Rule drawn(Painted side) {
    return side.stroke()
        .orElseGet(() ->
            Rule.single(
                Math.max(
                    BesideThresholds.BoxedNotes.SHADE_LINE,
                    Math.min(side.box().width(), side.box().height())),
                side.fill().orElse(Colour.BLACK)));
  }

  private static boolean isAt(Box side, Box of) {
    double near = BesideThresholds.BoxedNotes.SAME_SIDE;
    return side.sharedWidth(of) > -near && side.sharedHeight(of) > -near;
  }

  private static boolean isSide(Box s, Box of) {
    boolean lying =
        s.width() > of.width() * BesideThresholds.BoxedNotes.SIDE_LEAST
            && s.width() < of.width() * BesideThresholds.BoxedNotes.SIDE_MOST;
    boolean standing =
        s.height() > of.height() * BesideThresholds.BoxedNotes.UPRIGHT_LEAST
            && s.height() < of.height() * BesideThresholds.BoxedNotes.UPRIGHT_MOST;
    double y = s.y() + s.height() / 2;
    double x = s.x() + s.width() / 2;
    return lying && (near(y, of.y()) || near(y, of.bottom()))
        || standing && (near(x, of.x()) || near(x, of.right()));
  }

  private static boolean near(double a, double b) {
    return Math.abs(a - b) < BesideThresholds.BoxedNotes.SAME_SIDE;
  }

  private static boolean same(Box a, Box b) {
    return near(a.x(), b.x())
        && near(a.right(), b.right())
        && near(a.y(), b.y())
        && near(a.bottom(), b.bottom());
  }

  /** The look of a paragraph, with the box that it stands in, if it stands in one. */
  public Look with(Look look, Detected.Text t, Edges edges) {
    Boxed b = boxes.get(t);
    if (b == null) {
      return look;
    }
    double start =
        Math.max(0, edges.indentAt(edges.rightToLeft() ? b.box().right() - b.pad() : b.textLeft()));
    double end =
        Math.max(0, edges.endAt(edges.rightToLeft() ? b.box().x() : b.box().right()) + b.pad());
    double text = t.kind() == Detected.Kind.ITEM ? look.value(ParagraphTraits.INDENT_START) : start;
    return look.over(b.look())
        .with(ParagraphTraits.INDENT_START, LookMaker.halves(Math.max(start, text)))
        .with(
            ParagraphTraits.FIRST_LINE,
            LookMaker.halves(start) - LookMaker.halves(Math.max(start, text)))
        .with(ParagraphTraits.INDENT_END, LookMaker.halves(end));
  }
}
