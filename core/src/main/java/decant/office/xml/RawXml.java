package decant.office.xml;

import decant.reading.ReadProblem;
import decant.words.Words;
import java.nio.charset.StandardCharsets;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/**
 * XML as it stands in a file: with the prefixes and the declarations that its maker chose, so that
 * what was read can be written as it was. Comments and processing instructions are not kept.
 */
public final class RawXml {
  private static final Words WORDS = Words.of(XmlParts.class);
  private static final String DECLARED = "xmlns";

  private RawXml() {}

  /** The root of a part. @throws ReadProblem if the part is no XML, or too deeply nested */
  public static Element parse(byte[] part, String name, int deepest) throws ReadProblem {
    try {
      return XmlTree.root(part, deepest, RawXml::start);
    } catch (XMLStreamException | RuntimeException e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED, WORDS.say("xml-parts.the-file-is-damaged-its", name, ""), e);
    }
  }

  private static Element start(XMLStreamReader in) {
    Element e = Element.open(name(in.getPrefix(), in.getLocalName()));
    for (int k = 0; k < in.getNamespaceCount(); k++) {
      String prefix = in.getNamespacePrefix(k);
      String uri = in.getNamespaceURI(k);
      e.attributes().put(declaring(prefix), uri == null ? "" : uri);
    }
    for (int k = 0; k < in.getAttributeCount(); k++) {
      e.attributes()
          .put(
              name(in.getAttributePrefix(k), in.getAttributeLocalName(k)), in.getAttributeValue(k));
    }
    return e;
  }

  private static String name(@Nullable String prefix, String local) {
    return prefix == null || prefix.isEmpty() ? local : prefix + ":" + local;
  }

  /** The attribute that declares a prefix; the empty prefix is the default one. */
  public static String declaring(@Nullable String prefix) {
    return prefix == null || prefix.isEmpty() ? DECLARED : DECLARED + ":" + prefix;
  }

  /** A whole part of this root. */
  public static byte[] part(Element root) {
    var b = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n");
    write(root, b);
    return b.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void write(Element e, StringBuilder b) {
    b.append('<').append(e.name());
    e.attributes()
        .forEach(
            (n, v) -> b.append(' ').append(n).append("=\"").append(XmlParts.escape(v)).append('"'));
    if (e.children().isEmpty()) {
      b.append("/>");
      return;
    }
    b.append('>');
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        write(child, b);
      } else {
        b.append(XmlParts.escape((String) c));
      }
    }
    b.append("</").append(e.name()).append('>');
  }
}
