package decant.pdf.choices;

import decant.model.Metadata;
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
    Navigation wayfinding,
    FontEmbedding type,
    Compression weight,
    Security rights,
    Passwords passwords,
    Metadata particulars,
    Conformance keeping,
    InitialView firstSight) {
  public PdfChoices {
    pages = List.copyOf(pages);
  }

  /** The usual choices for some pages. */
  public static PdfChoices usual(List<Integer> pages, Metadata particulars) {
    return new PdfChoices(
        pages,
        Navigation.USUAL,
        FontEmbedding.USUAL,
        Compression.USUAL,
        Security.OPEN,
        Passwords.NONE,
        particulars,
        Conformance.USUAL,
        InitialView.USUAL);
  }

  public PdfChoices with(Navigation other) {
    return new PdfChoices(
        pages, other, type, weight, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(FontEmbedding other) {
    return new PdfChoices(
        pages, wayfinding, other, weight, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(Compression other) {
    return new PdfChoices(
        pages, wayfinding, type, other, rights, passwords, particulars, keeping, firstSight);
  }

  public PdfChoices with(Security other, Passwords secrets) {
    return new PdfChoices(
        pages, wayfinding, type, weight, other, secrets, particulars, keeping, firstSight);
  }

  public PdfChoices with(Metadata other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, other, keeping, firstSight);
  }

  public PdfChoices with(Conformance other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, particulars, other, firstSight);
  }

  public PdfChoices with(InitialView other) {
    return new PdfChoices(
        pages, wayfinding, type, weight, rights, passwords, particulars, keeping, other);
  }

  public PdfChoices with(List<Integer> others) {
    return new PdfChoices(
        others, wayfinding, type, weight, rights, passwords, particulars, keeping, firstSight);
  }
}
