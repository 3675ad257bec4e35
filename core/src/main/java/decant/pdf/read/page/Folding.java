package decant.pdf.read.page;

import java.util.Locale;

/** Texts made alike that a person takes for the same: without case, punctuation and odd spaces. */
public final class Folding {
  private Folding() {}

  public static String fold(String s) {
    return s.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
  }
}
