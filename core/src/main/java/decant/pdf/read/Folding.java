package decant.pdf.read;

import java.util.Locale;

/** Texts made alike that a person takes for the same: without case, punctuation and odd spaces. */
final class Folding {
  private Folding() {}

  static String fold(String s) {
    return s.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
  }
}
