package decant.run;

import decant.format.Format;
import decant.format.Formats;
import decant.io.FileHash;
import decant.reading.ReadProblem;
import decant.recipe.Plan;
import decant.recipe.Recipe;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.jspecify.annotations.Nullable;

/**
 * Says what will become of every file of an order, and what its results will be called, before
 * anything is written. The same trees and the same journal give the same plan.
 */
final class Planner {
  private static final Words WORDS = Words.of(Planner.class);
  private static final int BATCH = 500;

  private final RunOrder order;
  private final Journal journal;
  private final Secrets secrets;
  private final Patterns.Matching patterns;
  private final LocalDate date = LocalDate.now();
  private final Doings doings;
  private final Set<Path> inDoubt;
  private final List<Row> batch = new ArrayList<>();
  private final List<Path> closed = new ArrayList<>();
  private final LongConsumer seen;
  private final BooleanSupplier cancelled;
  private long number;

  /** Whether templates lie among the documents, so that each file is of one of both trees. */
  private final boolean shared;

  /**
   * @param secrets what opens locked files
   * @param inDoubt the sources that a run was working on when it was stopped
   * @param seen is told how many files were met
   */
  Planner(
      RunOrder order,
      Journal journal,
      Secrets secrets,
      Set<Path> inDoubt,
      LongConsumer seen,
      BooleanSupplier cancelled) {
    this.order = order;
    this.doings = new Doings(order);
    this.shared =
        order.templates().filter(t -> Places.areSame(t.source(), order.source())).isPresent();
    this.journal = journal;
    this.secrets = secrets;
    this.patterns = order.filter().patterns().matching();
    this.inDoubt = Set.copyOf(inDoubt);
    this.seen = seen;
    this.cancelled = cancelled;
  }

  /** Plans, into the journal; gives the folders that could not be looked into. */
  List<Path> plan() {
    List<RunOrder.Part> parts = order.parts();
    for (int n = 0; n < parts.size(); n++) {
      RunOrder.Part part = parts.get(n);
      int at = n;
      new FileTree(
              part.source(),
              order.filter().subfolders(),
              folder -> cancelled.getAsBoolean() || isOther(parts, part, folder),
              new FileTree.Visitor() {
                @Override
                public void folder(Path path, List<FileTree.Met> files) {
                  new Folder(part, at, path).plan(files);
                }

                @Override
                public void closed(Path path) {
                  closed.add(part.source().resolve(path));
                }
              })
          .walk();
    }
    flush();
    return closed;
  }

  /** A tree within another is gone through once, on its own. */
  private static boolean isOther(List<RunOrder.Part> parts, RunOrder.Part part, Path folder) {
    return parts.stream().anyMatch(p -> p != part && Places.areSame(p.source(), folder));
  }

  private void add(Row row) {
    batch.add(row);
    if (batch.size() >= BATCH) {
      flush();
    }
  }

  private void flush() {
    journal.add(batch);
    batch.clear();
    seen.accept(number);
  }

  /** One folder. */
  private final class Folder {
    private final RunOrder.Part part;
    private final int at;
    private final String folder;
    private final Path to;
    private final @Nullable Path outside;

    Folder(RunOrder.Part part, int at, Path path) {
      this.part = part;
      this.at = at;
      this.folder = slashed(path);
      this.to = part.destination().resolve(path);
      this.outside = Places.leadsOut(part.destination(), to) ? to : null;
    }

    /** A file that is published, unless something of that name is in the way. */
    private record Candidate(Row row, Doings.Doing doing, Optional<Journal.Known> known) {}

    void plan(List<FileTree.Met> files) {
      var rows = new ArrayList<Row>();
      var places = new ArrayList<Integer>();
      var candidates = new ArrayList<Candidate>();
      for (FileTree.Met m : files) {
        if (shared && part.templates() != isTemplate(m)) {
          continue;
        }
        Row r = first(m);
        if (r.state() == Row.State.PLANNED) {
          Format f = Formats.documentsOf(Formats.of(r.kind()).orElseGet(Formats::working));
          places.add(rows.size());
          candidates.add(
              new Candidate(
                  r,
                  doings.of(folder, Optional.of(f)),
                  journal.known(part.source().resolve(r.path()))));
        }
        rows.add(r);
      }
      var names = new ResultNames(date);
      List<String> stems = names.stems(candidates.stream().map(this::wanted).toList());
      for (int k = 0; k < candidates.size(); k++) {
        rows.set(places.get(k), placed(candidates.get(k), stems.get(k), names));
      }
      rows.forEach(Planner.this::add);
    }

