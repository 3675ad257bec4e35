package decant.pdf.amend.line;

import decant.pdf.content.Blending;
import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import decant.pdf.content.Transform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * The letters of a page with the bytes that show them, in the order of its content, those of forms
 * that it paints among them (ISO 32000-2 §8.10 and §9.4).
 */
public final class PageLetters {
  /** Forms within forms beyond this depth are passed over, and forms beyond this many. */
  private static final int DEEPEST = 20;

  private static final int MOST_FORMS = 2000;
  private static final int MOST_SAVED = 10_000;
  private static final int MOST_LETTERS = 400_000;

  /** What covers more of a page is its ground, not a drawing on it. */
  private static final double MOST_OF_PAGE = 0.7;

  private static final Rectangle2D UNIT = new Rectangle2D.Double(0, 0, 1, 1);

  private final FontsOfFile fonts;
  private final List<Show> shows = new ArrayList<>();
  private final List<Upright> uprights = new ArrayList<>();
  private final List<PaintedPicture> pictures = new ArrayList<>();
  private final Map<COSStream, Integer> painted = new IdentityHashMap<>();
  private int forms;
  private int letters;
  private double pageArea;

  /**
   * A line or an edge that runs from foot to head of the page, in its own space.
   *
   * @param low its lower end
   */
  public record Upright(double x, double low, double high) {}

  /**
   * What stands on a page.
   *
   * @param uprights lines and edges that text does not run over
   * @param painted pictures, and paths that may be drawings, in the order in which they are painted
   * @param forms how many times each is painted
   */
  public record Result(
      List<Show> shows,
      List<Upright> uprights,
      List<PaintedPicture> painted,
      Map<COSStream, Integer> forms) {
    /** Pictures and drawings; told apart from what is about text when they are asked for. */
    public List<PaintedPicture> pictures() {
      return PathDrawings.apart(painted, shows, forms);
    }

    /** All letters in their order. */
    public List<Letter> letters() {
      return shows.stream().flatMap(s -> s.letters.stream()).toList();
    }
  }

  private PageLetters(FontsOfFile fonts) {
    this.fonts = fonts;
  }

  public static Result of(PDPage page, FontsOfFile fonts) {
    var p = new PageLetters(fonts);
    COSDictionary resources =
        page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject();
    PDRectangle crop = page.getCropBox();
    p.pageArea = crop.getWidth() * (double) crop.getHeight();
    p.new Run(new ContentPlace.OfPage(), resources, Transform.NONE, Optional.empty(), false, 0)
        .run(UnpackedContent.of(page));
    p.speak();
    return new Result(p.shows, p.uprights, p.pictures, p.painted);
  }

  /**
   * What a form paints that lies over a page.
   *
   * @param around resources for one that has none of its own
   */
  public static Result of(COSStream form, COSDictionary around, FontsOfFile fonts) {
    var p = new PageLetters(fonts);
    p.form(new ContentPlace.OfPage(), COSName.F, form, around, Around.NOTHING, 1);
    p.speak();
    return new Result(p.shows, p.uprights, p.pictures, p.painted);
  }

  /**
   * Where a mark says what its letters do not, the first of them says it and the others nothing.
   */
  private void speak() {
    var all = new IdentityHashMap<Show.Spoken, List<Letter>>();
    for (Show s : shows) {
      s.spoken.ifPresent(m -> all.computeIfAbsent(m, k -> new ArrayList<>()).addAll(s.letters));
    }
    all.forEach((mark, marked) -> {
      var said = new StringBuilder();
      marked.forEach(l -> said.append(l.text));
      if (!said.toString().replace(" ", "").equals(mark.text().replace(" ", ""))) {
        marked.forEach(l -> l.text = "");
        marked.getFirst().text = mark.text();
      }
    });
  }

  /** What a form is painted in. */
  private record Around(Transform space, Optional<Rectangle2D> within, boolean altered) {
    static final Around NOTHING = new Around(Transform.NONE, Optional.empty(), false);
  }

  private void form(
      ContentPlace in,
      COSName name,
      COSStream form,
      COSDictionary resources,
      Around around,
      int depth) {
    if (depth >= DEEPEST || ++forms > MOST_FORMS) {
      return;
    }
    painted.merge(form, 1, Integer::sum);
    COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
    Transform own2 = FormBox.matrix(form);
    new Run(
            new ContentPlace.OfForm(in, name, form),
            own == null ? resources : own,
            own2.then(around.space),
            around.within,
            around.altered,
            depth)
        .run(UnpackedContent.of(form));
  }

  /** What q keeps and Q brings back. */
  private record Kept(
      Transform space,
      TextState text,
      double wide,
      Optional<Rectangle2D> within,
      boolean altered) {}

