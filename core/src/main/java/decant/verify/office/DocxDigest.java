package decant.verify.office;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.w3c.dom.Element;

/**
 * The digest of a DOCX, taken from the parts of its package by what ISO/IEC 29500-1 says of them.
 * Shares nothing with the reader and the writer of the format.
 */
final class DocxDigest {
  private static final String MATH = "http://schemas.openxmlformats.org/officeDocument/2006/math";

  private record Field(StringBuilder instruction, boolean[] inResult) {}

  private final Package parts;
  private final String main;
  private final StyleDigest styles;
  private final CountedLabels ofBoxes;

  /** Of the text that is read: the flow, all boxes, or one note or header. */
  private CountedLabels labels;

  private final Map<String, Element> footnotes;
  private final Map<String, Element> endnotes;
  private final Deque<Field> fields = new ArrayDeque<>();
  private String part;
  private Map<String, Package.Target> targets;

  private DocxDigest(Package parts) throws IOException {
    this.parts = parts;
    this.main = parts.related("", "officeDocument").orElse("");
    this.part = main;
    this.targets = parts.relationships(main);
    this.styles = StyleDigest.of(root("styles").orElse(null), themed());
    this.evenApart =
        root("settings")
            .map(r -> Docx.child(r, "evenAndOddHeaders"))
            .filter(e -> Docx.on(Docx.value(e, "val"), "1"))
            .isPresent();
    this.labels = new CountedLabels(root("numbering").map(DocxLabels::of).orElseGet(Map::of));
    this.ofBoxes = labels.afresh();
    this.footnotes = notes("footnotes");
    this.endnotes = notes("endnotes");
  }

  private Map<String, String> themed() throws IOException {
    var out = new HashMap<String, String>();
    Element fonts =
        root("theme")
            .map(t -> Docx.child(Docx.child(t, "themeElements"), "fontScheme"))
            .orElse(null);
    for (String which : List.of("major", "minor")) {
      String face = Docx.value(Docx.child(Docx.child(fonts, which + "Font"), "latin"), "typeface");
      if (!face.isBlank()) {
        out.put(which, face);
      }
    }
    return out;
  }

  private java.util.Optional<Element> root(String kind) throws IOException {
    var name = parts.related(main, kind);
    return name.isEmpty() ? java.util.Optional.empty() : parts.xml(name.get());
  }

  private Map<String, Element> notes(String kind) throws IOException {
    var out = new HashMap<String, Element>();
    root(kind)
        .ifPresent(r ->
            Package.children(r).stream()
                .filter(n -> Docx.value(n, "type").matches("|normal"))
                .forEach(n -> out.put(Docx.value(n, "id"), n)));
    return out;
  }

  /** Opens a file. @throws IOException if it is none, or a part of it that is needed is missing */
  static DocxDigest open(Path file) throws IOException {
    return new DocxDigest(Package.open(file));
  }

  /** What the file holds. @throws IOException if a part is no XML */
  Digest digest() throws IOException {
    var out = new Digest.Builder();
    Element body = Docx.child(parts.xml(main).orElseThrow(() -> new IOException(main)), "body");
    if (body == null) {
      throw new IOException("no body");
    }
    blocks(body, out);
    if (Docx.child(body, "sectPr") == null) {
      out.sheet(Sheet.A4);
    }
    root("comments")
        .ifPresent(r ->
            Package.children(r).stream()
                .map(c -> Docx.value(c, "author") + ": " + DocumentDigest.squeezed(Docx.words(c)))
                .sorted()
                .forEach(c -> out.add(Aspect.COMMENTS, c)));
    return out.digest();
  }

  private int section = 1;

  private void blocks(Element parent, Digest.Builder out) throws IOException {
    for (Element e : Package.children(parent)) {
      switch (e.getLocalName()) {
        case "p" -> paragraph(e, out);
        case "tbl" -> table(e, out);
        case "sdt" -> {
          Element content = Docx.child(e, "sdtContent");
          if (content != null) {
            blocks(content, out);
          }
        }
        case "customXml", "smartTag", "ins", "moveTo" -> blocks(e, out);
        case "sectPr" -> running(e, out);
        default -> {}
      }
    }
  }

  private final boolean evenApart;
  private final Map<String, String> inForce = new HashMap<>();

  /**
   * The running texts of a section: those that it refers to, or else those of the section before it
   * (§17.10.5 and §17.10.2), as far as it has pages for them (§17.10.6 and §17.10.1).
   */
  private void running(Element properties, Digest.Builder out) throws IOException {
    var lines = new LinkedHashSet<String>();
    Element first = Docx.child(properties, "titlePg");
    boolean firstApart = first != null && Docx.on(Docx.value(first, "val"), "1");
    for (String side : List.of("header", "footer")) {
      for (String kind : List.of("default", "first", "even")) {
        for (Element e : Package.children(properties)) {
          String type = Docx.value(e, "type");
          Package.Target t = targets.get(Docx.value(e, "id"));
          if (e.getLocalName().equals(side + "Reference")
              && t != null
              && (type.isEmpty() ? "default" : type).equals(kind)) {
            inForce.put(side + kind, t.to());
          }
        }
        String part = inForce.get(side + kind);
        boolean shown = kind.equals("default") || (kind.equals("first") ? firstApart : evenApart);
        if (part == null || !shown) {
          continue;
        }
        var apart = new Digest.Builder();
        inPart(part, root -> blocks(root, apart));
        if (!apart.line().isEmpty()) {
          lines.add(side + " of section " + section + ": " + apart.line());
        }
      }
    }
    lines.forEach(l -> out.add(Aspect.RUNNING, l));
    out.sheet(Docx.sheet(Docx.child(properties, "pgSz")));
    section++;
  }

