package decant.recovery;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.Section;
import decant.model.SetBlock;
import decant.model.SetLine;
import decant.model.SourceSetting;
import decant.model.look.Media;
import decant.reading.TakenIn;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What a document is besides what its working format holds: how its source had set it, where the
 * source's pages begin, and which pages are pinned. Blocks are told by their numbers in the flow.
 */
final class FoundJson {
  private FoundJson() {}

  /** The PDFs that pinned pages come from, by the names of their entries. */
  static Map<String, Media> files(Document d) {
    var out = new LinkedHashMap<String, Media>();
    for (Section s : d.sections()) {
      s.pinned().ifPresent(p -> out.put(entry(p.file()), p.file()));
    }
    return out;
  }

  private static String entry(Media file) {
    return "pinned-" + file.id().sha256().substring(0, 16) + ".pdf";
  }

  static void write(
      Document d, TakenIn.Origin origin, Map<NodeId, Integer> numbers, ObjectNode root) {
    ArrayNode breaks = root.putArray("breaks");
    for (TakenIn.PageBreak b : origin.breaks()) {
      if (numbers.containsKey(b.at().paragraph())) {
        breaks
            .addObject()
            .put("page", b.page())
            .put("block", numbers.get(b.at().paragraph()))
            .put("offset", b.at().offset());
      }
    }
    setting(d, numbers, root.putArray("setting"));
    ArrayNode pins = root.putArray("pinned");
    for (Section s : d.sections()) {
      s.pinned().ifPresent(p -> pinned(s, p, numbers, pins.addObject()));
    }
  }

  /** Only of what is still as it was: all else is set anew anyhow. */
  private static void setting(Document d, Map<NodeId, Integer> numbers, ArrayNode out) {
    d.setting()
        .blocks()
        .forEach((id, b) -> {
          boolean same = d.block(id).filter(b.as()::equals).isPresent();
          if (same && numbers.containsKey(id) && d.setting().styles().equals(d.styles())) {
            ObjectNode o = out.addObject();
            o.put("block", numbers.get(id))
                .put("page", b.page())
                .put("top", b.top())
                .put("bottom", b.bottom())
                .put("left", b.left())
                .put("width", b.width());
            b.before().filter(numbers::containsKey).ifPresent(n -> o.put("after", numbers.get(n)));
            b.label().ifPresent(x -> o.put("label", x));
            lines(b.lines(), o.putArray("lines"));
          }
        });
  }

  private static void lines(List<SetLine> lines, ArrayNode out) {
    for (SetLine l : lines) {
      ObjectNode o = out.addObject();
      o.put("page", l.page())
          .put("from", l.from())
          .put("baseline", l.baseline())
          .put("divided", l.divided())
          .put("left", l.left());
      ArrayNode words = o.putArray("words");
      ArrayNode xs = o.putArray("xs");
      ArrayNode ends = o.putArray("ends");
      for (int k = 0; k < l.words().length; k++) {
        words.add(l.words()[k]);
        xs.add(l.xs()[k]);
        ends.add(l.ends()[k]);
      }
    }
  }

  private static void pinned(Section s, Pinned p, Map<NodeId, Integer> numbers, ObjectNode out) {
    out.put("first", numbers.getOrDefault(s.blocks().getFirst().id(), -1))
        .put("file", entry(p.file()))
        .put("page", p.page())
        .put("width", s.page().width())
        .put("height", s.page().height())
        .put("why", p.why())
        .put("ordered", p.ordered());
    ArrayNode places = out.putArray("places");
    p.places()
        .forEach((id, box) -> {
          if (numbers.containsKey(id)) {
            places
                .addObject()
                .put("block", numbers.get(id))
                .put("x", box.x())
                .put("y", box.y())
                .put("width", box.width())
                .put("height", box.height());
          }
        });
  }

