package decant.office.odf.write;

import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.KeptPart;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.Trait;
import decant.office.emit.Emitter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.zip.Deflater;

/** Writes text documents of OpenDocument, as packages (ODF 1.3 parts 2 and 3). */
public final class OdtWriter {
  private static final String FORMAT = "odt";

  private static final String TYPE = "application/vnd.oasis.opendocument.text";
  private static final String TEMPLATE = TYPE + "-template";

  /** What a list or a table may give a paragraph, and is said at the paragraph itself. */
  static final List<Trait<?>> PROPERTIES_OF_PARAGRAPHS =
      List.of(
          ParagraphTraits.ALIGNMENT,
          ParagraphTraits.INDENT_START,
          ParagraphTraits.INDENT_END,
          ParagraphTraits.FIRST_LINE,
          ParagraphTraits.SPACE_BEFORE,
          ParagraphTraits.SPACE_AFTER,
          ParagraphTraits.LINE_PITCH,
          ParagraphTraits.KEEP_WITH_NEXT,
          ParagraphTraits.KEEP_TOGETHER,
          ParagraphTraits.SHADING);

  private static final Map<String, String> NAMESPACES = namespaces();

  private static Map<String, String> namespaces() {
    var out = new LinkedHashMap<String, String>();
    for (String[] n :
        new String[][] {
          {"office", "office:1.0"},
          {"style", "style:1.0"},
          {"text", "text:1.0"},
          {"table", "table:1.0"},
          {"draw", "drawing:1.0"},
          {"fo", "xsl-fo-compatible:1.0"},
          {"svg", "svg-compatible:1.0"},
          {"meta", "meta:1.0"},
          {"form", "form:1.0"}
        }) {
      out.put(n[0], "urn:oasis:names:tc:opendocument:xmlns:" + n[1]);
    }
    out.put("xlink", "http://www.w3.org/1999/xlink");
    out.put("dc", "http://purl.org/dc/elements/1.1/");
    return out;
  }

  /** One part of the package, with the styles that only it has. */
  record Part(
      AutomaticStyles styles,
      OdfLooksWriter looks,
      OdfTablesWriter tables,
      OdfDrawingsWriter drawings,
      ListStylesWriter listStyles,
      Regions changes,
      Controls controls) {}

  private final Document document;
  private final String type;
  private final Emitter emitter;
  private final OdfPagesWriter pages;
  private final Map<String, Media> pictures = new LinkedHashMap<>();
  private final OpenLists.Chains inFlow = new OpenLists.Chains();
  private final OpenLists.Chains inBoxes = new OpenLists.Chains();
  private final Map<NodeId, Integer> numbers;
  private int lists;
  private int sections;
  private final Map<String, Look> characterStyles = new HashMap<>();
  private final Map<NodeId, Integer> notes = new HashMap<>();

  private OdtWriter(Document document, String type) {
    this.document = document;
    this.type = type;
    this.emitter = new Emitter(document, Map.of());
    this.pages = new OdfPagesWriter(document);
    this.numbers = ListLabels.numbers(document);
  }

  /** Writes a document. @throws IOException if the stream cannot be written */
  public static void write(Document document, OutputStream out) throws IOException {
    new OdtWriter(document, TYPE).run(Deflater.DEFAULT_COMPRESSION, out);
  }

  /** Writes a document that nobody keeps. @throws IOException if the stream cannot be written */
  public static void draft(Document document, OutputStream out) throws IOException {
    new OdtWriter(document, TYPE).run(Deflater.NO_COMPRESSION, out);
  }

  /** Writes a template. @throws IOException if the stream cannot be written */
  public static void writeTemplate(Document document, OutputStream out) throws IOException {
    new OdtWriter(document, TEMPLATE).run(Deflater.DEFAULT_COMPRESSION, out);
  }

  Document document() {
    return document;
  }

  OdfPagesWriter pages() {
    return pages;
  }

