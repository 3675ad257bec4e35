package decant.office.docx.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptPart;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.EmbeddedFont;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.office.docx.markup.Attachments;
import decant.office.docx.markup.Comments;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.emit.Emitter;
import decant.office.emit.StorablePicture;
import decant.office.xml.Namespaces;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Writes DOCX files (ISO/IEC 29500-1, transitional). Parts kept from a DOCX go back under their own
 * names.
 */
public final class DocxWriter {
  static final String OFFICE =
      "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
  private static final String MAIN =
      "application/vnd.openxmlformats-officedocument.wordprocessingml.";
  private static final String ROOT_NAMESPACES = rootNamespaces();

  private final Document document;
  private final boolean template;
  private final LinkedHashMap<String, byte[]> parts = new LinkedHashMap<>();
  private final Map<String, String> overrides = new LinkedHashMap<>();
  private final Map<String, String> defaults = new LinkedHashMap<>();
  private final Map<MediaId, String> mediaNames = new HashMap<>();
  private final Map<NodeId, Integer> noteNumbers = new HashMap<>();
  private final Map<NodeId, String> sections = new HashMap<>();
  private final Emitter emitter;
  private final DrawingsWriter drawings;
  private final Set<Inline.KeptInline> unmatched;
  private final RunningTexts running;

  private DocxWriter(Document document, boolean template) {
    this.document = document;
    this.template = template;
    this.running = new RunningTexts(document);
    this.emitter = new Emitter(document, Map.of());
    this.unmatched = FieldMarks.unmatched(document);
    this.drawings =
        new DrawingsWriter(
            document,
            (o, story, rels) -> emitter.story(story, new DocxText(o, rels, this, true)),
            id ->
                Optional.ofNullable(document.media().get(id))
                    .map(m -> mediaNames.computeIfAbsent(id, k -> mediaPart(m))));
  }

  DrawingsWriter drawings() {
    return drawings;
  }

  /** The number of a note in its part. */
  int number(Story note) {
    return noteNumbers.getOrDefault(note.id(), 0);
  }

  /** Whether a kept mark of a field has lost its other half. */
  boolean isUnmatched(Inline.KeptInline k) {
    return unmatched.contains(k);
  }

  private static String rootNamespaces() {
    var b = new StringBuilder();
    for (String p : List.of("w", "r", "wp", "a", "pic", "mc", "w14")) {
      b.append(" xmlns:")
          .append(p)
          .append("=\"")
          .append(Namespaces.uri(p).orElseThrow())
          .append('"');
    }
    // Check boxes stand in a namespace that older readers pass over (ISO/IEC 29500-3 §10.1).
    return b.append(" mc:Ignorable=\"w14\"").toString();
  }

  /** Writes a document. @throws IOException if the stream cannot be written */
  public static void write(Document document, OutputStream out) throws IOException {
    pack(parts(document, false), out);
  }

  /**
   * The parts of the package that a document becomes, by name.
   *
   * @param template whether it becomes a template
   */
  public static Map<String, byte[]> parts(Document document, boolean template) {
    var writer = new DocxWriter(document, template);
    writer.run();
    return writer.parts;
  }

  /** Whether macros that came with a document are still among its parts. */
  public static boolean hasMacros(Document d) {
    return d.keptParts().stream().anyMatch(k -> k.name().equals("word/vbaProject.bin"));
  }

  private void run() {
    defaults.put("rels", "application/vnd.openxmlformats-package.relationships+xml");
    defaults.put("xml", "application/xml");
    int n = 1;
    for (Story s : document.stories().values()) {
      if (s.kind().isNote()) {
        noteNumbers.put(s.id(), n++);
      }
    }
    var main = new Relationships();
    keptParts(main);
    main.add("styles", "styles.xml", false);
    xml("word/styles.xml", MAIN + "styles+xml", StylesWriter.part(document.styles()));
    if (!document.lists().isEmpty()) {
      main.add("numbering", "numbering.xml", false);
      xml(
          "word/numbering.xml",
          MAIN + "numbering+xml",
          Numbering.part(document.lists(), document.styles().styles()));
    }
    notes(main, Story.Kind.FOOTNOTE, "footnote");
    notes(main, Story.Kind.ENDNOTE, "endnote");
    fonts(main);
    settings(main);
    String body = body(main);
    if (!emitter.comments().isEmpty()) {
      main.add("comments", "comments.xml", false);
      xml("word/comments.xml", MAIN + "comments+xml", Comments.part(emitter.comments()));
    }
    xml(
        "word/document.xml",
        template
            ? MAIN + "template.main+xml"
            : hasMacros(document)
                ? "application/vnd.ms-word.document.macroEnabled.main+xml"
                : MAIN + "document.main+xml",
        body);
    parts.put("word/_rels/document.xml.rels", main.part());
    core();
    types();
  }

