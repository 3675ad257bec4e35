package decant.model.edit;

import decant.layout.Rich;
import decant.model.AttachedFile;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Table;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.section.PageEdits;
import decant.model.edit.section.Paper;
import decant.model.edit.section.RunningEdits;
import decant.model.edit.style.LetterStyles;
import decant.model.edit.style.PickedLook;
import decant.model.edit.style.StyleEdits;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.Insets;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** Any command at any place: in the flow, in notes, in headers, in shapes, in cells. */
public final class AnyEdit {
  private static final int LARGE = 180;
  private static final Document OTHER = Rich.varied(7, 60);

  private AnyEdit() {}

  /** Some command; the same for the same numbers. */
  public static Revision of(Revision r, Random random) {
    Document d = r.document();
    List<Paragraph> all = Walk.paragraphs(d, Part.ALL);
    Paragraph p = all.get(random.nextInt(all.size()));
    Position a = new Position(p.id(), random.nextInt(p.length() + 1));
    Revision s = r.withSelection(selection(d, a, random));
    boolean large = all.size() > LARGE;
    return switch (random.nextInt(6)) {
      case 0 -> structure(s, random, large);
      case 1 -> looks(s, random);
      case 2 -> styles(s, random);
      case 3 -> tables(s, random, large);
      case 4 -> objects(s, all, random);
      default -> text(s, r, random, large);
    };
  }

  /** A caret, or a selection within the text that a place belongs to. */
  private static Selection selection(Document d, Position a, Random random) {
    if (random.nextInt(3) > 0) {
      return Selection.at(a);
    }
    List<NodeId> order = d.index().orderAround(a.paragraph());
    int at = d.index().placeInOrder(a.paragraph()).orElseThrow();
    Paragraph q = d.requireParagraph(order.get(Math.min(order.size() - 1, at + random.nextInt(4))));
    Position b = new Position(q.id(), random.nextInt(q.length() + 1));
    return random.nextBoolean() ? new Selection(a, b) : new Selection(b, a);
  }

  private static Position somewhere(Document d, Random random) {
    List<Paragraph> all = Walk.paragraphs(d, Part.ALL);
    Paragraph p = all.get(random.nextInt(all.size()));
    return new Position(p.id(), random.nextInt(p.length() + 1));
  }

  private static Revision text(Revision s, Revision r, Random random, boolean large) {
    return switch (random.nextInt(18)) {
      case 17 -> files(s, random);
      case 16 -> pages(s, random);
      case 14 -> {
        Revision in =
            RunningEdits.go(s, Section.Running.values()[random.nextInt(2) * 3 + random.nextInt(3)]);
        yield random.nextBoolean()
            ? in
            : RunningEdits.apart(
                in, RunningEdits.Apart.values()[random.nextInt(2)], random.nextBoolean());
      }
      case 15 ->
          random.nextBoolean()
              ? RunningEdits.remove(s)
              : RunningEdits.putField(s, Inline.Field.Kind.PAGE);
      case 12, 13 -> fromElsewhere(s, random);
      case 0 -> large ? Commands.deleteBackward(s) : Commands.newParagraph(s);
      case 1 -> Commands.deleteBackward(s);
      case 2 -> Commands.deleteForward(s);
      case 3 -> Commands.deleteWordBackward(s);
      case 4 -> Commands.deleteWordForward(s);
      case 5 -> Commands.lineBreak(s);
      case 6 -> large ? Commands.insert(s, "x") : Commands.insert(s, "two\nlines");
      case 7 -> r.canUndo() && random.nextInt(4) == 0 ? r.undo() : Commands.insert(s, "x");
      case 8 ->
          large
              ? s
              : Copying.of(s.document(), s.selection())
                  .map(f ->
                      Pasting.paste(
                          s.withSelection(Selection.at(somewhere(s.document(), random))), f))
                  .orElse(s);
      case 9 -> Moving.to(s, somewhere(s.document(), random), large ? false : random.nextBoolean());
      case 10 -> WhileTyping.settled(Commands.insert(s, random.nextBoolean() ? "1. " : " "));
      default -> Commands.insert(s, "quay ");
    };
  }

  private static Revision pages(Revision s, Random random) {
    boolean all = random.nextBoolean();
    return switch (random.nextInt(6)) {
      case 0 -> PageEdits.size(s, all, Paper.A5.width(), Paper.A5.height());
      case 1 -> PageEdits.size(s, all, Paper.A4.height(), Paper.A4.width());
      case 2 ->
          PageEdits.margins(
              s,
              all,
              m ->
                  new PageSetup.Margins(
                      40 + random.nextInt(50), m.right(), 50, m.left(), m.header(), 30));
      case 3 -> PageEdits.columns(s, all, Columns.equal(1 + random.nextInt(3), 18, false));
      case 4 -> s.document().sections().size() > 6 ? PageEdits.join(s) : PageEdits.begin(s);
      default -> PageEdits.join(s);
    };
  }

