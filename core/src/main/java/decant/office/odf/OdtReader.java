package decant.office.odf;

import decant.model.Document;
import decant.model.KeptPart;
import decant.model.Metadata;
import decant.model.finding.Finding;
import decant.model.look.EmbeddedFont;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.office.source.SourceFile;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.ActiveContent;
import decant.reading.DocumentFindings;
import decant.reading.FontTrial;
import decant.reading.FontsUsed;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.Restriction;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Reads text documents of OpenDocument: packages (ODF 1.3 part 2) and flat files. */
public final class OdtReader {
  static final String FORMAT = "odt";
  private static final Pattern READ_ONLY =
      Pattern.compile("config:name=\"LoadReadonly\"[^>]*>\\s*true\\s*<");

  private static final Words WORDS = Words.of(OdtReader.class);
  private static final Pattern COMMENT_END =
      Pattern.compile("<\\w+:annotation-end\\s[^>]*?name=\"([^\"]*)\"");
  private static final int BETWEEN_LOOKS = 200; // blocks between asking whether to go on

  private final ReadRequest request;
  private final @Nullable OdfParts file;

  private OdtReader(ReadRequest request, @Nullable OdfParts file) {
    this.request = request;
    this.file = file;
  }

  /** Takes a file in. @throws ReadProblem if it is none, or too damaged to be one */
  public static TakenIn read(ReadRequest request) throws ReadProblem {
    try {
      return isFlat(request) ? flat(request) : packed(request);
    } catch (StackOverflowError e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED, WORDS.say("odt-reader.the-file-is-damaged-its"), e);
    }
  }

  private static boolean isFlat(ReadRequest request) throws ReadProblem {
    try (var in = Files.newInputStream(request.file())) {
      byte[] head = in.readNBytes(2);
      return head.length < 2 || head[0] != 'P' || head[1] != 'K';
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.UNREADABLE, WORDS.say("odt-reader.the-file-cannot-be-read"), e);
    }
  }

  private static TakenIn packed(ReadRequest request) throws ReadProblem {
    try (PackageFile file = PackageFile.open(request.file(), request.limits())) {
      return new OdtReader(request, new OdfParts(file, request)).packed();
    }
  }

  private TakenIn packed() throws ReadProblem {
    byte[] content =
        bytes("content.xml")
            .orElseThrow(() ->
                new ReadProblem(ReadProblem.Kind.NOT_A_DOCUMENT, WORDS.say("odt-reader.no-text")));
    Optional<Element> styles = part("styles.xml");
    Optional<Element> meta = part("meta.xml");
    Element automatic = gathered(content, "office:automatic-styles");
    Element fonts = gathered(content, "office:font-face-decls");
    return run(
        styles,
        meta,
        Optional.of(automatic),
        List.of(Optional.of(fonts), styles.flatMap(s -> s.child("office:font-face-decls"))),
        new String(content, StandardCharsets.UTF_8),
        sink -> XmlParts.body(content, "content.xml", "office:text", depth(), sink));
  }

  private static TakenIn flat(ReadRequest request) throws ReadProblem {
    byte[] all;
    try {
      all = Files.readAllBytes(request.file());
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.UNREADABLE, WORDS.say("odt-reader.the-file-cannot-be-read"), e);
    }
    Element root =
        XmlParts.parse(all, request.file().getFileName().toString(), request.limits().depth());
    Optional<Element> text = root.child("office:body").flatMap(b -> b.child("office:text"));
    if (text.isEmpty()) {
      throw new ReadProblem(ReadProblem.Kind.NOT_A_DOCUMENT, WORDS.say("odt-reader.no-text"));
    }
    return new OdtReader(request, null)
        .run(
            Optional.of(root),
            Optional.of(root),
            root.child("office:automatic-styles"),
            List.of(root.child("office:font-face-decls")),
            new String(all, StandardCharsets.UTF_8),
            sink -> {
              for (Element e : text.get().elements()) {
                sink.child(e);
              }
            });
  }

  /** Something that gives the elements of the text one by one. */
  private interface Text {
    void each(XmlParts.ChildSink sink) throws ReadProblem;
  }

  private TakenIn run(
      Optional<Element> stylesPart,
      Optional<Element> metaPart,
      Optional<Element> automatic,
      List<Optional<Element>> fontParts,
      String markup,
      Text text)
      throws ReadProblem {
    var fonts = new LinkedHashMap<String, String>();
    var brought = new ArrayList<EmbeddedFont>();
    for (Optional<Element> part : fontParts) {
      if (part.isPresent()) {
        fonts(part.get(), fonts, brought);
      }
    }
    var styles = new OdfStyles(stylesPart.flatMap(s -> s.child("office:styles")), fonts, brought);
    var shared = new OdfShared(styles, file);
    Matcher ends = COMMENT_END.matcher(markup);
    while (ends.find()) {
      shared.ending.add(ends.group(1));
    }
    OdfStyles.Scope inPages =
        OdfStyles.Scope.of(stylesPart.flatMap(s -> s.child("office:automatic-styles")));
    OdfStyles.Scope inText = OdfStyles.Scope.of(automatic);
    var running = new OdfBody(shared, inPages, Optional.empty());
    var pages =
        new OdfPages(
            stylesPart.flatMap(s -> s.child("office:master-styles")),
            styles,
            inPages,
            running::content);
    if (OdfPrograms.areIn(file == null ? List.of() : file.names(), markup)) {
      shared.findings.add(ActiveContent.macrosLeftOut());
    }
    if (file != null && asksForReadingOnly(file)) {
      shared.findings.add(Restriction.READING_RECOMMENDED.finding());
    }
    if (file != null && file.isLocked()) {
      shared.findings.add(
          Finding.general(
              Finding.Kind.SOURCE_LOCKED,
              Finding.Severity.NOTE,
              WORDS.say("odt-reader.source-locked")));
    }
    var flow = new OdfFlow(shared, inText, pages);
    var body = new OdfBody(shared, inText, Optional.empty());
    Optional<Element> common = stylesPart.flatMap(s -> s.child("office:styles"));
    common.flatMap(s -> s.child("text:outline-style")).ifPresent(body::outline);
    int[] count = {0};
    text.each(e -> {
      if (++count[0] % BETWEEN_LOOKS == 0) {
        request.checkpoint();
        request.progress().at(count[0], 0);
      }
      if (e.name().equals("office:forms")) {
        shared.forms.note(e);
      }
      if (e.name().equals("text:tracked-changes")) {
        shared.changes.note(e);
      } else {
        body.add(e, flow);
        shared.texts.after(e, OdfFrames.isDrawn(e));
      }
    });
    body.finish(flow);
    shared.texts.finish();
    shared.texts.finding().ifPresent(shared.findings::add);
    Map<String, String> properties = metaPart.map(OdtReader::properties).orElse(Map.of());
    Document whole =
        Document.of(
            metadata(styles, properties),
            styles.sheet().withTypesetting(typesetting(styles, common)),
            shared.lists,
            flow.finish(),
            shared.stories,
            shared.media,
            keptParts(shared));
    Document d = OutlineLinks.named(whole, shared.outlineLinks);
    FontBook book = ReadingFonts.of(brought);
    shared.findings.addAll(DocumentFindings.of(d, book));
    int said =
        decant.office.odf.markup.Measures.whole(Optional.ofNullable(properties.get("page-count")))
            .orElse(0);
    return new TakenIn(
        d,
        shared.findings,
        new TakenIn.Origin(
            FORMAT, said, properties, FontsUsed.of(d, book), Map.of(), shared.breaks));
  }

  /**
   * A setting that programs share by common practice; the standard names none (ODF 1.3-3 §3.10).
   */
  private static boolean asksForReadingOnly(OdfParts file) throws ReadProblem {
    String settings =
        file.bytes("settings.xml").map(b -> new String(b, StandardCharsets.UTF_8)).orElse("");
    return READ_ONLY.matcher(settings).find();
  }

  /** How notes are numbered (§16.34). */
  private static Typesetting typesetting(OdfStyles styles, Optional<Element> common) {
    Typesetting t = styles.sheet().typesetting();
    var formats = new LinkedHashMap<String, String>();
    common.ifPresent(s ->
        s.elements("text:notes-configuration")
            .forEach(n ->
                formats.put(
                    n.attribute("text:note-class").orElse(""),
                    n.attribute("style:num-format").orElse("1"))));
    return new Typesetting(
        t.tabDistance(),
        t.hyphenates(),
        t.textAtTableEdge(),
        t.expandsLastLines(),
        OdfLists.format(formats.getOrDefault("footnote", "1")),
        OdfLists.format(formats.getOrDefault("endnote", "i")),
        t.fonts());
  }

  private int depth() {
    return request.limits().depth();
  }

  private Optional<byte[]> bytes(String name) throws ReadProblem {
    return file == null ? Optional.empty() : file.bytes(name);
  }

  private Optional<Element> part(String name) throws ReadProblem {
    Optional<byte[]> b = bytes(name);
    return b.isEmpty() ? Optional.empty() : Optional.of(XmlParts.parse(b.get(), name, depth()));
  }

  private Element gathered(byte[] part, String parent) throws ReadProblem {
    var children = new ArrayList<Object>();
    XmlParts.children(part, "content.xml", parent, depth(), children::add);
    return new Element(parent, Map.of(), children);
  }

  private void fonts(Element declarations, Map<String, String> names, List<EmbeddedFont> brought)
      throws ReadProblem {
    for (Element f : declarations.elements("style:font-face").toList()) {
      String family = f.attribute("svg:font-family").map(OdfLooks::unquoted).orElse("");
      String name = f.attribute("style:name").orElse(family);
      names.putIfAbsent(name, family.isBlank() ? name : family);
      for (Element source :
          f.child("svg:font-face-src")
              .map(s -> s.elements("svg:font-face-uri").toList())
              .orElse(List.of())) {
        Optional<byte[]> bytes =
            bytes(source.attribute("xlink:href").orElse("").replaceFirst("^\\./", ""));
        if (bytes.isPresent()) {
          boolean bold =
              f.attribute("svg:font-weight").filter(w -> w.matches("bold|[6-9]00")).isPresent();
          boolean italic =
              f.attribute("svg:font-style").filter(s -> s.matches("italic|oblique")).isPresent();
          Media m = Media.of("font/ttf", bytes.get());
          if (FontTrial.serves(bytes.get())) {
            brought.add(new EmbeddedFont(names.get(name), bold, italic, m));
          }
        }
      }
    }
  }

  /** What it says of itself, by the names that the standard uses (§4.3). */
  private static Map<String, String> properties(Element part) {
    var out = new LinkedHashMap<String, String>();
    Optional<Element> meta = part.child("office:meta");
    for (Element e : meta.map(Element::elements).orElse(List.of())) {
      String name = e.name().substring(e.name().indexOf(':') + 1);
      switch (name) {
        case "document-statistic" ->
            e.attributes().forEach((k, v) -> out.put(k.substring(k.indexOf(':') + 1), v));
        case "keyword" -> out.merge("keywords", e.text().strip(), (a, b) -> a + ", " + b);
        case "user-defined" -> {}
        default -> {
          if (!e.text().isBlank()) {
            out.putIfAbsent(name, e.text().strip());
          }
        }
      }
    }
    return out;
  }

  private static Metadata metadata(OdfStyles styles, Map<String, String> p) {
    return new Metadata(
        p.getOrDefault("title", ""),
        p.getOrDefault("subject", ""),
        p.getOrDefault("initial-creator", p.getOrDefault("creator", "")),
        p.getOrDefault("keywords", ""),
        p.getOrDefault("language", styles.sheet().textDefaults().value(TextTraits.LANGUAGE)));
  }

  /** What we do not write ourselves: settings, objects, custom parts. */
  private List<KeptPart> keptParts(OdfShared shared) throws ReadProblem {
    var out = new ArrayList<KeptPart>();
    if (file == null) {
      return out;
    }
    if (!file.isLocked()) {
      out.addAll(SourceFile.of(FORMAT, request));
    }
    Map<String, String> types = file.types();
    for (String name : file.names()) {
      boolean ours =
          List.of("mimetype", "content.xml", "styles.xml", "meta.xml").contains(name)
              || name.startsWith("META-INF/")
              || name.startsWith("Thumbnails/")
              || name.startsWith("Pictures/") && shared.used.contains(name)
              || name.startsWith("ObjectReplacements/") && shared.used.contains(name)
              || name.startsWith("Fonts/");
      if (!ours) {
        out.add(
            new KeptPart(
                FORMAT, name, types.getOrDefault(name, ""), file.bytes(name).orElse(new byte[0])));
      }
    }
    // What a folder is, the manifest alone says: an object, mostly.
    types.forEach((name, type) -> {
      boolean kept = out.stream().anyMatch(k -> k.name().startsWith(name));
      if (name.endsWith("/") && name.length() > 1 && !type.isEmpty() && kept) {
        out.add(new KeptPart(FORMAT, name, type, new byte[0]));
      }
    });
    return out;
  }
}
