package decant.office.xml;

import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Parses XML parts. No document type, no entities, no fetching (XML external entities are refused
 * outright).
 */
public final class XmlParts {
  private static final String CHOICE = "mc:Choice";
  private static final String REQUIRES = "Requires";

  private static final Words WORDS = Words.of(XmlParts.class);

  /**
   * Takes the children of an element one by one, so that a large part is never a tree as a whole.
   */
  @FunctionalInterface
  public interface ChildSink {
    void child(Element child) throws ReadProblem;
  }

  private XmlParts() {}

  /** The whole part as a tree. */
  public static Element parse(byte[] part, String name, int deepest) throws ReadProblem {
    try {
      return XmlTree.root(part, deepest, XmlParts::start);
    } catch (XMLStreamException | RuntimeException e) {
      throw damaged(name, e);
    }
  }

  /** The same of an element that must be there. */
  public static void body(byte[] part, String name, String parent, int deepest, ChildSink sink)
      throws ReadProblem {
    if (!children(part, name, parent, deepest, sink)) {
      throw damaged(name, new XMLStreamException("no " + parent));
    }
  }

  /**
   * Feeds the children of the first element of a name, wherever it stands.
   *
   * @return whether there is one
   */
  public static boolean children(
      byte[] part, String name, String parent, int deepest, ChildSink sink) throws ReadProblem {
    try {
      XMLStreamReader in = XmlTree.reader(part);
      try {
        boolean inside = false;
        while (in.hasNext()) {
          int event = in.next();
          if (event == XMLStreamConstants.START_ELEMENT) {
            if (inside) {
              sink.child(XmlTree.element(in, deepest, XmlParts::start));
            } else {
              inside = nameOf(in.getNamespaceURI(), in.getLocalName()).equals(parent);
            }
          } else if (event == XMLStreamConstants.END_ELEMENT && inside) {
            return true;
          }
        }
        return inside;
      } finally {
        in.close();
      }
    } catch (XMLStreamException e) {
      throw damaged(name, e);
    }
  }

  private static ReadProblem damaged(String name, Exception e) {
    String at =
        e instanceof XMLStreamException x && x.getLocation() != null
            ? WORDS.say(
                "xml-parts.at", x.getLocation().getLineNumber(), x.getLocation().getColumnNumber())
            : "";
    return new ReadProblem(
        ReadProblem.Kind.DAMAGED, WORDS.say("xml-parts.the-file-is-damaged-its", name, at), e);
  }

  private static Element start(XMLStreamReader in) {
    Element e = Element.open(nameOf(in.getNamespaceURI(), in.getLocalName()));
    for (int k = 0; k < in.getAttributeCount(); k++) {
      e.attributes()
          .put(
              nameOf(in.getAttributeNamespace(k), in.getAttributeLocalName(k)),
              in.getAttributeValue(k));
    }
    if (e.name().equals(CHOICE)) {
      e.attributes().computeIfPresent(REQUIRES, (n, v) -> requires(v, p -> known(in, p)));
    }
    return e;
  }

  /** What a choice asks for (ISO/IEC 29500-3 §7.6), each prefix by something else. */
  private static String requires(String prefixes, UnaryOperator<String> by) {
    return Arrays.stream(prefixes.strip().split("\\s+")).map(by).collect(Collectors.joining(" "));
  }

  /** A prefix by the name that we know its namespace by, or else by its address. */
  private static String known(XMLStreamReader in, String prefix) {
    String uri = prefix.isEmpty() ? null : in.getNamespaceURI(prefix);
    return uri == null ? prefix : Namespaces.prefix(uri).orElse("{" + uri + "}");
  }

  private static String nameOf(String uri, String local) {
    if (uri == null || uri.isEmpty()) {
      return local;
    }
    // A namespace we do not know keeps its address with it, so that it can be written back.
    return Namespaces.prefix(uri)
        .map(p -> p + ":" + local)
        .orElseGet(() -> "{" + uri + "}" + local);
  }

  /** An element as XML text that stands on its own, with every namespace it uses declared. */
  public static String write(Element e) {
    Map<String, String> prefixes = new TreeMap<>();
    gather(e, prefixes);
    var b = new StringBuilder();
    write(e, b, prefixes, true);
    return b.toString();
  }

  private static void gather(Element e, Map<String, String> prefixes) {
    note(e.name(), prefixes);
    if (e.name().equals(CHOICE)) {
      requires(
          e.attribute(REQUIRES).orElse(""),
          p -> {
            note(p.startsWith("{") ? p + "any" : p + ":any", prefixes);
            return p;
          });
    }
    e.attributes().keySet().forEach(n -> note(n, prefixes));
    e.elements().forEach(c -> gather(c, prefixes));
  }

  private static void note(String name, Map<String, String> prefixes) {
    if (name.startsWith("{")) {
      String uri = name.substring(1, name.indexOf('}'));
      if (!prefixes.containsKey(uri)) {
        prefixes.put(uri, "x" + prefixes.size());
      }
    } else if (name.contains(":")) {
      String p = name.substring(0, name.indexOf(':'));
      Namespaces.uri(p).ifPresent(uri -> prefixes.put(uri, p));
    }
  }

  private static void write(
      Element e, StringBuilder b, Map<String, String> prefixes, boolean root) {
    String name = shortName(e.name(), prefixes);
    b.append('<').append(name);
    if (root) {
      prefixes.forEach(
          (uri, p) -> b.append(" xmlns:").append(p).append("=\"").append(escape(uri)).append('"'));
    }
    e.attributes()
        .forEach((n, v) ->
            b.append(' ')
                .append(shortName(n, prefixes))
                .append("=\"")
                .append(
                    escape(
                        n.equals(REQUIRES)
                            ? requires(
                                v,
                                p ->
                                    p.startsWith("{")
                                        ? prefixes.getOrDefault(p.substring(1, p.length() - 1), p)
                                        : p)
                            : v))
                .append('"'));
    if (e.children().isEmpty()) {
      b.append("/>");
      return;
    }
    b.append('>');
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        write(child, b, prefixes, false);
      } else {
        b.append(escape((String) c));
      }
    }
    b.append("</").append(name).append('>');
  }

  private static String shortName(String name, Map<String, String> prefixes) {
    if (name.startsWith("{")) {
      int end = name.indexOf('}');
      return prefixes.get(name.substring(1, end)) + ":" + name.substring(end + 1);
    }
    return name;
  }

  /**
   * Text as it stands in XML content and attributes; characters that XML 1.0 does not allow are
   * left out.
   */
  public static String escape(String s) {
    var b = new StringBuilder(s.length() + 16);
    s.codePoints()
        .forEach(c -> {
          switch (c) {
            case '&' -> b.append("&amp;");
            case '<' -> b.append("&lt;");
            case '>' -> b.append("&gt;");
            case '"' -> b.append("&quot;");
            case '\t', '\n', '\r' -> b.append("&#").append(c).append(';');
            default -> {
              boolean allowed =
                  c >= 0x20 && c != 0xFFFE && c != 0xFFFF && (c < 0xD800 || c > 0xDFFF);
              if (allowed) {
                b.appendCodePoint(c);
              }
            }
          }
        });
    return b.toString();
  }
}
