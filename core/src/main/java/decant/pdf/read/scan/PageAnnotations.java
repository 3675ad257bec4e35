package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Bands;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.SourceFace;
import decant.work.Faults;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationTextMarkup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;

/**
 * What stands on a page besides its content (ISO 32000-1 §12.5): the fields of forms and what is
 * filled into them, text typed onto the page, stamps, and marks over its text.
 */
public final class PageAnnotations {
  /** Numbers of content from here on are those of annotations, by their place in the tags. */
  static final int CONTENT = 1 << 24;

  private static final SourceFace FACE =
      new SourceFace("Helvetica", "Helvetica", false, false, false);

  private static final int LONGEST_BLANK = 120;
  private static final int MAX_OPTIONS = 500;

  /** Kinds that only point, or are read otherwise: as links, as comments, as marks over text. */
  private static final Set<String> ASIDE =
      Set.of(
          "Text",
          "Popup",
          "Link",
          "Highlight",
          "Underline",
          "Squiggly",
          "StrikeOut",
          "Caret",
          "PrinterMark",
          "TrapNet");

  /** ISO 32000-2 table 171. */
  private static final Set<String> PLAYING = Set.of("Movie", "Screen", "Sound", "3D", "RichMedia");

  /** A mark over text. */
  record Markup(Box box, Decor decor) {}

  private final PDPage page;
  private final int number;
  private final List<PDAnnotation> all;

  /**
   * @param number of the page, from 0
   */
  PageAnnotations(PDPage page, int number) {
    this.page = page;
    this.number = number;
    this.all = annotations(page);
  }

  private static List<PDAnnotation> annotations(PDPage page) {
    try {
      return page.getAnnotations(a -> !a.isHidden() && !a.isNoView());
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading annotations", e);
      return List.of(); // damaged: the page shows none
    }
  }

  /** The number of an annotation's content, by which tags refer to it; -1 if none do. */
  public static int content(COSDictionary annotation) {
    int key = annotation.getInt(COSName.STRUCT_PARENT, -1);
    return key < 0 || key >= CONTENT ? -1 : CONTENT + key;
  }

  /** Those whose appearance is part of what is read on the page. */
  List<PDAnnotation> shown() {
    return all.stream()
        .filter(a ->
            switch (kind(a)) {
              case "FreeText",
                  "Stamp",
                  "FileAttachment",
                  "Line",
                  "Square",
                  "Circle",
                  "Polygon",
                  "PolyLine",
                  "Ink",
                  "Watermark" ->
                  true;
              case "Widget" -> !isSwitch(a);
              default -> !ASIDE.contains(kind(a)) && hasAppearance(a);
            })
        .toList();
  }

  /** What plays where it stands, which nothing that is published does; by its kind and place. */
  List<Playing> playing() {
    return all.stream()
        .filter(a -> PLAYING.contains(kind(a)) && a.getRectangle() != null)
        .map(a -> new Playing(kind(a), PageScan.place(page, a.getRectangle())))
        .toList();
  }

  /** A film, a sound or a model. */
  record Playing(String kind, Box box) {}

  private static boolean hasAppearance(PDAnnotation a) {
    return a.getAppearance() != null && a.getAppearance().getNormalAppearance() != null;
  }

  /** Draws what says what it shows and brings no drawing of it, as viewers do (§12.5.2). */
  static void draw(PDAnnotation a) {
    if (!hasAppearance(a)) {
      a.constructAppearances();
    }
  }

  private static String kind(PDAnnotation a) {
    return String.valueOf(a.getSubtype());
  }

  /** A value of a field or of one it belongs to (§12.7.3.1). */
  private static Optional<COSBase> inherited(COSDictionary field, COSName key) {
    COSDictionary d = field;
    for (int depth = 0; d != null && depth < 20; depth++) {
      COSBase v = d.getDictionaryObject(key);
      if (v != null) {
        return Optional.of(v);
      }
      d = d.getDictionaryObject(COSName.PARENT) instanceof COSDictionary p ? p : null;
    }
    return Optional.empty();
  }

  private static String type(PDAnnotation a) {
    return inherited(a.getCOSObject(), COSName.FT)
        .map(t -> t instanceof COSName n ? n.getName() : "")
        .orElse("");
  }

  private static int flags(PDAnnotation a) {
    return inherited(a.getCOSObject(), COSName.FF)
        .map(t -> t instanceof org.apache.pdfbox.cos.COSNumber n ? n.intValue() : 0)
        .orElse(0);
  }

  /** A check box or a radio button (§12.7.4.2). */
  private static boolean isSwitch(PDAnnotation a) {
    return type(a).equals("Btn") && (flags(a) & 1 << 16) == 0;
  }

  private static boolean isRound(PDAnnotation a) {
    return (flags(a) & 1 << 15) != 0;
  }

