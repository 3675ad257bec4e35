package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.pdf.read.page.Painted;
import decant.pdf.read.page.RuledLine;
import decant.work.Faults;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.PDLineDashPattern;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.state.PDGraphicsState;
import org.jspecify.annotations.Nullable;

/** What the paths of a page leave on it (ISO 32000-1 §8.5.3): ruled lines, and shapes. */
final class PaintedPaths {
  private static final int MAX_SHAPES = 20_000;

  /** So many of the shapes before one are looked at. */
  private static final int MAX_BELOW = 500;

  private final AffineTransform toShown;
  private final List<RuledLine> rules = new ArrayList<>();
  private final List<Painted> shapes = new ArrayList<>();

  /** How much shows of what is painted in the groups that are open, 0 to 1. */
  private double groupAlpha = 1;

  /**
   * @param toShown from the page's own space to the page as shown
   */
  PaintedPaths(AffineTransform toShown) {
    this.toShown = toShown;
  }

  List<RuledLine> rules() {
    return rules;
  }

  List<Painted> shapes() {
    return shapes;
  }

  /**
   * Begins a group that is painted as one.
   *
   * @return what is to be given back at its end
   */
  double group(PDGraphicsState state) {
    double outer = groupAlpha;
    groupAlpha *= state.getNonStrokeAlphaConstant();
    return outer;
  }

  void endGroup(double outer) {
    groupAlpha = outer;
  }

  /** Notes the ruled lines of a path. */
  void rules(GeneralPath path, PDGraphicsState state, boolean stroked) {
    if (rules.size() < MAX_SHAPES) {
      Rule look =
          stroked
              ? stroke(state)
              : Rule.single(ScanThresholds.PathRules.HAIR, colour(state.getNonStrokingColor()));
      PathRules.collect(path, toShown, stroked, look, rules);
    }
  }

  /**
   * Notes the shape of a path.
   *
   * @param showing the part of the page that is not clipped away
   * @param content number of the marked content it belongs to
   */
  void shape(
      GeneralPath path,
      PDGraphicsState state,
      boolean stroked,
      boolean filled,
      Rectangle2D showing,
      int content) {
    Optional<Colour> inside = Optional.empty();
    boolean patterned = filled && PatternInk.is(state.getNonStrokingColor());
    Optional<Rule> outline = stroked ? Optional.of(stroke(state)) : Optional.empty();
    if (filled && state.getNonStrokeAlphaConstant() > 0) {
      double alpha = groupAlpha * state.getNonStrokeAlphaConstant();
      Colour paint = colour(state.getNonStrokingColor()).onPaper(alpha);
      OptionalDouble frame = stroked ? OptionalDouble.empty() : PathRules.frame(path);
      if (frame.isPresent()) {
        outline = Optional.of(Rule.single(frame.getAsDouble(), paint));
      } else {
        inside = Optional.of(paint);
      }
    }
    if (inside.isPresent() || outline.isPresent()) {
      Rectangle2D box = toShown.createTransformedShape(path.getBounds2D()).getBounds2D();
      boolean mixed = filled && state.getNonStrokeAlphaConstant() < 1 && liesOnSomething(box);
      add(box, showing, PathRules.isFree(path), patterned || mixed, inside, outline, content);
    }
  }

  /**
   * Whether more than one colour lies below an area: a ground that it lies on as a whole is one.
   */
  private boolean liesOnSomething(Rectangle2D box) {
    int last = Math.max(0, shapes.size() - MAX_BELOW);
    return shapes.subList(last, shapes.size()).stream()
        .filter(Painted::shows)
        .map(s ->
            new Rectangle2D.Double(s.box().x(), s.box().y(), s.box().width(), s.box().height()))
        .anyMatch(below -> {
          Rectangle2D both = below.createIntersection(box);
          return both.getWidth() > 1 && both.getHeight() > 1 && !below.contains(box);
        });
  }

  /** Notes an area that a gradient fills. */
  void shaded(PDResources resources, COSName name, Rectangle2D showing, int content) {
    Colour middle = Colour.BLACK;
    try {
      PDShading shading = resources.getShading(name);
      middle = shading == null ? middle : PatternInk.of(shading);
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading the colours of a gradient", e);
    }
    add(showing, showing, true, true, Optional.of(middle), Optional.empty(), content);
  }

  private void add(
      Rectangle2D box,
      Rectangle2D showing,
      boolean free,
      boolean patterned,
      Optional<Colour> inside,
      Optional<Rule> outline,
      int content) {
    Rectangle2D seen = box.createIntersection(showing);
    if (shapes.size() < MAX_SHAPES && seen.getWidth() >= 0 && seen.getHeight() >= 0) {
      shapes.add(
          new Painted(
              new Box(seen.getX(), seen.getY(), seen.getWidth(), seen.getHeight()),
              free,
              patterned,
              inside,
              outline,
              content));
    }
  }

  /** How lines are drawn: §8.4.3.2 and §8.4.3.6. A width of 0 is the thinnest that shows. */
  private Rule stroke(PDGraphicsState state) {
    double scale =
        Math.sqrt(
            Math.abs(
                state.getCurrentTransformationMatrix().createAffineTransform().getDeterminant()
                    * toShown.getDeterminant()));
    double width = Math.max(ScanThresholds.PathRules.HAIR, state.getLineWidth() * scale);
    PDLineDashPattern dashes = state.getLineDashPattern();
    float[] pattern = dashes == null ? new float[0] : dashes.getDashArray();
    Rule.Kind kind = Rule.Kind.SINGLE;
    if (pattern.length > 0 && pattern[0] * scale < ScanThresholds.PathRules.ENDLESS) {
      boolean dots = pattern[0] <= ScanThresholds.PathRules.DOT * state.getLineWidth();
      kind = dots ? Rule.Kind.DOTTED : Rule.Kind.DASHED;
    }
    return new Rule(kind, width, colour(state.getStrokingColor()), 0);
  }

  static Colour colour(@Nullable PDColor c) {
    try {
      if (c == null) {
        return Colour.BLACK;
      }
      return PatternInk.is(c) ? PatternInk.of(c) : new Colour(c.toRGB());
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading the marks of a page", e);
      return Colour.BLACK; // a colour space that cannot be read
    }
  }
}
