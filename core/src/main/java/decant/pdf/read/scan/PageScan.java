package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.look.FormField;
import decant.model.look.Media;
import decant.pdf.content.PageSpace;
import decant.pdf.content.ReadPage;
import decant.pdf.read.fonts.FileFonts;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.NotedComment;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.work.Faults;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;
import org.jspecify.annotations.Nullable;

/** Runs the content stream of a page (ISO 32000-1 §7.8.2) and notes what it shows and where. */
public final class PageScan extends PDFGraphicsStreamEngine {
  private static final int MAX_GLYPHS = 400_000;
  private static final int MAX_PICTURES = 2_000;
  private final PageBudget budget = new PageBudget();
  private int hidden;
  private int covered;
  private List<PageAnnotations.Playing> playing = List.of();
  private final ReadPage content;
  private boolean running;
  final MarkedContents marks;
  final ContentDamage damage = new ContentDamage();

  private final int number;
  private final LinkAreas links;
  private final AffineTransform toShown;
  private final double width;
  private final double height;
  private final List<Glyph> visible = new ArrayList<>();
  private final List<Glyph> invisible = new ArrayList<>();
  private final List<Placed> pictures = new ArrayList<>();
  private final List<Box> unread = new ArrayList<>();
  private final List<Box> reduced = new ArrayList<>();
  private final FileFonts fonts;
  private final SourcePictures media;
  private final GeneralPath path = new GeneralPath();
  private final PaintedPaths paths;
  private final PaintedOver over;
  private boolean clips;
  private @Nullable List<Path2D> clippedBy;
  private int clippers;
  private Rectangle2D showing = new Rectangle2D.Double();

  PageScan(
      PDPage page,
      int number,
      LinkAreas links,
      FileFonts fonts,
      SourcePictures media,
      Layers layers) {
    super(page);
    this.content = new ReadPage(page);
    this.number = number;
    this.links = links;
    this.fonts = fonts;
    this.media = media;
    this.marks = new MarkedContents(layers);
    PDRectangle crop = page.getCropBox();
    this.toShown = PageSpace.shown(crop, page.getRotation());
    this.paths = new PaintedPaths(toShown);
    this.over = new PaintedOver(toShown);
    boolean turned = page.getRotation() % 180 != 0;
    this.width = turned ? crop.getHeight() : crop.getWidth();
    this.height = turned ? crop.getWidth() : crop.getHeight();
  }

  /** The place of a rectangle of a page, on the page as shown. */
  static Box place(PDPage page, PDRectangle r) {
    Rectangle2D b = PageSpace.shown(page, r);
    return new Box(b.getX(), b.getY(), b.getWidth(), b.getHeight());
  }

  ScannedPage scan() throws IOException {
    try {
      budget.content(getPage());
      damage.page(getPage());
      processPage(content);
    } catch (PageBudget.Spent e) {
      // What was read until then is kept; that something was left out is said.
    }
    marks.endAll();
    covered = over.count(visible);
    var annotations = new PageAnnotations(getPage(), number);
    annotations(annotations);
    playing = annotations.playing();
    var showing =
        new ShowingText(
            Accents.settled(visible), Accents.settled(invisible), pictures, width * height);
    hidden = showing.hidden();
    List<Glyph> glyphs = showing.glyphs();
    var decorations = new Decorations(paths.rules(), paths.shapes(), width);
    List<NotedComment> comments = DetectedComments.on(getPage(), number);
    List<Glyph> dressed =
        DetectedComments.put(comments, annotations.marked(decorations.on(glyphs)));
    List<Glyph> blanks = RuledFields.of(paths.rules(), dressed, width);
    if (!blanks.isEmpty()) {
      dressed = new ArrayList<>(dressed);
      dressed.addAll(blanks);
    }
    return new ScannedPage(
        number,
        width,
        height,
        dressed,
        paths.rules(),
        pictures,
        decorations.otherShapes(),
        comments);
  }

  /** How many characters the page hides, which are left out. */
  int hidden() {
    return hidden;
  }

