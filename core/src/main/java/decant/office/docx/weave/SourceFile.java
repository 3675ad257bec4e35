package decant.office.docx.weave;

import decant.model.Document;
import decant.model.KeptPart;
import decant.office.docx.markup.DocxLooks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** The file that a document came in, kept with it as it was. */
public final class SourceFile {
  /** Larger files are not kept: what of them we know goes back alone. */
  private static final long LARGEST = 64L << 20;

  private SourceFile() {}

  /** The file to be kept; empty if it is too large, or cannot be read any longer. */
  public static Optional<KeptPart> of(Path file) {
    try {
      return Files.size(file) > LARGEST
          ? Optional.empty()
          : Optional.of(KeptPart.whole(DocxLooks.FORMAT, Files.readAllBytes(file)));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The file that came with a document. */
  static Optional<byte[]> in(Document d) {
    return d.keptParts().stream()
        .filter(k -> k.isWhole() && k.format().equals(DocxLooks.FORMAT))
        .map(KeptPart::bytes)
        .findFirst();
  }
}
