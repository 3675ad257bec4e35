package decant.verify.pdf;

import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.encryption.PDEncryption;

/** Whether passwords open a file as they should, and what may be done with it then. */
final class ProtectionCheck {
  private static final Words WORDS = Words.of(ProtectionCheck.class);

  private ProtectionCheck() {}

  static Check of(Path file, PdfChoices c) {
    Security r = c.settings().security();
    try {
      if (r.askToOpen() && opens(file, "")) {
        return failed(WORDS.say("protection-check.opens-without-its-password"));
      }
      if (opens(file, c.passwords().open() + c.passwords().change() + "\u2020")) {
        return failed(WORDS.say("protection-check.opens-with-a-wrong-password"));
      }
      String user = r.askToOpen() ? c.passwords().open() : "";
      try (PDDocument pdf = Loader.loadPDF(file.toFile(), user)) {
        PDEncryption e = pdf.getEncryption();
        if (e == null || e.getVersion() != version(r.protection())) {
          return failed(WORDS.say("protection-check.is-not-encrypted-as-chosen"));
        }
        boolean limited = r.askToChange();
        Set<Permission> got = permissions(pdf.getCurrentAccessPermission());
        Set<Permission> wanted =
            limited ? comparable(r.allowed(), r.protection()) : EnumSet.allOf(Permission.class);
        if (limited && !comparable(got, r.protection()).equals(wanted)) {
          return failed(WORDS.say("protection-check.permits-other-things-than-were"));
        }
      }
      if (r.askToChange()) {
        try (PDDocument pdf = Loader.loadPDF(file.toFile(), c.passwords().change())) {
          if (!pdf.getCurrentAccessPermission().isOwnerPermission()) {
            return failed(WORDS.say("protection-check.keeps-its-limits-though-the"));
          }
        }
      }
      return Check.of(
          WORDS.say("protection-check.protection"),
          true,
          WORDS.say("protection-check.the-passwords-open-it-another", r.protection().label()),
          "");
    } catch (IOException e) {
      return failed(WORDS.say("protection-check.does-not-open-with-its"));
    }
  }

  private static Check failed(String detail) {
    return Check.of(
        WORDS.say("protection-check.protection"),
        false,
        "",
        WORDS.say("protection-check.the-file", detail));
  }

  private static boolean opens(Path file, String password) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), password)) {
      return pdf.getNumberOfPages() >= 0;
    } catch (InvalidPasswordException e) {
      return false;
    }
  }

  /** ISO 32000-2 table 20. */
  private static int version(Security.Protection p) {
    return switch (p) {
      case NONE -> 0;
      case RC4_40 -> 1;
      case RC4_128 -> 2;
      case AES_128 -> 4;
      case AES_256 -> 5;
    };
  }

  /** The oldest revision knows only the first four permissions. */
  private static Set<Permission> comparable(Set<Permission> p, Security.Protection protection) {
    Set<Permission> out = EnumSet.noneOf(Permission.class);
    out.addAll(p);
    if (protection == Security.Protection.RC4_40) {
      out.retainAll(
          EnumSet.of(Permission.PRINT, Permission.CHANGE, Permission.COPY, Permission.COMMENT));
    }
    return out;
  }

  private static Set<Permission> permissions(AccessPermission a) {
    int bits = a.getPermissionBytes();
    Set<Permission> out = EnumSet.noneOf(Permission.class);
    for (Permission p : Permission.values()) {
      if ((bits & 1 << p.bit() - 1) != 0) {
        out.add(p);
      }
    }
    return out;
  }
}
