package decant.pdf.choices;

import decant.words.Words;
import java.util.EnumSet;
import java.util.Set;

/**
 * What a recipient may do. The passwords themselves are apart, in {@link Passwords}.
 *
 * @param protection how the file is encrypted
 * @param askToOpen whether a password is needed to open the file
 * @param askToChange whether a password lifts the limits
 * @param allowed what may be done without that password
 * @param encryptMetadata whether title, author and so on are encrypted too; only AES leaves the
 *     choice
 */
public record Security(
    Protection protection,
    boolean askToOpen,
    boolean askToChange,
    Set<Permission> allowed,
    boolean encryptMetadata)
    implements PdfSetting {
  private static final Words WORDS = Words.of(Security.class);

  public static final Security OPEN =
      new Security(Protection.NONE, false, false, EnumSet.allOf(Permission.class), true);

  /** Encryption of a file (ISO 32000-2 §7.6). */
  public enum Protection {
    NONE("security.none", ""),
    AES_256("security.aes-256", "security.strong-opens-in-viewers-since"),
    AES_128("security.aes-128", "security.for-older-viewers-its-password"),
    RC4_128("security.rc4-128-bits", "security.weak-the-cipher-is-broken"),
    RC4_40("security.rc4-40-bits", "security.no-protection-today-a-desk");

    private final String label;
    private final String strength;

    Protection(String label, String strength) {
      this.label = label;
      this.strength = strength;
    }

    public String label() {
      return WORDS.say(label);
    }

    /** How strong it is and who can open it, in plain words. */
    public String strength() {
      return WORDS.say(strength);
    }

    public boolean isAes() {
      return this == AES_256 || this == AES_128;
    }

    /** The least version of PDF that has it; 2.0, or 1.7 with its extension, for AES-256. */
    public Version since() {
      return switch (this) {
        case NONE, RC4_40, RC4_128 -> Version.V1_4;
        case AES_128 -> Version.V1_6;
        case AES_256 -> Version.V1_7;
      };
    }
  }

  public Security {
    allowed =
        java.util.Collections.unmodifiableSet(
            allowed.isEmpty() ? EnumSet.noneOf(Permission.class) : EnumSet.copyOf(allowed));
  }

  /** Whether the file is protected at all. */
  public boolean isLocked() {
    return protection != Protection.NONE;
  }
}
