package decant.pdf.choices;

import decant.model.Metadata;
import java.util.List;

/**
 * Everything that is chosen about one PDF.
 *
 * @param pages which pages of the layout, counted from 0, in ascending order
 * @param metadata what the file says of itself
 * @param passwords those that {@code rights} ask for
 */
public record PdfChoices(
    List<Integer> pages,
    Navigation navigation,
    FontEmbedding fonts,
    Compression compression,
    Security security,
    Passwords passwords,
    Metadata metadata,
    Conformance conformance,
    InitialView initialView) {
  public PdfChoices {
    pages = List.copyOf(pages);
  }

  /** The usual choices for some pages. */
  public static PdfChoices defaults(List<Integer> pages, Metadata metadata) {
    return new PdfChoices(
        pages,
        Navigation.DEFAULT,
        FontEmbedding.DEFAULT,
        Compression.DEFAULT,
        Security.OPEN,
        Passwords.NONE,
        metadata,
        Conformance.DEFAULT,
        InitialView.DEFAULT);
  }

  public PdfChoices with(Navigation other) {
    return new PdfChoices(
        pages, other, fonts, compression, security, passwords, metadata, conformance, initialView);
  }

  public PdfChoices with(FontEmbedding other) {
    return new PdfChoices(
        pages,
        navigation,
        other,
        compression,
        security,
        passwords,
        metadata,
        conformance,
        initialView);
  }

  public PdfChoices with(Compression other) {
    return new PdfChoices(
        pages, navigation, fonts, other, security, passwords, metadata, conformance, initialView);
  }

  public PdfChoices with(Security other, Passwords secrets) {
    return new PdfChoices(
        pages, navigation, fonts, compression, other, secrets, metadata, conformance, initialView);
  }

  public PdfChoices with(Metadata other) {
    return new PdfChoices(
        pages,
        navigation,
        fonts,
        compression,
        security,
        passwords,
        other,
        conformance,
        initialView);
  }

  public PdfChoices with(Conformance other) {
    return new PdfChoices(
        pages, navigation, fonts, compression, security, passwords, metadata, other, initialView);
  }

  public PdfChoices with(InitialView other) {
    return new PdfChoices(
        pages, navigation, fonts, compression, security, passwords, metadata, conformance, other);
  }

  public PdfChoices with(List<Integer> others) {
    return new PdfChoices(
        others,
        navigation,
        fonts,
        compression,
        security,
        passwords,
        metadata,
        conformance,
        initialView);
  }
}