  /** A paragraph of another document, with its notes, pictures and shapes. */
  private static Revision fromElsewhere(Revision s, Random random) {
    Document other = OTHER;
    List<Paragraph> rich =
        other.paragraphs().stream().filter(p -> p.text().indexOf(Inline.OBJECT) >= 0).toList();
    Paragraph p = rich.get(random.nextInt(rich.size()));
    int at = p.text().indexOf(Inline.OBJECT);
    var part = new Selection(new Position(p.id(), at), new Position(p.id(), at + 1));
    return Copying.of(other, part)
        .map(f -> Pasting.paste(s.withSelection(Selection.at(s.selection().caret())), f))
        .orElse(s);
  }

  private static Revision structure(Revision s, Random random, boolean large) {
    List<NodeId> touched =
        Range.of(s.document(), s.selection()).parts(s.document()).stream()
            .map(p -> p.paragraph().id())
            .toList();
    NodeId here = s.selection().caret().paragraph();
    return switch (random.nextInt(9)) {
      case 0 -> Commands.setHeadingLevel(s, random.nextInt(4));
      case 1 -> ListEdits.toggle(s, random.nextBoolean());
      case 2 -> ListEdits.shift(s, random.nextBoolean() ? 1 : -1);
      case 3 -> ListEdits.goOn(ListEdits.startAt(s, random.nextInt(9)));
      case 4 -> StructureEdits.list(s, touched);
      case 5 -> large ? s : StructureEdits.table(s, touched);
      case 6 -> StructureEdits.join(s, here);
      case 7 -> StructureEdits.move(s, here, random.nextBoolean());
      default -> large ? s : Contents.renew(s);
    };
  }

  private static Revision files(Revision s, Random random) {
    List<AttachedFile> there = s.document().attachments();
    return there.size() > 3 || !there.isEmpty() && random.nextBoolean()
        ? random.nextBoolean()
            ? AttachmentEdits.remove(s, there.getFirst())
            : AttachmentEdits.describe(s, there.getLast(), "charges " + random.nextInt(9))
        : AttachmentEdits.attach(s, new AttachedFile("charges.csv", "text/csv", "", new byte[3]));
  }

  private static Revision looks(Revision s, Random random) {
    return switch (random.nextInt(9)) {
      case 8 ->
          Commands.setParagraph(
              s,
              "Frame",
              ParagraphTraits.FRAME,
              new TextFrame(
                  60 + random.nextInt(90),
                  0,
                  false,
                  new Placement.Floating(
                      new Placement.Axis(
                          Placement.Origin.COLUMN, Placement.Align.OFFSET, random.nextInt(200)),
                      new Placement.Axis(
                          Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, random.nextInt(20)),
                      Placement.Wrap.AROUND,
                      Insets.NONE,
                      false)));
      case 0 -> Commands.toggle(s, "Bold", TextTraits.BOLD);
      case 1 -> Commands.set(s, "Size", TextTraits.SIZE, 8.0 + random.nextInt(10));
      case 2 -> Commands.unset(s, "Size", TextTraits.SIZE);
      case 3 ->
          Commands.setParagraph(s, "Space", ParagraphTraits.SPACE_AFTER, 2.0 * random.nextInt(6));
      case 4 -> Commands.unsetParagraph(s, "Space", ParagraphTraits.SPACE_AFTER);
      case 5 -> PickedLook.of(s).layDown(elsewhere(s, random));
      case 6 -> PickedLook.of(s).layDownOnAlike(elsewhere(s, random));
      default ->
          Commenting.add(s, new Comment("c" + random.nextInt(), "Clerk", "", "Is this so?", false));
    };
  }

  private static Revision elsewhere(Revision s, Random random) {
    return s.withSelection(selection(s.document(), somewhere(s.document(), random), random));
  }

  private static Revision ofLetters(Revision s, Random random) {
    List<StyleEdits.Use> all = LetterStyles.all(s.document());
    if (all.isEmpty() || all.size() < 4 && random.nextInt(4) == 0) {
      return LetterStyles.create(s, "Word " + random.nextInt(6));
    }
    String some = all.get(random.nextInt(all.size())).style().id();
    return switch (random.nextInt(5)) {
      case 0 -> LetterStyles.take(s);
      case 1 -> LetterStyles.none(s);
      case 2 -> LetterStyles.remove(s, some);
      case 3 -> StyleEdits.rename(s, some, "Words " + random.nextInt(9));
      default -> LetterStyles.apply(s, some);
    };
  }

