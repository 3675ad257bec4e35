package decant.describe;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.Samples;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The shape that tools outside the project read. */
class DescriberTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  private static JsonNode describe(String name) throws IOException {
    TakenIn taken = Samples.demo(name);
    String line = Describer.describe(name, taken, 3, java.util.List.of(2), id -> Optional.of(1));
    assertThat(line).doesNotContain("\n");
    return JSON.readTree(line);
  }

  private static List<String> names(JsonNode n) {
    var out = new ArrayList<String>();
    n.fieldNames().forEachRemaining(out::add);
    return out;
  }

  @Test
  void theObjectHasTheseKeys() throws IOException {
    JsonNode d = describe("Berth rules.pdf");
    assertThat(names(d))
        .containsExactly(
            "file",
            "format",
            "pages",
            "title",
            "properties",
            "blocks",
            "pinned",
            "running",
            "fonts",
            "findings");
    assertThat(d.get("format").asText()).isEqualTo("pdf");
    assertThat(d.get("title").asText()).isEqualTo("Berth rules");
    assertThat(d.get("properties").get("Author").asText()).contains("Saltmarsh Quay");
    assertThat(d.get("running"))
        .allSatisfy(r -> assertThat(r.get("place").asText()).isIn("header", "footer"));
  }

  @Test
  void blocksAreOfTheseShapes() throws IOException {
    for (String name : List.of("Berth rules.pdf", "Winter storage notice.docx")) {
      for (JsonNode b : describe(name).get("blocks")) {
        switch (b.get("kind").asText()) {
          case "heading" ->
              assertThat(
                      b.get("level").isInt() && b.get("text").isTextual() && b.get("page").isInt())
                  .isTrue();
          case "paragraph" ->
              assertThat(
                      b.get("text").isTextual()
                          && b.get("links").isArray()
                          && b.get("bold").isArray()
                          && b.get("italic").isArray())
                  .isTrue();
          case "item" -> {
            assertThat(b.get("depth").asInt()).isPositive();
            assertThat(b.get("ordered").isBoolean()).isTrue();
            assertThat(b.get("text").asText()).doesNotStartWith("•");
          }
          case "table" ->
              assertThat(b.get("rows"))
                  .allSatisfy(r -> assertThat(r).hasSameSizeAs(b.get("rows").get(0)));
          case "picture" ->
              assertThat(
                      b.get("width").isNumber()
                          && b.get("height").isNumber()
                          && b.get("alt").isTextual())
                  .isTrue();
          default -> throw new AssertionError(b);
        }
      }
    }
  }

  @Test
  void linksAndBoldPhrasesAreTold() throws IOException {
    JsonNode blocks = describe("Winter storage notice.docx").get("blocks");
    var links = new ArrayList<String>();
    var bold = new ArrayList<String>();
    for (JsonNode b : blocks) {
      b.path("links")
          .forEach(l -> links.add(l.get("text").asText() + " → " + l.get("target").asText()));
      if (b.get("kind").asText().equals("paragraph")) {
        b.path("bold").forEach(x -> bold.add(x.asText()));
      }
    }
    assertThat(links).containsExactly("office@saltmarsh.example → mailto:office@saltmarsh.example");
    assertThat(bold).containsExactly("Please read this notice to the end");
  }

  @Test
  void problemsAreToldInTheirOwnShape() throws IOException {
    JsonNode p =
        JSON.readTree(
            Describer.problem("x.pdf", new ReadProblem(ReadProblem.Kind.WRONG_PASSWORD, "No.")));
    assertThat(p.get("error").get("kind").asText()).isEqualTo("wrong-password");
    assertThat(p.get("error").get("message").asText()).isEqualTo("No.");
    assertThat(names(p)).containsExactly("file", "error");
  }
}