    /** What cannot be told goes with the documents. */
    private boolean isTemplate(FileTree.Met m) {
      Path file = part.source().resolve(m.path());
      try {
        return m.kind() == FileTree.Kind.FILE
            && m.bytes() > 0
            && Files.isReadable(file)
            && Formats.isTemplate(Formats.recogniseTemplates(file));
      } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
        return false;
      }
    }

    private ResultNames.Wanted wanted(Candidate c) {
      return new ResultNames.Wanted(
          Path.of(c.row().path()).getFileName().toString(),
          c.row().kind(),
          c.doing().recipe(),
          c.known().filter(Journal.Known::done).map(Journal.Known::stem));
    }

    /** A file by what it is, before its name is thought of. */
    private Row first(FileTree.Met m) {
      Row r = Row.met(++number, at, slashed(m.path()), m.bytes());
      if (m.kind() == FileTree.Kind.LINK) {
        return left(r, Row.Why.LINK, WORDS.say("planner.link"));
      }
      Path file = part.source().resolve(m.path());
      if (order.choices().leftOut().contains(file.toAbsolutePath().normalize())) {
        return left(r, Row.Why.BY_PERSON, WORDS.say("run.left-out-by-person"));
      }
      if (!patterns.takes(m.path())) {
        return left(r, Row.Why.PATTERN, WORDS.say("planner.pattern"));
      }
      if (order.filter().changedSince().filter(s -> m.modified().isBefore(s)).isPresent()) {
        return left(r, Row.Why.OLDER, WORDS.say("planner.older"));
      }
      if (m.kind() == FileTree.Kind.UNKNOWN || !Files.isReadable(file)) {
        // What stands for bytes that are no letters in the encoding of the system's names.
        boolean odd = r.path().indexOf('\uFFFD') >= 0;
        return failed(
            r, Row.Why.UNREADABLE, WORDS.say(odd ? "planner.odd-name" : "planner.unreadable"));
      }
      if (m.bytes() == 0) {
        return left(r, Row.Why.EMPTY, WORDS.say("planner.empty"));
      }
      try {
        Format f = Formats.recogniseTemplates(file);
        return known(r.withKind(f.id()), f, file);
      } catch (IOException e) {
        return failed(r, Row.Why.UNREADABLE, WORDS.say("planner.unreadable"));
      } catch (OutOfMemoryError e) {
        return failed(r, Row.Why.TOO_LARGE, ReadProblem.tooLarge().getMessage());
      } catch (RuntimeException | StackOverflowError e) {
        return failed(r, Row.Why.FAULT, ReadProblem.fault(e).getMessage());
      }
    }

    private Row known(Row r, Format f, Path file) throws IOException {
      boolean locked = Formats.isLocked(f, file);
      if (locked && secrets.of(file).isEmpty()) {
        return left(r, Row.Why.LOCKED, WORDS.say("planner.locked"));
      }
      if (!Formats.opened().contains(f) && !locked) {
        return left(r, Row.Why.NO_DOCUMENT, WORDS.say("planner.no-document", Formats.described(f)));
      }
      if (part.templates() && !Formats.isTemplate(f)) {
        return left(r, Row.Why.OTHER_KIND, WORDS.say("planner.no-template"));
      }
      boolean known = Formats.opened().contains(f); // what is locked as a whole tells nothing
      if (known && !order.filter().kinds().isEmpty() && !order.filter().kinds().contains(f)) {
        return left(r, Row.Why.OTHER_KIND, WORDS.say("planner.other-kind", f.name()));
      }
      if (outside != null) {
        return failed(r, Row.Why.NOT_WRITTEN, WORDS.say("planner.leads-out", outside));
      }
      return r;
    }

