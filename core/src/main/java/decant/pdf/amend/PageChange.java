package decant.pdf.amend;

import decant.pdf.amend.line.ContentPlace;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.PaintedBy;
import decant.pdf.amend.line.PaintedPicture;
import decant.pdf.amend.line.Show;
import decant.pdf.amend.line.UnpackedContent;
import decant.pdf.amend.page.ContentParts;
import decant.pdf.amend.page.PageEnd;
import decant.pdf.amend.setting.Edit;
import decant.pdf.amend.setting.Setting;
import decant.pdf.amend.setting.SubstituteFont;
import decant.pdf.content.ContentReader;
import decant.pdf.content.ContentSplice;
import decant.pdf.content.Instruction;
import decant.pdf.content.ReadPage;
import decant.pdf.content.Span;
import decant.pdf.file.ObjectText;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageTree;
import org.jspecify.annotations.Nullable;

/** Puts lines that were set anew into the content of a page and of forms that it paints. */
final class PageChange {
  private static final String NAME = "Amended";

  private final PDPage page;
  private final Map<COSStream, Integer> used;
  private final Predicate<COSStream> elsewhere;
  private final List<FontEntry> wanted = new ArrayList<>();
  private final Map<ContentPlace, Map<SubstituteFont, String>> names = new HashMap<>();
  private final Map<ContentPlace, COSDictionary> copies = new HashMap<>();

  /** A font that is to be among the resources when all of its letters are known. */
  record FontEntry(COSDictionary fonts, COSName name, SubstituteFont font) {}

  /**
   * @param used on how many pages each stream is content
   * @param elsewhere whether a form is painted by pages that stay as they are
   */
  PageChange(PDPage page, Map<COSStream, Integer> used, Predicate<COSStream> elsewhere) {
    this.page = page;
    this.used = used;
    this.elsewhere = elsewhere;
  }

  /**
   * @param shows all operators that show text on the page
   */
  void apply(List<Show> shows, List<Setting> settings) throws IOException {
    Map<ContentPlace, TreeMap<Integer, ContentSplice>> changes = new LinkedHashMap<>();
    Map<Letter, Setting> byLetter = new IdentityHashMap<>();
    for (Setting s : settings) {
      s.row().letters().forEach(l -> byLetter.put(l, s));
      s.row().again().forEach(a -> a.forEach(l -> byLetter.put(l, s)));
    }
    for (Show show : shows) {
      List<Setting> in = settingsOf(show, byLetter);
      if (in.stream().noneMatch(s -> s.changes(show))) {
        continue;
      }
      var splices = changes.computeIfAbsent(show.place, k -> new TreeMap<>());
      byte[] bytes = ShowWriter.of(show, in, names(show.place, in));
      // A form that is painted twice is changed once.
      splices.putIfAbsent(
          show.operator.span().from(), new ContentSplice(show.operator.span(), bytes));
      boolean saidOtherwise =
          show.spoken.isPresent()
              && show.letters.stream()
                  .anyMatch(l -> in.stream().anyMatch(s -> s.gone().contains(l)));
      if (saidOtherwise) {
        Instruction.MarkStart mark = show.spoken.get().start();
        splices.putIfAbsent(mark.span().from(), new ContentSplice(mark.span(), silent(show)));
      }
    }
    for (Map.Entry<ContentPlace, TreeMap<Integer, ContentSplice>> e : changes.entrySet()) {
      put(e.getKey(), List.copyOf(e.getValue().values()));
    }
    addFonts();
  }

  /** The lines that letters of an operator stand in: mostly one. */
  private static List<Setting> settingsOf(Show show, Map<Letter, Setting> byLetter) {
    var out = new ArrayList<Setting>();
    for (Letter l : show.letters) {
      Setting s = byLetter.get(l);
      if (s != null && out.stream().noneMatch(x -> x == s)) {
        out.add(s);
      }
    }
    return out;
  }

