package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Block;
import decant.model.Box;
import decant.model.Columns;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.Contour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.model.look.VerticalAlignment;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a whole file says besides its text: paper, headers and footers, sections, where shapes
 * stand, what the document says of itself (Rich Text Format 1.9.1).
 */
final class RtfPages {
  private static final double TWIP = 1 / 20.0;

  /** What is said of paper where nothing else is: Letter, with margins as the format has them. */
  private final Map<Command, Integer> ofDocument = new EnumMap<>(Command.class);

  private Map<Command, Integer> ofSection = new EnumMap<>(Command.class);
  private final Map<Running, Story> running = new LinkedHashMap<>();
  private final List<Section> sections = new ArrayList<>();
  private final Map<Command, Integer> shape = new EnumMap<>(Command.class);
  private final Map<Command, StringBuilder> said = new EnumMap<>(Command.class);
  private final List<String> bookmarks = new ArrayList<>();
  private int begun;
  private boolean facing;
  private int missed;
  private boolean nested;
  private int comments;
  private @Nullable Command says;

  RtfPages() {
    ofDocument.put(Command.paperw, 12240);
    ofDocument.put(Command.paperh, 15840);
    ofDocument.put(Command.margl, 1800);
    ofDocument.put(Command.margr, 1800);
    ofDocument.put(Command.margt, 1440);
    ofDocument.put(Command.margb, 1440);
    ofDocument.put(Command.headery, 720);
    ofDocument.put(Command.footery, 720);
    ofDocument.put(Command.deff, 0);
  }

  /** Which running text a group is; empty if it is none. */
  static Optional<Running> running(Command c) {
    return switch (c) {
      case header, headerr -> Optional.of(Running.HEADER);
      case headerl -> Optional.of(Running.HEADER_EVEN);
      case headerf -> Optional.of(Running.HEADER_FIRST);
      case footer, footerr -> Optional.of(Running.FOOTER);
      case footerl -> Optional.of(Running.FOOTER_EVEN);
      case footerf -> Optional.of(Running.FOOTER_FIRST);
      default -> Optional.empty();
    };
  }

  /** A header or footer ends. */
  void running(Running which, List<Block> blocks) {
    running.put(which, new Story(NodeId.fresh(), Story.Kind.RUNNING, blocks));
  }

  /** A comment ends, whose writer was told before. */
  Comment comment(List<Block> blocks) {
    var words = new ArrayList<String>();
    for (Block b : blocks) {
      if (b instanceof Paragraph p) {
        words.add(p.text().strip());
      }
    }
    return new Comment(
        "c" + ++comments, word(Command.atnauthor), "", String.join("\n", words).strip(), false);
  }

  /** The box that was said of the shape which is read. */
  private Box box() {
    double left = shape.getOrDefault(Command.shpleft, 0) * TWIP;
    double top = shape.getOrDefault(Command.shptop, 0) * TWIP;
    return new Box(
        left,
        top,
        shape.getOrDefault(Command.shpright, 0) * TWIP - left,
        shape.getOrDefault(Command.shpbottom, 0) * TWIP - top);
  }

  private Placement placement(Box b) {
    Placement.Wrap wrap =
        switch (shape.getOrDefault(Command.shpwr, 2)) {
          case 1 -> Placement.Wrap.ABOVE_AND_BELOW;
          case 3 -> Placement.Wrap.THROUGH;
          default -> new Placement.Wrap.Around(Placement.Side.BOTH, Contour.BOX);
        };
    return new Placement.Floating(
        new Placement.Axis(
            shape.containsKey(Command.shpbxpage)
                ? Placement.Origin.PAGE
                : shape.containsKey(Command.shpbxmargin)
                    ? Placement.Origin.MARGIN
                    : Placement.Origin.COLUMN,
            Placement.Align.OFFSET,
            b.x()),
        new Placement.Axis(
            shape.containsKey(Command.shpbypage)
                ? Placement.Origin.PAGE
                : shape.containsKey(Command.shpbymargin)
                    ? Placement.Origin.MARGIN
                    : Placement.Origin.PARAGRAPH,
            Placement.Align.OFFSET,
            b.y()),
        wrap,
        new Insets(0, 9, 0, 9),
        false);
  }

  /** A picture as large as its shape, where that stands. */
  Inline inShape(Inline.Picture p) {
    Box b = box();
    return b.width() <= 1 || b.height() <= 1
        ? p
        : new Inline.Picture(
            p.media(),
            b.width(),
            b.height(),
            p.alt(),
            placement(b),
            p.crop(),
            p.rotation(),
            p.kept(),
            p.look());
  }