  /** How many letters and digits something is painted over, which nobody sees. */
  int covered() {
    return covered;
  }

  /** What plays where it stands. */
  List<PageAnnotations.Playing> playing() {
    return playing;
  }

  /** Reads what annotations show, and puts signs where fields show nothing. */
  private void annotations(PageAnnotations annotations) {
    int before = visible.size();
    var written = new HashSet<COSDictionary>();
    for (PDAnnotation a : annotations.shown()) {
      marks.annotation(a.getCOSObject());
      int first = visible.size();
      try {
        PageAnnotations.draw(a);
        showAnnotation(a);
      } catch (IOException | RuntimeException e) {
        Faults.mended("reading the marks of a page", e);
        // Its appearance is damaged; the page is not.
      }
      annotations.field(a).ifPresent(b -> PageAnnotations.fill(b, visible, first));
      if (visible.subList(first, visible.size()).stream().anyMatch(g -> !g.isSpace())) {
        written.add(a.getCOSObject()); // however it is turned
      }
    }
    marks.clear();
    List<Glyph> shown = List.copyOf(visible.subList(before, visible.size()));
    List<Glyph> lines =
        annotations.blanks((a, b, blank) ->
            written.contains(a.getCOSObject())
                || shown.stream().anyMatch(g -> !g.isSpace() && g.standsIn(grown(b)))
                || onLine(b, blank));
    visible.addAll(lines);
  }

  /**
   * Whether a field stands on a line of signs that the page has for it; they are its blank then.
   */
  private boolean onLine(Box place, Optional<FormField> field) {
    Box area = grown(place);
    int found = 0;
    for (Glyph g : visible) {
      found += g.text().equals("_") && g.quarter() == 0 && g.standsIn(area) ? 1 : 0;
    }
    if (found < ScanThresholds.PageScan.MIN_LINE_SIGNS || field.isEmpty()) {
      return false;
    }
    for (int k = 0; k < visible.size(); k++) {
      Glyph g = visible.get(k);
      if (g.text().equals("_") && g.quarter() == 0 && g.standsIn(area)) {
        visible.set(k, g.withDecor(g.ink().decor().with(field.get())));
      }
    }
    return true;
  }

  private static Box grown(Box b) {
    return new Box(b.x() - 1, b.y() - 2, b.width() + 2, b.height() + 4);
  }

  @Override
  public void beginMarkedContentSequence(COSName tag, COSDictionary properties) {
    super.beginMarkedContentSequence(tag, properties);
    marks.begin(tag, properties);
  }

  @Override
  public void endMarkedContentSequence() {
    super.endMarkedContentSequence();
    marks.end();
  }

  @Override
  protected void showGlyph(Matrix m, PDFont font, int code, Vector displacement)
      throws IOException {
    if (visible.size() + invisible.size() > MAX_GLYPHS) {
      budget.left();
      return;
    }
    if (marks.isHidden()) {
      return;
    }
    SourceFace face = fonts.face(font);
    Point2D origin =
        toShown.transform(new Point2D.Double(m.getTranslateX(), m.getTranslateY()), null);
    Point2D up = toShown.deltaTransform(new Point2D.Double(m.getShearX(), m.getScaleY()), null);
    Point2D along = toShown.deltaTransform(new Point2D.Double(m.getScaleX(), m.getShearY()), null);
    double size = Math.hypot(up.getX(), up.getY());
    double advance = displacement.getX() * Math.hypot(along.getX(), along.getY());
    double turn = turnOf(along);
    if (font.isVertical() && turn == 0) {
      // The line runs down the page, as one that is turned does (§9.7.4.3): its letters begin at
      // the top of their place and stand on a line left of its middle.
      advance = -displacement.getY() * size;
      origin =
          new Point2D.Double(
              origin.getX()
                  + (ScanThresholds.PageScan.HALF - ScanThresholds.PageScan.UPRIGHT) * size,
              origin.getY() - ScanThresholds.PageScan.ABOVE_ORIGIN * size);
      turn = 90;
    }
    boolean shown =
        origin.getX() > -2
            && origin.getX() < width + 2
            && origin.getY() > -2
            && origin.getY() < height + size;
    if (!shown
        || size < ScanThresholds.PageScan.SMALLEST
        || !Double.isFinite(advance)
        || isClipped(origin, advance, size)) {
      return;
    }
    String text = fonts.text(font, code);
    var glyph =
        new Glyph(
            text,
            origin.getX(),
            origin.getY(),
            Math.abs(advance),
            size,
            new Glyph.Ink(
                face, PaintedPaths.colour(getGraphicsState().getNonStrokingColor()), Decor.NONE),
            turn,
            marks.ofGlyph(),
            Optional.empty());
    Optional<LinkAreas.Area> link = linkAt(glyph);
    if (link.isPresent()) {
      glyph = link.get().on(glyph);
    }
    List<Glyph> to =
        getGraphicsState().getTextState().getRenderingMode() == RenderingMode.NEITHER
            ? invisible
            : visible;
    to.add(glyph);
    marks.shown(to);
  }

