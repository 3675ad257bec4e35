package decant.recipe;

import decant.format.Format;
import decant.format.Formats;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.InitialView;
import decant.pdf.choices.Navigation;
import decant.pdf.choices.Security;

/** One kind of file that a recipe makes. */
public sealed interface Output {
  /** The pattern of its files' names, without the extension; see {@link Naming}. */
  String naming();

  /** Without the dot. */
  String extension();

  /** This output under other names. */
  Output withNaming(String other);

  /** A PDF. */
  record Pdf(
      String naming,
      PageChoice pages,
      Navigation navigation,
      FontEmbedding fonts,
      Compression compression,
      Security security,
      Details details,
      Conformance conformance,
      InitialView initialView)
      implements Output {
    /** What is chosen where nothing is said. */
    public static final Pdf DEFAULT =
        new Pdf(
            Naming.DEFAULT,
            PageChoice.ALL,
            Navigation.DEFAULT,
            FontEmbedding.DEFAULT,
            Compression.DEFAULT,
            Security.OPEN,
            Details.OF_DOCUMENT,
            Conformance.DEFAULT,
            InitialView.DEFAULT);

    public Pdf {
      Naming.check(naming);
    }

    @Override
    public String extension() {
      return Formats.pages().extension();
    }

    @Override
    public Pdf withNaming(String other) {
      return new Pdf(
          other,
          pages,
          navigation,
          fonts,
          compression,
          security,
          details,
          conformance,
          initialView);
    }

    public Pdf with(PageChoice other) {
      return new Pdf(
          naming,
          other,
          navigation,
          fonts,
          compression,
          security,
          details,
          conformance,
          initialView);
    }

    public Pdf with(Navigation other) {
      return new Pdf(
          naming, pages, other, fonts, compression, security, details, conformance, initialView);
    }

    public Pdf with(FontEmbedding other) {
      return new Pdf(
          naming,
          pages,
          navigation,
          other,
          compression,
          security,
          details,
          conformance,
          initialView);
    }

    public Pdf with(Compression other) {
      return new Pdf(
          naming, pages, navigation, fonts, other, security, details, conformance, initialView);
    }

    public Pdf with(Security other) {
      return new Pdf(
          naming, pages, navigation, fonts, compression, other, details, conformance, initialView);
    }

    public Pdf with(Details other) {
      return new Pdf(
          naming, pages, navigation, fonts, compression, security, other, conformance, initialView);
    }

    public Pdf with(Conformance other) {
      return new Pdf(
          naming, pages, navigation, fonts, compression, security, details, other, initialView);
    }

    public Pdf with(InitialView other) {
      return new Pdf(
          naming, pages, navigation, fonts, compression, security, details, conformance, other);
    }
  }

  /** An editable document. */
  record Office(Format format, String naming) implements Output {
    /** A document of this format, named as usual. */
    public Office(Format format) {
      this(format, Naming.DEFAULT);
    }

    public Office {
      Naming.check(naming);
    }

    @Override
    public String extension() {
      return format.extension();
    }

    @Override
    public Office withNaming(String other) {
      return new Office(format, other);
    }
  }
}
