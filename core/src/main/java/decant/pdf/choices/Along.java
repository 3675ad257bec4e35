package decant.pdf.choices;

/**
 * What goes along with the pages. Standards for keeping, and PDF/UA, leave some of it out, whatever
 * is chosen: see {@link Keeping}.
 *
 * @param source the file that the document came from, attached (ISO 32000-2 §14.13)
 * @param files the files that the document carries (§7.11.4)
 * @param remarks what was noted about the text, as notes that a viewer opens (§12.5.6.4)
 * @param blanks fields that can be filled in (§12.7), rather than lines and boxes that are printed
 */
public record Along(boolean source, boolean files, boolean remarks, boolean blanks) {
  public static final Along USUAL = new Along(false, true, false, true);

  public Along withSource(boolean other) {
    return new Along(other, files, remarks, blanks);
  }

  public Along withFiles(boolean other) {
    return new Along(source, other, remarks, blanks);
  }

  public Along withRemarks(boolean other) {
    return new Along(source, files, other, blanks);
  }

  public Along withBlanks(boolean other) {
    return new Along(source, files, remarks, other);
  }
}
