package decant.pdf.choices;

import java.util.Optional;

/**
 * How the file keeps, and for whom.
 *
 * @param standard a standard for long keeping
 * @param accessible whether it keeps PDF/UA-1 (ISO 14289-1)
 * @param tagged whether it says what is a heading, list, table (ISO 32000-2 §14.8); some standards
 *     ask for it anyway
 * @param version the version of PDF; standards may set another
 * @param enclosures what goes along with the pages
 */
public record Conformance(
    Standard standard, boolean accessible, boolean tagged, Version version, Enclosures enclosures)
    implements PdfSetting {
  public static final Conformance DEFAULT =
      new Conformance(Standard.NONE, false, true, Version.V1_7, Enclosures.DEFAULT);

  /** Parts and levels of PDF/A (ISO 19005). */
  public enum Standard {
    NONE("None", 0, ""),
    A1B("PDF/A-1b", 1, "B"),
    A1A("PDF/A-1a", 1, "A"),
    A2B("PDF/A-2b", 2, "B"),
    A2U("PDF/A-2u", 2, "U"),
    A2A("PDF/A-2a", 2, "A"),
    A3B("PDF/A-3b", 3, "B"),
    A3A("PDF/A-3a", 3, "A"),
    A4("PDF/A-4", 4, ""),
    A4F("PDF/A-4f", 4, "F");

    private final String label;
    private final int part;
    private final String level;

    Standard(String label, int part, String level) {
      this.label = label;
      this.part = part;
      this.level = level;
    }

    public String label() {
      return label;
    }

    /** 0 for none. */
    public int part() {
      return part;
    }

    /** The conformance level; empty if the part has none. */
    public String level() {
      return level;
    }

    /** Whether files of any kind may be attached. */
    public boolean takesAttachments() {
      return this == NONE || part == 3 || this == A4F;
    }

    /** The version of PDF that the part builds on. */
    public Optional<Version> version() {
      return switch (part) {
        case 1 -> Optional.of(Version.V1_4);
        case 2, 3 -> Optional.of(Version.V1_7);
        case 4 -> Optional.of(Version.V2_0);
        default -> Optional.empty();
      };
    }
  }

  /** Whether the file is tagged, be it because a standard asks for it. */
  public boolean isTagged() {
    return tagged || accessible || standard.level().equals("A");
  }

  /** The version that is written. */
  public Version writtenVersion() {
    return standard.version().orElse(version);
  }

  /** Whether it is a part of PDF/A. */
  public boolean isArchive() {
    return standard != Standard.NONE;
  }

  /** Whether the document's files go along: not every part of PDF/A takes them. */
  public boolean takesFiles() {
    return enclosures.files() && standard.takesAttachments();
  }

  /**
   * Whether remarks go along: not in files for keeping or for aids, whose pages are all there is.
   */
  public boolean takesComments() {
    return enclosures.comments() && !isArchive() && !accessible;
  }

  /** Whether blanks can be filled in. */
  public boolean takesFields() {
    return enclosures.fields() && !isArchive() && !accessible;
  }

  public Conformance with(Standard other) {
    return new Conformance(other, accessible, tagged, version, enclosures);
  }

  public Conformance with(Version other) {
    return new Conformance(standard, accessible, tagged, other, enclosures);
  }

  public Conformance with(Enclosures other) {
    return new Conformance(standard, accessible, tagged, version, other);
  }

  public Conformance withAccessible(boolean other) {
    return new Conformance(standard, other, tagged, version, enclosures);
  }

  public Conformance withTagged(boolean other) {
    return new Conformance(standard, accessible, other, version, enclosures);
  }
}