  /** The place to fill in that a field is (§12.7.5); empty for buttons and signatures. */
  Optional<FormField> field(PDAnnotation a) {
    if (!(a instanceof PDAnnotationWidget)) {
      return Optional.empty();
    }
    int flags = flags(a);
    Optional<FormField.Kind> kind =
        switch (type(a)) {
          case "Tx" ->
              Optional.of((flags & 1 << 12) != 0 ? FormField.Kind.LINES : FormField.Kind.TEXT);
          case "Ch" ->
              Optional.of(
                  (flags & 1 << 18) != 0 ? FormField.Kind.CHOICE_OR_TEXT : FormField.Kind.CHOICE);
          case "Btn" ->
              isSwitch(a)
                  ? Optional.of(isRound(a) ? FormField.Kind.ONE_OF : FormField.Kind.TICK)
                  : Optional.empty();
          default -> Optional.empty();
        };
    String id = number + "." + all.indexOf(a);
    return kind.map(k -> {
      boolean sign = k == FormField.Kind.TICK || k == FormField.Kind.ONE_OF;
      String waiting = sign ? "" : FormField.HELD_OPEN;
      return new FormField(id, name(a), k, options(a, k), width(a), waiting, rule(a));
    });
  }

  private static FieldRule rule(PDAnnotation a) {
    int most =
        inherited(a.getCOSObject(), COSName.MAX_LEN)
            .map(t -> t instanceof org.apache.pdfbox.cos.COSNumber n ? n.intValue() : 0)
            .orElse(0);
    return FieldRules.of(a.getCOSObject(), most);
  }

  private double width(PDAnnotation a) {
    return a.getRectangle() == null
        ? 0
        : LookMaker.halves(PageScan.place(page, a.getRectangle()).width());
  }

  /** The full name of a field (§12.7.4.2). */
  private static String name(PDAnnotation a) {
    var parts = new java.util.ArrayDeque<String>();
    COSDictionary d = a.getCOSObject();
    for (int depth = 0; d != null && depth < 20; depth++) {
      String part = d.getString(COSName.T);
      if (part != null) {
        parts.push(part);
      }
      d = d.getDictionaryObject(COSName.PARENT) instanceof COSDictionary p ? p : null;
    }
    return String.join(".", parts);
  }

  private static List<String> options(PDAnnotation a, FormField.Kind kind) {
    var out = new ArrayList<String>();
    if (kind == FormField.Kind.TICK || kind == FormField.Kind.ONE_OF) {
      if (a.getAppearance() != null
          && a.getAppearance().getNormalAppearance() != null
          && a.getAppearance().getNormalAppearance().isSubDictionary()) {
        a.getAppearance().getNormalAppearance().getSubDictionary().keySet().stream()
            .map(COSName::getName)
            .filter(n -> !n.equals("Off"))
            .forEach(out::add);
      }
      return out;
    }
    COSBase options = inherited(a.getCOSObject(), COSName.OPT).orElse(null);
    if (options instanceof org.apache.pdfbox.cos.COSArray array) {
      for (int k = 0; k < array.size() && k < MAX_OPTIONS; k++) {
        COSBase o = array.getObject(k);
        // An option is its text, or what it exports and its text.
        COSBase text =
            o instanceof org.apache.pdfbox.cos.COSArray two && two.size() > 1
                ? two.getObject(1)
                : o;
        if (text instanceof org.apache.pdfbox.cos.COSString s) {
          out.add(s.getString());
        }
      }
    }
    return out;
  }

  /** Whether something stands where a field is, as far as the page has been read. */
  interface Written {
    boolean in(PDAnnotation of, Box place, Optional<FormField> field);
  }

  /**
   * Signs for the fields that show nothing: a line to write on, a box to tick, ticked or not.
   *
   * @param written tells whether a field has shown its value already, or stands on a line
   */
  List<Glyph> blanks(Written written) {
    var out = new ArrayList<Glyph>();
    for (PDAnnotation a : all) {
      PDRectangle r = a.getRectangle();
      if (!(a instanceof PDAnnotationWidget)
          || r == null
          || r.getWidth() < 3
          || r.getHeight() < 3) {
        continue;
      }
      Box b = PageScan.place(page, r);
      Optional<FormField> field = field(a);
      int from = out.size();
      if (isSwitch(a)) {
        COSName state = a.getAppearanceState();
        boolean on = state != null && !state.equals(COSName.Off);
        String sign = isRound(a) ? on ? "◉" : "○" : on ? "☑" : "☐";
        double size = Math.clamp(b.height() / ScanThresholds.PageAnnotations.BOX_SIGN, 6, 16);
        out.add(
            glyph(
                sign,
                b.x(),
                b.bottom() - size * ScanThresholds.PageAnnotations.DESCENT,
                ScanThresholds.PageAnnotations.BOX_SIGN * size,
                size,
                a));
      } else if ((type(a).equals("Tx") || type(a).equals("Ch") || type(a).equals("Sig"))
          && !written.in(a, b, field)) {
        line(a, b, out);
      }
      field.ifPresent(x -> fill(x, out, from));
    }
    return out;
  }

