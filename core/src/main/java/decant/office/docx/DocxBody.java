package decant.office.docx;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Finding;
import decant.model.Inline;
import decant.model.Kept;
import decant.model.KeptBlock;
import decant.model.Link;
import decant.model.Look;
import decant.model.Media;
import decant.model.MediaId;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.Position;
import decant.model.StyleSheet;
import decant.model.Table;
import decant.model.TextTraits;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Blocks and inlines of one part: the body, a header, a footer, the notes. */
final class DocxBody {
  /** English Metric Units in a point (§20.1.2.1). */
  private static final double EMU = 12_700;

  /** Marks for programs; nothing on the page depends on them. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "w:proofErr",
          "w:lastRenderedPageBreak",
          "w:bookmarkEnd",
          "w:permStart",
          "w:permEnd",
          "w:rPr",
          "w:pPr",
          "w:footnoteRef",
          "w:endnoteRef",
          "w:separator",
          "w:continuationSeparator",
          "w:annotationRef",
          "w:softHyphen",
          "w:sdtPr",
          "w:sdtEndPr",
          "w:moveFromRangeStart",
          "w:moveFromRangeEnd",
          "w:moveToRangeStart",
          "w:moveToRangeEnd");

  /** What the parts of a document share. */
  static final class Shared {
    final Map<MediaId, Media> media = new LinkedHashMap<>();
    final Map<String, NodeId> footnotes = new HashMap<>();
    final Map<String, NodeId> endnotes = new HashMap<>();
    final List<Finding> findings = new ArrayList<>();

    /** Where pages broke when the file was written (w:lastRenderedPageBreak, §17.3.3.13). */
    final List<Position> breaks = new ArrayList<>();

    final Map<String, Integer> counted = new LinkedHashMap<>();
    StyleSheet styles = DocxStyles.none();
    DocxLooks looks = new DocxLooks(Theme.NONE);

    void find(Finding.Kind kind, Finding.Severity severity, String message, NodeId at) {
      // The same remark many times over is noise: the first few places stand for the rest.
      int n = counted.merge(message, 1, Integer::sum);
      if (n <= 20) {
        findings.add(Finding.of(kind, severity, message, at));
      }
    }
  }

  private final PackageFile file;
  private final Map<String, PackageFile.Relationship> relationships;
  private final Shared shared;

  DocxBody(PackageFile file, Map<String, PackageFile.Relationship> relationships, Shared shared) {
    this.file = file;
    this.relationships = relationships;
    this.shared = shared;
  }

