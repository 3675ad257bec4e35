package decant.office.docx.write;

import decant.model.look.EmbeddedFont;
import decant.office.docx.markup.FontKey;
import decant.office.docx.markup.Out;
import decant.office.xml.Namespaces;
import decant.office.xml.XmlParts;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The fonts that a document brings along, as parts of a DOCX (§17.8.1, §17.8.3). */
final class EmbeddedFontsWriter {
  static final String TYPE = "application/vnd.openxmlformats-officedocument.obfuscatedFont";

  /** The order in which the schema has the faces of a family. */
  private static final List<String> FACES =
      List.of("embedRegular", "embedBold", "embedItalic", "embedBoldItalic");

  private final Relationships relationships = new Relationships();
  private final Map<String, byte[]> files = new LinkedHashMap<>();
  private final String table;

  EmbeddedFontsWriter(List<EmbeddedFont> fonts) {
    Map<String, Map<String, EmbeddedFont>> families = new LinkedHashMap<>();
    for (EmbeddedFont f : fonts) {
      families.computeIfAbsent(f.family(), k -> new LinkedHashMap<>()).putIfAbsent(face(f), f);
    }
    var o = new Out().raw(Out.HEAD).raw("<w:fonts xmlns:w=\"" + Namespaces.W + "\"");
    o.raw(" xmlns:r=\"" + Namespaces.uri("r").orElseThrow() + "\">");
    families.forEach((family, faces) -> {
      o.raw("<w:font w:name=\"" + XmlParts.escape(family) + "\">");
      for (String face : FACES) {
        EmbeddedFont f = faces.get(face);
        if (f != null) {
          String key = key(f);
          String name = "fonts/font" + (files.size() + 1) + ".odttf";
          files.put("word/" + name, FontKey.turned(f.file().bytes(), key));
          String id = relationships.add("font", name, false);
          o.empty("w:" + face, "r:id", id, "w:fontKey", key);
        }
      }
      o.raw("</w:font>");
    });
    table = o.raw("</w:fonts>").toString();
  }

  private static String face(EmbeddedFont f) {
    return f.bold() && f.italic()
        ? "embedBoldItalic"
        : f.bold() ? "embedBold" : f.italic() ? "embedItalic" : "embedRegular";
  }

  /** A key that is the same for the same font, so that saving twice gives the same bytes. */
  private static String key(EmbeddedFont f) {
    String h = f.file().id().sha256().substring(0, 32).toUpperCase(Locale.ROOT);
    return "{%s-%s-%s-%s-%s}"
        .formatted(
            h.substring(0, 8),
            h.substring(8, 12),
            h.substring(12, 16),
            h.substring(16, 20),
            h.substring(20));
  }

  /** The part that lists the fonts. */
  String table() {
    return table;
  }

  Relationships relationships() {
    return relationships;
  }

  /** The fonts themselves by the names of their parts, made unreadable by their keys. */
  Map<String, byte[]> files() {
    return files;
  }
}
