package decant.pdf.choices;

/**
 * What goes along with the pages. Standards for keeping, and PDF/UA, leave some of it out, whatever
 * is chosen: see {@link Conformance}.
 *
 * @param source the file that the document came from, attached (ISO 32000-2 §14.13)
 * @param files the files that the document carries (§7.11.4)
 * @param comments what was noted about the text, as notes that a viewer opens (§12.5.6.4)
 * @param fields fields that can be filled in (§12.7), rather than lines and boxes that are printed
 */
public record Enclosures(boolean source, boolean files, boolean comments, boolean fields) {
  public static final Enclosures DEFAULT = new Enclosures(false, true, false, true);

  public Enclosures withSource(boolean other) {
    return new Enclosures(other, files, comments, fields);
  }

  public Enclosures withFiles(boolean other) {
    return new Enclosures(source, other, comments, fields);
  }

  public Enclosures withComments(boolean other) {
    return new Enclosures(source, files, other, fields);
  }

  public Enclosures withFields(boolean other) {
    return new Enclosures(source, files, comments, other);
  }
}
