package decant.run;

import decant.io.AtomicFile;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/**
 * What runs into one destination remember, in a file beside it (an SQLite database): the rows of
 * the last run, what is known of every source that was published, and which files were made. Each
 * change is on the disk when its method returns, so that it outlives a kill or a loss of power.
 * Safe for several threads; one program at a time.
 */
final class Journal implements AutoCloseable {
  private static final Words WORDS = Words.of(Journal.class);
  private static final int VERSION = 1;

  private static final String[] TABLES = {
    "create table if not exists run (id integer primary key check (id = 1), started integer,"
        + " ended integer, source text, recipe text)",
    Lines.TABLE,
    "create index if not exists line_state on line (state, number)",
    "create table if not exists known (source text primary key, sha256 text, doing text,"
        + " stem text, done integer, results text, pages integer)",
    "create table if not exists made (file text primary key, source text, sha256 text)",
  };

  private final Connection connection;
  private final @Nullable Path copy;

  private Journal(Connection connection, @Nullable Path copy) {
    this.connection = connection;
    this.copy = copy;
  }

  /**
   * Where the journal of a destination is: beside it, in a file that is not shown by default. Only
   * where nothing may be written beside it, as at the root of a disk, it is within.
   */
  static Path beside(Path destination) {
    Path whole = destination.toAbsolutePath().normalize();
    Path name = whole.getFileName();
    Path within = whole.resolve(".decant-run");
    if (name == null) {
      return within;
    }
    Path beside = whole.resolveSibling("." + name + ".decant-run");
    Path folder = Places.existing(AtomicFile.folderOf(beside));
    return Files.exists(beside) || Files.isWritable(folder) ? beside : within;
  }

  /**
   * Opens the journal of a destination, for this program alone.
   *
   * @throws RunProblem if another program is at work there, or it cannot be read or written
   */
  static Journal open(Path destination) throws RunProblem {
    Path file = beside(destination);
    try {
      Files.createDirectories(AtomicFile.folderOf(file));
      return prepared(file, null);
    } catch (IOException e) {
      throw new RunProblem(RunProblem.Kind.JOURNAL, WORDS.say("journal.cannot-be-used", file), e);
    } catch (SQLException e) {
      throw problem(file, e);
    }
  }

  /**
   * A copy of the journal of a destination, to plan with; nothing that is changed in it stays.
   *
   * @throws RunProblem if it cannot be read
   */
  static Journal copy(Path destination) throws RunProblem {
    Path file = beside(destination);
    try {
      Path folder = Files.createTempDirectory("decant-plan");
      Path copy = folder.resolve("journal");
      for (String end : new String[] {"", "-journal"}) {
        Path from = file.resolveSibling(file.getFileName() + end);
        if (Files.exists(from)) {
          Files.copy(from, folder.resolve("journal" + end));
        }
      }
      return prepared(copy, folder);
    } catch (IOException e) {
      throw new RunProblem(RunProblem.Kind.JOURNAL, WORDS.say("journal.cannot-be-read", file), e);
    } catch (SQLException e) {
      throw problem(file, e);
    }
  }

  private static Journal prepared(Path file, @Nullable Path copy) throws SQLException, RunProblem {
    var config = new SQLiteConfig();
    config.setSynchronous(
        copy == null ? SQLiteConfig.SynchronousMode.FULL : SQLiteConfig.SynchronousMode.OFF);
    config.setLockingMode(SQLiteConfig.LockingMode.EXCLUSIVE);
    config.setJournalMode(SQLiteConfig.JournalMode.DELETE);
    config.setBusyTimeout(500);
    Connection c =
        DriverManager.getConnection("jdbc:sqlite:" + file.toAbsolutePath(), config.toProperties());
    boolean ready = false;
    try (Statement s = c.createStatement()) {
      s.execute("begin exclusive");
      int version;
      try (ResultSet r = s.executeQuery("pragma user_version")) {
        version = r.next() ? r.getInt(1) : 0;
      }
      if (version > VERSION) {
        throw new RunProblem(RunProblem.Kind.JOURNAL, WORDS.say("journal.newer", file));
      }
      for (String t : TABLES) {
        s.execute(t);
      }
      s.execute("pragma user_version = " + VERSION);
      s.execute("commit");
      c.setAutoCommit(false);
      ready = true;
      return new Journal(c, copy);
    } finally {
      if (!ready) {
        c.close();
      }
    }
  }

