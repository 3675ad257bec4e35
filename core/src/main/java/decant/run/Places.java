package decant.run;

import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Whether the trees of an order lie so that no run can write where it must not. */
final class Places {
  private static final Words WORDS = Words.of(Places.class);

  private Places() {}

  /**
   * @throws RunProblem if a source is not there, or a destination lies in a source, or the other
   *     way round
   */
  static void check(RunOrder order) throws RunProblem {
    List<RunOrder.Part> parts = order.parts();
    for (RunOrder.Part p : parts) {
      if (!Files.isDirectory(p.source())) {
        throw new RunProblem(
            RunProblem.Kind.FOLDER,
            WORDS.say(
                Files.exists(p.source()) ? "places.is-no-folder" : "places.is-not-there",
                p.source()));
      }
      if (!Files.isReadable(p.source())) {
        throw new RunProblem(RunProblem.Kind.FOLDER, WORDS.say("places.not-read", p.source()));
      }
      if (Files.exists(p.destination()) && !Files.isDirectory(p.destination())) {
        throw new RunProblem(
            RunProblem.Kind.FOLDER, WORDS.say("places.is-no-folder", p.destination()));
      }
      Path existing = existing(p.destination());
      if (!Files.isWritable(existing)) {
        throw new RunProblem(RunProblem.Kind.FOLDER, WORDS.say("places.not-written", existing));
      }
    }
    for (RunOrder.Part from : parts) {
      for (RunOrder.Part to : parts) {
        Path source = real(from.source());
        Path destination = real(to.destination());
        if (source.startsWith(destination) || destination.startsWith(source)) {
          throw new RunProblem(
              RunProblem.Kind.WRONG_ORDER,
              WORDS.say("places.within", to.destination(), from.source()));
        }
      }
    }
  }

  /** Whether a file, which may not be there yet, lies in one of the sources. */
  static boolean isInSource(RunOrder order, Path file) {
    return order.parts().stream().anyMatch(p -> real(file).startsWith(real(p.source())));
  }

  /** Whether two folders are one, by whatever links they are named. */
  static boolean areSame(Path one, Path other) {
    return real(one).equals(real(other));
  }

  /** Whether a folder below another one lies elsewhere, through a link. */
  static boolean leadsOut(Path root, Path folder) {
    return !real(folder).startsWith(real(root));
  }

  /** The place of a file with all links followed, as far as it is there. */
  private static Path real(Path file) {
    Path whole = file.toAbsolutePath().normalize();
    Path there = existing(whole);
    try {
      return there.toRealPath().resolve(there.relativize(whole));
    } catch (IOException e) {
      return whole;
    }
  }

  /** The file itself, or the nearest folder above it that is there. */
  static Path existing(Path file) {
    Path at = file.toAbsolutePath().normalize();
    while (!Files.exists(at) && at.getParent() != null) {
      at = at.getParent();
    }
    return at;
  }
}