  /** The glyphs from a place on stand in a place to fill in. */
  static void fill(FormField field, List<Glyph> glyphs, int from) {
    for (int k = from; k < glyphs.size(); k++) {
      Glyph g = glyphs.get(k);
      glyphs.set(k, g.withDecor(g.ink().decor().with(field)));
    }
  }

  /** The value of a field that brings no appearance, or a line as long as the field is wide. */
  private static void line(PDAnnotation a, Box b, List<Glyph> out) {
    String value =
        inherited(a.getCOSObject(), COSName.V)
            .map(v -> v instanceof org.apache.pdfbox.cos.COSString s ? s.getString().strip() : "")
            .orElse("");
    double size = Math.clamp(b.height() * ScanThresholds.PageAnnotations.TEXT, 7, 10);
    double baseline =
        b.height() > 3 * size
            ? b.y() + size
            : b.bottom() - b.height() * ScanThresholds.PageAnnotations.BELOW;
    if (value.isEmpty()) {
      double each = ScanThresholds.PageAnnotations.LINE_SIGN * size;
      int n = Math.clamp((long) (b.width() / each), 3, LONGEST_BLANK);
      for (int k = 0; k < n; k++) {
        out.add(glyph("_", b.x() + k * each, baseline, each, size, a));
      }
      return;
    }
    double x = b.x() + 2;
    for (int c : value.codePoints().limit(2000).toArray()) {
      if (c == '\n' || c == '\r') {
        baseline += size * Anatomy.LEADING;
        x = b.x() + 2;
        continue;
      }
      double w =
          (c == ' ' ? ScanThresholds.PageAnnotations.SPACE : ScanThresholds.PageAnnotations.LETTER)
              * size;
      out.add(glyph(Character.toString(c), x, baseline, w, size, a));
      x += w;
    }
  }

  private static Glyph glyph(
      String text, double x, double baseline, double width, double size, PDAnnotation of) {
    return Glyph.made(text, x, baseline, width, size, FACE, content(of.getCOSObject()));
  }

  /** What is marked, underlined or struck out on the page (§12.5.6.10). */
  List<Markup> markups() {
    var out = new ArrayList<Markup>();
    for (PDAnnotation a : all) {
      if (a instanceof PDAnnotationTextMarkup m) {
        Decor decor =
            switch (kind(a)) {
              case "Highlight" -> new Decor(false, false, Optional.of(colour(m)));
              case "Underline", "Squiggly" -> new Decor(true, false, Optional.empty());
              case "StrikeOut" -> new Decor(false, true, Optional.empty());
              default -> Decor.NONE;
            };
        quads(page, m).stream()
            .limit(5000L - out.size())
            .forEach(b -> out.add(new Markup(b, decor)));
      }
    }
    return out;
  }

  /** What a mark lies on, piece by piece; empty for other annotations. */
  static List<Box> quads(PDPage page, PDAnnotation a) {
    var out = new ArrayList<Box>();
    float[] quads = a instanceof PDAnnotationTextMarkup m ? m.getQuadPoints() : null;
    for (int k = 0; quads != null && k + 7 < quads.length && out.size() < 5000; k += 8) {
      out.add(box(page, quads, k));
    }
    return out;
  }

  private static Box box(PDPage page, float[] quads, int from) {
    float x1 = Float.MAX_VALUE;
    float y1 = Float.MAX_VALUE;
    float x2 = -Float.MAX_VALUE;
    float y2 = -Float.MAX_VALUE;
    for (int k = from; k < from + 8; k += 2) {
      x1 = Math.min(x1, quads[k]);
      x2 = Math.max(x2, quads[k]);
      y1 = Math.min(y1, quads[k + 1]);
      y2 = Math.max(y2, quads[k + 1]);
    }
    return PageScan.place(page, new PDRectangle(x1, y1, x2 - x1, y2 - y1));
  }

  private static Colour colour(PDAnnotation a) {
    try {
      PDColor c = a.getColor();
      return c == null ? new Colour(0xFFF200) : new Colour(c.toRGB());
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading annotations", e);
      return new Colour(0xFFF200);
    }
  }

  /** Glyphs with the marks that lie over them. */
  List<Glyph> marked(List<Glyph> glyphs) {
    List<Markup> marks = markups();
    if (marks.isEmpty()) {
      return glyphs;
    }
    var bands = new Bands<Markup>();
    marks.forEach(m -> bands.add(m.box().y(), m.box().bottom(), m));
    return glyphs.stream()
        .map(g -> {
          Glyph with = g;
          for (Markup m : bands.near(Anatomy.middle(g.baseline(), g.size()))) {
            if (g.quarter() == 0 && g.standsIn(m.box())) {
              with = with.withDecor(with.ink().decor().and(m.decor()));
            }
          }
          return with;
        })
        .toList();
  }
}