  private static Revision styles(Revision s, Random random) {
    if (random.nextInt(3) == 0) {
      return ofLetters(s, random);
    }
    List<StyleEdits.Use> all = StyleEdits.all(s.document());
    if (all.isEmpty()) {
      return StyleEdits.create(s, "Notice");
    }
    String some = all.get(random.nextInt(all.size())).style().id();
    String other = all.get(random.nextInt(all.size())).style().id();
    return switch (random.nextInt(7)) {
      case 0 -> StyleEdits.create(s, "Notice " + random.nextInt(6));
      case 1 -> StyleEdits.apply(s, some);
      case 2 -> StyleEdits.take(s);
      case 3 -> StyleEdits.rename(s, some, "Called " + random.nextInt(9));
      case 4 -> StyleEdits.follow(s, some, other);
      case 5 -> StyleEdits.remove(s, some);
      default -> StyleEdits.backToStyle(s);
    };
  }

  private static Revision tables(Revision s, Random random, boolean large) {
    Optional<TableEdits.In> in = TableEdits.in(s.document(), s.selection());
    if (in.isEmpty()) {
      return large || random.nextInt(6) > 0 ? s : TableEdits.insert(s, 2, 3);
    }
    Table t = in.get().table();
    Rule line = Rule.single(1, Colour.BLACK);
    return switch (random.nextInt(16)) {
      case 0 -> TableEdits.deleteRows(s);
      case 1 -> TableEdits.deleteColumns(s);
      case 2 -> large ? s : TableEdits.insertRows(s, random.nextBoolean());
      case 3 -> large ? s : TableEdits.insertColumns(s, random.nextBoolean());
      case 4 -> TableEdits.merge(s);
      case 5 -> TableEdits.split(s);
      case 6 -> large ? s : TableEdits.go(s, random.nextBoolean() ? 1 : -1);
      case 7 -> TableEdits.toggleHeader(s);
      case 8 -> CellEdits.sort(s, random.nextBoolean());
      case 9 -> CellEdits.putSum(s);
      case 10 -> TableLooks.shade(s, new Colour(random.nextInt()));
      case 11 ->
          TableLooks.rule(
              s,
              TableLooks.Which.values()[random.nextInt(3)],
              random.nextBoolean() ? line : Rule.NONE);
      case 12 -> TableLooks.align(s, VerticalAlignment.values()[random.nextInt(3)]);
      case 13 -> TableLooks.padding(s, random.nextInt(12), random.nextInt(12));
      case 14 ->
          TableLooks.columns(
              s,
              t.id(),
              java.util.Collections.nCopies(Grid.of(t).columns(), 30.0 + random.nextInt(60)));
      default -> random.nextInt(4) == 0 ? StructureEdits.lines(s, t.id()) : s;
    };
  }

  private static Revision objects(Revision s, List<Paragraph> all, Random random) {
    var places = new ArrayList<Position>();
    for (Paragraph p : all) {
      int at = 0;
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.Picture || i instanceof Inline.Shape) {
          places.add(new Position(p.id(), at));
        }
        at += i.length();
      }
    }
    if (places.isEmpty()) {
      return s;
    }
    Position at = places.get(random.nextInt(places.size()));
    Revision o = s.withSelection(ObjectEdits.selection(at));
    return switch (random.nextInt(8)) {
      case 0 -> ObjectEdits.resize(o, 20 + random.nextInt(200), 20 + random.nextInt(200));
      case 1 -> ObjectEdits.turn(o, random.nextInt(4) * 90);
      case 2 -> ObjectEdits.crop(o, new Insets(random.nextDouble() / 3, 0, 0.1, 0));
      case 3 ->
          ObjectEdits.wrap(
              o,
              ObjectEdits.Wrapping.values()[random.nextInt(5)],
              random.nextInt(200),
              random.nextInt(20));
      case 4 -> ObjectEdits.move(o, random.nextInt(40) - 20, random.nextInt(40) - 20, 100, 100);
      case 5 -> ObjectEdits.anchorToPage(o, random.nextBoolean(), 100, 200, 5);
      case 6 -> ObjectEdits.describe(o, at, "the quay " + random.nextInt(9));
      default ->
          random.nextInt(3) == 0
              ? Commands.deleteBackward(o)
              : Moving.to(o, somewhere(s.document(), random), false);
    };
  }
}
