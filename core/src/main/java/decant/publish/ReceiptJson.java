package decant.publish;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.verify.Check;

/** Receipts as JSON. */
public final class ReceiptJson {
  private static final ObjectMapper JSON =
      new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

  private ReceiptJson() {}

  /** One JSON object. */
  public static String write(Receipt r) {
    ObjectNode root = JSON.createObjectNode();
    root.put("recipe", r.recipe())
        .put("source", r.source().toString())
        .put("made", r.made().toString())
        .put("seconds", r.took().toMillis() / 1000.0)
        .put("verified", r.verified());
    r.lacking()
        .ifPresent(all -> {
          ArrayNode lacking = root.putArray("lacking");
          all.forEach(lacking::add);
        });
    ArrayNode files = root.putArray("files");
    for (Receipt.Made m : r.files()) {
      ObjectNode f = files.addObject();
      f.put("file", m.file().toString())
          .put("format", m.format())
          .put("bytes", m.bytes())
          .put("sha256", m.sha256());
      if (m.pages() > 0) {
        f.put("pages", m.pages());
      }
      m.remark().ifPresent(said -> f.put("remark", said));
      ArrayNode checks = f.putArray("checks");
      for (Check c : m.checks()) {
        checks
            .addObject()
            .put("name", c.name())
            .put("passed", c.passed())
            .put("detail", c.detail());
      }
    }
    try {
      return JSON.writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of strings and numbers can always be written", e);
    }
  }
}
