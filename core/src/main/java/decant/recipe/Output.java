package decant.recipe;

import decant.format.Format;
import decant.format.Formats;
import decant.pdf.choices.PdfSetting;
import decant.pdf.choices.PdfSettings;

/** One kind of file that a recipe makes. */
public sealed interface Output {
  /** The pattern of its files' names, without the extension; see {@link Naming}. */
  String naming();

  /** Without the dot. */
  String extension();

  /** This output under other names. */
  Output withNaming(String other);

  /** A PDF. */
  record Pdf(String naming, PageChoice pages, Details details, PdfSettings settings)
      implements Output {
    /** What is chosen where nothing is said. */
    public static final Pdf DEFAULT =
        new Pdf(Naming.DEFAULT, PageChoice.ALL, Details.OF_DOCUMENT, PdfSettings.DEFAULT);

    public Pdf {
      Naming.check(naming);
    }

    @Override
    public String extension() {
      return Formats.pages().extension();
    }

    @Override
    public Pdf withNaming(String other) {
      return new Pdf(other, pages, details, settings);
    }

    public Pdf with(PageChoice other) {
      return new Pdf(naming, other, details, settings);
    }

    public Pdf with(Details other) {
      return new Pdf(naming, pages, other, settings);
    }

    public Pdf with(PdfSetting other) {
      return new Pdf(naming, pages, details, settings.with(other));
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