  /** One content stream that is gone through. */
  private final class Run {
    private final ContentPlace place;
    private final COSDictionary resources;
    private final int depth;
    private final Deque<Kept> kept = new ArrayDeque<>();
    private final Deque<Optional<Show.Spoken>> marks = new ArrayDeque<>();
    private final PathSoFar path = new PathSoFar();
    private final PathDrawings drawings = new PathDrawings();
    private Transform space;
    private TextState text = TextState.NONE;

    /** The width of lines, in units of the space (§8.4.3.2). */
    private double wide = 1;

    private Transform line = Transform.NONE;
    private Transform at = Transform.NONE;

    /** Where what is painted shows; empty: everywhere. */
    private Optional<Rectangle2D> within;

    /** Whether what is painted shows otherwise than it would elsewhere: clear, or blended. */
    private boolean altered;

    private Run(
        ContentPlace place,
        COSDictionary resources,
        Transform space,
        Optional<Rectangle2D> within,
        boolean altered,
        int depth) {
      this.within = within;
      this.altered = altered;
      this.place = place;
      this.resources = resources;
      this.space = space;
      this.depth = depth;
    }

    private void run(byte[] content) {
      var reader = new ContentReader(content);
      int number = 0;
      for (var i = reader.next(); i.isPresent() && letters < MOST_LETTERS; i = reader.next()) {
        one(i.get(), number++);
      }
      pictures.addAll(drawings.all(place, MOST_OF_PAGE * pageArea));
    }

    private PathDrawings.Around around() {
      return new PathDrawings.Around(space, within);
    }

    private void one(Instruction i, int number) {
      drawings.other(i);
      switch (i) {
        case Instruction.Save s -> {
          drawings.opens(s.span(), true, around());
          if (kept.size() < MOST_SAVED) {
            kept.push(new Kept(space, text, wide, within, altered));
          }
        }
        case Instruction.Restore r -> {
          drawings.closes(r.span(), true);
          if (!kept.isEmpty()) {
            Kept before = kept.pop();
            space = before.space;
            text = before.text;
            wide = before.wide;
            within = before.within;
            altered = before.altered;
          }
        }
        case Instruction.Concat c -> space = c.transform().then(space);
        case Instruction.State s -> state(s);
        case Instruction.TextStart t -> {
          line = Transform.NONE;
          at = line;
        }
        case Instruction.Font f ->
            text = text.with(font(f.name()), Optional.of(f.name()), f.size());
        case Instruction.TextState t -> text = text.with(t.raw().operator(), t.value());
        case Instruction.MoveText m -> {
          if (m.leads()) {
            text = text.with("TL", -m.y());
          }
          nextLine(m.x(), m.y());
        }
        case Instruction.TextMatrix m -> {
          line = m.transform();
          at = line;
        }
        case Instruction.NextLine n -> nextLine(0, -text.show().leading());
        case Instruction.ShowText s -> show(s, number);
        case Instruction.PaintObject p -> paint(p);
        case Instruction.MarkStart m -> {
          drawings.opens(m.span(), false, around());
          marks.push(spoken(m, number).or(this::mark));
        }
        case Instruction.MarkEnd m -> {
          drawings.closes(m.span(), false);
          marks.poll();
        }
        case Instruction.Path p -> path.add(p, space);
        case Instruction.PaintPath p -> {
          if (p.paints()) {
            uprights.addAll(path.uprights());
            path.span(p.span())
                .ifPresent(
                    s -> drawings.painted(s, path.box(p, wide, space), path.isShaped(), around()));
          }
          within = path.within(within);
          path.clear();
        }
        case Instruction.TextEnd t -> {}
        case Instruction.Clip c -> {
          drawings.changes();
          path.clips();
        }
        case Instruction.Colour c -> text = text.with(c);
        case Instruction.Shading s ->
            within.ifPresentOrElse(
                w -> drawings.painted(s.span(), w, true, around()), drawings::other);
        case Instruction.InlineImage b ->
            pictures.add(
                new PaintedPicture(
                    place,
                    PaintedBy.whole(b.span()),
                    Optional.empty(),
                    UNIT,
                    space,
                    within,
                    hindered(b.image()),
                    false));
        case Instruction.MarkPoint m -> {}
        case Instruction.GlyphWidth g -> {}
        case Instruction.Compatibility c -> {}
        case Instruction.Unknown u -> {}
      }
    }

    private Optional<Show.Spoken> mark() {
      return marks.isEmpty() ? Optional.empty() : marks.peek();
    }

    private void nextLine(double x, double y) {
      line = Transform.moved(x, y).then(line);
      at = line;
    }

    private Optional<LettersOfFont> font(String name) {
      COSDictionary all = resources.getCOSDictionary(COSName.FONT);
      COSDictionary one = all == null ? null : all.getCOSDictionary(COSName.getPDFName(name));
      return one == null ? Optional.empty() : fonts.of(one);
    }

