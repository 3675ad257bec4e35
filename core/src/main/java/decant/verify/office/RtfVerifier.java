package decant.verify.office;

import decant.model.Document;
import decant.model.Table;
import decant.model.look.FormField;
import decant.verify.Check;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;

/** Takes the digest of a saved RTF and compares it with that of the document. */
public final class RtfVerifier {
  private RtfVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    try {
      Digest got = RtfDigest.of(file);
      Digest wanted = DocumentDigest.of(d, new Room());
      return DigestCheck.of(wanted, got.remade(d, wanted, AS_THEY_ARE));
    } catch (IOException | RuntimeException | StackOverflowError e) {
      return DigestCheck.unread(e);
    }
  }

  /** The kinds of pictures that the format holds as they are; all others are made into one. */
  private static final Set<String> AS_THEY_ARE =
      Set.of("image/png", "image/jpeg", "image/jpg", "image/x-emf", "image/emf");

  private static final class Room implements DocumentDigest.Room {
    @Override
    public boolean showsItself(FormField f, boolean running) {
      return f.isSwitch() || f.isShortChoice();
    }

    @Override
    public boolean rowByRow() {
      return true;
    }

    @Override
    public String address(String uri) {
      return uri.replace("\"", "%22");
    }

    /** A cell stands in every row that it covers (§ Table Definitions of the specification). */
    @Override
    public List<String> table(Table t) {
      return DocVerifier.everyRow(t);
    }
  }
}
