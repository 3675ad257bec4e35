package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.field.AskedFor;
import decant.office.field.FieldInstruction;
import decant.office.rtf.read.RtfState.Goal;
import decant.picture.PictureSize;
import decant.picture.VectorPicture;
import java.awt.Dimension;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * RTF as a whole file: what was copied has text alone, a file has paper, headers, shapes, comments
 * and words about itself too, and its paragraphs look as they say.
 */
public final class RtfWhole extends RtfReader {
  private final RtfPages pages = new RtfPages();
  private final RtfShapes shapes = new RtfShapes();
  private final RtfChanges changes = new RtfChanges();
  private final RtfListTables tables = new RtfListTables();
  private final RtfLists numbered = new RtfLists(lists, tables);
  private @Nullable StyleSheet sheet;
  private boolean equations;
  private final RtfFields fields = new RtfFields();

  private final List<Comment> waiting = new ArrayList<>();

  private RtfWhole() {}

  /** A whole file. @throws IOException if it is none, or not whole */
  public static Whole read(byte[] rtf) throws IOException {
    var r = new RtfWhole();
    String text = new String(rtf, StandardCharsets.ISO_8859_1);
    int from = text.indexOf("{\\rtf");
    if (from < 0) {
      throw new IOException("no RTF");
    }
    RtfEnds whole = RtfEnds.of(text.substring(from));
    try {
      r.parse(whole.rtf());
    } catch (RuntimeException e) {
      throw new IOException(e);
    }
    r.pages.section(r.text.blocks());
    String language = r.sheet().textBase(Look.PLAIN).value(TextTraits.LANGUAGE);
    return new Whole(
        r.numbered.settled(
            Document.of(
                r.pages.metadata(language),
                r.sheet().withTypesetting(r.pages.paper().typesetting()),
                r.lists,
                r.pages.sections(),
                r.stories,
                r.media,
                List.of())),
        new RtfTold(
            r.pages.missed(),
            r.changes.any(),
            r.pages.hasObjects(),
            r.shapes.simplified(),
            whole.broken(),
            whole.uneven(),
            r.equations || r.fields.hasEquations()));
  }

  /** A whole file, and what of it is not as it was. */
  public record Whole(Document document, RtfTold told) {}

  @Override
  Optional<Goal> ofFile(Command c) {
    return switch (c) {
      case header, headerl, headerr, headerf, footer, footerl, footerr, footerf -> {
        apart(new RtfText.Apart.Header(RtfPages.running(c).orElseThrow()));
        yield Optional.of(Goal.TEXT);
      }
      case docmd -> {
        shapes.oldBegins(groups.size());
        yield Optional.of(state.goal());
      }
      case shptxt, dptxbxtext -> {
        apart(new RtfText.Apart.Box());
        yield Optional.of(Goal.TEXT);
      }
      case annotation -> {
        apart(new RtfText.Apart.Remark());
        yield Optional.of(Goal.TEXT);
      }
      case listtable,
          list,
          listlevel,
          leveltext,
          levelnumbers,
          listoverridetable,
          listoverride,
          lfolevel ->
          Optional.of(Goal.LISTS);
      case shp, shpgrp -> {
        shapes.begins(groups.size(), c == Command.shpgrp);
        yield Optional.of(state.goal());
      }
      case picprop -> {
        shapes.pictureBegins();
        yield Optional.of(Goal.SHAPE);
      }
      case sp -> Optional.of(Goal.SHAPE);
      case sn -> {
        shapes.name();
        yield Optional.of(Goal.SHAPE);
      }
      case sv -> {
        shapes.value();
        yield Optional.of(Goal.SHAPE);
      }
      case object -> {
        pages.object();
        yield Optional.of(state.goal());
      }
      case formfield -> {
        fields.blankBegins();
        yield Optional.of(Goal.BLANK);
      }
      case ffname, ffdeftext, ffl, ffformat -> Optional.of(Goal.BLANK);
      case mmath, moMathPara, moMath -> {
        equations = true;
        yield Optional.of(state.goal());
      }
      case mmathPict -> Optional.of(Goal.SKIPPED); // of the same equation
      case revtbl -> Optional.of(Goal.AUTHORS);
      case shpinst, result, info -> Optional.of(state.goal());
      case title, subject, author, keywords, atnauthor, bkmkstart -> {
        pages.says(c);
        yield Optional.of(Goal.SAID);
      }
      default -> equations && RtfEquations.isPart(c) ? Optional.of(state.goal()) : Optional.empty();
    };
  }