  /** Whether a glyph lies well outside what shows; clips are often drawn tight around letters. */
  private boolean isClipped(Point2D origin, double advance, double size) {
    if (getGraphicsState().getCurrentClippingPaths().size() < 2) {
      return false; // nothing but the page itself
    }
    Rectangle2D clip = showing();
    double reach = Math.max(Math.abs(advance), size);
    return origin.getX() + reach < clip.getMinX()
        || origin.getX() - reach > clip.getMaxX()
        || origin.getY() + size < clip.getMinY()
        || origin.getY() - size > clip.getMaxY();
  }

  /** Clockwise in degrees; what is nearly a quarter turn is one, as on sheets scanned askew. */
  private static double turnOf(Point2D along) {
    double degrees = Math.toDegrees(Math.atan2(along.getY(), along.getX()));
    double quarter = 90.0 * Math.round(degrees / 90);
    boolean askew = Math.abs(degrees - quarter) < ScanThresholds.PageScan.ASKEW;
    double turn = askew ? quarter : degrees;
    return turn < 0 ? turn + 360 : turn;
  }

  private Optional<LinkAreas.Area> linkAt(Glyph g) {
    return links.size() == 0 || g.quarter() != 0
        ? Optional.empty()
        : links.at(g.x() + g.width() / 2, Anatomy.middle(g.baseline(), g.size()));
  }