  /** The blocks that an element of block level stands for; most stand for one. */
  List<Block> blocks(Element e) throws ReadProblem {
    return switch (e.name()) {
      case "w:p" -> new ParagraphReader().read(e);
      case "w:tbl" -> List.of(table(e));
      case "w:sdt" -> blocksOf(e.child("w:sdtContent"));
      case "w:customXml", "w:ins", "w:moveTo" -> blocksOf(Optional.of(e));
      case "mc:AlternateContent" -> blocksOf(e.child("mc:Choice").or(() -> e.child("mc:Fallback")));
      case "w:sectPr", "w:bookmarkStart" -> List.of();
      default -> {
        if (PASSED_OVER.contains(e.name())) {
          yield List.of();
        }
        var kept = new KeptBlock(NodeId.fresh(), new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
        shared.find(
            Finding.Kind.CONTENT_KEPT_UNSHOWN,
            Finding.Severity.NOTE,
            "Something that Decant does not show yet is kept and goes back into a DOCX ("
                + e.name()
                + ").",
            kept.id());
        yield List.of(kept);
      }
    };
  }

  private List<Block> blocksOf(Optional<Element> parent) throws ReadProblem {
    var out = new ArrayList<Block>();
    if (parent.isPresent()) {
      for (Element e : parent.get().elements()) {
        out.addAll(blocks(e));
      }
    }
    return out;
  }

  /** All blocks below an element; at least one paragraph, as cells and notes must have. */
  List<Block> content(Element parent) throws ReadProblem {
    List<Block> out = new ArrayList<>(blocksOf(Optional.of(parent)));
    if (out.stream().noneMatch(b -> b instanceof Paragraph)) {
      out.add(Paragraph.of(Look.PLAIN, ""));
    }
    return out;
  }

  private Table table(Element tbl) throws ReadProblem {
    return new DocxTables(shared.styles).read(tbl, this::content);
  }

  /** Reads one paragraph; fields may run across its runs. */
  private final class ParagraphReader {
    private final List<Inline> inlines = new ArrayList<>();
    private final List<Block> after = new ArrayList<>();
    private final List<String> bookmarks = new ArrayList<>();
    private final Deque<FieldState> fields = new ArrayDeque<>();
    private final NodeId id = NodeId.fresh();
    private Optional<Link> link = Optional.empty();

    /** A complex field that is open (§17.16.18). */
    private static final class FieldState {
      final StringBuilder instruction = new StringBuilder();
      final StringBuilder shown = new StringBuilder();
      boolean inResult;
      Optional<Link> outerLink = Optional.empty();
      Look look = Look.PLAIN;

      String name() {
        String[] words = instruction.toString().strip().split("\\s+", 2);
        return words[0].toUpperCase(java.util.Locale.ROOT);
      }
    }

    List<Block> read(Element p) throws ReadProblem {
      Optional<Element> pPr = p.child("w:pPr");
      Look look = pPr.map(shared.looks::paragraph).orElse(Look.PLAIN);
      Look end = pPr.flatMap(x -> x.child("w:rPr")).map(shared.looks::text).orElse(Look.PLAIN);
      inlines(p);
      while (!fields.isEmpty()) {
        closeField(); // a field that runs on into the next paragraph: its result is ordinary text
        // there
      }
      if (!bookmarks.isEmpty()) {
        look = look.with(ParagraphTraits.BOOKMARKS, List.copyOf(bookmarks));
      }
      var out = new ArrayList<Block>();
      out.add(new Paragraph(id, look, end, inlines));
      out.addAll(after);
      return out;
    }

    private void inlines(Element parent) throws ReadProblem {
      for (Element e : parent.elements()) {
        switch (e.name()) {
          case "w:r" -> run(e);
          case "w:hyperlink" -> hyperlink(e);
          case "w:ins", "w:moveTo", "w:smartTag", "w:customXml", "w:dir", "w:bdo" -> inlines(e);
          case "w:sdt" -> {
            Optional<Element> content = e.child("w:sdtContent");
            if (content.isPresent()) {
              inlines(content.get());
            }
          }
          case "w:fldSimple" -> simpleField(e);
          case "w:bookmarkStart" ->
              e.attribute("w:name").filter(n -> !n.equals("_GoBack")).ifPresent(bookmarks::add);
          case "mc:AlternateContent" -> {
            Optional<Element> chosen = e.child("mc:Choice").or(() -> e.child("mc:Fallback"));
            if (chosen.isPresent()) {
              inlines(chosen.get());
            }
          }
          case "m:oMath", "m:oMathPara" -> keep(e, e.text(), Look.PLAIN);
          case "w:del", "w:moveFrom" -> {
            keep(e, "", Look.PLAIN);
            shared.find(
                Finding.Kind.CONTENT_KEPT_UNSHOWN,
                Finding.Severity.NOTE,
                "A tracked deletion is not shown; it goes back into a DOCX.",
                id);
          }
          default -> {
            if (!PASSED_OVER.contains(e.name())) {
              keep(e, "", Look.PLAIN);
            }
          }
        }
      }
    }

    private void keep(Element e, String shown, Look look) {
      inlines.add(
          new Inline.KeptInline(new Kept(DocxLooks.FORMAT, XmlParts.write(e)), shown, look));
    }

    private void hyperlink(Element e) throws ReadProblem {
      Optional<Link> outer = link;
      Optional<Link> target =
          e.attribute("r:id")
              .map(relationships::get)
              .filter(r -> r.external())
              .<Link>map(r -> new Link.External(withAnchor(r.target(), e)))
              .or(() -> e.attribute("w:anchor").map(Link.Internal::new));
      link = target.or(() -> outer);
      inlines(e);
      link = outer;
    }

    private static String withAnchor(String uri, Element e) {
      return e.attribute("w:anchor")
          .filter(a -> !uri.contains("#"))
          .map(a -> uri + "#" + a)
          .orElse(uri);
    }

    private void run(Element r) throws ReadProblem {
      Look direct = r.child("w:rPr").map(shared.looks::text).orElse(Look.PLAIN);
      Look look = link.map(l -> direct.with(TextTraits.LINK, l)).orElse(direct);
      for (Element e : r.elements()) {
        switch (e.name()) {
          case "w:t" -> text(e.text(), look);
          case "w:tab", "w:ptab" -> text("\t", look);
          case "w:cr" -> text("\n", look);
          case "w:lastRenderedPageBreak" -> shared.breaks.add(new Position(id, length()));
          case "w:br" -> {
            switch (e.attribute("w:type").orElse("textWrapping")) {
              case "page" -> text("\f", look);
              case "column" -> text("\f", look);
              default -> text("\n", look);
            }
          }
          case "w:noBreakHyphen" -> text("\u2011", look);
          case "w:softHyphen" -> text("\u00AD", look);
          case "w:sym" -> text(symbol(e), look);
          case "w:fldChar" -> fieldChar(e, look);
          case "w:instrText" -> {
            if (!fields.isEmpty()) {
              fields.element().instruction.append(e.text());
            }
          }
          case "w:footnoteReference" -> note(e, shared.footnotes, look);
          case "w:endnoteReference" -> note(e, shared.endnotes, look);
          case "w:drawing" -> drawing(e, look);
          case "w:pict", "w:object" -> vml(e, look);
          case "mc:AlternateContent" -> {
            Optional<Element> chosen = e.child("mc:Choice").or(() -> e.child("mc:Fallback"));
            if (chosen.isPresent()) {
              for (Element c : chosen.get().elements()) {
                if (c.name().equals("w:drawing")) {
                  drawing(c, look);
                } else if (c.name().equals("w:pict")) {
                  vml(c, look);
                }
              }
            }
          }
          default -> {
            if (!PASSED_OVER.contains(e.name())) {
              keep(new Element("w:r", Map.of(), List.of(e)), "", look);
            }
          }
        }
      }
    }

    private int length() {
      return inlines.stream().mapToInt(Inline::length).sum();
    }

    private String symbol(Element e) {
      try {
        int c = Integer.parseInt(e.attribute("w:char").orElse("2022"), 16);
        // Symbol fonts put their signs in the private use area; without the font a bullet stands
        // for them.
        return Character.isValidCodePoint(c) && Character.getType(c) != Character.PRIVATE_USE
            ? Character.toString(c)
            : "\u2022";
      } catch (NumberFormatException x) {
        return "\u2022";
      }
    }

    private void text(String s, Look look) {
      if (s.isEmpty()) {
        return;
      }
      String clean = s.replaceAll("[\\p{Cc}&&[^\t\n\f]]", "");
      if (clean.isEmpty()) {
        return;
      }
      if (!fields.isEmpty()) {
        FieldState f = fields.element();
        if (!f.inResult) {
          return;
        }
        if (isComputed(f.name())) {
          f.shown.append(clean);
          f.look = look;
          return;
        }
      }
      inlines.add(new Inline.Text(clean, look));
    }

    private static boolean isComputed(String name) {
      return name.equals("PAGE")
          || name.equals("NUMPAGES")
          || name.equals("SECTIONPAGES")
          || name.equals("TITLE");
    }

    private void fieldChar(Element e, Look look) {
      switch (e.attribute("w:fldCharType").orElse("")) {
        case "begin" -> {
          var f = new FieldState();
          f.outerLink = link;
          f.look = look;
          fields.push(f);
        }
        case "separate" -> {
          if (!fields.isEmpty()) {
            FieldState f = fields.element();
            f.inResult = true;
            if (f.name().equals("HYPERLINK")) {
              link = hyperlinkOf(f.instruction.toString());
            }
          }
        }
        case "end" -> {
          if (!fields.isEmpty()) {
            closeField();
          }
        }
        default -> {}
      }
    }

    private void closeField() {
      FieldState f = fields.pop();
      link = f.outerLink;
      field(f.name(), f.shown.toString(), f.look);
    }

    private void field(String name, String shown, Look look) {
      switch (name) {
        case "PAGE" -> inlines.add(new Inline.Field(Inline.Field.Kind.PAGE, shown, look));
        case "NUMPAGES", "SECTIONPAGES" ->
            inlines.add(new Inline.Field(Inline.Field.Kind.PAGES, shown, look));
        case "TITLE" -> inlines.add(new Inline.Field(Inline.Field.Kind.TITLE, shown, look));
        case "HYPERLINK", "" -> {}
        default ->
            shared.find(
                Finding.Kind.LAYOUT_SIMPLIFIED,
                Finding.Severity.NOTE,
                "The result of a field ("
                    + name.toLowerCase(java.util.Locale.ROOT)
                    + ") is ordinary text now; it is no longer brought up to date.",
                id);
      }
    }

    private static Optional<Link> hyperlinkOf(String instruction) {
      var quoted = java.util.regex.Pattern.compile("\"([^\"]*)\"").matcher(instruction);
      boolean internal = instruction.contains("\\l");
      if (!quoted.find() || quoted.group(1).isBlank()) {
        return Optional.empty();
      }
      String target = quoted.group(1);
      return Optional.of(internal ? new Link.Internal(target) : new Link.External(target));
    }

    private void simpleField(Element e) throws ReadProblem {
      var f = new FieldState();
      f.instruction.append(e.attribute("w:instr").orElse(""));
      f.outerLink = link;
      f.inResult = true;
      fields.push(f);
      if (f.name().equals("HYPERLINK")) {
        link = hyperlinkOf(f.instruction.toString());
      }
      inlines(e);
      if (!fields.isEmpty()) {
        closeField();
      }
    }

    private void note(Element e, Map<String, NodeId> notes, Look look) {
      NodeId note = notes.get(e.attribute("w:id").orElse(""));
      if (note != null) {
        inlines.add(new Inline.NoteMark(note, look.without(TextTraits.RAISE)));
      }
    }

    private void drawing(Element e, Look look) throws ReadProblem {
      Optional<Element> frame = e.child("wp:inline").or(() -> e.child("wp:anchor"));
      if (frame.isEmpty()) {
        keep(new Element("w:r", Map.of(), List.of(e)), "", look);
        return;
      }
      boolean floating = frame.get().name().equals("wp:anchor");
      Optional<String> embed =
          frame.get().descendant("a:blip").flatMap(b -> b.attribute("r:embed"));
      Optional<Element> extent = frame.get().child("wp:extent");
      if (embed.isPresent() && extent.isPresent()) {
        double w = DocxLooks.number(extent.get().attribute("cx")).orElse(0.0) / EMU;
        double h = DocxLooks.number(extent.get().attribute("cy")).orElse(0.0) / EMU;
        String alt =
            frame
                .get()
                .child("wp:docPr")
                .flatMap(d -> d.attribute("descr").or(() -> d.attribute("title")))
                .orElse("");
        picture(embed.get(), w, h, alt, floating, e, look);
        return;
      }
      textBoxes(e, look);
    }

    private void vml(Element e, Look look) throws ReadProblem {
      Optional<Element> image = e.descendant("v:imagedata");
      Optional<String> embed = image.flatMap(i -> i.attribute("r:id"));
      Optional<Element> shape = e.descendant("v:shape");
      if (embed.isPresent() && shape.isPresent()) {
        String style = shape.get().attribute("style").orElse("");
        picture(
            embed.get(),
            cssPoints(style, "width"),
            cssPoints(style, "height"),
            shape.get().attribute("alt").orElse(""),
            style.contains("absolute"),
            e,
            look);
        return;
      }
      textBoxes(e, look);
    }

    private static double cssPoints(String style, String property) {
      var m =
          java.util.regex.Pattern.compile("(?:^|;)\\s*" + property + ":\\s*([0-9.]+)(pt|in|px)?")
              .matcher(style);
      if (!m.find()) {
        return 0;
      }
      double v = DocxLooks.number(Optional.of(m.group(1))).orElse(0.0);
      return "in".equals(m.group(2)) ? v * 72 : "px".equals(m.group(2)) ? v * 0.75 : v;
    }

    private void picture(
        String embed, double w, double h, String alt, boolean floating, Element raw, Look look)
        throws ReadProblem {
      PackageFile.Relationship r = relationships.get(embed);
      Optional<byte[]> bytes =
          r == null || r.external() ? Optional.empty() : file.bytes(r.target());
      if (bytes.isEmpty() || w <= 0 || h <= 0) {
        keep(new Element("w:r", Map.of(), List.of(raw)), "", look);
        shared.find(
            Finding.Kind.PICTURE_CHANGED,
            Finding.Severity.LOSS,
            "A picture is not in the file and cannot be shown.",
            id);
        return;
      }
      Media m = Media.of(file.contentType(r.target()), bytes.get());
      shared.media.put(m.id(), m);
      inlines.add(
          new Inline.Picture(
              m.id(),
              Math.min(w, 4000),
              Math.min(h, 4000),
              alt,
              Inline.Placement.INLINE,
              Optional.empty(),
              look));
      if (floating) {
        shared.find(
            Finding.Kind.LAYOUT_SIMPLIFIED,
            Finding.Severity.DOUBT,
            "A picture that text flowed around stands on a line of its own paragraph now.",
            id);
      }
      if (!m.type().equals("image/png")
          && !m.type().equals("image/jpeg")
          && !m.type().equals("image/gif")
          && !m.type().equals("image/bmp")) {
        shared.find(
            Finding.Kind.PICTURE_CHANGED,
            Finding.Severity.LOSS,
            "A picture of a kind that cannot be drawn yet ("
                + m.type()
                + ") shows as a blank; its bytes are kept.",
            id);
      }
    }

    private void textBoxes(Element e, Look look) throws ReadProblem {
      Optional<Element> box = e.descendant("w:txbxContent");
      if (box.isEmpty()) {
        keep(new Element("w:r", Map.of(), List.of(e)), "", look);
        shared.find(
            Finding.Kind.DRAWING_LEFT_OUT,
            Finding.Severity.LOSS,
            "A drawing is not shown; it goes back into a DOCX.",
            id);
        return;
      }
      after.addAll(content(box.get()));
      shared.find(
          Finding.Kind.LAYOUT_SIMPLIFIED,
          Finding.Severity.DOUBT,
          "The text of a text box stands below this paragraph now.",
          id);
    }
  }

  /** Something that gives the blocks of a cell. */
  interface CellContent {
    List<Block> of(Element cell) throws ReadProblem;
  }

  static Cell cellWithRowSpan(Cell c, int span) {
    return new Cell(c.id(), c.columnSpan(), span, c.look(), c.blocks());
  }
}