  /** The width that text stands in, in points. */
  double room() {
    return document.sections().getFirst().page().textWidth();
  }

  OpenLists lists(Part part, Xml x, OpenLists.Chains chains) {
    return new OpenLists(document, x, part, this, chains);
  }

  /** A name for a list, which no other has. */
  String listName() {
    return "list" + ++lists;
  }

  /** A name for a part of the text with columns of its own. */
  String sectionName() {
    return "Section" + ++sections;
  }

  /** The number of an item on its level. */
  int number(Paragraph item) {
    return numbers.getOrDefault(item.id(), 1);
  }

  int noteNumber(Story note) {
    return notes.computeIfAbsent(note.id(), k -> notes.size() + 1);
  }

  /** All that a character style and those that it stands on set. */
  Look characterStyle(String id) {
    return characterStyles.computeIfAbsent(
        id,
        k -> {
          Look look = Look.PLAIN;
          Optional<NamedStyle> s = document.styles().style(k);
          for (int depth = 0; depth < 32 && s.isPresent(); depth++) {
            look = look.over(s.get().text());
            s = s.get().basedOn().flatMap(document.styles()::style);
          }
          return look;
        });
  }

  /** The level of the headings that have a style of this name; empty if they are none. */
  Optional<Integer> headingLevel(String styleName) {
    return document.styles().styles().values().stream()
        .filter(s -> s.name().equals(styleName))
        .map(s ->
            document
                .styles()
                .paragraphLook(Look.of(ParagraphTraits.STYLE, s.id()))
                .value(ParagraphTraits.HEADING_LEVEL))
        .filter(l -> l > 0)
        .findFirst();
  }

  /** Writes the text of a header, a note or a shape. */
  void story(Story s, Part part, Xml into) {
    boolean box = s.kind() == Story.Kind.BOX;
    boolean comments = s.kind() != Story.Kind.RUNNING;
    var text = new OdfText(this, part, into, box ? inBoxes : new OpenLists.Chains(), comments);
    emitter.story(s, text);
    text.finish();
  }

  private Part part(String prefix) {
    var styles = new AutomaticStyles(prefix);
    var looks = new OdfLooksWriter();
    return new Part(
        styles,
        looks,
        new OdfTablesWriter(styles, room(), document.styles().typesetting().textAtTableEdge()),
        new OdfDrawingsWriter(document, styles, pictures, prefix.isEmpty() ? "Drawn" : "Above"),
        new ListStylesWriter(looks),
        new Regions(document, prefix.isEmpty()),
        new Controls(prefix.isEmpty()));
  }

  private void run(int effort, OutputStream out) throws IOException {
    Part inPages = part("M");
    pages.prepare(s -> {
      var x = new Xml();
      story(s, inPages, x);
      return x.toString();
    });
    Part inText = part("");
    var body = new Xml();
    var text = new OdfText(this, inText, body, inFlow, true);
    emitter.body(text);
    text.finish();
    var common = new CommonStylesWriter(document, inPages.looks());
    String styles = common.element();
    var fonts = new EmbeddedFontFiles(document.styles().typesetting().fonts());
    String automatic = inText.styles().element("");
    String automaticInPages = inPages.styles().element(pages.layouts());

    var parts = new LinkedHashMap<String, byte[]>();
    Map<String, String> types = new HashMap<>();
    parts.put(
        "content.xml",
        root("document-content")
            .raw(declared(inText, fonts))
            .raw(automatic)
            .raw("<office:body><office:text>")
            .raw(inText.controls().element())
            .raw(inText.changes().element())
            .raw(body.toString())
            .raw("</office:text></office:body></office:document-content>")
            .bytes());
    parts.put(
        "styles.xml",
        root("document-styles")
            .raw(declared(inPages, fonts))
            .raw(styles)
            .raw(automaticInPages)
            .raw(pages.masters())
            .raw("</office:document-styles>")
            .bytes());
    parts.put("meta.xml", meta());
    pictures.forEach((name, m) -> parts.put(name, m.bytes()));
    parts.putAll(fonts.files());
    for (KeptPart k : document.keptParts()) {
      if (k.format().equals(FORMAT) && !k.isWhole() && !k.name().startsWith("META-INF/")) {
        parts.putIfAbsent(k.name(), current(k));
        types.put(k.name(), k.contentType());
      }
    }
    parts.put("META-INF/manifest.xml", manifest(parts, types));
    parts.put(OdfZip.KIND, type.getBytes(StandardCharsets.US_ASCII));
    OdfZip.write(parts, effort, out);
  }

