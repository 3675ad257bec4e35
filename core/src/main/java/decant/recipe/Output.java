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

  /**
   * An editable document.
   *
   * @param fonts which go along, where the format has room for them
   * @param password whether it opens only with one, which is asked for
   */
  record Office(Format format, FontsInside fonts, boolean password, String naming)
      implements Output {
    /** A document of this format, which opens for everyone and is named as usual. */
    public Office(Format format) {
      this(format, FontsInside.NONE, false, Naming.DEFAULT);
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
      return new Office(format, fonts, password, other);
    }

    /** This document, locked or not. */
    public Office withPassword(boolean other) {
      return new Office(format, fonts, other, naming);
    }

    /** This document in another format. */
    public Office in(Format other) {
      return new Office(other, fonts, password, naming);
    }

    /** This document with other fonts in it. */
    public Office with(FontsInside other) {
      return new Office(format, other, password, naming);
    }
  }
}