  /** Takes a picture away; what nothing paints any more is no longer among the resources. */
  void remove(PaintedPicture p) throws IOException {
    put(p.place(), p.by().parts().stream().map(ContentSplice::without).toList());
    drop(p);
  }

  /**
   * Paints another picture in the place of one, as large as fits there.
   *
   * @param shape its width for a height of 1
   */
  void replace(PaintedPicture p, COSBase by, double shape) throws IOException {
    String name = free(resources(p.place()).getCOSDictionary(COSName.XOBJECT), 1);
    double was = p.width() / Math.max(p.height(), 1e-6);
    double wide = p.own().getWidth() * Math.min(1, shape / was);
    double high = p.own().getHeight() * Math.min(1, was / shape);
    var place =
        new AffineTransform(
            wide, 0, 0, high, p.own().getCenterX() - wide / 2, p.own().getCenterY() - high / 2);
    List<Span> parts = p.by().parts();
    var splices = new ArrayList<ContentSplice>();
    splices.add(new ContentSplice(parts.getFirst(), painting(place, name)));
    parts.subList(1, parts.size()).forEach(s -> splices.add(ContentSplice.without(s)));
    put(p.place(), splices);
    resource(p.place(), COSName.XOBJECT, COSName.getPDFName(name), by);
    drop(p);
  }

  /**
   * Paints a picture elsewhere: in its place among all that is painted as long as it shows there,
   * else after everything else.
   *
   * @param by in the space of the page
   * @return whether it could be: not what is cut where it stands, and shows otherwise elsewhere
   */
  boolean move(PaintedPicture p, AffineTransform by) throws IOException {
    AffineTransform space = p.space().affine();
    if (Math.abs(space.getDeterminant()) < 1e-9) {
      return false;
    }
    Rectangle2D to = by.createTransformedShape(p.area()).getBounds2D();
    boolean shows = p.within().isEmpty() || grown(p.within().get()).contains(to);
    if (shows) {
      var inner = new AffineTransform(space);
      inner.preConcatenate(by);
      try {
        inner.preConcatenate(space.createInverse());
      } catch (NoninvertibleTransformException e) {
        return false;
      }
      put(p.place(), moved(p.by(), inner));
      return true;
    }
    if (p.hindered() || p.name().isEmpty()) {
      return false;
    }
    COSDictionary all = resources(p.place()).getCOSDictionary(COSName.XOBJECT);
    COSBase picture = all == null ? null : all.getItem(p.name().get());
    if (picture == null) {
      return false;
    }
    remove(p);
    space.preConcatenate(by);
    add(picture, space);
    return true;
  }

  /** What an isolated painting sets is undone after it; else the space alone is. */
  private static List<ContentSplice> moved(PaintedBy by, AffineTransform inner) throws IOException {
    Span all = by.span();
    AffineTransform back = inner;
    if (!by.isolated()) {
      try {
        back = inner.createInverse();
      } catch (NoninvertibleTransformException e) {
        throw new IOException("scaled to nothing", e);
      }
    }
    String before = matrix(inner) + " cm";
    return by.isolated()
        ? List.of(
            ContentSplice.before(all.from(), ascii("q " + before)),
            ContentSplice.before(all.to(), ascii("Q")))
        : List.of(
            ContentSplice.before(all.from(), ascii(before)),
            ContentSplice.before(all.to(), ascii(matrix(back) + " cm")));
  }

  private static byte[] ascii(String s) {
    return s.getBytes(StandardCharsets.US_ASCII);
  }

  /** What is cut by less than a point is not seen to be cut. */
  private static Rectangle2D grown(Rectangle2D r) {
    return new Rectangle2D.Double(r.getX() - 1, r.getY() - 1, r.getWidth() + 2, r.getHeight() + 2);
  }

