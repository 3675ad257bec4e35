package decant.bench;

import decant.io.Untouchable;
import decant.publish.Publisher;
import java.nio.file.Path;
import java.util.List;

/** Writes the long document: {@code PAGES FILE}. */
final class WriteLong {
  private WriteLong() {}

  public static void main(String[] args) throws Exception {
    Publisher.workingCopy(
        LongDocument.of(Integer.parseInt(args[0])),
        Path.of(args[1]),
        true,
        Untouchable.inputs(List.of()));
  }
}
