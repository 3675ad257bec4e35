package decant.office.docx.write;

import decant.office.docx.markup.Out;
import decant.office.xml.XmlParts;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/** The relationships of one part. */
final class Relationships {
  private final Map<String, String> entries = new LinkedHashMap<>();
  private int next = 1;

  String add(String type, String target, boolean external) {
    String id;
    do {
      id = "d" + next++;
    } while (entries.containsKey(id));
    put(id, DocxWriter.OFFICE + type, target, external);
    return id;
  }

  void put(String id, String type, String target, boolean external) {
    Out o = new Out();
    if (external) {
      o.empty("Relationship", "Id", id, "Type", type, "Target", target, "TargetMode", "External");
    } else {
      o.empty("Relationship", "Id", id, "Type", type, "Target", target);
    }
    entries.put(id, o.toString());
  }

  /**
   * Takes over what a source part related to, as far as it goes back or lies outside the package.
   */
  void keep(byte[] rels, Set<String> partsThatGoBack) {
    try {
      for (var e : XmlParts.parse(rels, "relationships", 20).elements()) {
        String target = e.attribute("Target").orElse("");
        String type = e.attribute("Type").orElse("");
        boolean external = e.attribute("TargetMode").orElse("").equals("External");
        String path =
            target.startsWith("/")
                ? target.substring(1)
                : target.startsWith("../") ? target.substring(3) : "word/" + target;
        boolean stays = external || partsThatGoBack.contains(path);
        if (stays) {
          put(e.attribute("Id").orElse("k" + next++), type, target, external);
        }
      }
    } catch (decant.reading.ReadProblem e) {
      entries.clear(); // it was read once when the file was taken in; a part that is damaged has
      // nothing to keep
    }
  }

  boolean isEmpty() {
    return entries.isEmpty();
  }

  byte[] part() {
    var o =
        new Out()
            .raw(Out.HEAD)
            .raw(
                "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">");
    entries.values().forEach(o::raw);
    return o.raw("</Relationships>").toString().getBytes(StandardCharsets.UTF_8);
  }
}