  /** Fonts go along, unless the list of fonts that came with the document goes back already. */
  private void fonts(Relationships main) {
    List<EmbeddedFont> fonts = document.styles().typesetting().fonts();
    if (fonts.isEmpty() || parts.containsKey("word/fontTable.xml")) {
      return;
    }
    var out = new EmbeddedFontsWriter(fonts);
    main.add("fontTable", "fontTable.xml", false);
    xml("word/fontTable.xml", MAIN + "fontTable+xml", out.table());
    parts.put("word/_rels/fontTable.xml.rels", out.relationships().part());
    parts.putAll(out.files());
    defaults.put("odttf", EmbeddedFontsWriter.TYPE);
  }

  /** Settings of our own, or those that the document brought as far as they still hold. */
  private void settings(Relationships main) {
    var own = new SettingsWriter(document);
    byte[] brought = parts.get(SettingsWriter.PART);
    if (brought != null) {
      parts.put(SettingsWriter.PART, own.into(brought));
      return;
    }
    main.add("settings", "settings.xml", false);
    xml(SettingsWriter.PART, MAIN + "settings+xml", own.part());
  }

  private void xml(String name, String type, String content) {
    parts.put(name, content.getBytes(StandardCharsets.UTF_8));
    overrides.put("/" + name, type);
  }

  /**
   * Parts of the source package go back, and the main part's relationships to them under the ids
   * they had.
   */
  private void keptParts(Relationships main) {
    Set<String> names = new HashSet<>();
    for (KeptPart k : document.keptParts()) {
      boolean relationships = k.name().equals("word/_rels/document.xml.rels");
      boolean numbered =
          k.name().matches("word/(_rels/)?(header|footer|footnotes|endnotes)\\d*\\.xml.*");
      if (!k.format().equals(DocxLooks.FORMAT)
          || k.isWhole()
          || relationships
          || numbered
          || PropertyParts.isOne(k)) {
        continue;
      }
      parts.put(k.name(), k.bytes());
      names.add(k.name());
      if (!k.contentType().isEmpty() && !k.name().endsWith(".rels")) {
        overrides.put("/" + k.name(), k.contentType());
      }
    }
    for (KeptPart k : document.keptParts()) {
      if (k.name().equals("word/_rels/document.xml.rels")) {
        main.keep(k.bytes(), names);
      }
    }
  }

  private String body(Relationships rels) {
    var o = new Out().raw(Out.HEAD).raw("<w:document" + ROOT_NAMESPACES + ">");
    Colour background = document.sections().getFirst().page().background();
    if (!background.equals(Colour.WHITE)) {
      o.empty("w:background", "w:color", background.hex());
    }
    o.raw("<w:body>");
    emitter.body(new DocxText(o, rels, this, true));
    return o.raw("</w:body></w:document>").toString();
  }

  /** Writes the headers and footers of a section, which its properties name. */
  void begin(Section s, Relationships rels) {
    sections.put(s.id(), sectionProperties(s, rels));
  }

  /** The properties of a section that has begun. */
  String properties(Section s) {
    return sections.getOrDefault(s.id(), "");
  }

  private String sectionProperties(Section s, Relationships rels) {
    var o = new Out().raw("<w:sectPr>");
    running
        .of(s)
        .forEach((which, story) -> {
          boolean header = which.isHeader();
          String kind =
              switch (which) {
                case HEADER, FOOTER -> "default";
                case HEADER_FIRST, FOOTER_FIRST -> "first";
                case HEADER_EVEN, FOOTER_EVEN -> "even";
              };
          String id = rels.add(header ? "header" : "footer", runningPart(story, header), false);
          o.empty(header ? "w:headerReference" : "w:footerReference", "w:type", kind, "r:id", id);
        });
    SectionsWriter.properties(o, s);
    return o.raw("</w:sectPr>").toString();
  }

  private final Map<String, String> runningNames = new HashMap<>();

  private String runningPart(Story story, boolean header) {
    String kind = header ? "header" : "footer";
    String known = runningNames.get(kind + story.id());
    if (known != null) {
      return known;
    }
    String name = kind + (runningNames.size() + 1) + ".xml";
    runningNames.put(kind + story.id(), name);
    var rels = new Relationships();
    String root = header ? "w:hdr" : "w:ftr";
    var o = new Out().raw(Out.HEAD).raw("<" + root + ROOT_NAMESPACES + ">");
    emitter.story(story, new DocxText(o, rels, this, false));
    if (story.blocks().isEmpty() || story.blocks().getLast() instanceof Table) {
      o.raw("<w:p/>"); // there is always a paragraph at the end (CT_HdrFtr)
    }
    xml("word/" + name, MAIN + kind + "+xml", o.raw("</" + root + ">").toString());
    if (!rels.isEmpty()) {
      parts.put("word/_rels/" + name + ".rels", rels.part());
    }
    return name;
  }

