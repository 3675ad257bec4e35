package decant.pdf.choices;

/**
 * What goes along with the pages. Standards for keeping, and PDF/UA, leave some of it out, whatever
 * is chosen: see {@link Conformance}.
 *
 * @param source the file that the document came from, attached (ISO 32000-2 §14.13)
 * @param files the files that the document carries (§7.11.4)
 * @param remarks what was noted about the text, as notes that a viewer opens (§12.5.6.4)
 * @param blanks fields that can be filled in (§12.7), rather than lines and boxes that are printed
 */
public record Enclosures(boolean source, boolean files, boolean remarks, boolean blanks) {
  public static final Enclosures USUAL = new Enclosures(false, true, false, true);

  public Enclosures withSource(boolean other) {
    return new Enclosures(other, files, remarks, blanks);
  }

  public Enclosures withFiles(boolean other) {
    return new Enclosures(source, other, remarks, blanks);
  }

  public Enclosures withRemarks(boolean other) {
    return new Enclosures(source, files, other, blanks);
  }

  public Enclosures withBlanks(boolean other) {
    return new Enclosures(source, files, remarks, other);
  }
}
