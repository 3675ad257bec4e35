package decant.run;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.io.AtomicFile;
import decant.io.StateFolder;
import decant.io.WriteProblem;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.TreeMap;

/**
 * What files of a kind take by a recipe, in time and in room, as learnt from those that were done.
 * Kept from run to run in the state folder. Safe for several threads.
 */
final class Speeds {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final TypeReference<TreeMap<String, Seen>> SEEN = new TypeReference<>() {};

  /** After so many files older ones begin to count for less. */
  private static final int MANY = 1000;

  /** What was seen: sums over files. */
  record Seen(long files, long bytes, long made, long millis) {
    Seen with(Seen other) {
      return new Seen(
          files + other.files, bytes + other.bytes, made + other.made, millis + other.millis);
    }

    Seen halved() {
      return new Seen(files / 2, bytes / 2, made / 2, millis / 2);
    }
  }

  private final Path file;
  private final Map<String, Seen> seen;

  private Speeds(Path file, Map<String, Seen> seen) {
    this.file = file;
    this.seen = seen;
  }

  /** What a state folder remembers; nothing if it does not, or not so that it can be read. */
  static Speeds in(Path state) {
    Path file = state.resolve("run-speeds.json");
    try {
      return new Speeds(
          file, Files.exists(file) ? JSON.readValue(file.toFile(), SEEN) : new TreeMap<>());
    } catch (IOException e) {
      return new Speeds(file, new TreeMap<>());
    }
  }

  synchronized void learn(String recipe, Row r) {
    long made = r.results().stream().mapToLong(Row.Result::bytes).sum();
    seen.merge(
        key(recipe, r.kind()), new Seen(1, r.bytes(), made, r.work().times().all()), Seen::with);
    seen.computeIfPresent(key(recipe, r.kind()), (k, s) -> s.files() > MANY ? s.halved() : s);
  }

  private static String key(String recipe, String kind) {
    return recipe + " / " + kind;
  }

  /**
   * What so many files would take, in milliseconds of one worker; nothing if too little was seen of
   * their kinds.
   */
  synchronized OptionalLong time(String recipe, List<Journal.Count> planned) {
    return estimated(recipe, planned, Seen::millis);
  }

  /** The room that results of so many files would need, in bytes. */
  synchronized OptionalLong room(String recipe, List<Journal.Count> planned) {
    return estimated(recipe, planned, Seen::made);
  }

  private OptionalLong estimated(
      String recipe, List<Journal.Count> planned, java.util.function.ToLongFunction<Seen> what) {
    double sum = 0;
    for (Journal.Count c : planned) {
      Seen s = seen.get(key(recipe, c.of()));
      if (s == null || s.files() == 0) {
        return OptionalLong.empty();
      }
      // By number and by size in equal shares: small files cost their number, large ones their
      // size.
      double each = (double) what.applyAsLong(s) / s.files() * c.files();
      double byte1 = s.bytes() == 0 ? each : (double) what.applyAsLong(s) / s.bytes() * c.bytes();
      sum += (each + byte1) / 2;
    }
    return OptionalLong.of(Math.round(sum));
  }

  synchronized void keep() {
    try {
      StateFolder.make(AtomicFile.folderOf(file));
      AtomicFile.writeForOwner(file, out -> out.write(JSON.writeValueAsBytes(seen)));
    } catch (IOException | WriteProblem e) {
      Faults.mended("keeping how fast runs are", e); // only an estimate is poorer
    }
  }
}
