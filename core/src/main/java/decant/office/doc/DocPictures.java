package decant.office.doc;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.VerticalAlignment;
import decant.picture.PictureTypes;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.List;
import java.util.Optional;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.Picture;
import org.apache.poi.hwpf.usermodel.Range;

/** Pictures on the line ([MS-DOC] 2.9.190) and what is drawn beside it ([MS-ODRAW]). */
final class DocPictures {
  private static final Words WORDS = Words.of(DocPictures.class);
  private static final double TWIPS = 20;
  private static final double LARGEST = 3000;

  private final DocShared shared;

  DocPictures(DocShared shared) {
    this.shared = shared;
  }

  /** The picture that a run stands for; empty if it stands for none. */
  Optional<Inline> onLine(CharacterRun run, Look look, NodeId at) {
    try {
      if (!shared.file.getPicturesTable().hasPicture(run)) {
        return Optional.empty();
      }
      Picture p = shared.file.getPicturesTable().extractPicture(run, false);
      byte[] bytes = p == null ? new byte[0] : p.getContent();
      if (p == null || bytes == null || bytes.length == 0) {
        missing(at);
        return Optional.empty();
      }
      double width = p.getDxaGoal() / TWIPS * p.getHorizontalScalingFactor() / 1000.0;
      double height = p.getDyaGoal() / TWIPS * p.getVerticalScalingFactor() / 1000.0;
      return picture(bytes, p.getMimeType(), width, height, Placement.INLINE, look, at);
    } catch (RuntimeException e) {
      Faults.mended("reading a picture of a binary office document", e);
      missing(at);
      return Optional.empty();
    }
  }

  private void missing(NodeId at) {
    shared.find(
        Finding.Kind.PICTURE_MISSING,
        Finding.Severity.LOSS,
        WORDS.say("doc-pictures.a-picture-is-not-in"),
        at);
  }

  private Optional<Inline> picture(
      byte[] bytes,
      String declared,
      double width,
      double height,
      Placement placement,
      Look look,
      NodeId at) {
    Media m = Media.of(PictureTypes.type(bytes, declared == null ? "" : declared), bytes);
    if (!PictureTypes.isDrawn(m.type()) || !PictureTypes.isWhole(m)) {
      missing(at);
      return Optional.of(box(Optional.empty(), width, height, placement, look));
    }
    shared.media.put(m.id(), m);
    return Optional.of(
        new Inline.Picture(
            m.id(),
            Math.clamp(width, 1, LARGEST),
            Math.clamp(height, 1, LARGEST),
            "",
            placement,
            Insets.NONE,
            0,
            Optional.empty(),
            look));
  }

  /** What is drawn at a character; empty if nothing of it is known. */
  Optional<Inline> drawn(int character, Look look, NodeId at) throws ReadProblem {
    OfficeDrawing d;
    byte[] bytes;
    try {
      d = at(character);
      bytes = d == null ? null : d.getPictureData();
    } catch (RuntimeException e) {
      Faults.mended("reading a drawing of a binary office document", e);
      d = null;
      bytes = null;
    }
    if (d != null && bytes != null && bytes.length > 0) {
      double width = (d.getRectangleRight() - d.getRectangleLeft()) / TWIPS;
      double height = (d.getRectangleBottom() - d.getRectangleTop()) / TWIPS;
      return picture(bytes, "", width, height, placement(d), look, at);
    }
    Optional<Inline> boxes = boxes(d, look, at);
    if (boxes.isEmpty()) {
      shared.find(
          Finding.Kind.DRAWING_LEFT_OUT,
          Finding.Severity.LOSS,
          WORDS.say("doc-pictures.a-drawing-is-left-out"),
          at);
    }
    return boxes;
  }

  private @org.jspecify.annotations.Nullable OfficeDrawing at(int character) {
    return shared.file.getOfficeDrawingsMain().getOfficeDrawingAt(character);
  }

  private static Placement placement(OfficeDrawing d) {
    Origin across =
        switch (d.getHorizontalRelative()) {
          case PAGE -> Origin.PAGE;
          case MARGIN -> Origin.MARGIN;
          case TEXT, CHAR -> Origin.COLUMN;
        };
    Origin down =
        switch (d.getVerticalRelativeElement()) {
          case PAGE -> Origin.PAGE;
          case MARGIN -> Origin.MARGIN;
          case TEXT -> Origin.PARAGRAPH;
          case LINE -> Origin.LINE;
        };
    Axis h =
        switch (d.getHorizontalPositioning()) {
          case LEFT, INSIDE -> new Axis(across, Align.START, 0);
          case CENTER -> new Axis(across, Align.CENTRE, 0);
          case RIGHT, OUTSIDE -> new Axis(across, Align.END, 0);
          case ABSOLUTE -> new Axis(across, Align.OFFSET, d.getRectangleLeft() / TWIPS);
        };
    Axis v =
        switch (d.getVerticalPositioning()) {
          case TOP, INSIDE -> new Axis(down, Align.START, 0);
          case CENTER -> new Axis(down, Align.CENTRE, 0);
          case BOTTOM, OUTSIDE -> new Axis(down, Align.END, 0);
          case ABSOLUTE -> new Axis(down, Align.OFFSET, d.getRectangleTop() / TWIPS);
        };
    return new Placement.Floating(
        h, v, new Wrap.Around(Placement.Side.BOTH, Contour.BOX), new Insets(0, 9, 0, 9), false);
  }

  /**
   * The words of all text boxes, in one where the first of them is drawn: which words belong to
   * which box the library does not tell.
   */
  private Optional<Inline> boxes(
      @org.jspecify.annotations.Nullable OfficeDrawing d, Look look, NodeId at) throws ReadProblem {
    Range texts = shared.file.getMainTextboxRange();
    if (shared.boxesTold || texts.text().isBlank()) {
      return Optional.empty();
    }
    shared.boxesTold = true;
    shared.find(
        Finding.Kind.LAYOUT_SIMPLIFIED,
        Finding.Severity.DOUBT,
        WORDS.say("doc-pictures.the-words-of-text-boxes"),
        at);
    List<Block> blocks = new DocText(shared, Optional.empty(), () -> {}).blocks(texts, 0);
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, blocks);
    shared.stories.put(story.id(), story);
    double width = d == null ? 200 : (d.getRectangleRight() - d.getRectangleLeft()) / TWIPS;
    double height = d == null ? 20 : (d.getRectangleBottom() - d.getRectangleTop()) / TWIPS;
    return Optional.of(
        box(
            Optional.of(story.id()),
            width,
            height,
            d == null ? Placement.INLINE : placement(d),
            look));
  }

  private static Inline box(
      Optional<NodeId> story, double width, double height, Placement placement, Look look) {
    return new Inline.Shape(
        new Inline.Drawing(Inline.Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
        Math.clamp(width, 10, LARGEST),
        Math.clamp(height, 10, LARGEST),
        new Inline.BoxText(
            story, story.isPresent(), new Insets(3.6, 7.2, 3.6, 7.2), VerticalAlignment.TOP),
        "",
        placement,
        0,
        Optional.empty(),
        look);
  }
}
