package decant.pdf.read.form;

/** Words that say what belongs in a blank, as its name. */
final class Label {
  private Label() {}

  static String of(String words) {
    String plain = words.strip().replaceAll("[\\s_.…·]+$", "").replaceAll("^[\\s_.…·]+", "");
    String bare = plain.replaceAll("\\s*[:：]$", "").replaceAll("\\s+", " ").strip();
    if (bare.codePointCount(0, bare.length()) <= FormMeasures.LABEL) {
      return bare;
    }
    int cut = bare.lastIndexOf(' ', FormMeasures.LABEL);
    return bare.substring(0, cut < FormMeasures.LABEL / 2 ? FormMeasures.LABEL : cut).strip();
  }

  /** Whether words say anything: marks and numbers alone do not. */
  static boolean says(String words) {
    return words.codePoints().anyMatch(Character::isLetter);
  }
}
