package decant.compare;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.reading.ReadProblem;
import java.util.List;
import java.util.Optional;

/**
 * Differences as one line of JSON. The shape is a contract: {@code a, b, pages, differences, same};
 * each difference {@code kind, change, a, b}, a side {@code page, text}, or null.
 */
public final class ComparisonJson {
  private static final ObjectMapper JSON = new ObjectMapper();

  private ComparisonJson() {}

  /** What came of two files. */
  public static String of(
      String a, String b, int pagesOfA, int pagesOfB, List<Difference> differences) {
    ObjectNode root = JSON.createObjectNode().put("a", a).put("b", b);
    root.putArray("pages").add(pagesOfA).add(pagesOfB);
    ArrayNode all = root.putArray("differences");
    for (Difference d : differences) {
      ObjectNode node =
          all.addObject().put("kind", d.kind().code()).put("change", d.change().code());
      side(node, "a", d.a());
      side(node, "b", d.b());
    }
    root.put("same", differences.isEmpty());
    return written(root);
  }

  private static void side(ObjectNode node, String name, Optional<Difference.Side> side) {
    if (side.isEmpty()) {
      node.putNull(name);
    } else {
      node.putObject(name).put("page", side.get().page()).put("text", side.get().text());
    }
  }

  /**
   * Why two files could not be compared.
   *
   * @param file the one that cannot be read
   */
  public static String problem(String a, String b, String file, ReadProblem e) {
    ObjectNode root = JSON.createObjectNode().put("a", a).put("b", b);
    root.putObject("error")
        .put("kind", e.kind().code())
        .put("message", e.getMessage())
        .put("file", file);
    return written(root);
  }

  private static String written(ObjectNode root) {
    try {
      return JSON.writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of strings and numbers can always be written", e);
    }
  }
}
