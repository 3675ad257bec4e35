package decant.pdf.choices;

import decant.words.Words;
import java.util.Map;
import java.util.TreeMap;

/**
 * How fonts are embedded.
 *
 * @param usual for every font that is not named
 * @param fonts for fonts by the name of their family
 */
public record FontEmbedding(Embedding usual, Map<String, FontChoice> fonts) implements PdfSetting {
  private static final Words WORDS = Words.of(FontEmbedding.class);

  public static final FontEmbedding DEFAULT = new FontEmbedding(Embedding.USED, Map.of());

  /** How much of a font the file brings along. */
  public enum Embedding {
    /** The characters that are used. */
    USED("font-embedding.used-characters"),
    WHOLE("font-embedding.whole-font"),
    /** What the font's licence permits (OpenType OS/2, fsType): all, or nothing. */
    LICENSED("font-embedding.as-licensed"),
    /** Nothing; the recipient's viewer takes a font of its own. */
    LEFT_OUT("font-embedding.left-out");

    private final String label;

    Embedding(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** What viewers take for a font that is left out: the standard fonts of ISO 32000-1 §9.6.2.2. */
  public enum Substitute {
    /** The font of that name if the recipient has it. */
    SAME_NAME("font-embedding.its-own-name"),
    HELVETICA("font-embedding.helvetica"),
    TIMES("font-embedding.times"),
    COURIER("font-embedding.courier");

    private final String label;

    Substitute(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** For one font. */
  public record FontChoice(Embedding embedding, Substitute substitute) {}

  public FontEmbedding {
    fonts = java.util.Collections.unmodifiableMap(new TreeMap<>(fonts));
  }

  /** What holds for a family. */
  public FontChoice of(String family) {
    FontChoice own = fonts.get(family);
    return own == null ? new FontChoice(usual, Substitute.SAME_NAME) : own;
  }
}
