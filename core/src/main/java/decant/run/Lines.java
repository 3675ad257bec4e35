package decant.run;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** The rows of a run as lines of a table in its journal. */
final class Lines {
  static final String TABLE =
      "create table if not exists line (number integer primary key, part integer, path text,"
          + " kind text, bytes integer, folder text, state text, why text, message text, stem text,"
          + " overwrite integer, results text, pages integer, findings integer, losses integer,"
          + " replaced integer, took integer, reading integer, layout integer, writing integer,"
          + " verifying integer)";

  private static final List<String> OF_FILE =
      List.of("number", "part", "path", "kind", "bytes", "folder");

  private static final List<String> OF_FATE =
      List.of(
          "state",
          "why",
          "message",
          "stem",
          "overwrite",
          "results",
          "pages",
          "findings",
          "losses",
          "replaced",
          "took",
          "reading",
          "layout",
          "writing",
          "verifying");

  private static final String ALL = String.join(", ", OF_FILE) + ", " + String.join(", ", OF_FATE);

  private static final String INSERT =
      "insert into line (" + ALL + ") values (" + "?, ".repeat(20) + "?)";

  private static final String UPDATE =
      "update line set " + String.join(" = ?, ", OF_FATE) + " = ? where number = ?";

  private Lines() {}

  static void add(Connection c, List<Row> rows) throws SQLException {
    try (PreparedStatement s = c.prepareStatement(INSERT)) {
      for (Row r : rows) {
        var values = new ArrayList<Object>();
        values.addAll(List.of(r.number(), r.part(), r.path(), r.kind(), r.bytes(), r.folder()));
        values.addAll(fate(r));
        Sql.filled(s, values.toArray());
        s.addBatch();
      }
      s.executeBatch();
    }
  }

  static void update(Connection c, Row r) throws SQLException {
    var values = new ArrayList<>(fate(r));
    values.add(r.number());
    Sql.run(c, UPDATE, values.toArray());
  }

  private static List<Object> fate(Row r) {
    Row.Times t = r.work().times();
    return List.of(
        r.state().name(),
        r.why().name(),
        r.message(),
        r.named().stem(),
        r.named().overwrite() ? 1 : 0,
        Sql.json(r.results()),
        r.pages(),
        r.work().findings(),
        r.work().losses(),
        r.work().replaced(),
        t.all(),
        t.reading(),
        t.layout(),
        t.writing(),
        t.verifying());
  }

  /**
   * @param where what follows the name of the table
   */
  static List<Row> select(Connection c, String where, Object... values) throws SQLException {
    var out = new ArrayList<Row>();
    try (PreparedStatement s =
            Sql.filled(c.prepareStatement("select " + ALL + " from line " + where), values);
        ResultSet r = s.executeQuery()) {
      while (r.next()) {
        out.add(row(r));
      }
    }
    return out;
  }

  private static Row row(ResultSet r) throws SQLException {
    return new Row(
        r.getLong("number"),
        r.getInt("part"),
        r.getString("path"),
        r.getString("kind"),
        r.getLong("bytes"),
        new Row.Fate(
            Row.State.valueOf(r.getString("state")),
            Row.Why.valueOf(r.getString("why")),
            r.getString("message")),
        new Row.Named(
            r.getString("stem"), r.getInt("overwrite") == 1, Sql.results(r.getString("results"))),
        r.getInt("pages"),
        new Row.Work(
            r.getInt("findings"),
            r.getInt("losses"),
            r.getInt("replaced"),
            new Row.Times(
                r.getLong("took"),
                r.getLong("reading"),
                r.getLong("layout"),
                r.getLong("writing"),
                r.getLong("verifying"))));
  }

  /** How many rows share what stands in a column and their state. */
  static List<Journal.Count> counts(Connection c, String column) throws SQLException {
    var out = new ArrayList<Journal.Count>();
    try (Statement s = c.createStatement();
        ResultSet r =
            s.executeQuery(
                "select "
                    + column
                    + ", state, count(*), sum(bytes) from line group by 1, 2 order by 1, 2")) {
      while (r.next()) {
        out.add(
            new Journal.Count(
                r.getString(1), Row.State.valueOf(r.getString(2)), r.getLong(3), r.getLong(4)));
      }
    }
    return out;
  }
}