  /**
   * Paints a picture or a form after all that the page shows.
   *
   * @param space from its own to that of the page
   */
  void add(COSBase picture, AffineTransform space) throws IOException {
    var whole = new ContentPlace.OfPage();
    String name = free(resources(whole).getCOSDictionary(COSName.XOBJECT), 1);
    PageEnd.paint(page.getCOSObject(), content(whole), painting(space, name));
    resource(whole, COSName.XOBJECT, COSName.getPDFName(name), picture);
  }

  /**
   * Shows text after all that the page shows.
   *
   * @param space from the text's to that of the page
   */
  void write(AddedText text, AffineTransform space) throws IOException {
    var whole = new ContentPlace.OfPage();
    Map<SubstituteFont, String> here = names.computeIfAbsent(whole, k -> new LinkedHashMap<>());
    COSDictionary fonts = resources(whole).getCOSDictionary(COSName.FONT);
    text.fonts().forEach(f -> here.computeIfAbsent(f, k -> free(fonts, here.size() + 1)));
    PageEnd.paint(page.getCOSObject(), content(whole), text.operators(matrix(space), here));
    addFonts();
  }

  private static byte[] painting(AffineTransform place, String name) {
    return ("q " + matrix(place) + " cm /" + name + " Do Q").getBytes(StandardCharsets.US_ASCII);
  }

  private static String matrix(AffineTransform t) {
    return String.format(
        Locale.ROOT,
        "%.6f %.6f %.6f %.6f %.6f %.6f",
        t.getScaleX(),
        t.getShearY(),
        t.getShearX(),
        t.getScaleY(),
        t.getTranslateX(),
        t.getTranslateY());
  }

  /** A name among resources that is not given yet. */
  private static String free(@Nullable COSDictionary given, int from) {
    int n = from;
    while (given != null && given.containsKey(NAME + n)) {
      n++;
    }
    return NAME + n;
  }

  private void drop(PaintedPicture p) throws IOException {
    if (p.name().isEmpty()) {
      return;
    }
    COSName name = p.name().get();
    boolean painted =
        ContentReader.all(content(p.place())).stream()
            .anyMatch(
                i -> i instanceof Instruction.PaintObject o && o.name().equals(name.getName()));
    if (!painted) {
      resource(p.place(), COSName.XOBJECT, name, null);
    }
  }

  private byte[] content(ContentPlace place) throws IOException {
    return switch (place) {
      case ContentPlace.OfPage o -> ReadPage.Unpacked.of(page).bytes();
      case ContentPlace.OfForm f -> UnpackedContent.of((COSStream) own(f));
    };
  }

  private void put(ContentPlace place, List<ContentSplice> splices) throws IOException {
    switch (place) {
      case ContentPlace.OfPage p -> ContentParts.change(page.getCOSObject(), splices, used);
      case ContentPlace.OfForm f -> {
        COSStream s = (COSStream) own(f);
        ContentParts.put(s, ContentSplice.all(UnpackedContent.of(s), splices));
      }
    }
  }

  /** The dictionary of a page or a form, a copy where other pages show the form too. */
  private COSDictionary own(ContentPlace place) throws IOException {
    return switch (place) {
      case ContentPlace.OfPage p -> page.getCOSObject();
      case ContentPlace.OfForm f -> {
        if (!elsewhere.test(f.form())) {
          yield f.form();
        }
        COSDictionary known = copies.get(f);
        if (known != null) {
          yield known;
        }
        COSStream copy = copy(f.form());
        resource(f.in(), COSName.XOBJECT, f.name(), copy);
        copies.put(f, copy);
        yield copy;
      }
    };
  }

  private static COSStream copy(COSStream s) throws IOException {
    var copy = new COSStream();
    try (var in = s.createRawInputStream();
        var out = copy.createRawOutputStream()) {
      in.transferTo(out);
    }
    s.entrySet().forEach(e -> copy.setItem(e.getKey(), e.getValue()));
    return copy;
  }

