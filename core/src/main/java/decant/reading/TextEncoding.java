package decant.reading;

import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
import decant.model.finding.Finding;
import decant.words.Words;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
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
    Optional<String> utf8 = exactly(b, StandardCharsets.UTF_8);
    return utf8.isPresent()
        ? new TextEncoding(utf8.get().replaceFirst("^\uFEFF", ""), Optional.empty())
        : guessed(b);
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
    Charset set =
        likely != null && likely.getConfidence() >= SURE && Charset.isSupported(likely.getName())
            ? Charset.forName(likely.getName())
            : Charset.forName("windows-1252"); // the usual one (WHATWG Encoding, §4.2)
    // What is guessed is called by the wider set, which has quotation marks too.
    Charset wide = set.equals(StandardCharsets.ISO_8859_1) ? Charset.forName("windows-1252") : set;
    String said = WORDS.say("text-encoding.guessed", wide.displayName());
    return new TextEncoding(
        new String(b, wide),
        Optional.of(
            Finding.general(Finding.Kind.CHARACTERS_UNKNOWN, Finding.Severity.DOUBT, said)));
  }

  private static boolean begins(byte[] b, int first, int second) {
    return b.length > 1 && (b[0] & 0xFF) == first && (b[1] & 0xFF) == second;
  }
}
