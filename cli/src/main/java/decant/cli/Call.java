package decant.cli;

import decant.io.Untouchable;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * What the files of one call share, wherever each of them is worked on: which of them are inputs,
 * and what was made of those before.
 */
final class Call {
  private static final ScopedValue<Call> CURRENT = ScopedValue.newInstance();

  private final Untouchable files;
  private final List<Path> made = new ArrayList<>();

  private Call(Untouchable files) {
    this.files = files;
  }

  /** Of these inputs; what was made before is not written over. */
  static Call of(List<Path> inputs, List<Path> madeBefore) {
    Untouchable u = Untouchable.inputs(inputs);
    madeBefore.forEach(u::made);
    return new Call(u);
  }

  /** The call that a worker is told of; a call of its own where there is none. */
  static Call current(List<Path> inputs) {
    return CURRENT.isBound() ? CURRENT.get() : of(inputs, List.of());
  }

  static boolean isWorker() {
    return CURRENT.isBound();
  }

  /** Does something as a part of this call. */
  <T> T within(java.util.function.Supplier<T> part) {
    return ScopedValue.where(CURRENT, this).call(part::get);
  }

  Untouchable files() {
    return files;
  }

  void made(Path file) {
    made.add(file);
  }

  List<Path> made() {
    return List.copyOf(made);
  }
}