  private interface Walk {
    void of(Element root) throws IOException;
  }

  private void inPart(String name, Walk walk) throws IOException {
    String outer = part;
    Map<String, Package.Target> outerTargets = targets;
    part = name;
    targets = parts.relationships(name);
    var root = parts.xml(name);
    if (root.isPresent()) {
      CountedLabels around = labels;
      labels = around.afresh();
      apart(root.get(), walk);
      labels = around;
    }
    part = outer;
    targets = outerTargets;
  }

  /** Fields end with the text that they stand in. */
  private void apart(Element root, Walk walk) throws IOException {
    var outer = new ArrayDeque<>(fields);
    fields.clear();
    walk.of(root);
    fields.clear();
    fields.addAll(outer);
  }

  private Map<String, String> paragraph = Map.of();

  private void paragraph(Element p, Digest.Builder out) throws IOException {
    Map<String, String> outer = paragraph;
    paragraph = StyleDigest.paragraph(Docx.child(p, "pPr"));
    inlines(p, "", out);
    String level = styles.of(paragraph, "level");
    int heading = level.isEmpty() ? 0 : (int) Docx.number(level) + 1;
    String list = styles.of(paragraph, "list");
    String label =
        list.isEmpty() || list.equals("0")
            ? ""
            : labels.next(list, (int) Docx.number(styles.of(paragraph, "depth")));
    out.end(heading > 9 ? 0 : heading, label);
    Element section = Docx.child(Docx.child(p, "pPr"), "sectPr");
    if (section != null) {
      running(section, out);
    }
    paragraph = outer;
  }

  private void inlines(Element parent, String link, Digest.Builder out) throws IOException {
    for (Element e : Package.children(parent)) {
      if (MATH.equals(e.getNamespaceURI())) {
        if (takesText()) {
          out.text(e.getTextContent(), TextLook.NONE, link);
        }
        continue;
      }
      switch (e.getLocalName()) {
        case "r" -> run(e, link, out);
        case "hyperlink" -> inlines(e, target(e, link), out);
        case "ins", "moveTo" -> {
          out.putIn(Docx.value(e, "author"));
          inlines(e, link, out);
          out.putInEnds();
        }
        case "del", "moveFrom" -> out.takenAway(Docx.value(e, "author"), Docx.deleted(e));
        case "smartTag", "customXml", "dir", "bdo" -> inlines(e, link, out);
        case "sdt" -> {
          Element content = Docx.child(e, "sdtContent");
          if (content != null) {
            inlines(content, link, out);
          }
        }
        case "fldSimple" -> {
          fields.push(new Field(new StringBuilder(Docx.value(e, "instr")), new boolean[] {false}));
          separate(out);
          inlines(e, link, out);
          fields.poll();
        }
        case "AlternateContent" -> inlines(chosen(e), link, out);
        default -> plain(e, link, out);
      }
    }
  }

  /** The text of an element that this reader does not know, without its looks. */
  private void plain(Element e, String link, Digest.Builder out) {
    String text = Docx.plain(e);
    if (!text.isEmpty() && takesText()) {
      out.text(text, TextLook.NONE, link);
    }
  }

  private String target(Element link, String outer) {
    String anchor = Docx.value(link, "anchor");
    Package.Target t = targets.get(Docx.value(link, "id"));
    if (t != null) {
      return t.to() + (anchor.isEmpty() || t.to().contains("#") ? "" : "#" + anchor);
    }
    return anchor.isEmpty() ? outer : "#" + anchor;
  }

  private static Element chosen(Element alternates) {
    Element fallback = Docx.child(alternates, "Fallback");
    for (Element c : Package.children(alternates)) {
      boolean read =
          c.getLocalName().equals("Choice")
              && (c.getAttribute("Requires").matches("\\s*((wps|wpg|wp14|w14|w15|a14)\\s*)*")
                  || fallback == null
                  || Package.children(fallback).isEmpty());
      if (read) {
        return c;
      }
    }
    return fallback != null ? fallback : alternates;
  }

  private boolean takesText() {
    for (Field f : fields) {
      boolean shown =
          f.inResult()[0] && DocumentDigest.computes(f.instruction().toString()).isEmpty();
      if (!shown) {
        return false;
      }
    }
    return true;
  }

