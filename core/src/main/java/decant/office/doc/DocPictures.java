package decant.office.doc;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.VerticalAlignment;
import decant.office.shape.DrawnShape;
import decant.picture.PictureTypes;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.Optional;
import org.apache.poi.hwpf.model.PICFAndOfficeArtData;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.Picture;
import org.apache.poi.hwpf.usermodel.Range;

/** Pictures on the line ([MS-DOC] 2.9.190) and what is drawn beside it ([MS-ODRAW]). */
final class DocPictures {
  private static final double MOST_CUT = 0.95;
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
      Insets crop = crop(p);
      var size =
          new Size(
              width * (1 - crop.left() - crop.right()),
              height * (1 - crop.top() - crop.bottom()),
              crop,
              turned(run.getPicOffset()),
              DocShape.plain(p.getDescription()));
      return picture(bytes, p.getMimeType(), size, Placement.INLINE, look, at);
    } catch (RuntimeException e) {
      Faults.mended("reading a picture of a binary office document", e);
      missing(at);
      return Optional.empty();
    }
  }

  /** How far the picture in the data of the file is turned ([MS-DOC] §2.9.192), in degrees. */
  private double turned(int at) {
    var art = new PICFAndOfficeArtData(shared.file.getDataStream(), at);
    return DrawnShape.turned(new DocShape(Optional.ofNullable(art.getShape())));
  }

  /** What is cut off; something is left of every picture. */
  private static Insets crop(Picture p) {
    double top = Math.clamp(p.getCropTop(), 0, MOST_CUT);
    double left = Math.clamp(p.getCropLeft(), 0, MOST_CUT);
    return new Insets(
        top,
        Math.clamp(p.getCropRight(), 0, MOST_CUT - left),
        Math.clamp(p.getCropBottom(), 0, MOST_CUT - top),
        left);
  }

  private void missing(NodeId at) {
    shared.find(
        Finding.Kind.PICTURE_MISSING,
        Finding.Severity.LOSS,
        WORDS.say("doc-pictures.a-picture-is-not-in"),
        at);
  }

  private Optional<Inline> picture(
      byte[] bytes, String declared, Size size, Placement placement, Look look, NodeId at) {
    Media m = Media.of(PictureTypes.type(bytes, declared == null ? "" : declared), bytes);
    if (!PictureTypes.isDrawn(m.type()) || !PictureTypes.isWhole(m)) {
      missing(at);
      return Optional.of(missing(size, placement, look));
    }
    shared.media.put(m.id(), m);
    return Optional.of(
        new Inline.Picture(
            m.id(),
            Math.clamp(size.width(), 1, LARGEST),
            Math.clamp(size.height(), 1, LARGEST),
            size.alt(),
            placement,
            size.crop(),
            size.rotation(),
            Optional.empty(),
            look));
  }

  /** What is drawn at a character; empty if nothing of it is known. */
  Optional<Inline> drawn(int character, Look look, NodeId at) throws ReadProblem {
    Optional<DocDrawings.Drawn> drawn;
    byte[] bytes = null;
    try {
      drawn = shared.drawings.at(character);
      OfficeDrawing d = drawn.map(DocDrawings.Drawn::picture).orElse(null);
      bytes = d == null ? null : d.getPictureData();
    } catch (RuntimeException e) {
      Faults.mended("reading a drawing of a binary office document", e);
      drawn = Optional.empty();
    }
    if (drawn.isEmpty()) {
      leftOut(at);
      return Optional.empty();
    }
    DrawnShape shape = DocShape.of(drawn.get());
    if (bytes != null && bytes.length > 0) {
      var size =
          new Size(shape.width(), shape.height(), shape.crop(), shape.rotation(), shape.alt());
      return picture(bytes, "", size, shape.placement(), look, at);
    }
    if (drawn.get().shape().isPresent() && !shape.isKnown()) {
      shared.find(
          Finding.Kind.LAYOUT_SIMPLIFIED,
          Finding.Severity.DOUBT,
          WORDS.say("doc-pictures.a-drawing-is-a-box"),
          at);
    }
    if (drawn.get().texts().isEmpty()) {
      if (drawn.get().shape().isEmpty()) {
        leftOut(at);
        return Optional.empty();
      }
      return Optional.of(shape.shape(Optional.empty(), shape.placement(), look));
    }
    var blocks = new ArrayList<Block>();
    for (DocDrawings.Words w : drawn.get().texts()) {
      shared.boxesTold.add(w.from());
      blocks.addAll(
          new DocText(shared, Optional.empty(), () -> {})
              .blocks(new Range(w.from(), w.to(), shared.file), 0));
    }
    if (drawn.get().texts().size() > 1) {
      shared.find(
          Finding.Kind.LAYOUT_SIMPLIFIED,
          Finding.Severity.DOUBT,
          WORDS.say("doc-pictures.the-words-of-a-group"),
          at);
    }
    var story = new Story(NodeId.fresh(), Story.Kind.BOX, blocks);
    shared.stories.put(story.id(), story);
    return Optional.of(shape.shape(Optional.of(story.id()), shape.placement(), look));
  }

  private void leftOut(NodeId at) {
    shared.find(
        Finding.Kind.DRAWING_LEFT_OUT,
        Finding.Severity.LOSS,
        WORDS.say("doc-pictures.a-drawing-is-left-out"),
        at);
  }

  /** How a picture is shown. */
  private record Size(double width, double height, Insets crop, double rotation, String alt) {}

  private static Inline missing(Size size, Placement placement, Look look) {
    return new Inline.Shape(
        new Inline.Drawing(Inline.Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
        Math.clamp(size.width(), 10, LARGEST),
        Math.clamp(size.height(), 10, LARGEST),
        new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
        size.alt(),
        placement,
        0,
        Optional.empty(),
        look);
  }
}
