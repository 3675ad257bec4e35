package decant.office.docx;

import decant.model.AttachedFile;
import decant.model.Document;
import decant.model.KeptPart;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.ListDefinition;
import decant.model.look.StyleSheet;
import decant.office.docx.markup.Attachments;
import decant.office.docx.markup.Comments;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Theme;
import decant.office.source.SourceFile;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.DocumentFindings;
import decant.reading.FontsUsed;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads DOCX files. */
public final class DocxReader {
  private static final Words WORDS = Words.of(DocxReader.class);

  /** What a file says of itself goes back, as far as we do not say it ourselves. */
  private static final Set<String> KEPT_PROPERTIES =
      Set.of("docProps/core.xml", "docProps/app.xml", "docProps/custom.xml");

  private final PackageFile file;
  private final ReadRequest request;
  private final DocxBody.Shared shared = new DocxBody.Shared();
  private final Set<String> understood = new HashSet<>();

  private DocxReader(PackageFile file, ReadRequest request) {
    this.file = file;
    this.request = request;
  }

  /** Takes a file in. @throws ReadProblem if it is no DOCX, or too damaged to be one */
  public static TakenIn read(ReadRequest request) throws ReadProblem {
    try (PackageFile file = PackageFile.open(request.file(), request.limits())) {
      return new DocxReader(file, request).run();
    } catch (StackOverflowError e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED, WORDS.say("docx-reader.the-file-is-damaged-its"), e);
    }
  }

  private TakenIn run() throws ReadProblem {
    String main =
        file.relationships("").values().stream()
            .filter(r -> r.shortType().equals("officeDocument"))
            .map(PackageFile.Relationship::target)
            .findFirst()
            .orElse("word/document.xml");
    byte[] body =
        file.bytes(main)
            .orElseThrow(() ->
                new ReadProblem(
                    ReadProblem.Kind.NOT_A_DOCUMENT,
                    WORDS.say("docx-reader.this-is-a-package-but")));
    understood.add(main);
    Map<String, PackageFile.Relationship> relationships = file.relationships(main);
    shared.theme = related(relationships, "theme").map(Theme::of).orElse(Theme.NONE);
    shared.looks = new DocxLooks(shared.theme);
    Optional<Element> said = related(relationships, "settings");
    DocxSettings settings = said.map(DocxSettings::read).orElse(DocxSettings.NONE);
    said.ifPresent(
        s -> DocxSettings.restrictions(s).forEach(r -> shared.findings.add(r.finding())));
    Optional<Element> numbering = related(relationships, "numbering");
    Optional<Element> styles = related(relationships, "styles");
    StyleSheet sheet =
        styles
            .map(s ->
                DocxStyles.read(
                    s,
                    shared.looks,
                    numbering.map(n -> DocxLists.styleLevels(n, shared.looks)).orElse(Map.of())))
            .orElseGet(DocxStyles::none)
            .withTypesetting(
                settings
                    .typesetting()
                    .withFonts(
                        new EmbeddedFonts(file, shared)
                            .read(relationships, request.limits().depth())));
    shared.styles = sheet;
    shared.tableStyles = new TableStyles(styles, shared.looks);
    Map<String, ListDefinition> lists =
        numbering.map(n -> DocxLists.read(n, shared.looks)).orElse(Map.of());
    shared.comments = comments(relationships);
    Map<NodeId, Story> notes = notes(relationships);

    var sections =
        new DocxSections(
            file,
            relationships,
            shared,
            settings,
            background(body, main, settings),
            request.limits().depth());
    var reader = new DocxBody(file, relationships, shared);
    int[] count = {0};
    XmlParts.body(
        body,
        main,
        "w:body",
        request.limits().depth(),
        e -> {
          if (++count[0] % 200 == 0) {
            request.checkpoint();
            request.progress().at(count[0], 0);
          }
          sections.add(e, reader.blocks(e));
          shared.text.after(e);
          shared.text.forget();
        });
    shared.text.finding().ifPresent(shared.findings::add);
    understood.addAll(sections.parts());
    // Notes come first, in the order of their part; what shapes hold comes after them.
    notes.putAll(shared.stories);
    Map<String, String> properties = coreProperties();
    List<AttachedFile> attached = Attachments.read(file, understood, request.limits().depth());
    Document d =
        Document.of(
                metadata(sheet, properties),
                sheet,
                lists,
                sections.finish(),
                shared.notes.labelled(notes),
                shared.media,
                keptParts(main))
            .withAttachments(attached);
    FontBook fonts = ReadingFonts.of(sheet.typesetting().fonts());
    shared.findings.addAll(DocumentFindings.of(d, fonts));
    return new TakenIn(d, shared.findings, origin(d, properties, fonts));
  }

  private Optional<Element> related(
      Map<String, PackageFile.Relationship> relationships, String type) throws ReadProblem {
    for (PackageFile.Relationship r : relationships.values()) {
      if (r.shortType().equals(type) && !r.external()) {
        Optional<byte[]> b = file.bytes(r.target());
        if (b.isPresent()) {
          if (!type.equals("theme") && !type.equals("settings")) {
            understood.add(r.target());
          }
          return Optional.of(XmlParts.parse(b.get(), r.target(), request.limits().depth()));
        }
      }
    }
    return Optional.empty();
  }

  private Comments comments(Map<String, PackageFile.Relationship> relationships)
      throws ReadProblem {
    Optional<Element> part = related(relationships, "comments");
    if (part.isEmpty()) {
      return Comments.NONE;
    }
    boolean alone =
        relationships.values().stream()
            .map(PackageFile.Relationship::shortType)
            .noneMatch(t -> t.startsWith("comments") && !t.equals("comments"));
    Comments all = Comments.of(part.get(), alone);
    if (!all.isPlain()) {
      relationships.values().stream()
          .filter(r -> r.shortType().equals("comments"))
          .forEach(r -> understood.remove(r.target()));
    }
    return all;
  }

  private Map<NodeId, Story> notes(Map<String, PackageFile.Relationship> relationships)
      throws ReadProblem {
    var out = new LinkedHashMap<NodeId, Story>();
    for (String type : List.of("footnotes", "endnotes")) {
      Optional<Element> part = related(relationships, type);
      Optional<PackageFile.Relationship> r =
          relationships.values().stream().filter(x -> x.shortType().equals(type)).findFirst();
      if (part.isEmpty() || r.isEmpty()) {
        continue;
      }
      Map<String, PackageFile.Relationship> own = file.relationships(r.get().target());
      for (Element note : part.get().elements()) {
        String kind = note.attribute("w:type").orElse("normal");
        Optional<String> id = note.attribute("w:id");
        if (kind.equals("normal") && id.isPresent()) {
          boolean foot = type.equals("footnotes");
          NodeId node = NodeId.fresh();
          var reader = new DocxBody(file, own, shared, Optional.of(node));
          out.put(
              node,
              new Story(
                  node, foot ? Story.Kind.FOOTNOTE : Story.Kind.ENDNOTE, reader.content(note)));
          shared.text.after(note);
          shared.notes.known(foot ? Story.Kind.FOOTNOTE : Story.Kind.ENDNOTE, id.get(), node);
        }
      }
    }
    return out;
  }

  private static Metadata metadata(StyleSheet sheet, Map<String, String> core) {
    String language =
        core.getOrDefault(
            "language", sheet.textDefaults().value(decant.model.look.TextTraits.LANGUAGE));
    return new Metadata(
        core.getOrDefault("title", ""),
        core.getOrDefault("subject", ""),
        core.getOrDefault("creator", ""),
        core.getOrDefault("keywords", ""),
        language);
  }

  private Map<String, String> coreProperties() throws ReadProblem {
    var out = new LinkedHashMap<String, String>();
    for (PackageFile.Relationship r : file.relationships("").values()) {
      boolean properties =
          r.shortType().equals("core-properties") || r.shortType().equals("extended-properties");
      if (properties) {
        understood.add(r.target());
        Optional<byte[]> b = file.bytes(r.target());
        if (b.isPresent()) {
          for (Element e :
              XmlParts.parse(b.get(), r.target(), request.limits().depth()).elements()) {
            String name = e.name().substring(e.name().indexOf(':') + 1);
            if (!e.text().isBlank() && e.elements().isEmpty()) {
              out.putIfAbsent(name, e.text().strip());
            }
          }
        }
      }
    }
    return out;
  }

  /**
   * What we do not write ourselves: themes, settings, comments, custom parts, with the
   * relationships to them.
   */
  private List<KeptPart> keptParts(String main) throws ReadProblem {
    var out = new ArrayList<KeptPart>();
    for (String name : file.names()) {
      boolean ours =
          understood.contains(name) && !KEPT_PROPERTIES.contains(name)
              || name.equals("[Content_Types].xml")
              || name.startsWith("word/media/") && !shared.keptTargets.contains(name)
              || name.startsWith("docProps/") && !KEPT_PROPERTIES.contains(name)
              || name.equals("_rels/.rels");
      if (!ours) {
        out.add(
            new KeptPart(
                DocxLooks.FORMAT,
                name,
                file.contentType(name),
                file.bytes(name).orElse(new byte[0])));
      }
    }
    if (!file.unsafe().isEmpty()) {
      shared.findings.add(
          Finding.general(
              Finding.Kind.CONTENT_LEFT_OUT,
              Finding.Severity.LOSS,
              WORDS.count("docx-reader.unsafe-names", file.unsafe().size())));
    }
    if (!main.equals("word/document.xml")) {
      out.clear();
    }
    out.addAll(SourceFile.of(DocxLooks.FORMAT, request));
    return out;
  }

  private TakenIn.Origin origin(Document d, Map<String, String> properties, FontBook fonts) {
    int pages =
        DocxLooks.number(Optional.ofNullable(properties.get("Pages")))
            .map(Double::intValue)
            .orElse(0);
    return new TakenIn.Origin(
        DocxLooks.FORMAT, pages, properties, FontsUsed.of(d, fonts), Map.of(), shared.breaks);
  }

  /** The colour behind all pages, if the document shows one (§17.2.1). */
  private Optional<Colour> background(byte[] body, String main, DocxSettings settings)
      throws ReadProblem {
    if (!settings.background()) {
      return Optional.empty();
    }
    var found = new ArrayList<Colour>();
    XmlParts.children(
        body,
        main,
        "w:document",
        request.limits().depth(),
        e -> {
          if (e.name().equals("w:background")) {
            e.attribute("w:color").flatMap(DocxLooks::hex).ifPresent(found::add);
          }
        });
    return found.stream().findFirst();
  }
}
