package decant.office.docx.write;

import decant.model.KeptPart;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What the source said of itself and goes back (ISO/IEC 29500-1 §22.2 and 22.3, -2 §8.3): custom
 * properties as they are, the others but for what is no longer true, or is said anew.
 */
final class PropertyParts {
  static final String CUSTOM = "docProps/custom.xml";
  static final String APP = "docProps/app.xml";
  private static final String CORE = "docProps/core.xml";

  private static final String SPACE =
      " xmlns:ap=\"http://schemas.openxmlformats.org/officeDocument/2006/extended-properties\"";

  /** What counts the text, or tells who wrote the file. */
  private static final Set<String> UNTRUE =
      Set.of(
          "Pages",
          "Words",
          "Characters",
          "CharactersWithSpaces",
          "Lines",
          "Paragraphs",
          "TotalTime",
          "Application",
          "AppVersion",
          "DocSecurity",
          "HeadingPairs",
          "TitlesOfParts",
          "HLinks");

  /** What of the common properties is kept beside those that we say. */
  private static final Set<String> KEPT =
      Set.of(
          "dc:description",
          "dc:identifier",
          "cp:category",
          "cp:contentStatus",
          "cp:version",
          "dcterms:created");

  private final List<KeptPart> parts;

  PropertyParts(List<KeptPart> parts) {
    this.parts = parts;
  }

  static boolean isOne(KeptPart k) {
    return k.name().startsWith("docProps/");
  }

  private Optional<KeptPart> part(String name) {
    return parts.stream()
        .filter(k -> k.format().equals(DocxLooks.FORMAT) && k.name().equals(name))
        .findFirst();
  }

  Optional<byte[]> custom() {
    return part(CUSTOM).map(KeptPart::bytes);
  }

  /** Without what is no longer true; empty if nothing is left. */
  Optional<byte[]> app() {
    return root(APP)
        .map(e -> {
          List<Object> left =
              e.children().stream()
                  .filter(c -> c instanceof Element x && !UNTRUE.contains(local(x)))
                  .toList();
          return new Element(e.name(), e.attributes(), left);
        })
        .filter(e -> !e.children().isEmpty())
        .map(e -> {
          String xml = XmlParts.write(e).replaceFirst("^<ap:Properties", "<ap:Properties" + SPACE);
          return (Out.HEAD + xml).getBytes(StandardCharsets.UTF_8);
        });
  }

  /** Common properties that we do not say ourselves, as elements. */
  String core() {
    var out = new StringBuilder();
    root(CORE).stream()
        .flatMap(e -> e.elements().stream())
        .filter(e -> KEPT.contains(e.name()) && !e.text().isBlank())
        .forEach(e -> out.append(XmlParts.write(e)));
    return out.toString();
  }

  private static String local(Element e) {
    return e.name().substring(e.name().indexOf(':') + 1);
  }

  private Optional<Element> root(String name) {
    try {
      Optional<KeptPart> k = part(name);
      return k.isEmpty()
          ? Optional.empty()
          : Optional.of(XmlParts.parse(k.get().bytes(), name, Limits.DEFAULT.depth()));
    } catch (ReadProblem e) {
      return Optional.empty(); // it was read once when the file was taken in, and is damaged
    }
  }
}