    /** A font that an entry of the graphics state sets (table 57). */
    private void state(Instruction.State s) {
      if (s.raw().operator().equals("w") && s.raw().operands().getFirst() instanceof COSNumber n) {
        wide = n.floatValue();
      }
      if (!s.raw().operator().equals("gs")
          || !(s.raw().operands().getFirst() instanceof COSName n)) {
        return;
      }
      COSDictionary all = resources.getCOSDictionary(COSName.EXT_G_STATE);
      COSDictionary one = all == null ? null : all.getCOSDictionary(n);
      altered |= one != null && Blending.isIn(one);
      if (one != null
          && one.getDictionaryObject(COSName.FONT) instanceof COSArray a
          && a.size() == 2
          && a.getObject(0) instanceof COSDictionary f
          && a.getObject(1) instanceof COSNumber size) {
        text = text.with(fonts.of(f), Optional.empty(), size.floatValue());
      }
    }

    private Optional<Show.Spoken> spoken(Instruction.MarkStart m, int number) {
      COSBase p = m.properties().orElse(null);
      if (p instanceof COSName n) {
        COSDictionary all = resources.getCOSDictionary(COSName.PROPERTIES);
        p = all == null ? null : all.getDictionaryObject(n);
      }
      return p instanceof COSDictionary d && d.getString(COSName.ACTUAL_TEXT) != null
          ? Optional.of(new Show.Spoken(number, m, Plain.of(d.getString(COSName.ACTUAL_TEXT))))
          : Optional.empty();
    }

    private void paint(Instruction.PaintObject p) {
      COSName name = COSName.getPDFName(p.name());
      COSDictionary all = resources.getCOSDictionary(COSName.XOBJECT);
      if (all != null
          && all.getDictionaryObject(name) instanceof COSStream s
          && COSName.FORM.equals(s.getDictionaryObject(COSName.SUBTYPE))) {
        paint(p, name, s);
      } else if (all != null
          && all.getDictionaryObject(name) instanceof COSStream s
          && COSName.IMAGE.equals(s.getDictionaryObject(COSName.SUBTYPE))) {
        pictures.add(
            new PaintedPicture(
                place,
                PaintedBy.whole(p.span()),
                Optional.of(name),
                UNIT,
                space,
                within,
                hindered(s),
                false));
      }
    }

    /** A form; one without text that is not about as large as the page is one drawing. */
    private void paint(Instruction.PaintObject p, COSName name, COSStream s) {
      int lettersBefore = letters;
      int before = pictures.size();
      form(place, name, s, resources, new Around(space, within, altered), depth + 1);
      Rectangle2D own = FormBox.of(s);
      var drawing =
          new PaintedPicture(
              place,
              PaintedBy.whole(p.span()),
              Optional.of(name),
              own,
              space,
              within,
              altered,
              true);
      Rectangle2D at = drawing.area().getBounds2D();
      boolean large = at.getWidth() * at.getHeight() > MOST_OF_PAGE * pageArea;
      if (letters == lettersBefore && !large && !own.isEmpty() && depth == 0) {
        pictures.subList(before, pictures.size()).clear();
        pictures.add(drawing);
      }
    }

    /** A picture that shows by the colour in force, or otherwise than it would elsewhere. */
    private boolean hindered(COSDictionary image) {
      return altered || image.getBoolean(COSName.IMAGE_MASK, image.getBoolean(COSName.IM, false));
    }

    private void show(Instruction.ShowText s, int number) {
      if (s.raw().operator().equals("\"")
          && s.raw().operands().get(0) instanceof COSNumber words
          && s.raw().operands().get(1) instanceof COSNumber between) {
        text = text.with("Tw", words.floatValue()).with("Tc", between.floatValue());
      }
      if (s.onNextLine()) {
        nextLine(0, -text.show().leading());
      }
      if (text.font().isEmpty()) {
        return;
      }
      LettersOfFont font = text.font().get();
      Show.State state = text.of(font);
      var show = new Show(place, number, s, state, text.paint(), at.then(space), mark());
      double x = 0;
      List<COSBase> pieces = s.pieces();
      for (int p = 0; p < pieces.size(); p++) {
        if (pieces.get(p) instanceof COSNumber n) {
          x -= n.floatValue() / 1000 * state.size() * state.stretch();
        } else if (pieces.get(p) instanceof COSString string) {
          int byteAt = 0;
          for (LettersOfFont.Code c : font.codes(string.getBytes())) {
            double width = c.width() * state.size() * state.stretch();
            double advance =
                width + (state.letters() + (c.isWordSpace() ? state.words() : 0)) * state.stretch();
            int to = byteAt + c.bytes().length;
            show.letters.add(new Letter(show, p, byteAt, to, c.text(), x, advance, width));
            byteAt = to;
            x += advance;
          }
        }
      }
      show.end = x;
      at = Transform.moved(x, 0).then(at);
      letters += show.letters.size();
      if (!show.letters.isEmpty()) {
        shows.add(show);
      }
    }
  }
}
