package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.List;

/** What all statements of the journal share. */
final class Sql {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final TypeReference<List<Row.Result>> RESULTS = new TypeReference<>() {};

  private Sql() {}

  static PreparedStatement filled(PreparedStatement s, Object... values) throws SQLException {
    for (int k = 0; k < values.length; k++) {
      s.setObject(k + 1, values[k]);
    }
    return s;
  }

  static void run(Connection c, String sql, Object... values) throws SQLException {
    try (PreparedStatement s = c.prepareStatement(sql)) {
      filled(s, values).executeUpdate();
    }
  }

  static String json(List<Row.Result> results) {
    try {
      return JSON.writeValueAsString(results);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("results can always be written", e);
    }
  }

  static List<Row.Result> results(String json) throws SQLException {
    try {
      return JSON.readValue(json, RESULTS);
    } catch (JsonProcessingException e) {
      throw new SQLException("a row is damaged", e);
    }
  }
}
