package decant.pdf.choices;

/** Versions of PDF. */
public enum Version {
  V1_4("1.4", "Every viewer since 2001. No compressed objects, so larger; no AES."),
  V1_5("1.5", "Viewers since 2003. Compressed objects; no AES."),
  V1_6("1.6", "Viewers since 2005. AES-128."),
  V1_7("1.7", "Viewers since 2006; ISO 32000-1. All that Decant writes."),
  V2_0("2.0", "Viewers since 2017; ISO 32000-2.");

  private final String number;
  private final String words;

  Version(String number, String words) {
    this.number = number;
    this.words = words;
  }

  public String number() {
    return number;
  }

  /** Who can read it and what it excludes. */
  public String words() {
    return words;
  }
}
