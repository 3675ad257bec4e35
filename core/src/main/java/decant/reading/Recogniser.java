package decant.reading;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.function.BooleanSupplier;

/** Reads the text of pictures of pages. */
public interface Recogniser {
  /**
   * A word that was recognised; places in pixels from the picture's top left corner.
   *
   * @param line words of one line have one number; lines are numbered in reading order
   * @param sure how sure it is, from 0 to 100
   */
  record Word(String text, int x, int y, int width, int height, int line, int sure) {}

  /**
   * The words of a picture of a page, in reading order.
   *
   * @param dots how many pixels of it are an inch
   * @param cancelled asked now and then; when true, the words are none
   * @throws IOException if it cannot be done, with a message in a person's words
   */
  List<Word> words(BufferedImage page, int dots, BooleanSupplier cancelled) throws IOException;

  /** What it reads, such as "English". */
  String language();
}
