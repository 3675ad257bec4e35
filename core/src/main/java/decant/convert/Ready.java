package decant.convert;

import decant.picture.StandInFonts;
import decant.text.FontBook;
import decant.text.JdkShaper;
import decant.text.Joins;

/** What the first file of a process waits for, made while nothing else is asked of it yet. */
public final class Ready {
  private Ready() {}

  /** Sets the engines up that shape and paint text. */
  public static void make() {
    new JdkShaper().shape(FontBook.shipped().serve("", false, false).face(), "a", false, Joins.ALL);
    StandInFonts.use();
  }
}