  @Override
  protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
    if (ReadPage.isAll(operator, operands) && !running) {
      running = true;
      if (!content.run(this::processOperator)) {
        damage.broken();
      }
      return;
    }
    if (operator.getName().equals("Do")) {
      budget.call();
    } else {
      budget.operator();
    }
    if (operator.getName().equals("Tf")
        && !operands.isEmpty()
        && operands.getFirst() instanceof COSName name
        && getResources() != null
        && getResources().getCOSObject().getDictionaryObject(COSName.FONT)
            instanceof COSDictionary fonts
        && fonts.getDictionaryObject(name) instanceof COSDictionary font) {
      budget.font(font);
    }
    super.processOperator(operator, operands);
  }

  @Override
  public void showForm(PDFormXObject form) throws IOException {
    damage.form(form.getCOSObject());
    marks.beginOnLayer(form.getCOSObject());
    super.showForm(form);
    marks.end();
  }

  /** Whether the page asked for more than is read of one page. */
  boolean isCut() {
    return budget.isSpent();
  }

  @Override
  public void drawImage(PDImage image) throws IOException {
    if (pictures.size() >= MAX_PICTURES) {
      budget.left();
      return;
    }
    if (marks.isHidden(image)) {
      return;
    }
    Rectangle2D area =
        toShown
            .createTransformedShape(
                getGraphicsState()
                    .getCurrentTransformationMatrix()
                    .createAffineTransform()
                    .createTransformedShape(new Rectangle2D.Double(0, 0, 1, 1)))
            .getBounds2D();
    boolean onPage = area.intersects(0, 0, width, height);
    if (!onPage || area.getWidth() < 3 || area.getHeight() < 3 || marks.isArtifact()) {
      return;
    }
    var box = new Box(area.getX(), area.getY(), area.getWidth(), area.getHeight());
    Optional<SourcePictures.Read> m = media.of(image);
    if (m.isPresent()) {
      Media read = m.get().media();
      pictures.add(new Placed(read, box, marks.content(), ""));
      if (SourcePictures.isThinned(image, read)) {
        reduced.add(box);
      }
      if (m.get().damaged()) {
        damage.picture(box);
      }
    } else {
      unread.add(box);
    }
  }

  /** Where pictures stand that could not be read, in points on the page. */
  List<Box> unread() {
    return unread;
  }

  /** Where pictures stand that were read with fewer pixels than they have. */
  List<Box> reduced() {
    return reduced;
  }

  @Override
  public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) {
    path.moveTo(p0.getX(), p0.getY());
    path.lineTo(p1.getX(), p1.getY());
    path.lineTo(p2.getX(), p2.getY());
    path.lineTo(p3.getX(), p3.getY());
    path.closePath();
  }

  @Override
  public void clip(int windingRule) {
    clips = true;
  }

  @Override
  public void moveTo(float x, float y) {
    path.moveTo(x, y);
  }

  @Override
  public void lineTo(float x, float y) {
    if (path.getCurrentPoint() == null) {
      path.moveTo(x, y);
    }
    path.lineTo(x, y);
  }

  @Override
  public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) {
    if (path.getCurrentPoint() == null) {
      path.moveTo(x1, y1);
    }
    path.curveTo(x1, y1, x2, y2, x3, y3);
  }

  @Override
  public Point2D getCurrentPoint() {
    Point2D p = path.getCurrentPoint();
    return p == null ? new Point2D.Float(0, 0) : p;
  }

  @Override
  public void closePath() {
    if (path.getCurrentPoint() != null) {
      path.closePath();
    }
  }

  @Override
  public void endPath() {
    clipped();
    path.reset();
  }

  /** What is painted from here on shows within the path only. */
  private void clipped() {
    if (clips && path.getCurrentPoint() != null) {
      getGraphicsState().intersectClippingPath(new GeneralPath(path));
    }
    clips = false;
  }

  /** The upright box around all that shows, on the page as shown. */
  private Rectangle2D showing() {
    List<Path2D> paths = getGraphicsState().getCurrentClippingPaths();
    if (paths != clippedBy || paths.size() != clippers) {
      clippedBy = paths;
      clippers = paths.size();
      Rectangle2D all = new Rectangle2D.Double(0, 0, width, height);
      for (Path2D p : paths) {
        all = all.createIntersection(toShown.createTransformedShape(p.getBounds2D()).getBounds2D());
      }
      showing = all;
    }
    return showing;
  }

  @Override
  public void strokePath() {
    note(true, false);
  }

  @Override
  public void fillPath(int windingRule) {
    note(false, true);
  }

  @Override
  public void fillAndStrokePath(int windingRule) {
    note(true, true);
  }

  @Override
  public void shadingFill(COSName shadingName) {
    if (!marks.isFurniture() && !marks.isHidden()) {
      paths.shaded(getResources(), shadingName, showing(), marks.content());
    }
  }

  /** What shines through a group shines through all of it (ISO 32000-2 §11.6.6). */
  @Override
  public void showTransparencyGroup(PDTransparencyGroup group) throws IOException {
    double outer = paths.group(getGraphicsState());
    damage.form(group.getCOSObject());
    marks.beginOnLayer(group.getCOSObject());
    super.showTransparencyGroup(group);
    marks.end();
    paths.endGroup(outer);
  }

  private void note(boolean stroked, boolean filled) {
    if (!marks.isHidden()) {
      if (filled) {
        over.fill(path, getGraphicsState(), showing(), visible.size());
      }
      paths.rules(path, getGraphicsState(), stroked);
      if (path.getCurrentPoint() != null && !marks.isFurniture()) {
        paths.shape(path, getGraphicsState(), stroked, filled, showing(), marks.content());
      }
    }
    clipped();
    path.reset();
  }
}
