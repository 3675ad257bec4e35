package decant.verify.office;

import decant.picture.PictureTypes;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.Text;

/**
 * The digest of an ODT, taken from the parts of its package by what ODF 1.3 says of them. Shares
 * nothing with the reader and the writer of the format.
 */
final class OdtDigest {
  private final Package parts;
  private final Map<String, Element> masters = new LinkedHashMap<>();
  private final Map<String, Element> layouts = new HashMap<>();
  private final OdtStyles ofText = new OdtStyles();
  private final OdtStyles ofPages = new OdtStyles();
  private final OdtLabels inBoxes = new OdtLabels(ofText);

  private OdtStyles styles = ofText;
  private OdtLabels labels = new OdtLabels(ofText);
  private final Map<String, Element> regions = new HashMap<>();
  private final Map<String, Element> controls = new HashMap<>();
  private int section;
  private boolean spaced;

  private OdtDigest(Package parts) throws IOException {
    this.parts = parts;
    Element common = parts.xml("styles.xml").orElseThrow(() -> new IOException("no styles"));
    ofText.add(common);
    ofPages.add(common);
    for (Element group : Package.children(common)) {
      if (group.getLocalName().equals("master-styles")) {
        Package.children(group).forEach(m -> masters.put(Docx.value(m, "name"), m));
      } else if (group.getLocalName().equals("automatic-styles")) {
        Package.children(group).stream()
            .filter(e -> e.getLocalName().equals("page-layout"))
            .forEach(e -> layouts.put(Docx.value(e, "name"), e));
      }
    }
  }

  /** What a file holds. @throws IOException if it is none, or a part that is needed is missing */
  static Digest of(Path file) throws IOException {
    Package parts = Package.open(file);
    var d = new OdtDigest(parts);
    Element content = parts.xml("content.xml").orElseThrow(() -> new IOException("no content"));
    d.ofText.add(content);
    var out = new Digest.Builder();
    Element text = Docx.child(Docx.child(content, "body"), "text");
    if (text == null) {
      throw new IOException("no text");
    }
    Element forms = Docx.child(text, "forms");
    if (forms != null) {
      d.controls(forms);
    }
    Element told = Docx.child(text, "tracked-changes");
    if (told != null) {
      Package.children(told).forEach(d::region);
    }
    d.blocks(text, out);
    var comments = new ArrayList<String>();
    comments(text, comments);
    comments.stream().sorted().forEach(c -> out.add(Aspect.COMMENTS, c));
    return out.digest();
  }

  private void region(Element region) {
    Package.children(region).stream()
        .findFirst()
        .ifPresent(change -> regions.put(Docx.value(region, "id"), change));
  }

  /** Changes that wait to be accepted, by their marks (§5.5.7). */
  private void changed(Element mark, Digest.Builder out) {
    Element change = regions.get(Docx.value(mark, "change-id"));
    if (change == null) {
      return;
    }
    Element info = Docx.child(change, "change-info");
    Element creator = info == null ? null : Docx.child(info, "creator");
    String by = creator == null ? "" : creator.getTextContent();
    boolean deletion = change.getLocalName().equals("deletion");
    switch (mark.getLocalName()) {
      case "change" -> {
        if (deletion) {
          var words = new StringBuilder();
          Package.children(change).stream()
              .filter(c -> c != info)
              .forEach(c -> words.append(c.getTextContent()));
          out.takenAway(by, words.toString());
        }
      }
      case "change-start" -> {
        if (change.getLocalName().equals("insertion")) {
          out.putIn(by);
        }
      }
      default -> {
        if (change.getLocalName().equals("insertion")) {
          out.putInEnds();
        }
      }
    }
  }

  private static void comments(Element parent, List<String> out) {
    for (Element e : Package.children(parent)) {
      if (e.getLocalName().equals("annotation")) {
        Element by = Docx.child(e, "creator");
        var words = new StringBuilder();
        for (Element p : Package.children(e)) {
          if (p.getLocalName().equals("p")) {
            words.append(p.getTextContent()).append(' ');
          }
        }
        out.add(
            (by == null ? "" : by.getTextContent())
                + ": "
                + DocumentDigest.squeezed(words.toString()));
      } else {
        comments(e, out);
      }
    }
  }

  private void blocks(Element parent, Digest.Builder out) throws IOException {
    for (Element e : Package.children(parent)) {
      switch (e.getLocalName()) {
        case "p", "h" -> paragraph(e, "", out);
        case "change", "change-start", "change-end" -> changed(e, out);
        case "list" -> list(e, out);
        case "table" -> table(e, out);
        case "section", "index-body", "index-title", "numbered-paragraph" -> blocks(e, out);
        case "table-of-content",
            "illustration-index",
            "table-index",
            "object-index",
            "user-index",
            "alphabetical-index",
            "bibliography" -> {
          Element body = Docx.child(e, "index-body");
          if (body != null) {
            blocks(body, out); // what it is made of says nothing to a reader
          }
        }
        default -> {}
      }
    }
  }