  @Override
  void said(String s) {
    pages.say(s);
  }

  @Override
  void ofShape(String s) {
    shapes.text(s);
  }

  @Override
  void ofBlank(String s) {
    fields.blank().ifPresent(b -> b.text(s));
  }

  @Override
  void blank(Command c, int value) {
    fields.blank().ifPresent(b -> b.command(c, value));
  }

  @Override
  void groupEnds(int groups) {
    if (shapes.endsAt(groups)) {
      shapes.ended().ifPresent(text.open()::add);
    }
  }

  @Override
  void sectionEnds() {
    if (text.around().isEmpty()) {
      pages.section(text.blocks());
    }
  }

  /** A link, or a value that is worked out anew, whatever it shows. */
  @Override
  void asks(String instruction) {
    var told = new FieldInstruction(instruction);
    Optional<RtfBlank> on = fields.blankAsked();
    if (on.isPresent()) {
      stands(on.get());
      return;
    }
    Optional<Link> link = told.link();
    if (link.isPresent()) {
      links(link.get());
      return;
    }
    fields
        .instead(told, look())
        .ifPresent(i -> {
          text.open().add(i);
          state = state.dropping(true);
        });
  }

  @Override
  void dropped(String s) {
    fields.result(s, look(), text.open());
  }

  /** What the field shows can be filled in. */
  private void stands(RtfBlank on) {
    AskedFor asked = on.asked();
    if (!asked.isForPeople()) {
      return; // what it shows stays
    }
    FormField field = fields.place(asked);
    RtfState.Letters l = state.letters();
    Look look = l.look().with(TextTraits.FIELD, field);
    state = state.with(l.with(look));
    if (!asked.shown().isEmpty()) {
      text.open().add(new Inline.Text(asked.shown(), look));
      state = state.dropping(true);
    }
  }

