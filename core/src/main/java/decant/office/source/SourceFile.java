package decant.office.source;

import decant.model.Document;
import decant.model.KeptPart;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;

/** The file that a document came in, kept with it as it was. */
public final class SourceFile {
  /** Larger files are not kept: what of them we know goes back alone. */
  private static final long LARGEST = 64L << 20;

  private SourceFile() {}

  /**
   * The file to be kept with what is read from it; nothing if it is too large.
   *
   * @throws ReadProblem if it cannot be read any longer
   */
  public static List<KeptPart> of(String format, ReadRequest request) throws ReadProblem {
    try {
      return Files.size(request.file()) > LARGEST
          ? List.of()
          : List.of(KeptPart.whole(format, Files.readAllBytes(request.file())));
    } catch (IOException e) {
      throw ReadProblem.fault(e);
    }
  }

  /** The file of a format that came with a document. */
  public static Optional<byte[]> in(Document d, String format) {
    return d.keptParts().stream()
        .filter(k -> k.isWhole() && k.format().equals(format))
        .map(KeptPart::bytes)
        .findFirst();
  }
}
