package decant.pdf.choices;

/** What is chosen about a PDF, whatever is in it. */
public record PdfSettings(
    Navigation navigation,
    FontEmbedding fonts,
    Compression compression,
    Security security,
    Conformance conformance,
    InitialView initialView) {
  public static final PdfSettings DEFAULT =
      new PdfSettings(
          Navigation.DEFAULT,
          FontEmbedding.DEFAULT,
          Compression.DEFAULT,
          Security.OPEN,
          Conformance.DEFAULT,
          InitialView.DEFAULT);

  /** These with one group of them replaced. */
  public PdfSettings with(PdfSetting other) {
    return switch (other) {
      case Navigation n ->
          new PdfSettings(n, fonts, compression, security, conformance, initialView);
      case FontEmbedding f ->
          new PdfSettings(navigation, f, compression, security, conformance, initialView);
      case Compression c ->
          new PdfSettings(navigation, fonts, c, security, conformance, initialView);
      case Security s ->
          new PdfSettings(navigation, fonts, compression, s, conformance, initialView);
      case Conformance c ->
          new PdfSettings(navigation, fonts, compression, security, c, initialView);
      case InitialView v ->
          new PdfSettings(navigation, fonts, compression, security, conformance, v);
    };
  }
}
