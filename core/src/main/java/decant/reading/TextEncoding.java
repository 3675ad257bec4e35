package decant.reading;

import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
import decant.model.finding.Finding;
import decant.words.Words;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;

/**
 * Text whose file does not say how its characters are encoded.
 *
 * @param doubt that it was guessed, if it was
 */
public record TextEncoding(String text, Optional<Finding> doubt) {
  private static final Words WORDS = Words.of(TextEncoding.class);

  /** Of a hundred; a word or two with an accent tells no more of its language. */
  private static final int SURE = 30;

  private static final int LOOKED = 4096; // bytes

  /** Where nothing is known (WHATWG Encoding, §4.2). */
  private static final String USUAL = "windows-1252";

  /** What is guessed is called by the wider set, which has quotation marks too. */
  private static final Map<String, String> WIDER =
      Map.of(
          "ISO-8859-1", USUAL,
          "ISO-8859-8", "windows-1255",
          "ISO-8859-8-I", "windows-1255",
          "ISO-8859-9", "windows-1254");

  /** By its mark, or as UTF-8 where it is that, or as what its letters are likely in. */
  public static TextEncoding of(byte[] b) {
    if (begins(b, 0xFF, 0xFE)) {
      return new TextEncoding(
          new String(b, 2, b.length - 2, StandardCharsets.UTF_16LE), Optional.empty());
    }
    if (begins(b, 0xFE, 0xFF)) {
      return new TextEncoding(
          new String(b, 2, b.length - 2, StandardCharsets.UTF_16BE), Optional.empty());
    }
    Optional<Charset> wide = wide(b);
    if (wide.isPresent()) {
      return new TextEncoding(new String(b, wide.get()), Optional.empty());
    }
    Optional<String> utf8 = exactly(b, StandardCharsets.UTF_8);
    return utf8.isPresent() && !switches(b)
        ? new TextEncoding(utf8.get().replaceFirst("^\uFEFF", ""), Optional.empty())
        : guessed(b);
  }

  /**
   * UTF-16 without a mark, by the zeros of which text with spaces and ends of lines has half its
   * bytes, or nearly; empty if it is not that.
   */
  public static Optional<Charset> wide(byte[] b) {
    int even = 0;
    int odd = 0;
    int looked = Math.min(b.length, LOOKED) & ~1;
    for (int k = 0; k < looked; k += 2) {
      even += b[k] == 0 ? 1 : 0;
      odd += b[k + 1] == 0 ? 1 : 0;
    }
    int some = looked / 2;
    if (some < 2 || even > 0 && odd > 0) {
      return Optional.empty();
    }
    return odd * 2 > some
        ? Optional.of(StandardCharsets.UTF_16LE)
        : even * 2 > some ? Optional.of(StandardCharsets.UTF_16BE) : Optional.empty();
  }

  /** Text in an encoding; empty if there are bytes that mean nothing in it. */
  public static Optional<String> exactly(byte[] b, Charset in) {
    try {
      return Optional.of(in.newDecoder().decode(ByteBuffer.wrap(b)).toString());
    } catch (CharacterCodingException e) {
      return Optional.empty();
    }
  }

  private static TextEncoding guessed(byte[] b) {
    CharsetMatch likely = new CharsetDetector().setText(b).detect();
    boolean known = likely != null && likely.getConfidence() >= SURE;
    String name = known ? WIDER.getOrDefault(likely.getName(), likely.getName()) : USUAL;
    Charset set = Charset.forName(Charset.isSupported(name) ? name : USUAL);
    String said = WORDS.say("text-encoding.guessed", set.displayName());
    return new TextEncoding(
        new String(b, set),
        Optional.of(
            Finding.general(Finding.Kind.CHARACTERS_UNKNOWN, Finding.Severity.DOUBT, said)));
  }

  /** Whether characters are written by switching between sets (ISO/IEC 2022), in seven bits. */
  private static boolean switches(byte[] b) {
    for (int k = 0; k + 1 < Math.min(b.length, LOOKED); k++) {
      if (b[k] == 0x1B && (b[k + 1] == '$' || b[k + 1] == '(')) {
        return true;
      }
    }
    return false;
  }

  private static boolean begins(byte[] b, int first, int second) {
    return b.length > 1 && (b[0] & 0xFF) == first && (b[1] & 0xFF) == second;
  }
}