  static List<TakenIn.PageBreak> breaks(JsonNode work, List<NodeId> order) {
    var out = new ArrayList<TakenIn.PageBreak>();
    for (JsonNode b : work.path("breaks")) {
      block(b, "block", order)
          .ifPresent(id ->
              out.add(
                  new TakenIn.PageBreak(
                      b.path("page").asInt(), new Position(id, b.path("offset").asInt()))));
    }
    return out;
  }

  /**
   * A document that was read back, with all that its working format does not hold.
   *
   * @param files the PDFs of pinned pages, by the names of their entries
   */
  static Document read(Document d, JsonNode work, List<NodeId> order, Map<String, Media> files) {
    Map<NodeId, SetBlock> blocks = new HashMap<>();
    for (JsonNode b : work.path("setting")) {
      block(b, "block", order)
          .flatMap(d::block)
          .ifPresent(is -> blocks.put(is.id(), setBlock(b, is, order)));
    }
    Document out =
        blocks.isEmpty()
            ? d
            : d.withSetting(new SourceSetting(d.styles(), blocks, SourceSetting.Running.NONE));
    Map<NodeId, JsonNode> pins = new HashMap<>();
    for (JsonNode p : work.path("pinned")) {
      block(p, "first", order).ifPresent(id -> pins.put(id, p));
    }
    return pins.isEmpty() ? out : out.withSections(pinned(out, pins, order, files));
  }

  private static SetBlock setBlock(JsonNode b, Block is, List<NodeId> order) {
    var lines = new ArrayList<SetLine>();
    for (JsonNode l : b.path("lines")) {
      int n = Math.min(l.path("words").size(), l.path("xs").size());
      int[] words = new int[n];
      float[] xs = new float[n];
      float[] ends = new float[n];
      for (int k = 0; k < n; k++) {
        words[k] = l.path("words").path(k).asInt();
        xs[k] = (float) l.path("xs").path(k).asDouble();
        ends[k] = (float) l.path("ends").path(k).asDouble();
      }
      lines.add(
          new SetLine(
              l.path("page").asInt(),
              l.path("from").asInt(),
              l.path("baseline").asDouble(),
              l.path("divided").asBoolean(),
              l.path("left").asDouble(),
              words,
              xs,
              ends));
    }
    return new SetBlock(
        is,
        block(b, "after", order),
        b.path("page").asInt(),
        b.path("top").asDouble(),
        b.path("bottom").asDouble(),
        b.path("left").asDouble(),
        b.path("width").asDouble(),
        lines,
        b.has("label") ? OptionalDouble.of(b.path("label").asDouble()) : OptionalDouble.empty());
  }

  private static List<Section> pinned(
      Document d, Map<NodeId, JsonNode> pins, List<NodeId> order, Map<String, Media> files) {
    var out = new ArrayList<Section>();
    for (Section s : d.sections()) {
      JsonNode p = s.blocks().isEmpty() ? null : pins.get(s.blocks().getFirst().id());
      Media file = p == null ? null : files.get(p.path("file").asText());
      if (p == null || file == null) {
        out.add(s);
        continue;
      }
      Map<NodeId, Box> places = new HashMap<>();
      for (JsonNode b : p.path("places")) {
        block(b, "block", order)
            .ifPresent(id ->
                places.put(
                    id,
                    new Box(
                        b.path("x").asDouble(),
                        b.path("y").asDouble(),
                        b.path("width").asDouble(),
                        b.path("height").asDouble())));
      }
      PageSetup paper = s.page().withSize(p.path("width").asDouble(), p.path("height").asDouble());
      out.add(
          new Section(
              s.id(),
              paper,
              s.start(),
              s.running(),
              s.blocks(),
              Optional.of(
                  new Pinned(
                      file,
                      p.path("page").asInt(),
                      p.path("why").asText(),
                      places,
                      p.path("ordered").asBoolean()))));
    }
    return out;
  }

  private static Optional<NodeId> block(JsonNode n, String field, List<NodeId> order) {
    int k = n.path(field).asInt(-1);
    return k >= 0 && k < order.size() ? Optional.of(order.get(k)) : Optional.empty();
  }
}
