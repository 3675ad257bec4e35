package decant.model.look;

import decant.model.look.ListDefinition.NumberFormat;
import java.util.List;

/**
 * What a document asks of the setting of its text as a whole.
 *
 * @param tabDistance distance of the tab stops that every paragraph has, in points
 * @param hyphenates words may be divided at line ends
 * @param textAtTableEdge tables reach into the margin so that the text of their cells stands at it,
 *     as older office documents have it
 * @param expandsLastLines a justified line that ends with a break is stretched too
 * @param footnotes how footnotes are numbered
 * @param endnotes how endnotes are numbered
 * @param fonts the fonts that the document brings along
 */
public record Typesetting(
    double tabDistance,
    boolean hyphenates,
    boolean textAtTableEdge,
    boolean expandsLastLines,
    NumberFormat footnotes,
    NumberFormat endnotes,
    List<EmbeddedFont> fonts) {
  /** Half an inch between stops (ISO/IEC 29500-1 §17.15.1.25), no hyphenation. */
  public static final Typesetting PLAIN =
      new Typesetting(
          36, false, false, false, NumberFormat.DECIMAL, NumberFormat.LOWER_ROMAN, List.of());

  public Typesetting {
    fonts = List.copyOf(fonts);
  }

  /** This with words divided at line ends, or not. */
  public Typesetting withHyphenation(boolean other) {
    return new Typesetting(
        tabDistance, other, textAtTableEdge, expandsLastLines, footnotes, endnotes, fonts);
  }

  /** This with endnotes numbered so. */
  public Typesetting withEndnotes(NumberFormat other) {
    return new Typesetting(
        tabDistance, hyphenates, textAtTableEdge, expandsLastLines, footnotes, other, fonts);
  }

  /** This with these fonts. */
  public Typesetting withFonts(List<EmbeddedFont> others) {
    return new Typesetting(
        tabDistance, hyphenates, textAtTableEdge, expandsLastLines, footnotes, endnotes, others);
  }
}
