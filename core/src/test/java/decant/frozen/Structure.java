package decant.frozen;

import com.fasterxml.jackson.databind.JsonNode;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * How well the structure of a document was recovered, held against what it was made from: for each
 * kind the harmonic mean of precision and recall, 1 for all of it and nothing else.
 */
final class Structure {
  private Structure() {}

  static Map<String, Double> score(JsonNode truth, JsonNode answer) {
    var out = new TreeMap<String, Double>();
    Map<String, Function<JsonNode, List<String>>> kinds =
        Map.of(
            "headings", b -> of(b, "heading", x -> x.path("level").asInt() + " "),
            "items", b -> of(b, "item", x -> x.path("ordered").asBoolean() + " "),
            "notes", b -> of(b, "note", x -> ""),
            "paragraphs", b -> of(b, "paragraph", x -> ""),
            "cells", Structure::cells,
            "words", Structure::words);
    kinds.forEach((name, facts) -> {
      List<String> wanted = facts.apply(truth);
      if (!wanted.isEmpty()) {
        out.put(name, alike(wanted, facts.apply(answer)));
      }
    });
    out.put("order", order(words(truth), words(answer)));
    return out;
  }

  private static double alike(List<String> wanted, List<String> got) {
    Map<String, Integer> left = new HashMap<>();
    wanted.forEach(w -> left.merge(w, 1, Integer::sum));
    int both = 0;
    for (String g : got) {
      if (left.getOrDefault(g, 0) > 0) {
        left.merge(g, -1, Integer::sum);
        both++;
      }
    }
    return 2.0 * both / (wanted.size() + got.size());
  }

  private static List<String> of(JsonNode doc, String kind, Function<JsonNode, String> before) {
    var out = new ArrayList<String>();
    for (JsonNode b : doc.path("blocks")) {
      if (b.path("kind").asText().equals(kind)) {
        out.add(before.apply(b) + plain(b.path("text").asText()));
      }
    }
    return out;
  }

  /** Each cell with its row and column: one in another column is another cell. */
  private static List<String> cells(JsonNode doc) {
    var out = new ArrayList<String>();
    for (JsonNode b : doc.path("blocks")) {
      int row = 0;
      for (JsonNode r : b.path("rows")) {
        String first = plain(text(r.path(0)));
        int column = 0;
        for (JsonNode c : r) {
          out.add(first + " " + column++ + " " + plain(text(c)));
        }
        row++;
      }
    }
    return out;
  }

  private static String text(JsonNode cell) {
    return cell.isObject() ? cell.path("text").asText() : cell.asText();
  }

  private static List<String> words(JsonNode doc) {
    var out = new ArrayList<String>();
    for (JsonNode b : doc.path("blocks")) {
      if (b.has("rows")) {
        b.path("rows").forEach(r -> r.forEach(c -> add(out, text(c))));
      } else if (!b.path("kind").asText().equals("note")) {
        add(out, b.path("text").asText());
      }
    }
    return out;
  }

  private static void add(List<String> out, String text) {
    for (String w : plain(text).split(" ")) {
      if (!w.isEmpty()) {
        out.add(w);
      }
    }
  }

  /** The share of words that stand in the order of the truth: the longest common subsequence. */
  private static double order(List<String> wanted, List<String> got) {
    int[] before = new int[got.size() + 1];
    for (String w : wanted) {
      int[] now = new int[got.size() + 1];
      for (int k = 0; k < got.size(); k++) {
        now[k + 1] = w.equals(got.get(k)) ? before[k] + 1 : Math.max(now[k], before[k + 1]);
      }
      before = now;
    }
    return wanted.isEmpty() ? 1 : (double) before[got.size()] / wanted.size();
  }

  private static String plain(String s) {
    return Normalizer.normalize(s, Normalizer.Form.NFKC)
        .toLowerCase(Locale.ROOT)
        .replaceAll("[^\\p{L}\\p{N}]+", " ")
        .strip();
  }
}