  /** What stands in whole files only. */
  @Override
  void other(Command c, int value, boolean hasValue) {
    switch (c) {
      case page -> text.open().add(new Inline.Text("\f", look()));
      case column -> text.open().add(new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), look()));
      case chpgn -> text.open().add(new Inline.Field(Inline.Field.Kind.PAGE, "1", look()));
      default -> {
        shapes.oldKind(c).ifPresent(text.open()::add);
        if (!shapes.takes(c, value)) {
          pages.paper().command(c, value, hasValue);
        }
      }
    }
  }

  @Override
  Look look() {
    return changes.of(state.letters());
  }

  @Override
  void takenOut(String s) {
    changes.takenOut(s, state.letters(), text.open());
  }

  @Override
  boolean takesHidden() {
    return true;
  }

  @Override
  void pageRuled(RtfRules said) {
    pages.paper().ruled(said);
  }

  @Override
  void styled(String id) {
    RtfState.Letters l = state.letters();
    state = state.with(l.with(l.look().with(TextTraits.CHARACTER_STYLE, id)));
  }

  @Override
  void listCommand(Command c, int value, boolean hasValue) {
    if (!tables.takes(c, value)) {
      ofLooks(c, value, hasValue);
      tables.look(state);
    }
  }

  @Override
  void ofTable(String s) {
    if (state.goal() == Goal.AUTHORS) {
      changes.author(s);
    } else {
      tables.text(s);
    }
  }

  @Override
  void listsEnd() {
    tables.ends();
  }

  /** The styles, once it is known what holds where nothing is said. */
  private StyleSheet sheet() {
    if (sheet == null) {
      Look texts = RtfStyles.BARE.textDefaults();
      sheet =
          told.sheet(
              Look.of(ParagraphTraits.WIDOW_CONTROL, pages.paper().keepsWidows()),
              looks
                  .fonts
                  .family(pages.paper().font())
                  .map(f -> texts.with(TextTraits.FAMILY, f))
                  .orElse(texts),
              pages.paper().typesetting());
    }
    return sheet;
  }

  /** A paragraph of a file says all that it looks like, whatever its style says. */
  @Override
  void paragraphEnds(RtfState.Place at, List<Inline> all) {
    Look style =
        at.style() == 0
            ? Look.PLAIN
            : told.id(at.style()).map(s -> Look.of(ParagraphTraits.STYLE, s)).orElse(Look.PLAIN);
    Look below = sheet().paragraphLook(style);
    Look whole = at.look().over(sheet().paragraphDefaults());
    if (at.table() > 0) {
      whole = whole.without(ParagraphTraits.FRAME); // rows say where they stand
    }
    int level = at.level() < 0 ? below.value(ParagraphTraits.HEADING_LEVEL) : at.level();
    Look look =
        RtfStyles.differing(whole.with(ParagraphTraits.HEADING_LEVEL, level), below).over(style);
    NodeId id = NodeId.fresh();
    if (at.list() > 0 || !label.isEmpty()) {
      look = numbered.item(id, at.list(), at.depth(), label.toString(), look, whole);
    }
    boolean remark = text.apart().filter(a -> a instanceof RtfText.Apart.Remark).isPresent();
    List<String> names = remark ? List.of() : pages.bookmarks();
    look = names.isEmpty() ? look : look.with(ParagraphTraits.BOOKMARKS, names);
    Look base = sheet().textBase(style);
    List<Inline> inlines = new ArrayList<>();
    for (Inline i : all) {
      inlines.add(
          i instanceof Inline.Text || i instanceof Inline.Field
              ? i.withLook(differing(i.look(), base))
              : i);
    }
    if (!waiting.isEmpty() && !inlines.isEmpty()) {
      Inline first = inlines.getFirst();
      inlines.set(0, first.withLook(first.look().with(TextTraits.COMMENTS, List.copyOf(waiting))));
      waiting.clear();
    }
    Look end = differing(look().without(TextTraits.LINK), base);
    text.paragraph(new Paragraph(id, look, end, inlines), at.table());
  }

  /** What text says that its paragraph and its own style do not. */
  private Look differing(Look own, Look base) {
    Look rest = own;
    for (Trait<?> t : TextTraits.OF_LETTERS) {
      rest = rest.without(t);
    }
    Look style =
        own.sets(TextTraits.CHARACTER_STYLE)
            ? Look.of(TextTraits.CHARACTER_STYLE, own.value(TextTraits.CHARACTER_STYLE))
            : Look.PLAIN;
    Look below = sheet().textLook(base, style);
    return own.over(sheet().textDefaults()).differing(below, TextTraits.OF_LETTERS).over(rest);
  }

  /** A text that is no part of the one around it begins: of a header or a shape. */
  private void apart(RtfText.Apart what) {
    text = text.apart(groups.size(), what);
    state = state.bare();
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
        shapes.story(story.id());
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
    return state.goal() == Goal.TEXT || state.goal() == Goal.SHAPE;
  }

  @Override
  RtfPicture.Words ofPicture() {
    return shapes.pictureEnds();
  }

  @Override
  void placed(Inline.Picture p) {
    if (state.goal() != Goal.SHAPE || !shapes.picture(p)) {
      text.open().add(p);
    }
  }

  @Override
  void drawing(RtfPicture p, byte[] bytes) {
    if (!takesPictures()) {
      return;
    }
    Media m = Media.of(p.type(), bytes);
    Optional<Double> width = p.width();
    Optional<Double> height = p.height();
    if (!VectorPicture.isVector(p.type())
        || width.isEmpty()
        || height.isEmpty()
        || VectorPicture.of(m).isEmpty()) {
      pages.missing();
      return;
    }
    shows(m, width.get(), height.get());
  }

  /** As large as is said, however wide. */
  @Override
  PictureSize size(RtfPicture p, Dimension pixels) {
    return PictureSize.said(pixels, p.width(), p.height());
  }
}
