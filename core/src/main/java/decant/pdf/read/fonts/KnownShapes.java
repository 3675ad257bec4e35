package decant.pdf.read.fonts;

import decant.pdf.read.page.SourceFace;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Joins;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The shapes of letters in the fonts that ship with the program, to tell by them what a letter is.
 */
final class KnownShapes {
  /** Characters by how likely they are: of two that look alike the first is meant. */
  private static final String CHARACTERS =
      "etaoinshrdlcumwfgypbvkjxqz"
          + "ETAOINSHRDLCUMWFGYPBVKJXQZ"
          + "0123456789"
          + ".,-:;'()?!/\"&%–—’‘“”*+=<>[]{}@#$€£§©®•·…_|~^\\°±×÷"
          + "äöüßÄÖÜéèêëàâáåãçñíìîïóòôõøúùûýÿæœÉÈÊÀÂÁÅÃÇÑÍÎÓÔÕØÚÛÆŒ¿¡«»"
          + "\uFB00\uFB01\uFB02\uFB03\uFB04"
          + "ąćęłńóśźżšžčřďťňěůđ"
          + "ĄĆĘŁŃŚŹŻŠŽČŘĎŤŇĚŮĐ"
          + "αβγδεζηθικλμνξπρστυφχψωΓΔΘΛΞΠΣΦΨΩ"
          + "бвгдежзийклмнптуфцчшщъыьэюяБГДЖЗИЙЛПУФЦЧШЩЪЫЬЭЮЯ";

  private static final List<String> FAMILIES =
      List.of(
          "Liberation Serif",
          "Liberation Sans",
          "Liberation Mono",
          "Carlito",
          "Caladea",
          "DejaVu Sans");

  /**
   * @param rarity how much nearer its shape must be than that of a likelier character
   */
  private record Known(String character, GlyphShape shape, double rarity) {}

  /** How faces of a kind are told apart. */
  private record Style(boolean bold, boolean italic) {}

  private static final KnownShapes SHIPPED = new KnownShapes();

  /** The letters of the commonest faces, style by style, as far as they were asked for. */
  private final Map<Style, List<Known>> letters = new ConcurrentHashMap<>();

  private volatile List<Known> all = List.of();

  private KnownShapes() {}

  static KnownShapes shipped() {
    return SHIPPED;
  }

  /** All characters of all faces: many, and seldom needed. */
  private List<Known> all() {
    List<Known> known = all;
    if (known.isEmpty()) {
      var made = new ArrayList<Known>();
      for (String family : FAMILIES) {
        for (boolean bold : new boolean[] {false, true}) {
          for (boolean italic : new boolean[] {false, true}) {
            add(family, new Style(bold, italic), CHARACTERS.length(), made);
          }
        }
      }
      known = List.copyOf(made);
      all = known;
    }
    return known;
  }

  private List<Known> letters(Style style) {
    return letters.computeIfAbsent(
        style,
        s -> {
          var made = new ArrayList<Known>();
          FAMILIES
              .subList(0, FontThresholds.KnownShapes.COMMONEST)
              .forEach(f -> add(f, s, FontThresholds.KnownShapes.LETTERS, made));
          return made;
        });
  }

  /** Adds the first so many characters of a face. */
  private static void add(String family, Style style, int characters, List<Known> to) {
    FontFace face = FontBook.shipped().serve(family, style.bold(), style.italic()).face();
    for (int k = 0; k < characters; k++) {
      String c = CHARACTERS.substring(k, k + 1);
      double rarity =
          k < FontThresholds.KnownShapes.COMMON ? k * 1e-4 : FontThresholds.KnownShapes.RARE;
      if (face.covers(c.charAt(0))) {
        GlyphShape.of(outline(face, c)).ifPresent(s -> to.add(new Known(c, s, rarity)));
      }
    }
  }

  private static Shape outline(FontFace face, String c) {
    Font font = face.unitFont(Joins.NONE);
    Shape s = font.createGlyphVector(new FontRenderContext(null, true, true), c).getOutline();
    double em = font.getSize2D();
    return AffineTransform.getScaleInstance(1 / em, -1 / em).createTransformedShape(s);
  }

  /**
   * Whether a shape is like a letter in faces of the same weight and slant; empty if it is like no
   * letter.
   */
  Optional<Boolean> isLike(GlyphShape shape, String letter, SourceFace style) {
    double own = 1;
    double other = 1;
    for (Known k : letters(new Style(style.bold(), style.italic()))) {
      if (k.character.equalsIgnoreCase(letter)) {
        own = Math.min(own, shape.unlike(k.shape, FontThresholds.KnownShapes.FAR));
      } else {
        other = Math.min(other, shape.unlike(k.shape, FontThresholds.KnownShapes.NEAR));
      }
    }
    return own < FontThresholds.KnownShapes.NEAR || own < 1 && own <= other
        ? Optional.of(true)
        : other < FontThresholds.KnownShapes.NEAR && own > FontThresholds.KnownShapes.FAR
            ? Optional.of(false)
            : Optional.empty();
  }

  /** The character whose shape is nearest, if any is near. */
  Optional<String> character(GlyphShape shape) {
    if (shape.isBlank()) {
      return Optional.empty();
    }
    String best = "";
    double min = FontThresholds.KnownShapes.NEAR;
    for (Known k : all()) {
      double d = shape.unlike(k.shape, min) + k.rarity;
      if (d < min) {
        min = d;
        best = k.character;
      }
    }
    return best.isEmpty() ? Optional.empty() : Optional.of(best);
  }
}
