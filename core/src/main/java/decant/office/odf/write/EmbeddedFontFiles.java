package decant.office.odf.write;

import decant.model.look.EmbeddedFont;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The fonts that a document brings along, as files of the package (ODF 1.3 part 3, §14.9). */
final class EmbeddedFontFiles {
  private final Map<String, byte[]> files = new LinkedHashMap<>();
  private final Map<String, List<String>> faces = new LinkedHashMap<>();

  EmbeddedFontFiles(List<EmbeddedFont> fonts) {
    for (EmbeddedFont f : fonts) {
      String name = "Fonts/font" + (files.size() + 1) + ".ttf";
      files.put(name, f.file().bytes());
      List<String> of = faces.computeIfAbsent(f.family(), k -> new ArrayList<>());
      // Each face of a family is declared under a name of its own; the first one is the family's.
      String face = of.isEmpty() ? f.family() : f.family() + " " + (of.size() + 1);
      var x = new Xml();
      x.open(
          "style:font-face",
          "style:name",
          face,
          "svg:font-family",
          "'" + f.family().replace("'", "") + "'",
          "svg:font-weight",
          f.bold() ? "bold" : "normal",
          "svg:font-style",
          f.italic() ? "italic" : "normal");
      x.open("svg:font-face-src")
          .open("svg:font-face-uri", "xlink:href", name, "xlink:type", "simple")
          .empty("svg:font-face-format", "svg:string", "truetype")
          .close("svg:font-face-uri")
          .close("svg:font-face-src")
          .close("style:font-face");
      of.add(x.toString());
    }
  }

  /** The declarations of a family's faces. */
  List<String> faces(String family) {
    return faces.getOrDefault(family, List.of());
  }

  /** By their names in the package. */
  Map<String, byte[]> files() {
    return files;
  }
}
