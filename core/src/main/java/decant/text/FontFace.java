package decant.text;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.TextAttribute;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * One face of a font: its bytes, the facts of its tables and the runtime's font for shaping and
 * outlines. Faces are compared by identity; {@link FontBook} gives out one per font file. Safe for
 * use by several threads.
 */
public final class FontFace {
  private final String family;
  private final boolean bold;
  private final boolean italic;
  private final Supplier<byte[]> source;
  private volatile @Nullable Loaded loaded;

  /** Characters before this are asked for all the time. */
  private static final int DEFAULT = 0x180;

  private record Loaded(
      byte[] bytes, FontTables tables, Map<Joins, Font> unitFonts, boolean[] usual) {}

  FontFace(String family, boolean bold, boolean italic, Supplier<byte[]> source) {
    this.family = family;
    this.bold = bold;
    this.italic = italic;
    this.source = source;
  }

  static Supplier<byte[]> resource(String name) {
    return () -> {
      try (InputStream in = FontFace.class.getResourceAsStream("fonts/" + name)) {
        if (in == null) {
          throw new IllegalStateException("font " + name + " is missing from the program");
        }
        return in.readAllBytes();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    };
  }

  private Loaded loaded() {
    Loaded l = loaded;
    if (l == null) {
      synchronized (this) {
        l = loaded;
        if (l == null) {
          l = load();
          loaded = l;
        }
      }
    }
    return l;
  }

  private Loaded load() {
    byte[] given = source.get();
    byte[] bytes = FontCollection.is(given) ? FontCollection.first(given) : given;
    FontTables tables = FontTables.read(bytes);
    try {
      Font plain = Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(bytes));
      var fonts = new EnumMap<Joins, Font>(Joins.class);
      for (Joins joins : Joins.values()) {
        var attributes = new HashMap<TextAttribute, Object>();
        attributes.put(TextAttribute.SIZE, (float) tables.unitsPerEm());
        attributes.put(TextAttribute.KERNING, joins.kerning() ? TextAttribute.KERNING_ON : 0);
        attributes.put(TextAttribute.LIGATURES, joins.ligatures() ? TextAttribute.LIGATURES_ON : 0);
        fonts.put(joins, plain.deriveFont(attributes));
      }
      var usual = new boolean[DEFAULT];
      for (int c = 0; c < DEFAULT; c++) {
        usual[c] = plain.canDisplay(c);
      }
      return new Loaded(bytes, tables, fonts, usual);
    } catch (FontFormatException e) {
      throw new IllegalArgumentException("font " + family + " cannot be used", e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Whether the file is a font that text can be set in. */
  boolean isUsable() {
    try {
      return loaded().tables().unitsPerEm() > 0;
    } catch (IllegalArgumentException | IllegalStateException | UncheckedIOException e) {
      return false;
    }
  }

  public String family() {
    return family;
  }

  public boolean bold() {
    return bold;
  }

  public boolean italic() {
    return italic;
  }

  /** A name without spaces, as PDF names fonts. */
  public String postScriptName() {
    String style = (bold ? "Bold" : "") + (italic ? "Italic" : "");
    return family.replace(" ", "") + (style.isEmpty() ? "" : "-" + style);
  }

  /** The font file. The array is shared and must not be written to. */
  public byte[] bytes() {
    return loaded().bytes();
  }

  public FontTables tables() {
    return loaded().tables();
  }

  public int unitsPerEm() {
    return tables().unitsPerEm();
  }

  /** The runtime's font at one pixel a font unit. */
  public Font unitFont(Joins joins) {
    return Objects.requireNonNull(loaded().unitFonts().get(joins));
  }

  public boolean covers(int codePoint) {
    Loaded l = loaded();
    return codePoint >= 0 && codePoint < DEFAULT
        ? l.usual()[codePoint]
        : unitFont(Joins.NONE).canDisplay(codePoint);
  }

  @Override
  public String toString() {
    return family + (bold ? " Bold" : "") + (italic ? " Italic" : "");
  }
}
