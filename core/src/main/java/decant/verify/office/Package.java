package decant.verify.office;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/** The parts of an office package (ISO/IEC 29500-2), read with the parsers of the platform. */
final class Package {
  /** Where a relationship leads. */
  record Target(String to, boolean external) {}

  private static final String OFFICE =
      "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";

  private final Map<String, byte[]> parts = new HashMap<>();

  private Package() {}

  /**
   * @throws IOException if it is no package
   */
  static Package open(Path file) throws IOException {
    var p = new Package();
    try (ZipFile zip = new ZipFile(file.toFile())) {
      for (Enumeration<? extends ZipEntry> e = zip.entries(); e.hasMoreElements(); ) {
        ZipEntry entry = e.nextElement();
        try (var in = zip.getInputStream(entry)) {
          p.parts.put(entry.getName(), in.readAllBytes());
        }
      }
    }
    return p;
  }

  byte @Nullable [] part(String name) {
    return parts.get(name);
  }

  /** The root of a part; empty if there is none of this name. */
  Optional<Element> xml(String name) throws IOException {
    byte[] bytes = parts.get(name);
    return bytes == null ? Optional.empty() : Optional.of(parse(bytes));
  }

  static Element parse(byte[] bytes) throws IOException {
    try {
      var f = DocumentBuilderFactory.newInstance();
      f.setNamespaceAware(true);
      f.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      f.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
      var builder = f.newDocumentBuilder();
      builder.setErrorHandler(null);
      return builder.parse(new ByteArrayInputStream(bytes)).getDocumentElement();
    } catch (SAXException | ParserConfigurationException e) {
      throw new IOException(e);
    }
  }

  /** The relationships of a part by their ids. */
  Map<String, Target> relationships(String part) throws IOException {
    int slash = part.lastIndexOf('/');
    String folder = part.substring(0, slash + 1);
    var out = new HashMap<String, Target>();
    Optional<Element> root = xml(folder + "_rels/" + part.substring(slash + 1) + ".rels");
    if (root.isPresent()) {
      for (Element e : children(root.get())) {
        boolean external = e.getAttribute("TargetMode").equals("External");
        String to = e.getAttribute("Target");
        out.put(e.getAttribute("Id"), new Target(external ? to : resolve(folder, to), external));
      }
    }
    return out;
  }

  /** The part that a package or part relates to in one way. */
  Optional<String> related(String part, String kind) throws IOException {
    int slash = part.lastIndexOf('/');
    String folder = part.substring(0, slash + 1);
    Optional<Element> root = xml(folder + "_rels/" + part.substring(slash + 1) + ".rels");
    if (root.isPresent()) {
      for (Element e : children(root.get())) {
        if (e.getAttribute("Type").equals(OFFICE + kind)) {
          return Optional.of(resolve(folder, e.getAttribute("Target")));
        }
      }
    }
    return Optional.empty();
  }

  private static String resolve(String folder, String to) {
    return to.startsWith("/") ? to.substring(1) : folder + to;
  }

  static List<Element> children(Element e) {
    var out = new ArrayList<Element>();
    for (Node n = e.getFirstChild(); n != null; n = n.getNextSibling()) {
      if (n instanceof Element c) {
        out.add(c);
      }
    }
    return out;
  }
}