  private void list(Element e, Digest.Builder out) throws IOException {
    labels.begin(e);
    for (Element item : Package.children(e)) {
      boolean labelled = item.getLocalName().equals("list-item");
      for (Element c : Package.children(item)) {
        switch (c.getLocalName()) {
          case "p", "h" -> {
            paragraph(c, labelled ? labels.next(item) : "", out);
            labelled = false;
          }
          case "list" -> list(c, out);
          default -> {}
        }
      }
    }
    labels.end();
  }

  /** A page style begins with the paragraph or table whose style names it. */
  private void page(Element block, String family, Digest.Builder out) throws IOException {
    Element style = styles.find(family, Docx.value(block, "style-name"));
    String master = Docx.value(style, "master-page-name");
    if (master.isEmpty() && section == 0) {
      master = usual(); // of the pages from the first, where nothing is said
    }
    if (master.isEmpty()) {
      return;
    }
    section++;
    Element first = masters.get(master);
    Element next = first == null ? null : masters.get(Docx.value(first, "next-style-name"));
    var lines = new LinkedHashSet<String>();
    for (String side : List.of("header", "footer")) {
      running(next == null ? first : next, side, lines);
      if (next != null) {
        running(first, side, lines);
      }
      running(next == null ? first : next, side + "-left", lines);
    }
    lines.forEach(l -> out.add(Aspect.RUNNING, l));
    Element layout = layouts.get(Docx.value(first, "page-layout-name"));
    Element like = Docx.child(layout, "page-layout-properties");
    out.sheet(Sheet.of(Docx.value(like, "page-width"), Docx.value(like, "page-height")));
  }

  /** The page style of a text that names none: by common practice, one of this name. */
  private String usual() {
    return masters.containsKey("Standard")
        ? "Standard"
        : masters.keySet().stream().findFirst().orElse("");
  }

  private void running(
      @org.jspecify.annotations.Nullable Element master, String name, LinkedHashSet<String> lines)
      throws IOException {
    Element e = Docx.child(master, name);
    if (e == null) {
      return;
    }
    OdtStyles around = styles;
    OdtLabels outer = labels;
    styles = ofPages;
    labels = new OdtLabels(ofPages);
    var apart = new Digest.Builder();
    blocks(e, apart);
    styles = around;
    labels = outer;
    if (!apart.line().isEmpty()) {
      lines.add(
          (name.startsWith("header") ? "header" : "footer")
              + " of section "
              + section
              + ": "
              + apart.line());
    }
  }

  private void paragraph(Element p, String label, Digest.Builder out) throws IOException {
    page(p, "paragraph", out);
    boolean outer = spaced;
    spaced = true;
    inlines(p, styles.ofParagraph(Docx.value(p, "style-name")), "", out);
    spaced = outer;
    boolean heading = p.getLocalName().equals("h");
    out.end(heading ? (int) Docx.number(Docx.value(p, "outline-level")) : 0, label);
  }

  private void inlines(Element parent, Map<String, String> look, String link, Digest.Builder out)
      throws IOException {
    for (Node n = parent.getFirstChild(); n != null; n = n.getNextSibling()) {
      if (n instanceof Text t) {
        text(collapsed(t.getData()), look, link, out);
      } else if (n instanceof Element e) {
        inline(e, look, link, out);
      }
    }
  }

  private void text(String s, Map<String, String> look, String link, Digest.Builder out) {
    out.text(s, styles.look(look), link);
  }

  /** §6.1.2. */
  private String collapsed(String s) {
    var b = new StringBuilder();
    for (char c : s.toCharArray()) {
      boolean space = c == ' ' || c == '\t' || c == '\n' || c == '\r';
      if (!space) {
        b.append(c);
      } else if (!spaced) {
        b.append(' ');
      }
      spaced = space;
    }
    return b.toString();
  }

  private void inline(Element e, Map<String, String> look, String link, Digest.Builder out)
      throws IOException {
    switch (e.getLocalName()) {
      case "span" -> inlines(e, styles.ofSpan(look, Docx.value(e, "style-name")), link, out);
      case "a" -> inlines(e, look, Docx.value(e, "href"), out);
      case "s" -> {
        String count = Docx.value(e, "c");
        text(" ".repeat(count.isEmpty() ? 1 : (int) Docx.number(count)), look, link, out);
        spaced = false;
      }
      case "tab" -> {
        text("\t", look, link, out);
        spaced = false;
      }
      case "line-break" -> {
        text("\n", look, link, out);
        spaced = false;
      }
      case "page-number" -> field("PAGE", out);
      case "page-count" -> field("NUMPAGES", out);
      case "title" -> field("TITLE", out);
      case "date" -> field("DATE", out);
      case "chapter" -> field("STYLEREF", out);
      case "bookmark-ref" -> field("PAGEREF " + Docx.value(e, "ref-name"), out);
      case "note" -> note(e, look, link, out);
      case "change", "change-start", "change-end" -> changed(e, out);
      case "annotation",
          "annotation-end",
          "bookmark",
          "label",
          "script",
          "hidden-text",
          "ruby-text" -> {}
      case "frame", "custom-shape", "line" -> drawn(e, out);
      case "control" -> control(e, out);
      default -> inlines(e, look, link, out);
    }
  }