  private void notes(Relationships main, Story.Kind kind, String name) {
    List<Story> stories =
        document.stories().values().stream().filter(s -> s.kind() == kind).toList();
    if (stories.isEmpty()) {
      return;
    }
    main.add(name + "s", name + "s.xml", false);
    var rels = new Relationships();
    var o = new Out().raw(Out.HEAD).raw("<w:" + name + "s" + ROOT_NAMESPACES + ">");
    for (String separator : List.of("separator", "continuationSeparator")) {
      int id = separator.equals("separator") ? -1 : 0;
      o.raw("<w:%s w:type=\"%s\" w:id=\"%d\">".formatted(name, separator, id));
      o.raw("<w:p><w:r><w:" + separator + "/></w:r></w:p></w:" + name + ">");
    }
    for (Story s : stories) {
      o.raw("<w:" + name + " w:id=\"" + noteNumbers.get(s.id()) + "\">");
      emitter.story(s, new DocxText(o, rels, this, true));
      o.raw("</w:" + name + ">");
    }
    xml("word/" + name + "s.xml", MAIN + name + "s+xml", o.raw("</w:" + name + "s>").toString());
    if (!rels.isEmpty()) {
      parts.put("word/_rels/" + name + "s.xml.rels", rels.part());
    }
  }

  private String mediaPart(Media original) {
    Media m = StorablePicture.of(original, 0, 0, o -> !o.type().equals("application/pdf"));
    String extension =
        switch (m.type()) {
          case "image/png" -> "png";
          case "image/jpeg", "image/jpg" -> "jpeg";
          case "image/gif" -> "gif";
          case "image/bmp" -> "bmp";
          case "image/tiff" -> "tiff";
          case "image/x-emf" -> "emf";
          case "image/x-wmf" -> "wmf";
          case "image/svg+xml" -> "svg";
          default -> "bin";
        };
    String name = "media/picture" + (mediaNames.size() + 1) + "." + extension;
    parts.put("word/" + name, m.bytes());
    defaults.put(extension, m.type().isEmpty() ? "application/octet-stream" : m.type());
    return name;
  }

  private void core() {
    Metadata p = document.metadata();
    String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
    var o =
        new Out()
            .raw(Out.HEAD)
            .raw(
                "<cp:coreProperties xmlns:cp=\"http://schemas.openxmlformats.org/package/2006/metadata/core-properties\"")
            .raw(
                " xmlns:dc=\"http://purl.org/dc/elements/1.1/\" xmlns:dcterms=\"http://purl.org/dc/terms/\"")
            .raw(" xmlns:xsi=\"http://www.w3.org/2001/XMLSchema-instance\">");
    element(o, "dc:title", p.title());
    element(o, "dc:subject", p.subject());
    element(o, "dc:creator", p.author());
    element(o, "cp:keywords", p.keywords());
    element(o, "dc:language", p.language());
    var kept = new PropertyParts(document.keptParts());
    o.raw(kept.core());
    o.raw(
        "<dcterms:modified xsi:type=\"dcterms:W3CDTF\">"
            + now
            + "</dcterms:modified></cp:coreProperties>");
    xml(
        "docProps/core.xml",
        "application/vnd.openxmlformats-package.core-properties+xml",
        o.toString());
    var root = new Relationships();
    root.add("officeDocument", "word/document.xml", false);
    root.put(
        "core",
        "http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties",
        "docProps/core.xml",
        false);
    kept.app()
        .ifPresent(b -> {
          parts.put(PropertyParts.APP, b);
          overrides.put(
              "/" + PropertyParts.APP,
              "application/vnd.openxmlformats-officedocument.extended-properties+xml");
          root.add("extended-properties", PropertyParts.APP, false);
        });
    kept.custom()
        .ifPresent(b -> {
          parts.put(PropertyParts.CUSTOM, b);
          overrides.put(
              "/" + PropertyParts.CUSTOM,
              "application/vnd.openxmlformats-officedocument.custom-properties+xml");
          root.add("custom-properties", PropertyParts.CUSTOM, false);
        });
    if (!document.attachments().isEmpty()) {
      xml(
          Attachments.LIST,
          Attachments.LIST_TYPE,
          Attachments.list(document.attachments(), parts, overrides));
      root.put("attachments", Attachments.RELATIONSHIP, Attachments.LIST, false);
    }
    parts.put("_rels/.rels", root.part());
  }

  private static void element(Out o, String name, String value) {
    if (!value.isEmpty()) {
      o.raw("<" + name + ">").text(value).raw("</" + name + ">");
    }
  }

  private void types() {
    var types =
        new Out()
            .raw(Out.HEAD)
            .raw("<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">");
    defaults.forEach((x, t) -> types.empty("Default", "Extension", x, "ContentType", t));
    overrides.forEach((n, t) -> types.empty("Override", "PartName", n, "ContentType", t));
    types.raw("</Types>");
    parts.putFirst("[Content_Types].xml", types.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** Packs parts. @throws IOException if the stream cannot be written */
  public static void pack(Map<String, byte[]> parts, OutputStream out) throws IOException {
    // Not closed: the stream is the caller's.
    ZipOutputStream zip = new ZipOutputStream(out);
    for (Map.Entry<String, byte[]> e : parts.entrySet()) {
      put(zip, e.getKey(), e.getValue());
    }
    zip.finish();
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
    zip.closeEntry();
  }
}
