package decant.text;

import decant.words.Words;

/** What a font's licence permits, as the font itself says it (OpenType OS/2, fsType). */
public record EmbeddingRights(int fsType) {
  private static final Words WORDS = Words.of(EmbeddingRights.class);

  private static final int RESTRICTED = 0x2;
  private static final int PREVIEW_AND_PRINT = 0x4;
  private static final int EDITABLE = 0x8;
  private static final int NO_SUBSETTING = 0x100;
  private static final int BITMAP_ONLY = 0x200;

  public static EmbeddingRights of(FontFace face) {
    return new EmbeddingRights(face.tables().embedding());
  }

  /**
   * Whether it may be embedded at all. Where several of the first three bits are set, the least
   * restrictive holds (OpenType 1.9, OS/2 version 2 and before).
   */
  public boolean mayEmbed() {
    boolean restricted =
        (fsType & RESTRICTED) != 0 && (fsType & (PREVIEW_AND_PRINT | EDITABLE)) == 0;
    return !restricted && (fsType & BITMAP_ONLY) == 0;
  }

  /**
   * Whether text may be edited in it where it is embedded: fonts for preview and print open for
   * reading alone. The least restrictive of several bits holds here too.
   */
  public boolean mayEdit() {
    boolean readOnly = (fsType & (RESTRICTED | PREVIEW_AND_PRINT)) != 0 && (fsType & EDITABLE) == 0;
    return !readOnly && (fsType & BITMAP_ONLY) == 0;
  }

  public boolean maySubset() {
    return (fsType & NO_SUBSETTING) == 0;
  }

  /** In plain words. */
  public String words() {
    String base =
        (fsType & EDITABLE) != 0
            ? WORDS.say("embedding-rights.may-be-embedded-for-editing")
            : (fsType & PREVIEW_AND_PRINT) != 0
                ? WORDS.say("embedding-rights.may-be-embedded-for-viewing")
                : (fsType & RESTRICTED) != 0
                    ? WORDS.say("embedding-rights.may-not-be-embedded")
                    : WORDS.say("embedding-rights.may-be-embedded");
    if ((fsType & BITMAP_ONLY) != 0) {
      return WORDS.say("embedding-rights.may-be-embedded-as-pixels");
    }
    return mayEmbed() && !maySubset() ? WORDS.say("embedding-rights.as-a-whole-only", base) : base;
  }
}
