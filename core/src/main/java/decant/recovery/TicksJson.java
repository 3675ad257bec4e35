package decant.recovery;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.compare.About;
import decant.compare.Difference;
import decant.compare.Ticks;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** What was ticked as right, in the JSON of unsaved work. */
final class TicksJson {
  private static final String TICKED = "ticked";

  private TicksJson() {}

  static void write(Ticks ticks, ObjectNode to) {
    ArrayNode all = to.putArray(TICKED);
    for (Difference.Said s : ticks.all()) {
      ObjectNode o = all.addObject().put("kind", s.kind().name()).put("change", s.change().name());
      s.a().ifPresent(a -> o.put("a", a));
      s.b().ifPresent(b -> o.put("b", b));
      if (!s.about().isEmpty()) {
        ArrayNode about = o.putArray("about");
        s.about().stream().map(About::name).sorted().forEach(about::add);
      }
    }
  }

  /**
   * Those of a kind that this version does not know are left out: they are to be looked at again.
   */
  static Ticks read(JsonNode from) {
    var out = new HashSet<Difference.Said>();
    for (JsonNode t : from.path(TICKED)) {
      try {
        out.add(
            new Difference.Said(
                Difference.Kind.valueOf(t.path("kind").asText()),
                Difference.Change.valueOf(t.path("change").asText()),
                text(t, "a"),
                text(t, "b"),
                about(t.path("about"))));
      } catch (IllegalArgumentException e) {
        continue;
      }
    }
    return new Ticks(out);
  }

  private static Set<About> about(JsonNode names) {
    var out = EnumSet.noneOf(About.class);
    names.forEach(n -> out.add(About.valueOf(n.asText())));
    return out;
  }

  private static Optional<String> text(JsonNode t, String side) {
    return t.has(side) ? Optional.of(t.path(side).asText()) : Optional.empty();
  }
}
