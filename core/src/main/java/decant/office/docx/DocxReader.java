package decant.office.docx;

import decant.model.Block;
import decant.model.Document;
import decant.model.Finding;
import decant.model.KeptPart;
import decant.model.ListDefinition;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Particulars;
import decant.model.Section;
import decant.model.Story;
import decant.model.StyleSheet;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.FontsUsed;
import decant.reading.GlyphCoverage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads DOCX files. */
public final class DocxReader {
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
          ReadProblem.Kind.DAMAGED, "The file is damaged: its parts are nested without end.", e);
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
                    "This is a package, but there is no text document in it."));
    understood.add(main);
    Map<String, PackageFile.Relationship> relationships = file.relationships(main);
    Optional<Element> theme = related(relationships, "theme");
    shared.looks = new DocxLooks(theme.map(Theme::of).orElse(Theme.NONE));
    Optional<Element> styles = related(relationships, "styles");
    StyleSheet sheet =
        styles.map(s -> DocxStyles.read(s, shared.looks)).orElseGet(DocxStyles::none);
    shared.styles = sheet;
    Map<String, ListDefinition> lists =
        related(relationships, "numbering")
            .map(n -> DocxLists.read(n, shared.looks))
            .orElse(Map.of());
    Map<NodeId, Story> notes = notes(relationships);

    var sections = new Sections(relationships);
    var reader = new DocxBody(file, relationships, shared);
    int[] count = {0};
    XmlParts.children(
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
        });
    Map<String, String> properties = coreProperties();
    Document d =
        Document.of(
            particulars(sheet, properties),
            sheet,
            lists,
            sections.finish(),
            notes,
            shared.media,
            keptParts(main));
    if (!notes.isEmpty()) {
      shared.findings.add(
          Finding.general(
              Finding.Kind.NOTE_MOVED,
              Finding.Severity.NOTE,
              notes.size()
                  + (notes.size() == 1 ? " note stands" : " notes stand")
                  + " at the end of the document for now, not at the foot of the page."));
    }
    shared.findings.addAll(GlyphCoverage.of(d, FontBook.shipped()));
    return new TakenIn(d, shared.findings, origin(d, properties));
  }

  private Optional<Element> related(
      Map<String, PackageFile.Relationship> relationships, String type) throws ReadProblem {
    for (PackageFile.Relationship r : relationships.values()) {
      if (r.shortType().equals(type) && !r.external()) {
        Optional<byte[]> b = file.bytes(r.target());
        if (b.isPresent()) {
          if (!type.equals("theme")) {
            understood.add(r.target());
          }
          return Optional.of(XmlParts.parse(b.get(), r.target(), request.limits().depth()));
        }
      }
    }
    return Optional.empty();
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
      var reader = new DocxBody(file, file.relationships(r.get().target()), shared);
      for (Element note : part.get().elements()) {
        String kind = note.attribute("w:type").orElse("normal");
        Optional<String> id = note.attribute("w:id");
        if (kind.equals("normal") && id.isPresent()) {
          var story = new Story(NodeId.fresh(), reader.content(note));
          out.put(story.id(), story);
          (type.equals("footnotes") ? shared.footnotes : shared.endnotes).put(id.get(), story.id());
        }
      }
    }
    return out;
  }

  private static Particulars particulars(StyleSheet sheet, Map<String, String> core) {
    String language =
        core.getOrDefault("language", sheet.textDefaults().value(decant.model.TextTraits.LANGUAGE));
    return new Particulars(
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
          understood.contains(name)
              || name.equals("[Content_Types].xml")
              || name.startsWith("word/media/")
              || name.startsWith("docProps/")
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
    return main.equals("word/document.xml") ? out : List.of();
  }

  private TakenIn.Origin origin(Document d, Map<String, String> properties) {
    int pages =
        DocxLooks.number(Optional.ofNullable(properties.get("Pages")))
            .map(Double::intValue)
            .orElse(0);
    return new TakenIn.Origin(
        DocxLooks.FORMAT,
        pages,
        properties,
        FontsUsed.of(d, FontBook.shipped()),
        Map.of(),
        shared.breaks);
  }

  /**
   * Gathers blocks into sections; a section ends with the paragraph that carries its properties
   * (§17.6.17).
   */
  private final class Sections {
    private final Map<String, PackageFile.Relationship> relationships;
    private final List<Section> done = new ArrayList<>();
    private List<Block> blocks = new ArrayList<>();
    private Map<Section.Running, Story> running = Map.of();
    private boolean ended;

    Sections(Map<String, PackageFile.Relationship> relationships) {
      this.relationships = relationships;
    }

    void add(Element e, List<Block> read) throws ReadProblem {
      blocks.addAll(read);
      Optional<Element> properties =
          e.name().equals("w:sectPr")
              ? Optional.of(e)
              : e.child("w:pPr").flatMap(p -> p.child("w:sectPr"));
      if (properties.isPresent()) {
        end(properties.get());
        ended = e.name().equals("w:sectPr");
      }
    }

    private void end(Element sectPr) throws ReadProblem {
      running = running(sectPr);
      boolean continuous = sectPr.val("w:type").orElse("").equals("continuous");
      done.add(new Section(NodeId.fresh(), page(sectPr), continuous, running, blocks));
      int columns =
          DocxLooks.number(sectPr.child("w:cols").flatMap(c -> c.attribute("w:num")))
              .map(Double::intValue)
              .orElse(1);
      if (columns > 1) {
        shared.findings.add(
            Finding.general(
                Finding.Kind.LAYOUT_SIMPLIFIED,
                Finding.Severity.DOUBT,
                "A section of " + columns + " columns is set in one column for now."));
      }
      blocks = new ArrayList<>();
    }

    private PageSetup page(Element sectPr) {
      Optional<Element> size = sectPr.child("w:pgSz");
      Optional<Element> margins = sectPr.child("w:pgMar");
      PageSetup a4 = PageSetup.A4;
      double w = within(size, "w:w", a4.width());
      double h = within(size, "w:h", a4.height());
      return new PageSetup(
          Math.max(100, w),
          Math.max(100, h),
          Math.abs(within(margins, "w:top", a4.top())),
          within(margins, "w:right", a4.right()),
          Math.abs(within(margins, "w:bottom", a4.bottom())),
          within(margins, "w:left", a4.left()),
          within(margins, "w:header", a4.header()),
          within(margins, "w:footer", a4.footer()));
    }

    private static double within(Optional<Element> e, String name, double otherwise) {
      return e.flatMap(x -> DocxLooks.twips(x.attribute(name)))
          .map(v -> Math.clamp(v, -1000.0, 14_400.0))
          .orElse(otherwise);
    }

    /** Headers and footers; one not given is the section's before (§17.10.5). */
    private Map<Section.Running, Story> running(Element sectPr) throws ReadProblem {
      var out = new LinkedHashMap<>(running);
      boolean titlePage = sectPr.child("w:titlePg").filter(DocxLooks::on).isPresent();
      for (Element e : sectPr.elements()) {
        boolean header = e.name().equals("w:headerReference");
        if (!header && !e.name().equals("w:footerReference")) {
          continue;
        }
        PackageFile.Relationship r = relationships.get(e.attribute("r:id").orElse(""));
        Optional<byte[]> part = r == null ? Optional.empty() : file.bytes(r.target());
        if (part.isEmpty()) {
          continue;
        }
        understood.add(r.target());
        Element root = XmlParts.parse(part.get(), r.target(), request.limits().depth());
        var story =
            new Story(
                NodeId.fresh(),
                new DocxBody(file, file.relationships(r.target()), shared).content(root));
        switch (e.attribute("w:type").orElse("default")) {
          case "first" -> {
            if (titlePage) {
              out.put(header ? Section.Running.HEADER_FIRST : Section.Running.FOOTER_FIRST, story);
            }
          }
          case "even" -> {
            if (evenAndOdd()) {
              out.put(header ? Section.Running.HEADER_EVEN : Section.Running.FOOTER_EVEN, story);
            }
          }
          default -> out.put(header ? Section.Running.HEADER : Section.Running.FOOTER, story);
        }
      }
      if (!titlePage) {
        out.remove(Section.Running.HEADER_FIRST);
        out.remove(Section.Running.FOOTER_FIRST);
      }
      return out;
    }

    private boolean evenAndOdd() throws ReadProblem {
      for (PackageFile.Relationship r : relationships.values()) {
        if (r.shortType().equals("settings")) {
          Optional<byte[]> b = file.bytes(r.target());
          return b.isPresent()
              && XmlParts.parse(b.get(), r.target(), request.limits().depth())
                  .child("w:evenAndOddHeaders")
                  .filter(DocxLooks::on)
                  .isPresent();
        }
      }
      return false;
    }

    List<Section> finish() {
      if (!ended || done.isEmpty()) {
        done.add(new Section(NodeId.fresh(), PageSetup.A4, false, running, blocks));
      } else if (!blocks.isEmpty()) {
        Section last = done.removeLast();
        var all = new ArrayList<>(last.blocks());
        all.addAll(blocks);
        done.add(last.withBlocks(all));
      }
      Section last = done.getLast();
      if (done.stream().allMatch(s -> s.blocks().stream().noneMatch(b -> b instanceof Paragraph))) {
        var all = new ArrayList<>(last.blocks());
        all.add(Paragraph.of(Look.PLAIN, ""));
        done.set(done.size() - 1, last.withBlocks(all));
      }
      return done;
    }
  }
}
