package decant.recipe;

import decant.format.Format;
import decant.format.Formats;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.words.Words;
import java.util.EnumSet;
import java.util.List;

/** The recipes that ship with the program. */
public final class RecipeBook {
  private static final Words WORDS = Words.of(RecipeBook.class);

  private RecipeBook() {}

  public static Recipe counterCopy() {
    return new Recipe(
        "Counter copy",
        WORDS.say("recipe-book.for-reading-on-any-screen"),
        List.of(Output.Pdf.DEFAULT));
  }

  static Recipe lightCopy() {
    return new Recipe(
        "Light copy",
        WORDS.say("recipe-book.as-small-as-is-sensible"),
        List.of(
            Output.Pdf.DEFAULT.with(
                new Compression(Compression.Effort.MOST, true, 70, 150, true, true))));
  }

  static Recipe archiveCopy() {
    return new Recipe(
        "Archive copy",
        WORDS.say("recipe-book.keeps-for-good-pdf-a"),
        List.of(
            Output.Pdf.DEFAULT.with(
                Conformance.DEFAULT.with(Conformance.Standard.A2A).withAccessible(true))));
  }

  static Recipe lockedCopy() {
    return new Recipe(
        "Locked copy",
        WORDS.say("recipe-book.opens-for-everyone-but-is"),
        List.of(
            Output.Pdf.DEFAULT.with(
                new Security(
                    Security.Protection.AES_256,
                    false,
                    true,
                    EnumSet.of(Permission.PRINT, Permission.PRINT_SHARP, Permission.READ_ALOUD),
                    true))));
  }

  static Recipe officeCopy() {
    return new Recipe(
        "Office copy",
        WORDS.say("recipe-book.to-be-edited-further-docx"),
        List.of(new Output.Office(Formats.asSource())));
  }

  static Recipe olderOfficeCopy() {
    return new Recipe(
        "Older office copy",
        WORDS.say("recipe-book.to-be-edited-in-office"),
        List.of(new Output.Office(Formats.older())));
  }

  /** A copy in one format, with nothing else chosen. */
  public static Recipe copyAs(Format f) {
    return f.equals(Formats.pages())
        ? counterCopy()
        : new Recipe(f.name(), "", List.of(new Output.Office(f)));
  }

  /** In the order in which they are offered. */
  public static List<Recipe> shipped() {
    return List.of(
        counterCopy(), lightCopy(), archiveCopy(), lockedCopy(), officeCopy(), olderOfficeCopy());
  }
}
