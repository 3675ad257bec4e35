package decant.pdf.write;

import decant.layout.item.Item;
import decant.layout.item.Outlines;
import decant.model.Box;
import decant.model.Inline.Geometry;
import decant.model.NodeId;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Insets;
import decant.model.look.Link;
import decant.model.look.MediaId;
import decant.model.look.Rule;
import decant.pdf.write.Target.Artifact;
import decant.pdf.write.Target.Content;
import decant.pdf.write.Target.Part;
import decant.pdf.write.fonts.GlyphEncoder;
import decant.pdf.write.pictures.PictureInFile;
import decant.publication.PageSink;
import decant.publication.PublishedPage;
import decant.text.FontFace;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** One page as operators, with what belongs to what. */
final class PageContent implements PageSink {
  /** Where the page's fonts and pictures come from. */
  interface Resources {
    GlyphEncoder font(FontFace face);

    /**
     * @param size that it is placed in as a whole
     */
    Optional<PictureInFile> picture(MediaId media, Size size);
  }

  /** In points. */
  record Size(double width, double height) {
    Size larger(Size o) {
      return new Size(Math.max(width, o.width), Math.max(height, o.height));
    }
  }

  /** The size of a whole picture of which a box shows what is not cut off. */
  static Size whole(Item.PictureBox picture, Box box) {
    Insets c = picture.crop();
    return new Size(
        box.width() / (1 - c.left() - c.right()), box.height() / (1 - c.top() - c.bottom()));
  }

  /**
   * An area that leads somewhere, and the content that shows it.
   *
   * @param frame the colour of a frame around it, if it has one
   */
  record LinkArea(Link link, Box box, Target target, Optional<Colour> frame) {
    LinkArea framed(Colour colour) {
      return new LinkArea(link, box, target, Optional.of(colour));
    }
  }

  /**
   * A place to fill in on this page.
   *
   * @param value the text on it
   * @param drawn what was filled in, as operators
   * @param size of its letters
   * @param lines how many lines it reaches over
   */
  record FieldArea(
      FormField field,
      Box box,
      Target target,
      String value,
      Optional<ContentStream> drawn,
      double size,
      int lines) {}

  /** Where something is that was noted, and the content that it is about. */
  record CommentPlace(Comment comment, Box box, Target target) {}

  private final PublishedPage page;
  private final Resources shelf;
  private final boolean tagged;
  private final ContentStream content;
  private final Set<FontFace> faces = new LinkedHashSet<>();
  private final Map<String, PictureInFile> pictures = new LinkedHashMap<>();
  private final List<LinkArea> links = new ArrayList<>();
  private final List<Content> marks = new ArrayList<>();
  private final Map<Content, Box> figures = new LinkedHashMap<>();
  private final Map<String, FieldArea> fields = new LinkedHashMap<>();
  private final Map<String, CommentPlace> comments = new LinkedHashMap<>();
  private final InFields inFields;

  private record Open(NodeId block, PageSink.Role role) {}

  private final Deque<Open> open = new ArrayDeque<>();
  private Optional<Target> current = Optional.empty();
  private int serial;
  private boolean linksJoin;
  private Optional<Link> lastLink = Optional.empty();

  /**
   * @param fillable whether places to fill in are fields
   */
  PageContent(PublishedPage page, Resources shelf, boolean tagged, boolean fillable) {
    this.inFields = new InFields(fillable);
    this.page = page;
    this.shelf = shelf;
    this.tagged = tagged;
    this.content = new ContentStream(page.height());
  }

  PublishedPage page() {
    return page;
  }

  byte[] bytes() {
    return content.bytes();
  }

  Set<FontFace> faces() {
    return faces;
  }

  Map<String, PictureInFile> pictures() {
    return pictures;
  }

  Collection<FieldArea> fields() {
    return fields.values();
  }

  Collection<CommentPlace> comments() {
    return comments.values();
  }

  List<LinkArea> links() {
    return links;
  }

  /** What each marked stretch belongs to, by its number. */
  List<Content> marks() {
    return marks;
  }

  /** Where each picture stands. */
  Map<Content, Box> figures() {
    return figures;
  }

  @Override
  public void begin(NodeId block, PageSink.Role role) {
    linksJoin = false;
    inFields.begin(role);
    open.push(new Open(block, role));
  }

  @Override
  public void end() {
    open.pop();
    inFields.end();
    linksJoin = false;
    lastLink = Optional.empty();
  }

  private void to(Target target) {
    if (!tagged || current.isPresent() && current.get().equals(target)) {
      return;
    }
    current = Optional.of(target);
    switch (target) {
      case Artifact a -> content.markArtifact(a.properties());
      case Content c -> {
        content.mark(c.part().tag(), marks.size());
        marks.add(c);
      }
    }
  }

  /** The artifact that everything here is part of, if it is. */
  private Optional<Target> artifact() {
    if (open.isEmpty()) {
      return Optional.of(Artifact.LAYOUT);
    }
    return switch (open.peekLast().role()) {
      case RUNNING -> Optional.of(runningPlace);
      case BODY, NOTE, REPEATED ->
          open.stream().anyMatch(o -> o.role() == PageSink.Role.REPEATED)
              ? Optional.of(Artifact.REPEATED)
              : Optional.empty();
    };
  }

  private Artifact runningPlace = Artifact.HEADER;

