package decant.publish;

import decant.pdf.choices.Keeping;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Rights;
import decant.pdf.choices.Weight;
import java.util.EnumSet;
import java.util.List;

/** The recipes that ship with the program. */
public final class RecipeBook {
  private RecipeBook() {}

  public static Recipe counterCopy() {
    return new Recipe(
        "Counter copy", "For reading on any screen, with bookmarks.", List.of(Output.Pdf.USUAL));
  }

  static Recipe lightCopy() {
    return new Recipe(
        "Light copy",
        "As small as is sensible, for mail.",
        List.of(Output.Pdf.USUAL.with(new Weight(Weight.Effort.MOST, true, 70, 150, true, true))));
  }

  static Recipe archiveCopy() {
    return new Recipe(
        "Archive copy",
        "Keeps for good: PDF/A-2a, and readable by aids: PDF/UA-1.",
        List.of(
            Output.Pdf.USUAL.with(Keeping.USUAL.with(Keeping.Standard.A2A).withAccessible(true))));
  }

  static Recipe lockedCopy() {
    return new Recipe(
        "Locked copy",
        "Opens for everyone, but is changed by no one without the password.",
        List.of(
            Output.Pdf.USUAL.with(
                new Rights(
                    Rights.Protection.AES_256,
                    false,
                    true,
                    EnumSet.of(Permission.PRINT, Permission.PRINT_SHARP, Permission.READ_ALOUD),
                    true))));
  }

  static Recipe officeCopy() {
    return new Recipe(
        "Office copy",
        "To be edited further: DOCX.",
        List.of(new Output.Office(OfficeFormat.DOCX)));
  }

  static Recipe olderOfficeCopy() {
    return new Recipe(
        "Older office copy",
        "To be edited in office programs of any age: RTF.",
        List.of(new Output.Office(OfficeFormat.RTF)));
  }

  /** In the order in which they are offered. */
  public static List<Recipe> shipped() {
    return List.of(
        counterCopy(), lightCopy(), archiveCopy(), lockedCopy(), officeCopy(), olderOfficeCopy());
  }
}