  Inline shape(NodeId story) {
    Box b = box();
    boolean placed = b.width() > 1;
    return new Inline.Shape(
        new Inline.Drawing(Inline.Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
        placed ? Math.min(b.width(), 1500) : 200,
        Math.clamp(b.height(), 10, 1500),
        new Inline.BoxText(
            Optional.of(story), true, new Insets(3.6, 7.2, 3.6, 7.2), VerticalAlignment.TOP),
        "",
        placed ? placement(b) : Placement.INLINE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  /** What the document says of itself: a group for each thing. */
  void says(Command c) {
    says = c;
    said.remove(c);
  }

  void saysNothing() {
    says = null;
  }

  void say(String s) {
    if (says == Command.bkmkstart) {
      bookmarks.add(s.strip());
    } else if (says != null) {
      said.computeIfAbsent(says, k -> new StringBuilder()).append(s);
    }
  }

  /** The names of the places that the paragraph which ends has. */
  List<String> bookmarks() {
    List<String> all = bookmarks.stream().distinct().toList();
    bookmarks.clear();
    return all;
  }

  Metadata metadata() {
    return new Metadata(
            word(Command.title),
            word(Command.subject),
            word(Command.author),
            word(Command.keywords),
            "")
        .clean();
  }

  private String word(Command c) {
    StringBuilder b = said.get(c);
    return b == null ? "" : b.toString();
  }

  /** The number of the font of text that names none. */
  int font() {
    return ofDocument.getOrDefault(Command.deff, 0);
  }

  /** A word about paper, sections or shapes. */
  void command(Command c, int value) {
    switch (c) {
      case paperw, paperh, margl, margr, margt, margb, deff, deftab -> ofDocument.put(c, value);
      case facingp -> facing = true;
      case sectd -> ofSection = new EnumMap<>(Command.class);
      case pgwsxn,
          pghsxn,
          marglsxn,
          margrsxn,
          margtsxn,
          margbsxn,
          headery,
          footery,
          cols,
          colsx,
          titlepg,
          sbknone,
          sbkodd,
          sbkeven,
          pgnrestart,
          pgnstarts,
          linebetcol ->
          ofSection.put(c, value);
      case shpleft -> {
        shape.clear(); // another one begins
        shape.put(c, value);
      }
      case shptop, shpright, shpbottom, shpbxpage, shpbxmargin, shpbypage, shpbymargin, shpwr ->
          shape.put(c, value);
      default -> {}
    }
  }

  /** A section ends with what was read up to now. */
  void section(List<Block> all) {
    List<Block> own = new ArrayList<>(all.subList(Math.min(begun, all.size()), all.size()));
    begun = all.size();
    if (own.stream().noneMatch(b -> b instanceof Paragraph)) {
      own.add(Paragraph.of(Look.PLAIN, ""));
    }
    Section.Start start =
        ofSection.containsKey(Command.sbknone)
            ? Section.Start.CONTINUOUS
            : ofSection.containsKey(Command.sbkodd)
                ? Section.Start.ODD_PAGE
                : ofSection.containsKey(Command.sbkeven)
                    ? Section.Start.EVEN_PAGE
                    : Section.Start.NEW_PAGE;
    sections.add(new Section(NodeId.fresh(), paper(), start, used(), own));
  }

  private Map<Running, Story> used() {
    var out = new LinkedHashMap<>(running);
    if (!ofSection.containsKey(Command.titlepg)) {
      out.remove(Running.HEADER_FIRST);
      out.remove(Running.FOOTER_FIRST);
    }
    if (!facing) {
      out.remove(Running.HEADER_EVEN);
      out.remove(Running.FOOTER_EVEN);
    }
    return out;
  }

  private double points(Command own, Command whole) {
    return ofSection.getOrDefault(own, ofDocument.getOrDefault(whole, 0)) * TWIP;
  }

  private PageSetup paper() {
    int columns = Math.clamp(ofSection.getOrDefault(Command.cols, 1), 1, 45);
    PageSetup plain =
        PageSetup.plain(
            Math.clamp(points(Command.pgwsxn, Command.paperw), 100, 1584),
            Math.clamp(points(Command.pghsxn, Command.paperh), 100, 1584),
            new PageSetup.Margins(
                Math.abs(points(Command.margtsxn, Command.margt)),
                points(Command.margrsxn, Command.margr),
                Math.abs(points(Command.margbsxn, Command.margb)),
                points(Command.marglsxn, Command.margl),
                points(Command.headery, Command.headery),
                points(Command.footery, Command.footery)));
    return plain
        .withColumns(
            Columns.equal(
                columns,
                ofSection.getOrDefault(Command.colsx, 720) * TWIP,
                ofSection.containsKey(Command.linebetcol)))
        .withNumbers(
            new PageNumbers(
                ofSection.containsKey(Command.pgnrestart)
                    ? Optional.of(ofSection.getOrDefault(Command.pgnstarts, 1))
                    : Optional.empty(),
                PageNumbers.PLAIN.format()));
  }

  /** A picture could not be read. */
  void missing() {
    missed++;
  }

  /** A table stands in a cell. */
  void nested() {
    nested = true;
  }

  boolean hasNested() {
    return nested;
  }

  int missed() {
    return missed;
  }

  List<Section> sections() {
    return sections;
  }
}
