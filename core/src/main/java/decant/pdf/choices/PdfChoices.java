package decant.pdf.choices;

import decant.model.Metadata;
import java.util.List;

/**
 * Everything that is chosen about one PDF.
 *
 * @param pages which pages of the layout, counted from 0, in ascending order
 * @param metadata what the file says of itself
 * @param passwords those that its security asks for
 */
public record PdfChoices(
    List<Integer> pages, Passwords passwords, Metadata metadata, PdfSettings settings) {
  public PdfChoices {
    pages = List.copyOf(pages);
  }

  /** The usual choices for some pages. */
  public static PdfChoices defaults(List<Integer> pages, Metadata metadata) {
    return new PdfChoices(pages, Passwords.NONE, metadata, PdfSettings.DEFAULT);
  }

  public PdfChoices with(PdfSetting other) {
    return new PdfChoices(pages, passwords, metadata, settings.with(other));
  }

  public PdfChoices with(Security other, Passwords secrets) {
    return new PdfChoices(pages, secrets, metadata, settings.with(other));
  }

  public PdfChoices with(Metadata other) {
    return new PdfChoices(pages, passwords, other, settings);
  }

  public PdfChoices with(List<Integer> others) {
    return new PdfChoices(others, passwords, metadata, settings);
  }
}
