package decant.office.xml;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The namespaces of ISO/IEC 29500 and ISO/IEC 26300 and their usual prefixes. */
public final class Namespaces {
  public static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
  public static final String R =
      "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
  public static final String WP =
      "http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing";
  public static final String A = "http://schemas.openxmlformats.org/drawingml/2006/main";
  public static final String PIC = "http://schemas.openxmlformats.org/drawingml/2006/picture";

  private static final Map<String, String> PREFIXES =
      Map.ofEntries(
          Map.entry(W, "w"),
          Map.entry("http://purl.oclc.org/ooxml/wordprocessingml/main", "w"),
          Map.entry(R, "r"),
          Map.entry("http://purl.oclc.org/ooxml/officeDocument/relationships", "r"),
          Map.entry(WP, "wp"),
          Map.entry("http://purl.oclc.org/ooxml/drawingml/wordprocessingDrawing", "wp"),
          Map.entry(A, "a"),
          Map.entry("http://purl.oclc.org/ooxml/drawingml/main", "a"),
          Map.entry(PIC, "pic"),
          Map.entry("http://purl.oclc.org/ooxml/drawingml/picture", "pic"),
          Map.entry("http://schemas.openxmlformats.org/officeDocument/2006/math", "m"),
          Map.entry("http://purl.oclc.org/ooxml/officeDocument/math", "m"),
          Map.entry("http://schemas.openxmlformats.org/markup-compatibility/2006", "mc"),
          Map.entry("urn:schemas-microsoft-com:vml", "v"),
          Map.entry("urn:schemas-microsoft-com:office:office", "o"),
          Map.entry("urn:schemas-microsoft-com:office:word", "w10"),
          Map.entry("http://schemas.microsoft.com/office/word/2010/wordml", "w14"),
          Map.entry("http://schemas.microsoft.com/office/word/2012/wordml", "w15"),
          Map.entry("http://schemas.microsoft.com/office/word/2010/wordprocessingShape", "wps"),
          Map.entry("http://schemas.microsoft.com/office/word/2010/wordprocessingDrawing", "wp14"),
          Map.entry("http://schemas.microsoft.com/office/word/2010/wordprocessingGroup", "wpg"),
          Map.entry("http://schemas.openxmlformats.org/package/2006/relationships", "rel"),
          Map.entry("http://schemas.openxmlformats.org/package/2006/content-types", "ct"),
          Map.entry(
              "http://schemas.openxmlformats.org/package/2006/metadata/core-properties", "cp"),
          Map.entry("http://purl.org/dc/elements/1.1/", "dc"),
          Map.entry("http://purl.org/dc/terms/", "dcterms"),
          Map.entry(
              "http://schemas.openxmlformats.org/officeDocument/2006/extended-properties", "ap"),
          Map.entry("http://www.w3.org/XML/1998/namespace", "xml"),
          odf("office:1.0", "office"),
          odf("style:1.0", "style"),
          odf("text:1.0", "text"),
          odf("table:1.0", "table"),
          odf("drawing:1.0", "draw"),
          odf("xsl-fo-compatible:1.0", "fo"),
          odf("svg-compatible:1.0", "svg"),
          odf("meta:1.0", "meta"),
          odf("datastyle:1.0", "number"),
          odf("config:1.0", "config"),
          odf("form:1.0", "form"),
          odf("manifest:1.0", "manifest"),
          Map.entry("http://www.w3.org/1999/xlink", "xlink"),
          Map.entry("http://www.w3.org/1998/Math/MathML", "math"),
          Map.entry(
              "urn:org:documentfoundation:names:experimental:office:xmlns:loext:1.0", "loext"));

  private static final Map<String, String> TRANSITIONAL =
      Map.ofEntries(
          Map.entry("w", W),
          Map.entry("r", R),
          Map.entry("wp", WP),
          Map.entry("a", A),
          Map.entry("pic", PIC),
          Map.entry("m", "http://schemas.openxmlformats.org/officeDocument/2006/math"),
          Map.entry("mc", "http://schemas.openxmlformats.org/markup-compatibility/2006"),
          Map.entry("v", "urn:schemas-microsoft-com:vml"),
          Map.entry("o", "urn:schemas-microsoft-com:office:office"),
          Map.entry("w10", "urn:schemas-microsoft-com:office:word"),
          Map.entry("w14", "http://schemas.microsoft.com/office/word/2010/wordml"),
          Map.entry("w15", "http://schemas.microsoft.com/office/word/2012/wordml"),
          Map.entry("wps", "http://schemas.microsoft.com/office/word/2010/wordprocessingShape"),
          Map.entry("wp14", "http://schemas.microsoft.com/office/word/2010/wordprocessingDrawing"),
          Map.entry("wpg", "http://schemas.microsoft.com/office/word/2010/wordprocessingGroup"));

  /** Prefixes of one namespace each, which no edition of a standard has given another. */
  private static final Set<String> ODF =
      Set.of("office", "style", "text", "table", "draw", "fo", "svg", "dc", "xlink", "loext");

  private static final Map<String, String> URIS = uris();

  private static Map<String, String> uris() {
    var out = new HashMap<>(TRANSITIONAL);
    PREFIXES.forEach((uri, prefix) -> {
      if (ODF.contains(prefix)) {
        out.put(prefix, uri);
      }
    });
    return Map.copyOf(out);
  }

  private Namespaces() {}

  /** A namespace of OpenDocument (ISO/IEC 26300, §2.2). */
  private static Map.Entry<String, String> odf(String name, String prefix) {
    return Map.entry("urn:oasis:names:tc:opendocument:xmlns:" + name, prefix);
  }

  /** The usual prefix of a namespace. */
  static Optional<String> prefix(String uri) {
    return Optional.ofNullable(PREFIXES.get(uri));
  }

  /** The namespace of a usual prefix; of several the transitional one. */
  public static Optional<String> uri(String prefix) {
    return Optional.ofNullable(URIS.get(prefix));
  }
}
