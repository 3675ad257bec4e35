package decant.pdf.choices;

import java.util.EnumSet;
import java.util.Set;

/**
 * What a recipient may do. The passwords themselves are apart, in {@link Passwords}.
 *
 * @param protection how the file is encrypted
 * @param askToOpen whether a password is needed to open the file
 * @param askToChange whether a password lifts the limits
 * @param allowed what may be done without that password
 * @param encryptParticulars whether title, author and so on are encrypted too; only AES leaves the
 *     choice
 */
public record Rights(
    Protection protection,
    boolean askToOpen,
    boolean askToChange,
    Set<Permission> allowed,
    boolean encryptParticulars) {
  public static final Rights OPEN =
      new Rights(Protection.NONE, false, false, EnumSet.allOf(Permission.class), true);

  /** Encryption of a file (ISO 32000-2 §7.6). */
  public enum Protection {
    NONE("None", ""),
    AES_256("AES-256", "Strong. Opens in viewers since about 2010."),
    AES_128(
        "AES-128", "For older viewers. Its password test is fast to try, so weak passwords fall."),
    RC4_128("RC4, 128 bits", "Weak: the cipher is broken. Only for viewers before 2005."),
    RC4_40("RC4, 40 bits", "No protection today: a desk computer opens it in hours.");

    private final String label;
    private final String strength;

    Protection(String label, String strength) {
      this.label = label;
      this.strength = strength;
    }

    public String label() {
      return label;
    }

    /** How strong it is and who can open it, in plain words. */
    public String strength() {
      return strength;
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

  public Rights {
    allowed =
        java.util.Collections.unmodifiableSet(
            allowed.isEmpty() ? EnumSet.noneOf(Permission.class) : EnumSet.copyOf(allowed));
  }
}
