package decant.pdf.choices;

import decant.model.Particulars;
import java.util.List;

/**
 * Everything that is chosen about one PDF.
 *
 * @param pages which pages of the layout, counted from 0, in ascending order
 * @param particulars what the file says of itself
 * @param passwords those that {@code rights} ask for
 */
public record PdfChoices(
    List<Integer> pages,
    Wayfinding wayfinding,
    Type type,
    Weight weight,
    Rights rights,
    Passwords passwords,
    Particulars particulars,
    Keeping keeping,
    FirstSight firstSight) {
  public PdfChoices {
    pages = List.copyOf(pages);
  }

  /** The usual choices for some pages. */
  public static PdfChoices usual(List<Integer> pages, Particulars particulars) {
    return new PdfChoices(
        pages,
        Wayfinding.USUAL,
        Type.USUAL,
        Weight.USUAL,
        Rights.OPEN,
        Passwords.NONE,
        particulars,
        Keeping.USUAL,
        FirstSight.USUAL);
  }

  public PdfChoices with(Wayfinding other) {
    return new PdfChoices(
        pages, other, type, weight, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(Type other) {
    return new PdfChoices(
        pages, wayfinding, other, weight, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(Weight other) {
    return new PdfChoices(
        pages, wayfinding, type, other, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(Rights other, Passwords secrets) {
    return new PdfChoices(
        pages, wayfinding, type, weight, other, secrets, particulars, keeping, firstSight);
  }

  public PdfChoices with(Particulars other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, other, keeping, firstSight);
  }

  public PdfChoices with(Keeping other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, particulars, other, firstSight);
  }

  public PdfChoices with(FirstSight other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, particulars, keeping, other);
  }

  public PdfChoices with(List<Integer> others) {
    return new PdfChoices(
        others, wayfinding, type, weight, rights, passwords, particulars, keeping, firstSight);
  }
}