  /** Gives a page or form resources of its own with one entry more, or less; others keep theirs. */
  private void resource(ContentPlace of, COSName kind, COSName name, @Nullable COSBase value)
      throws IOException {
    COSDictionary owner = own(of);
    COSDictionary before = resources(of);
    var now = new COSDictionary();
    before.entrySet().forEach(e -> now.setItem(e.getKey(), e.getValue()));
    var entries = new COSDictionary();
    COSDictionary had = before.getCOSDictionary(kind);
    if (had != null) {
      had.entrySet().forEach(e -> entries.setItem(e.getKey(), e.getValue()));
    }
    if (value == null) {
      entries.removeItem(name);
    } else {
      entries.setItem(name, value);
    }
    now.setItem(kind, entries);
    owner.setItem(COSName.RESOURCES, now);
  }

  private COSDictionary resources(ContentPlace place) {
    COSDictionary own =
        switch (place) {
          case ContentPlace.OfPage p ->
              PDPageTree.getInheritableAttribute(page.getCOSObject(), COSName.RESOURCES)
                      instanceof COSDictionary d
                  ? d
                  : null;
          case ContentPlace.OfForm f ->
              copies.getOrDefault(f, f.form()).getCOSDictionary(COSName.RESOURCES);
        };
    return own != null
        ? own
        : place instanceof ContentPlace.OfForm f ? resources(f.in()) : new COSDictionary();
  }

  /** What fonts that are brought are called in a content. */
  private Map<SubstituteFont, String> names(ContentPlace place, List<Setting> in) {
    Map<SubstituteFont, String> here = names.computeIfAbsent(place, k -> new LinkedHashMap<>());
    COSDictionary fonts = resources(place).getCOSDictionary(COSName.FONT);
    for (Setting s : in) {
      for (Setting.Placed p : s.words()) {
        p.word()
            .brought()
            .ifPresent(f -> here.computeIfAbsent(f, k -> free(fonts, here.size() + 1)));
      }
    }
    return here;
  }

  private void addFonts() throws IOException {
    for (Map.Entry<ContentPlace, Map<SubstituteFont, String>> e : names.entrySet()) {
      for (Map.Entry<SubstituteFont, String> f : e.getValue().entrySet()) {
        COSName name = COSName.getPDFName(f.getValue());
        resource(e.getKey(), COSName.FONT, name, new COSDictionary());
        COSDictionary fonts = resources(e.getKey()).getCOSDictionary(COSName.FONT);
        wanted.add(new FontEntry(fonts, name, f.getKey()));
      }
    }
  }

  List<FontEntry> wanted() {
    return wanted;
  }

  /** The mark without the text that it said, which is no longer what it marks. */
  private byte[] silent(Show show) {
    Show.Spoken spoken = show.spoken.orElseThrow();
    COSDictionary said = properties(show, spoken).orElse(new COSDictionary());
    var rest = new COSDictionary();
    said.entrySet().forEach(e -> rest.setItem(e.getKey(), e.getValue()));
    rest.removeItem(COSName.ACTUAL_TEXT);
    var out = new ByteArrayOutputStream();
    out.writeBytes(ObjectText.direct(COSName.getPDFName(spoken.start().tag())));
    out.write(' ');
    out.writeBytes(ObjectText.direct(rest));
    out.writeBytes(" BDC".getBytes(StandardCharsets.US_ASCII));
    return out.toByteArray();
  }

  private Optional<COSDictionary> properties(Show show, Show.Spoken spoken) {
    COSBase p = spoken.start().properties().orElse(null);
    if (p instanceof COSName n) {
      COSDictionary all = resources(show.place).getCOSDictionary(COSName.PROPERTIES);
      p = all == null ? null : all.getDictionaryObject(n);
    }
    return p instanceof COSDictionary d ? Optional.of(d) : Optional.empty();
  }

  static Comparator<Edit> inOrder() {
    return Comparator.comparingInt(Edit::from);
  }
}