    /** A file with the names of its results, if nothing is in their way. */
    private Row placed(Candidate c, String stem, ResultNames names) {
      Path source = part.source().resolve(c.row().path());
      Recipe recipe = c.doing().recipe();
      Row r = named(c.row(), stem, false, names.names(recipe, stem));
      try {
        if (c.known().isPresent() && isDone(c.known().get(), c.doing(), source)) {
          return left(
              r.named(c.known().get().stem(), false, c.known().get().results()),
              Row.Why.DONE_BEFORE,
              WORDS.say("planner.done-before"));
        }
        boolean stopped = inDoubt.contains(source.toAbsolutePath().normalize());
        boolean resuming = stopped && !Plan.hasKnownNames(recipe);
        if (existing(r).isEmpty() && c.known().isEmpty() && !resuming) {
          return r;
        }
        Optional<Path> foreign = foreign(existing(r));
        if (foreign.isEmpty()) {
          return named(r, stem, true, files(r));
        }
        Path whole = source.toAbsolutePath().normalize();
        return switch (order.choices().clashes().getOrDefault(whole, order.clash())) {
          case LEAVE ->
              left(
                  r,
                  Row.Why.NAME_TAKEN,
                  WORDS.say("planner.name-taken", foreign.get().getFileName()));
          case OVERWRITE ->
              existing(r).stream().allMatch(p -> Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS))
                  ? named(r, stem, true, files(r))
                  : left(
                      r,
                      Row.Why.NAME_TAKEN,
                      WORDS.say("planner.no-file", foreign.get().getFileName()));
          case KEEP -> beside(r, recipe, stem, names);
        };
      } catch (IOException e) {
        return failed(r, Row.Why.UNREADABLE, WORDS.say("planner.unreadable"));
      }
    }

    private Row beside(Row r, Recipe recipe, String stem, ResultNames names) throws IOException {
      for (int n = 2; ; n++) {
        String other = names.free(recipe, stem + " " + n);
        Row moved = named(r, other, false, names.names(recipe, other));
        List<Path> there = existing(moved);
        if (foreign(there).isEmpty()) {
          names.take(recipe, other);
          return there.isEmpty() ? moved : named(moved, other, true, files(moved));
        }
      }
    }

    private List<Path> existing(Row r) {
      return r.results().stream()
          .map(x -> part.destination().resolve(x.file()))
          .filter(p -> Files.exists(p, LinkOption.NOFOLLOW_LINKS))
          .toList();
    }

    /** The first of these files that no run has made, or that was changed since. */
    private Optional<Path> foreign(List<Path> files) throws IOException {
      for (Path f : files) {
        Optional<String> made = journal.made(f);
        boolean ours =
            made.isPresent()
                && Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS)
                && (made.get().isEmpty() || made.get().equals(FileHash.of(f)));
        if (!ours) {
          return Optional.of(f);
        }
      }
      return Optional.empty();
    }

    private boolean isDone(Journal.Known known, Doings.Doing doing, Path source)
        throws IOException {
      return known.done()
          && known.doing().equals(doing.key())
          && known.results().stream()
              .allMatch(x -> Files.exists(part.destination().resolve(x.file())))
          && known.sha256().equals(FileHash.of(source));
    }

    private Row named(Row r, String stem, boolean overwrite, List<String> files) {
      String prefix = folder.isEmpty() ? "" : folder + "/";
      return r.named(
          stem, overwrite, files.stream().map(f -> Row.Result.planned(prefix + f)).toList());
    }

    private static List<String> files(Row r) {
      return r.results().stream()
          .map(x -> x.file().substring(x.file().lastIndexOf('/') + 1))
          .toList();
    }
  }

  private static Row left(Row r, Row.Why why, String message) {
    return r.with(Row.State.LEFT_OUT, why, message);
  }

  private static Row failed(Row r, Row.Why why, String message) {
    return r.with(Row.State.FAILED, why, message);
  }

  private static String slashed(Path path) {
    return path.toString().replace('\\', '/');
  }
}
