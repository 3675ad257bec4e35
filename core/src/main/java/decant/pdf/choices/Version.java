package decant.pdf.choices;

import decant.words.Words;

/** Versions of PDF. */
public enum Version {
  V1_4("1.4", "version.every-viewer-since-2001-no"),
  V1_5("1.5", "version.viewers-since-2003-compressed-objects"),
  V1_6("1.6", "version.viewers-since-2005-aes-128"),
  V1_7("1.7", "version.viewers-since-2006-iso-32000"),
  V2_0("2.0", "version.viewers-since-2017-iso-32000");
  private static final Words WORDS = Words.of(Version.class);

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
    return WORDS.say(words);
  }
}
