package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.field.FieldInstruction;
import decant.office.rtf.read.RtfState.Goal;
import decant.picture.VectorPicture;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * RTF as a whole file: what was copied has text alone, a file has paper, headers, shapes, comments
 * and words about itself too, and its paragraphs look as they say.
 */
public final class RtfWhole extends RtfReader {
  private final RtfPages pages = new RtfPages();
  private final RtfLists numbered = new RtfLists(lists);
  private final List<Comment> waiting = new ArrayList<>();

  private RtfWhole() {
    super(BARE);
  }

  /** A whole file. @throws IOException if it is none, or not whole */
  public static Whole read(byte[] rtf) throws IOException {
    var r = new RtfWhole();
    String text = new String(rtf, StandardCharsets.ISO_8859_1);
    try {
      r.parse(text);
    } catch (RuntimeException e) {
      throw new IOException(e);
    }
    r.pages.section(r.text.blocks());
    Look texts =
        r.looks
            .family(r.pages.font())
            .map(f -> BARE.textDefaults().with(TextTraits.FAMILY, f))
            .orElse(BARE.textDefaults());
    var sheet =
        new StyleSheet(
            r.styles.paragraphDefaults(), texts, r.styles.defaultStyle(), r.styles.styles());
    return new Whole(
        Document.of(
            r.pages.metadata(), sheet, r.lists, r.pages.sections(), r.stories, r.media, List.of()),
        r.pages.missed(),
        r.pages.hasNested());
  }

  /**
   * A whole file.
   *
   * @param missing how many pictures could not be read
   * @param nested whether tables stood in cells, which became paragraphs
   */
  public record Whole(Document document, int missing, boolean nested) {}

  /** Letters of 12 points where nothing is said, as the format has it. */
  private static final StyleSheet BARE =
      new StyleSheet(
          Look.PLAIN,
          Look.of(TextTraits.FAMILY, "Times New Roman").with(TextTraits.SIZE, 12.0),
          "",
          Map.of());

  @Override
  Optional<Goal> ofFile(Command c) {
    return switch (c) {
      case header, headerl, headerr, headerf, footer, footerl, footerr, footerf -> {
        apart(new RtfText.Apart.Header(RtfPages.running(c).orElseThrow()));
        yield Optional.of(Goal.TEXT);
      }
      case shptxt -> {
        apart(new RtfText.Apart.Box());
        yield Optional.of(Goal.TEXT);
      }
      case annotation -> {
        apart(new RtfText.Apart.Remark());
        yield Optional.of(Goal.TEXT);
      }
      case shp, shpinst, result, info -> Optional.of(state.goal());
      case sp, sn, sv -> {
        pages.saysNothing(); // properties of shapes, of which pictures alone are taken
        yield Optional.of(Goal.SAID);
      }
      case title, subject, author, keywords, atnauthor, bkmkstart -> {
        pages.says(c);
        yield Optional.of(Goal.SAID);
      }
      default -> Optional.empty();
    };
  }

  @Override
  void said(String s) {
    pages.say(s);
  }

  @Override
  void sectionEnds() {
    if (text.around().isEmpty()) {
      pages.section(text.blocks());
    }
  }

  /** A link inside the file, or a value that is worked out anew, whatever it shows. */
  @Override
  void value(FieldInstruction told) {
    if (told.link().orElse(null) instanceof Link.Internal to) {
      state = state.withText(state.text().with(TextTraits.LINK, to));
      return;
    }
    Optional<Inline.Field.Kind> kind = told.kind();
    if (kind.isPresent()) {
      String of = kind.get() == Inline.Field.Kind.PAGE_OF ? told.argument() : "";
      text.open().add(new Inline.Field(kind.get(), of, "1", state.text()));
      state = state.hiding(true);
    }
  }

  /** What stands in whole files only. */
  @Override
  void other(Command c, int value) {
    switch (c) {
      case page -> text.open().add(new Inline.Text("\f", state.text()));
      case column ->
          text.open().add(new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), state.text()));
      case chpgn -> text.open().add(new Inline.Field(Inline.Field.Kind.PAGE, "1", state.text()));
      case nestcell -> {
        if (!text.open().isEmpty()) {
          paragraph(); // a table in a cell becomes paragraphs
        }
        pages.nested();
      }
      default -> pages.command(c, value);
    }
  }

  /** A paragraph of a file looks as it says, whatever its style is called. */
  @Override
  boolean isWhole(Look own, List<Inline> all) {
    Look look = state.level() > 0 ? own.with(ParagraphTraits.HEADING_LEVEL, state.level()) : own;
    if (state.list() > 0 || !label.isEmpty()) {
      look =
          look.with(
              ParagraphTraits.LIST, numbered.item(state.list(), state.depth(), label.toString()));
    }
    boolean remark = text.apart().filter(a -> a instanceof RtfText.Apart.Remark).isPresent();
    List<String> names = remark ? List.of() : pages.bookmarks();
    look = names.isEmpty() ? look : look.with(ParagraphTraits.BOOKMARKS, names);
    List<Inline> inlines = all;
    if (!waiting.isEmpty() && !all.isEmpty()) {
      inlines = new ArrayList<>(all);
      Inline first = inlines.getFirst();
      inlines.set(0, first.withLook(first.look().with(TextTraits.COMMENTS, List.copyOf(waiting))));
      waiting.clear();
    }
    label.setLength(0);
    text.paragraph(new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines), state.inTable());
    return true;
  }

  /** A text that is no part of the one around it begins: of a header or a shape. */
  private void apart(RtfText.Apart what) {
    text = text.apart(groups.size(), what);
    state = state.bareParagraph().withText(Look.PLAIN);
    label.setLength(0);
  }

  @Override
  boolean ended(RtfText apart, Story story) {
    if (apart.apart().isEmpty()) {
      return false;
    }
    switch (apart.apart().get()) {
      case RtfText.Apart.Header h -> pages.running(h.which(), story.blocks());
      case RtfText.Apart.Remark r -> commented(pages.comment(story.blocks()));
      case RtfText.Apart.Box b -> {
        stories.put(story.id(), story);
        text.open().add(pages.shape(story.id()));
      }
    }
    return true;
  }

  /** A comment is on what stands before it. */
  private void commented(Comment c) {
    List<Inline> open = text.open();
    if (open.isEmpty()) {
      waiting.add(c); // on what comes next
      return;
    }
    Inline last = open.removeLast();
    var all = new ArrayList<>(last.look().value(TextTraits.COMMENTS));
    all.add(c);
    open.add(last.withLook(last.look().with(TextTraits.COMMENTS, List.copyOf(all))));
  }

  /** In the properties of a shape too, whose picture it is. */
  @Override
  boolean takesPictures() {
    return state.goal() == Goal.TEXT || state.goal() == Goal.SAID;
  }

  @Override
  Inline placed(Inline.Picture p) {
    return state.goal() == Goal.SAID ? pages.inShape(p) : p;
  }

  @Override
  void drawing(String type, byte[] bytes) {
    if (!takesPictures()) {
      return;
    }
    Media m = Media.of(type, bytes);
    if (!VectorPicture.isVector(type) || pictureWidth <= 0 || VectorPicture.of(m).isEmpty()) {
      pages.missing();
      return;
    }
    media.put(m.id(), m);
    text.open()
        .add(placed(new Inline.Picture(m.id(), pictureWidth, pictureHeight, "", Look.PLAIN)));
  }
}