  private Target targetOf(Item.GlyphRun run, double y) {
    runningPlace = y < page.height() / 2 ? Artifact.HEADER : Artifact.FOOTER;
    Optional<Target> none = artifact();
    if (none.isPresent()) {
      return none.get();
    }
    NodeId block = open.getFirst().block();
    switch (run.shown().kind()) {
      case LABEL -> {
        return new Content(block, Part.LABEL, 0);
      }
      case NOTE_MARK -> {
        return new Content(block, Part.NOTE_MARK, run.shown().from());
      }
      case LEADER -> {
        return Artifact.LAYOUT;
      }
      case TEXT, HYPHEN -> {}
    }
    if (run.meaning().link().isEmpty()) {
      lastLink = Optional.empty();
      return new Content(block, Part.TEXT, 0);
    }
    if (!run.meaning().link().equals(lastLink)) {
      lastLink = run.meaning().link();
      serial++;
    }
    return new Content(block, Part.LINK, serial);
  }

  @Override
  public void glyphs(Item.GlyphRun run, double x, double y) {
    if (run.placed().glyphs().length == 0) {
      return;
    }
    Target target = targetOf(run, y);
    faces.add(run.face());
    if (inFields.takes(run)) {
      FormField b = run.meaning().field().orElseThrow();
      if (!b.isSwitch()) {
        ContentStream drawn =
            fieldContents.computeIfAbsent(b.id(), k -> new ContentStream(page.height()));
        drawn.text(run, x, y, shelf.font(run.face()));
      }
      return;
    }
    if (inFields.leavesBlank(run)) {
      return;
    }
    to(target);
    content.text(run, x, y, shelf.font(run.face()));
  }

  @Override
  public void fill(Box box, Colour colour) {
    to(artifact().orElse(Artifact.LAYOUT));
    content.rectangle(box, colour);
  }

  @Override
  public void shape(Geometry geometry, Box box, Optional<Colour> fill, Optional<Rule> line) {
    to(artifact().orElse(Artifact.LAYOUT));
    content.path(Outlines.of(geometry, box, 1), fill, line.filter(Rule::isDrawn));
  }

  private final Map<String, ContentStream> fieldContents = new HashMap<>();

  @Override
  public void field(FormField field, Item.GlyphRun run, Box box) {
    if (!inFields.here() || run.placed().glyphs().length == 0) {
      return;
    }
    double room = Math.min(field.width(), page.textRight() - box.x());
    Box place =
        field.isSwitch()
            ? Fields.square(box, run.size())
            : new Box(box.x(), box.y(), Math.max(box.width(), room), box.height());
    FieldArea known = fields.get(field.id());
    boolean newLine = known != null && box.y() > known.box().bottom() - 1;
    String before =
        known == null
            ? ""
            : known.value() + (newLine && field.kind() == FormField.Kind.LINES ? "\n" : "");
    fields.put(
        field.id(),
        new FieldArea(
            field,
            known == null || field.isSwitch() ? place : known.box().union(box),
            known == null ? targetOf(run, box.y()) : known.target(),
            before + (run.shown().kind() == Item.Shown.Kind.HYPHEN ? "" : run.shown().text()),
            Optional.ofNullable(fieldContents.get(field.id())),
            known == null ? run.size() : known.size(),
            known == null ? 1 : known.lines() + (newLine ? 1 : 0)));
  }

  @Override
  public void comment(Comment comment, Box box) {
    if (artifact().isEmpty()) {
      comments.putIfAbsent(
          comment.id(), new CommentPlace(comment, box, current.orElse(Artifact.LAYOUT)));
    }
  }

  @Override
  public void turn(double degrees, double x, double y) {
    current = Optional.empty();
    inFields.turn();
    content.turn(degrees, x, y);
  }

  @Override
  public void turnBack() {
    current = Optional.empty();
    inFields.turnBack();
    content.restore();
  }

  @Override
  public void picture(Item.PictureBox picture, Box box) {
    Target target =
        artifact().orElseGet(() -> new Content(open.getFirst().block(), Part.FIGURE, picture.at()));
    to(target);
    if (target instanceof Content figure) {
      figures.merge(figure, box, Box::union);
    }
    // What is cut off stands outside the box.
    Insets c = picture.crop();
    Size size = whole(picture, box);
    double w = size.width();
    double h = size.height();
    Optional<PictureInFile> known = shelf.picture(picture.media(), size);
    if (known.isEmpty()) {
      content.rectangle(box, new Colour(0xE8E4DC));
      return;
    }
    String name = "P" + (1 + pictures.size());
    for (var e : pictures.entrySet()) {
      if (e.getValue() == known.get()) {
        name = e.getKey();
      }
    }
    pictures.put(name, known.get());
    var whole = new Box(box.x() - c.left() * w, box.y() - c.top() * h, w, h);
    content.picture(
        name, c.equals(Insets.NONE) ? box : whole, box, known.get().width(), known.get().height());
  }

  @Override
  public void link(Link link, Box box) {
    Target target = current.orElse(Artifact.LAYOUT);
    if (linksJoin && !links.isEmpty()) {
      LinkArea last = links.getLast();
      boolean follows =
          last.link().equals(link)
              && (last.target().equals(target) || target instanceof Artifact)
              && Math.abs(last.box().y() - box.y()) < 0.01
              && box.x() - last.box().right() < 1;
      if (follows) {
        // A leader within a link is no content, but part of the area.
        links.set(
            links.size() - 1,
            new LinkArea(link, last.box().union(box), last.target(), last.frame()));
        return;
      }
    }
    links.add(new LinkArea(link, box, target, Optional.empty()));
    linksJoin = true;
  }

  @Override
  public void linkFrame(Colour colour, Box box) {
    links.set(links.size() - 1, links.getLast().framed(colour));
  }
}