  private static RunProblem problem(Path file, SQLException e) {
    if (e instanceof SQLiteException s
        && (s.getResultCode() == SQLiteErrorCode.SQLITE_BUSY
            || s.getResultCode() == SQLiteErrorCode.SQLITE_LOCKED)) {
      return new RunProblem(RunProblem.Kind.AT_WORK, WORDS.say("journal.at-work"), e);
    }
    return new RunProblem(RunProblem.Kind.JOURNAL, WORDS.say("journal.cannot-be-used", file), e);
  }

  /** What cannot be kept must not be gone on with. */
  private static IllegalStateException broken(SQLException e) {
    return new IllegalStateException("the journal of the run cannot be kept", e);
  }

  /** Does something with the journal; all of it is kept, or nothing. */
  private interface Doing<T> {
    T with(Connection c) throws SQLException;
  }

  private synchronized <T> T kept(Doing<T> doing) {
    try {
      T t = doing.with(connection);
      connection.commit();
      return t;
    } catch (SQLException e) {
      try {
        connection.rollback();
      } catch (SQLException more) {
        e.addSuppressed(more);
      }
      throw broken(e);
    }
  }

  /** Whether a run was begun and not ended. */
  boolean isUnfinished() {
    return kept(c -> {
      try (Statement s = c.createStatement();
          ResultSet r = s.executeQuery("select 1 from run where ended is null")) {
        return r.next();
      }
    });
  }

  /** Notes that a run begins. */
  void begin(Path source, String recipe) {
    kept(c -> {
      Sql.run(
          c,
          "insert or replace into run (id, started, ended, source, recipe) values (1, ?, null, ?, ?)",
          Instant.now().toEpochMilli(),
          source.toString(),
          recipe);
      return true;
    });
  }

  /** Notes that it has come to its end. */
  void end() {
    kept(c -> {
      Sql.run(c, "update run set ended = ? where id = 1", Instant.now().toEpochMilli());
      return true;
    });
  }

  /** Files are known by their whole paths, from wherever a run is started. */
  private static String key(Path file) {
    return file.toAbsolutePath().normalize().toString();
  }

  /** What is known of a source. */
  record Known(String sha256, String doing, String stem, boolean done, List<Row.Result> results) {}

  Optional<Known> known(Path source) {
    return kept(c -> {
      try (PreparedStatement s =
              Sql.filled(
                  c.prepareStatement(
                      "select sha256, doing, stem, done, results from known where source = ?"),
                  key(source));
          ResultSet r = s.executeQuery()) {
        return r.next()
            ? Optional.of(
                new Known(
                    r.getString(1),
                    r.getString(2),
                    r.getString(3),
                    r.getInt(4) == 1,
                    Sql.results(r.getString(5))))
            : Optional.empty();
      }
    });
  }

  /**
   * Whether a file was made by a run, or may have been by one that was stopped.
   *
   * @return the SHA-256 that it had then, which is empty if it was not known to be whole; nothing
   *     if no run knows the file
   */
  Optional<String> made(Path file) {
    return kept(c -> {
      try (PreparedStatement s =
              Sql.filled(c.prepareStatement("select sha256 from made where file = ?"), key(file));
          ResultSet r = s.executeQuery()) {
        return r.next() ? Optional.of(r.getString(1)) : Optional.empty();
      }
    });
  }

  /** Notes a file that was made of no single source. */
  void wrote(Path file, String sha256) {
    kept(c -> {
      Sql.run(
          c,
          "insert or replace into made (file, source, sha256) values (?, '', ?)",
          key(file),
          sha256);
      return true;
    });
  }

  /** Takes the rows of the last run away, for those of another. */
  void clear() {
    kept(c -> {
      Sql.run(c, "delete from line");
      return true;
    });
  }