  /** A part of a document of an earlier version, which is now one of this (§19.388). */
  private static byte[] current(KeptPart k) {
    if (!k.name().endsWith(".xml")) {
      return k.bytes();
    }
    String xml = new String(k.bytes(), StandardCharsets.UTF_8);
    return xml.contains("<office:document")
        ? xml.replaceFirst("office:version=\"1\\.[0-2]\"", "office:version=\"1.3\"")
            .getBytes(StandardCharsets.UTF_8)
        : k.bytes();
  }

  private static String declared(Part part, EmbeddedFontFiles fonts) {
    return CommonStylesWriter.fonts(new ArrayList<>(new TreeSet<>(part.looks().families())), fonts);
  }

  private static Xml root(String name) {
    var x = new Xml().raw(Xml.HEAD).raw("<office:" + name);
    NAMESPACES.forEach((p, uri) -> x.attribute("xmlns:" + p, uri));
    return x.attribute("office:version", "1.3").raw(">");
  }

  /** §4.3. */
  private byte[] meta() {
    Metadata m = document.metadata().clean();
    var x = root("document-meta").raw("<office:meta>");
    property(x, "meta:generator", "Decant");
    property(x, "dc:title", m.title());
    property(x, "dc:subject", m.subject());
    property(x, "meta:initial-creator", m.author());
    property(x, "dc:creator", m.author());
    for (String k : m.keywords().split("[,;]")) {
      property(x, "meta:keyword", k.strip());
    }
    property(
        x,
        "dc:language",
        m.language().matches("[A-Za-z]{1,8}(-[A-Za-z0-9]{1,8})*") ? m.language() : "");
    return x.raw("</office:meta></office:document-meta>").bytes();
  }

  private static void property(Xml x, String name, String value) {
    if (!value.isBlank()) {
      x.open(name).text(value).close(name);
    }
  }

  private byte[] manifest(Map<String, byte[]> parts, Map<String, String> types) {
    var x = new Xml().raw(Xml.HEAD);
    x.open(
        "manifest:manifest",
        "xmlns:manifest",
        "urn:oasis:names:tc:opendocument:xmlns:manifest:1.0",
        "manifest:version",
        "1.3");
    x.empty(
        "manifest:file-entry",
        "manifest:full-path",
        "/",
        "manifest:version",
        "1.3",
        "manifest:media-type",
        type);
    for (String name : parts.keySet()) {
      if (!name.startsWith("META-INF/")) {
        String said = types.getOrDefault(name, "");
        x.raw("<manifest:file-entry")
            .attribute("manifest:full-path", name)
            .attribute("manifest:media-type", said.isEmpty() ? type(name) : said)
            .raw("/>");
      }
    }
    return x.close("manifest:manifest").bytes();
  }

  private static String type(String name) {
    return switch (name.substring(name.lastIndexOf('.') + 1)) {
      case "xml" -> "text/xml";
      case "rdf" -> "application/rdf+xml";
      case "png" -> "image/png";
      case "jpg", "jpeg" -> "image/jpeg";
      case "gif" -> "image/gif";
      case "bmp" -> "image/bmp";
      case "tif" -> "image/tiff";
      case "svg" -> "image/svg+xml";
      case "emf" -> "image/x-emf";
      case "wmf" -> "image/x-wmf";
      case "ttf" -> "application/x-font-ttf";
      default -> "";
    };
  }
}