  private void field(String computes, Digest.Builder out) {
    out.field(computes);
    spaced = false;
  }

  /** What a control of a form shows that is on or off (§13.5.11, §13.5.12). */
  private void control(Element e, Digest.Builder out) {
    Element c = controls.get(Docx.value(e, "control"));
    if (c != null) {
      boolean on =
          Docx.value(c, "current-state").equals("checked")
              || Docx.value(c, "current-selected").equals("true");
      field(DocumentDigest.box(on), out);
    }
  }

  private void controls(Element parent) {
    for (Element e : Package.children(parent)) {
      if (e.getLocalName().equals("checkbox") || e.getLocalName().equals("radio")) {
        controls.put(Docx.value(e, "id"), e);
      } else {
        controls(e);
      }
    }
  }

  private void note(Element e, Map<String, String> look, String link, Digest.Builder out)
      throws IOException {
    String said = Docx.value(Docx.child(e, "note-citation"), "label");
    if (!said.isEmpty()) {
      var raised = new HashMap<>(look);
      raised.put("position", "super 58%");
      text(said, raised, link, out);
    }
    var apart = new Digest.Builder();
    Element body = Docx.child(e, "note-body");
    if (body != null) {
      OdtLabels outer = labels;
      labels = new OdtLabels(styles);
      blocks(body, apart);
      labels = outer;
    }
    out.add(Aspect.NOTES, Docx.value(e, "note-class") + ": " + apart.line());
    out.takeObjects(apart);
    spaced = false;
  }

  private void drawn(Element e, Digest.Builder out) throws IOException {
    spaced = false;
    Element image = Docx.child(e, "image");
    if (image != null) {
      byte[] bytes = parts.part(Docx.value(image, "href").replaceFirst("^\\./", ""));
      boolean stands = Docx.child(e, "object") != null || Docx.child(e, "object-ole") != null;
      if (stands && (bytes == null || !PictureTypes.isDrawn(PictureTypes.type(bytes, "")))) {
        return; // what is shown of an object in place of it, in a form that few programs know
      }
      out.add(Aspect.PICTURES, bytes == null ? "missing" : Digest.name(bytes));
      return;
    }
    Element box = Docx.child(e, "text-box");
    boolean beside = Docx.value(e, "name").startsWith("Beside");
    if (beside && box != null) {
      Deque<?> around = labels.apart();
      blocks(box, out); // paragraphs of the text that stand in a frame
      labels.back(around);
      spaced = true;
      return;
    }
    var apart = new Digest.Builder();
    OdtLabels outer = labels;
    labels = inBoxes;
    blocks(box == null ? e : box, apart);
    labels = outer;
    if (!apart.line().isEmpty()) {
      out.add(Aspect.BOXES, apart.line());
    }
    out.takeObjects(apart);
  }

  private void table(Element table, Digest.Builder out) throws IOException {
    page(table, "table", out);
    var rows = new ArrayList<Element>();
    rows(table, rows);
    for (int r = 0; r < rows.size(); r++) {
      var cells = new TreeMap<Integer, Element>();
      int column = 0;
      for (Element c : Package.children(rows.get(r))) {
        if (c.getLocalName().equals("table-cell")) {
          cells.put(column, c);
        }
        column++;
      }
      var row = new StringBuilder("row " + (r + 1) + ":");
      cells.forEach((at, c) -> DocumentDigest.cell(row, at, span(c, "columns"), span(c, "rows")));
      out.add(Aspect.TABLES, row.toString());
    }
    for (Element row : rows) {
      for (Element c : Package.children(row)) {
        if (c.getLocalName().equals("table-cell")) {
          blocks(c, out);
        }
      }
    }
  }

  private static int span(Element cell, String what) {
    String said = Docx.value(cell, "number-" + what + "-spanned");
    return said.isEmpty() ? 1 : (int) Docx.number(said);
  }

  private static void rows(Element parent, List<Element> out) {
    for (Element e : Package.children(parent)) {
      switch (e.getLocalName()) {
        case "table-row" -> out.add(e);
        case "table-header-rows", "table-rows" -> rows(e, out);
        default -> {}
      }
    }
  }
}