  /** Adds planned rows. */
  void add(List<Row> rows) {
    kept(c -> {
      Lines.add(c, rows);
      return true;
    });
  }

  /** Notes what became of a row, before anything is done, or while nothing more is known. */
  void update(Row r) {
    kept(c -> {
      Lines.update(c, r);
      return true;
    });
  }

  /**
   * Notes that work on a row begins: the files that it is to make belong to it from now on.
   *
   * @param files where its results will be
   */
  void begin(Row r, Path source, List<Path> files) {
    kept(c -> {
      Lines.update(c, r);
      for (Path f : files) {
        Sql.run(
            c,
            "insert or ignore into made (file, source, sha256) values (?, ?, '')",
            key(f),
            key(source));
      }
      return true;
    });
  }

  /**
   * Notes what became of a row that was worked on.
   *
   * @param sha256 that of the source
   * @param doing what was done, as {@link Doings} tells it
   * @param files where its results are
   */
  void done(Row r, Path source, String sha256, String doing, List<Path> files) {
    kept(c -> {
      Lines.update(c, r);
      Sql.run(
          c,
          "insert or replace into known (source, sha256, doing, stem, done, results, pages)"
              + " values (?, ?, ?, ?, ?, ?, ?)",
          key(source),
          sha256,
          doing,
          r.named().stem(),
          r.state() == Row.State.DONE ? 1 : 0,
          Sql.json(r.results()),
          r.pages());
      Sql.run(c, "delete from made where source = ? and sha256 = ''", key(source));
      for (int k = 0; k < files.size(); k++) {
        Sql.run(
            c,
            "insert or replace into made (file, source, sha256) values (?, ?, ?)",
            key(files.get(k)),
            key(source),
            r.results().get(k).sha256());
      }
      return true;
    });
  }

  /**
   * A file that a run may have made before it was stopped: work on its source had begun, and was
   * not noted as done.
   */
  record InDoubt(Path file, Path source) {}

  List<InDoubt> inDoubt() {
    return kept(c -> {
      var out = new ArrayList<InDoubt>();
      try (Statement s = c.createStatement();
          ResultSet r =
              s.executeQuery("select file, source from made where sha256 = '' and source <> ''")) {
        while (r.next()) {
          out.add(new InDoubt(Path.of(r.getString(1)), Path.of(r.getString(2))));
        }
      }
      return out;
    });
  }

  /** Rows from a number on, so many at most, in their order. */
  List<Row> rows(long from, int most) {
    return select("where number >= ? order by number limit ?", from, most);
  }

  /** Planned rows from a number on, so many at most, in their order. */
  List<Row> planned(long from, int most) {
    return select(
        "where state = ? and number >= ? order by number limit ?",
        Row.State.PLANNED.name(),
        from,
        most);
  }

  private List<Row> select(String where, Object... values) {
    return kept(c -> Lines.select(c, where, values));
  }

  /** Gives all rows, a few at a time; what is done with them may change the journal. */
  void each(Consumer<Row> to) {
    long from = 0;
    for (List<Row> some = rows(from, 500); !some.isEmpty(); some = rows(from, 500)) {
      some.forEach(to);
      from = some.getLast().number() + 1;
    }
  }

  /** How many files of a kind or a folder are to become what. */
  record Count(String of, Row.State state, long files, long bytes) {}

  /** The files by their kinds. */
  List<Count> byKind() {
    return counts("kind");
  }

  /** The files by their folders. */
  List<Count> byFolder() {
    return counts("folder");
  }

  private List<Count> counts(String column) {
    return kept(c -> Lines.counts(c, column));
  }

  @Override
  public synchronized void close() {
    try {
      connection.close();
      if (copy != null) {
        try (var files = Files.list(copy)) {
          for (Path f : files.toList()) {
            Files.deleteIfExists(f);
          }
        }
        Files.deleteIfExists(copy);
      }
    } catch (SQLException | IOException e) {
      throw new IllegalStateException("the journal of the run cannot be closed", e);
    }
  }
}
