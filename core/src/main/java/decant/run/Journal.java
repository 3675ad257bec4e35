package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
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
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final TypeReference<List<Row.Result>> RESULTS = new TypeReference<>() {};
  private static final int VERSION = 1;

  private static final String[] TABLES = {
    "create table if not exists run (id integer primary key check (id = 1), started integer,"
        + " ended integer, source text, recipe text)",
    "create table if not exists line (number integer primary key, part integer, path text,"
        + " folder text, kind text, bytes integer, state text, why text, message text, stem text,"
        + " overwrite integer, results text, pages integer, findings integer, losses integer,"
        + " replaced integer, took integer, reading integer, layout integer, writing integer,"
        + " verifying integer)",
    "create index if not exists line_state on line (state, number)",
    "create table if not exists known (source text primary key, sha256 text, doing text,"
        + " stem text, done integer, results text, pages integer)",
    "create table if not exists made (file text primary key, source text, sha256 text)",
  };

  private static final String COLUMNS =
      "number, part, path, kind, bytes, state, why, message, stem, overwrite, results, pages,"
          + " findings, losses, replaced, took, reading, layout, writing, verifying";

  private final Connection connection;
  private final @Nullable Path copy;

  private Journal(Connection connection, @Nullable Path copy) {
    this.connection = connection;
    this.copy = copy;
  }

  /** Where the journal of a destination is: beside it, in a file that is not shown by default. */
  static Path beside(Path destination) {
    Path whole = destination.toAbsolutePath().normalize();
    Path name = whole.getFileName();
    return name == null
        ? whole.resolve(".decant-run")
        : whole.resolveSibling("." + name + ".decant-run");
  }

  /**
   * Opens the journal of a destination, for this program alone.
   *
   * @throws RunProblem if another program is at work there, or it cannot be read or written
   */
  static Journal open(Path destination) throws RunProblem {
    Path file = beside(destination);
    try {
      return prepared(file, null);
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
    config.setJournalMode(SQLiteConfig.JournalMode.TRUNCATE);
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
      throw broken(e);
    }
  }

  private static PreparedStatement filled(PreparedStatement s, Object... values)
      throws SQLException {
    for (int k = 0; k < values.length; k++) {
      s.setObject(k + 1, values[k]);
    }
    return s;
  }

  private static void run(Connection c, String sql, Object... values) throws SQLException {
    try (PreparedStatement s = c.prepareStatement(sql)) {
      filled(s, values).executeUpdate();
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
      run(
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
      run(c, "update run set ended = ? where id = 1", Instant.now().toEpochMilli());
      return true;
    });
  }

  /** What is known of a source. */
  record Known(String sha256, String doing, String stem, boolean done, List<Row.Result> results) {}

  Optional<Known> known(Path source) {
    return kept(c -> {
      try (PreparedStatement s =
              filled(
                  c.prepareStatement(
                      "select sha256, doing, stem, done, results from known where source = ?"),
                  source.toString());
          ResultSet r = s.executeQuery()) {
        return r.next()
            ? Optional.of(
                new Known(
                    r.getString(1),
                    r.getString(2),
                    r.getString(3),
                    r.getInt(4) == 1,
                    results(r.getString(5))))
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
              filled(
                  c.prepareStatement("select sha256 from made where file = ?"), file.toString());
          ResultSet r = s.executeQuery()) {
        return r.next() ? Optional.of(r.getString(1)) : Optional.empty();
      }
    });
  }

  /** Takes the rows of the last run away, for those of another. */
  void clear() {
    kept(c -> {
      run(c, "delete from line");
      return true;
    });
  }

  /** Adds planned rows. */
  void add(List<Row> rows) {
    kept(c -> {
      String marks = "?, ".repeat(20) + "?";
      try (PreparedStatement s =
          c.prepareStatement("insert into line (" + COLUMNS + ", folder) values (" + marks + ")")) {
        for (Row r : rows) {
          filled(
              s,
              r.number(),
              r.part(),
              r.path(),
              r.kind(),
              r.bytes(),
              r.state().name(),
              r.why().name(),
              r.message(),
              r.stem(),
              r.overwrite() ? 1 : 0,
              json(r.results()),
              r.pages(),
              r.work().findings(),
              r.work().losses(),
              r.work().replaced(),
              r.work().times().all(),
              r.work().times().reading(),
              r.work().times().layout(),
              r.work().times().writing(),
              r.work().times().verifying(),
              r.folder());
          s.addBatch();
        }
        s.executeBatch();
      }
      return true;
    });
  }

  /** Notes what became of a row, before anything is done, or while nothing more is known. */
  void update(Row r) {
    kept(c -> {
      updated(c, r);
      return true;
    });
  }

  private static void updated(Connection c, Row r) throws SQLException {
    run(
        c,
        "update line set state = ?, why = ?, message = ?, stem = ?, overwrite = ?, results = ?,"
            + " pages = ?, findings = ?, losses = ?, replaced = ?, took = ?, reading = ?,"
            + " layout = ?, writing = ?, verifying = ? where number = ?",
        r.state().name(),
        r.why().name(),
        r.message(),
        r.stem(),
        r.overwrite() ? 1 : 0,
        json(r.results()),
        r.pages(),
        r.work().findings(),
        r.work().losses(),
        r.work().replaced(),
        r.work().times().all(),
        r.work().times().reading(),
        r.work().times().layout(),
        r.work().times().writing(),
        r.work().times().verifying(),
        r.number());
  }

  /**
   * Notes that work on a row begins: the files that it is to make belong to it from now on.
   *
   * @param files where its results will be
   */
  void begin(Row r, Path source, List<Path> files) {
    kept(c -> {
      updated(c, r);
      for (Path f : files) {
        run(
            c,
            "insert or ignore into made (file, source, sha256) values (?, ?, '')",
            f.toString(),
            source.toString());
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
      updated(c, r);
      run(
          c,
          "insert or replace into known (source, sha256, doing, stem, done, results, pages)"
              + " values (?, ?, ?, ?, ?, ?, ?)",
          source.toString(),
          sha256,
          doing,
          r.stem(),
          r.state() == Row.State.DONE ? 1 : 0,
          json(r.results()),
          r.pages());
      run(c, "delete from made where source = ? and sha256 = ''", source.toString());
      for (int k = 0; k < files.size(); k++) {
        run(
            c,
            "insert or replace into made (file, source, sha256) values (?, ?, ?)",
            files.get(k).toString(),
            source.toString(),
            r.results().get(k).sha256());
      }
      return true;
    });
  }

  /** The rows that were being worked on when the last run was stopped. */
  List<Row> atWork() {
    return select("where state = ? order by number", Row.State.AT_WORK.name());
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
    return kept(c -> {
      var out = new ArrayList<Row>();
      try (PreparedStatement s =
              filled(c.prepareStatement("select " + COLUMNS + " from line " + where), values);
          ResultSet r = s.executeQuery()) {
        while (r.next()) {
          out.add(row(r));
        }
      }
      return out;
    });
  }

  /** Gives all rows, a few at a time; what is done with them may change the journal. */
  void each(Consumer<Row> to) {
    long from = 0;
    for (List<Row> some = rows(from, 500); !some.isEmpty(); some = rows(from, 500)) {
      some.forEach(to);
      from = some.getLast().number() + 1;
    }
  }

  private static Row row(ResultSet r) throws SQLException {
    return new Row(
        r.getLong(1),
        r.getInt(2),
        r.getString(3),
        r.getString(4),
        r.getLong(5),
        Row.State.valueOf(r.getString(6)),
        Row.Why.valueOf(r.getString(7)),
        r.getString(8),
        r.getString(9),
        r.getInt(10) == 1,
        results(r.getString(11)),
        r.getInt(12),
        new Row.Work(
            r.getInt(13),
            r.getInt(14),
            r.getInt(15),
            new Row.Times(
                r.getLong(16), r.getLong(17), r.getLong(18), r.getLong(19), r.getLong(20))));
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
    return kept(c -> {
      var out = new ArrayList<Count>();
      try (Statement s = c.createStatement();
          ResultSet r =
              s.executeQuery(
                  "select "
                      + column
                      + ", state, count(*), sum(bytes) from line group by 1, 2"
                      + " order by 1, 2")) {
        while (r.next()) {
          out.add(
              new Count(
                  r.getString(1), Row.State.valueOf(r.getString(2)), r.getLong(3), r.getLong(4)));
        }
      }
      return out;
    });
  }

  private static String json(List<Row.Result> results) {
    try {
      return JSON.writeValueAsString(results);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("results can always be written", e);
    }
  }

  private static List<Row.Result> results(String json) throws SQLException {
    try {
      return JSON.readValue(json, RESULTS);
    } catch (JsonProcessingException e) {
      throw new SQLException("a row is damaged", e);
    }
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