  private void separate(Digest.Builder out) {
    Field f = fields.peek();
    if (f == null) {
      return;
    }
    fields.pop();
    boolean outside = takesText();
    fields.push(f);
    f.inResult()[0] = true;
    String computes = DocumentDigest.computes(f.instruction().toString());
    if (outside && !computes.isEmpty()) {
      out.field(computes);
    }
  }

  /** A field need not have a result (ISO/IEC 29500-1 §17.16.18): what it computes stands there. */
  private void ended(Digest.Builder out) {
    Field f = fields.peek();
    if (f != null && !f.inResult()[0]) {
      separate(out);
    }
    fields.poll();
  }

  private void run(Element r, String link, Digest.Builder out) throws IOException {
    Map<String, String> own = StyleDigest.properties(Docx.child(r, "rPr"));
    TextLook look = styles.look(paragraph, own);
    for (Element e : Package.children(r)) {
      String text =
          switch (e.getLocalName()) {
            case "t" -> e.getTextContent();
            case "tab" -> "\t";
            case "br" -> Docx.value(e, "type").matches("|textWrapping") ? "\n" : "";
            case "softHyphen" -> "\u00AD";
            case "noBreakHyphen" -> "\u2011";
            default -> "";
          };
      if (!text.isEmpty() && takesText()) {
        out.text(text, look, link);
      }
      switch (e.getLocalName()) {
        case "fldChar" -> {
          switch (Docx.value(e, "fldCharType")) {
            case "begin" -> fields.push(new Field(new StringBuilder(), new boolean[] {false}));
            case "separate" -> separate(out);
            default -> ended(out);
          }
        }
        case "instrText" -> {
          if (!fields.isEmpty()) {
            fields.element().instruction().append(e.getTextContent());
          }
        }
        case "footnoteReference" -> note(footnotes, "footnote", e, out);
        case "endnoteReference" -> note(endnotes, "endnote", e, out);
        case "drawing", "pict", "object" -> drawing(e, out);
        case "AlternateContent" -> {
          for (Element c : Package.children(chosen(e))) {
            drawing(c, out);
          }
        }
        case "t", "tab", "rPr" -> {}
        default -> plain(e, link, out);
      }
    }
  }

  private void note(Map<String, Element> notes, String kind, Element mark, Digest.Builder out)
      throws IOException {
    Element note = notes.get(Docx.value(mark, "id"));
    if (note == null) {
      return;
    }
    var apart = new Digest.Builder();
    inPart(parts.related(main, kind + "s").orElse(""), root -> blocks(note, apart));
    out.add(Aspect.NOTES, kind + ": " + apart.line());
    out.takeObjects(apart);
  }

  /** Pictures and text boxes at any depth of a drawing (§20.4, and part 4 §19.1 for older ones). */
  private void drawing(Element e, Digest.Builder out) throws IOException {
    switch (e.getLocalName()) {
      case "blip" -> picture(Docx.value(e, "embed"), size(e), out);
      case "imagedata" -> picture(Docx.value(e, "id"), "", out);
      case "AlternateContent" -> drawing(chosen(e), out);
      case "txbxContent" -> {
        var apart = new Digest.Builder();
        CountedLabels outer = labels;
        labels = ofBoxes;
        apart(e, box -> blocks(box, apart));
        labels = outer;
        if (!apart.line().isEmpty()) {
          out.add(Aspect.BOXES, apart.line());
        }
        out.takeObjects(apart);
      }
      default -> {
        for (Element c : Package.children(e)) {
          drawing(c, out);
        }
      }
    }
  }

  /** The extent of a drawing that is one picture; empty for parts of others. */
  private static String size(Element blip) {
    if (!(blip.getParentNode() instanceof Element fill)
        || !(fill.getParentNode() instanceof Element pic)
        || !pic.getLocalName().equals("pic")
        || !(pic.getParentNode() instanceof Element data)
        || !data.getLocalName().equals("graphicData")
        || !(data.getParentNode() instanceof Element graphic)
        || !(graphic.getParentNode() instanceof Element holder)) {
      return "";
    }
    Element extent = Docx.child(holder, "extent");
    return " " + Docx.value(extent, "cx") + "×" + Docx.value(extent, "cy");
  }

  private void picture(String id, String size, Digest.Builder out) {
    Package.Target t = targets.get(id);
    byte[] bytes = t == null ? null : parts.part(t.to());
    if (bytes != null) {
      out.add(Aspect.PICTURES, Digest.name(bytes) + size);
    }
  }

  private void table(Element tbl, Digest.Builder out) throws IOException {
    var rows = new ArrayList<List<DocxGrid.Placed>>();
    DocxGrid.rows(tbl, rows);
    for (int r = 0; r < rows.size(); r++) {
      var row = new StringBuilder("row " + (r + 1) + ":");
      for (DocxGrid.Placed c : rows.get(r)) {
        if (!c.merge().equals("continue")) {
          DocumentDigest.cell(row, c.column(), c.wide(), DocxGrid.high(rows, r, c));
        }
      }
      out.add(Aspect.TABLES, row.toString());
    }
    for (List<DocxGrid.Placed> row : rows) {
      for (DocxGrid.Placed c : row) {
        blocks(c.cell(), out);
      }
    }
  }
}
