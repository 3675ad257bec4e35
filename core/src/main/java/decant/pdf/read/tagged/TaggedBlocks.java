package decant.pdf.read.tagged;

import decant.model.finding.Finding;
import decant.model.look.Markers;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.blocks.Blocks;
import decant.pdf.read.blocks.ItemMarks;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.scan.PageAnnotations;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/**
 * Blocks from structure tags (ISO 32000-1 §14.7 and §14.8). Distrusted where they leave out a good
 * part of the text: then there is no result, and the pages are analysed as if there were no tags.
 */
public final class TaggedBlocks {
  private static final int DEEPEST = 100;

  /**
   * What the tags say.
   *
   * @param findings what stood outside the tags and was put in by its place
   */
  public record Result(
      List<Detected> found,
      RunningTexts.Result running,
      List<DetectedNote> notes,
      List<Finding> findings) {}

  record Leaf(int page, int content) {}

  private final List<ScannedPage> pages;
  private final Map<Leaf, List<Glyph>> glyphs = new HashMap<>();
  private final Map<Leaf, List<Placed>> pictures = new HashMap<>();
  private final Map<COSBase, Integer> pageNumbers = new IdentityHashMap<>();
  private final Map<String, String> roles = new HashMap<>();
  private final List<Detected> out = new ArrayList<>();

  /** Of what stands on pages that are not read. */
  private static final int NO_PAGE = -1;

  /** How many children are looked at at most; a 2,000-page manual has about a million. */
  private long left = 20_000_000;

  private final Set<Leaf> used = new HashSet<>();
  private final Set<COSBase> open = java.util.Collections.newSetFromMap(new IdentityHashMap<>());

  private TaggedBlocks(List<ScannedPage> pages) {
    this.pages = pages;
  }

  /**
   * @param lines of all pages, whatever tags say
   * @param repeating the running texts that are known by repeating themselves
   */
  public static Optional<Result> of(
      PDDocument pdf,
      List<ScannedPage> pages,
      List<List<TextLine>> lines,
      RunningTexts.Result repeating) {
    try {
      PDStructureTreeRoot root = pdf.getDocumentCatalog().getStructureTreeRoot();
      if (root == null) {
        return Optional.empty();
      }
      var t = new TaggedBlocks(pages);
      return t.run(pdf, root.getCOSObject(), lines, repeating);
    } catch (RuntimeException e) {
      Faults.mended("reading the tags", e);
      return Optional.empty(); // a damaged tree is no tree
    }
  }

  private final Set<Placed> shown = Collections.newSetFromMap(new IdentityHashMap<>());

  private Optional<Result> run(
      PDDocument pdf,
      COSDictionary root,
      List<List<TextLine>> lines,
      RunningTexts.Result repeating) {
    int n = 0;
    Set<Glyph> leaders = Collections.newSetFromMap(new IdentityHashMap<>());
    for (ScannedPage p : pages) {
      pageNumbers.put(pdf.getPage(p.number()).getCOSObject(), n++);
      leaders.addAll(
          ArtifactLeaders.marked(
              p,
              (c, g) ->
                  glyphs.computeIfAbsent(new Leaf(p.number(), c), k -> new ArrayList<>()).add(g)));
      for (Placed x : p.pictures()) {
        pictures.computeIfAbsent(new Leaf(p.number(), x.content()), k -> new ArrayList<>()).add(x);
      }
    }
    if (root.getDictionaryObject(COSName.ROLE_MAP) instanceof COSDictionary map) {
      map.keySet().forEach(k -> roles.put(k.getName(), map.getNameAsString(k, "")));
    }
    walk(root, NO_PAGE, 0, 0);
    long tagged = used.stream().mapToLong(l -> ink(glyphs.getOrDefault(l, List.of()))).sum();
    long all =
        pages.stream()
            .mapToLong(p -> ink(p.glyphs().stream().filter(g -> !g.marked().artifact()).toList()))
            .sum();
    if (all == 0 || tagged < TaggedThresholds.TaggedBlocks.MIN_COVERAGE * all) {
      return Optional.empty();
    }
    var untagged = new Untagged(pages, lines, out);
    untagged.pictures(x -> !shown.contains(x));
    RunningTexts.Result running = Artifacts.running(pages, repeating, leaders);
    Set<Glyph> ofPage = Collections.newSetFromMap(new IdentityHashMap<>());
    ofPage.addAll(leaders);
    running.texts().forEach(t -> t.lines().forEach(l -> ofPage.addAll(l.glyphs())));
    List<DetectedNote> feet = new ArrayList<>(notes.found());
    List<Finding> findings =
        untagged.texts(
            (page, g) ->
                g.marked().artifact()
                    ? !g.isSpace() && !ofPage.contains(g)
                    : !used.contains(new Leaf(page, g.marked().content())),
            feet);
    return Optional.of(new Result(out, running, feet, findings));
  }

  private static long ink(List<Glyph> glyphs) {
    return glyphs.stream().filter(g -> !g.isSpace()).count();
  }

  private String role(COSDictionary e) {
    String r = e.getNameAsString(COSName.S, "");
    for (int k = 0; k < 8 && roles.containsKey(r); k++) {
      r = roles.getOrDefault(r, r);
    }
    return r;
  }

  private void walk(COSDictionary element, int page, int depth, int listDepth) {
    if (depth > DEEPEST || !open.add(element)) {
      return;
    }
    int here = pageOf(element, page);
    for (COSBase kid : kids(element)) {
      if (kid instanceof COSDictionary d && d.containsKey(COSName.S)) {
        block(d, pageOf(d, here), depth, listDepth);
      } else {
        // Content that stands in no block of its own is a paragraph.
        var lines = new ArrayList<TextLine>();
        leaves(kid, here, lines);
        paragraph(lines, Detected.Kind.PARAGRAPH, 0, "");
      }
    }
    open.remove(element);
  }

  private void block(COSDictionary e, int page, int depth, int listDepth) {
    String role = role(e);
    switch (role) {
      case "H1", "H2", "H3", "H4", "H5", "H6" ->
          paragraph(linesOf(e, page), Detected.Kind.HEADING, role.charAt(1) - '0', "");
      case "H", "Title" -> paragraph(linesOf(e, page), Detected.Kind.HEADING, 1, "");
      case "Note", "FENote" -> note(e, page);
      case "P", "Caption", "BlockQuote", "TOCI", "Code", "Formula", "BibEntry" -> {
        notesIn(e, page, 0);
        if (hasBlocks(e)) {
          walk(e, page, depth + 1, listDepth);
        } else {
          paragraph(linesOf(e, page), Detected.Kind.PARAGRAPH, 0, "");
        }
      }
      case "L" -> walk(e, page, depth + 1, listDepth + 1);
      case "LI" -> item(e, page, depth, Math.max(1, listDepth));
      case "Table" -> table(e, page);
      case "Figure" -> figure(e, page);
      default -> {
        if (hasBlocks(e)
            || role.equals("Document")
            || role.equals("Part")
            || role.equals("Sect")
            || role.equals("Div")
            || role.equals("Art")) {
          walk(e, page, depth + 1, listDepth);
        } else {
          paragraph(linesOf(e, page), Detected.Kind.PARAGRAPH, 0, "");
        }
      }
    }
  }

  /** A note, which stands where its mark is (ISO 32000-1 §14.8.4.4). */
  private void note(COSDictionary e, int page) {
    var all = new ArrayList<Leaf>();
    collect(e, page, all, 0);
    if (!notes.begin(e) || notes.takeMarked(all, used, this::linesOf)) {
      return;
    }
    var label = new ArrayList<TextLine>();
    var body = new ArrayList<TextLine>();
    for (COSBase kid : kids(e)) {
      boolean lbl = kid instanceof COSDictionary d && role(d).equals("Lbl");
      leaves(kid, page, lbl ? label : body);
    }
    notes.take(text(label), Regions.merged(body));
  }

  /** The notes within a paragraph, an item or a cell, whose text is no part of it. */
  private void notesIn(COSDictionary e, int page, int depth) {
    for (COSBase kid : kids(e)) {
      if (kid instanceof COSDictionary d && d.containsKey(COSName.S) && depth < DEEPEST) {
        if (role(d).equals("Note") || role(d).equals("FENote")) {
          note(d, pageOf(d, page));
        } else {
          notesIn(d, pageOf(d, page), depth + 1);
        }
      }
    }
  }

  private final TaggedNotes notes = new TaggedNotes();

  private final Map<COSDictionary, Boolean> withBlocks = new IdentityHashMap<>();

  /** Whether blocks stand in an element, directly or in groups that say nothing of themselves. */
  private boolean hasBlocks(COSDictionary e) {
    Boolean known = withBlocks.get(e);
    if (known != null) {
      return known;
    }
    withBlocks.put(e, false); // a loop has none of its own
    boolean has =
        kids(e).stream()
            .anyMatch(k ->
                k instanceof COSDictionary d
                    && d.containsKey(COSName.S)
                    && (Roles.BLOCKS.contains(role(d))
                        || !Roles.INLINE.contains(role(d)) && hasBlocks(d)));
    withBlocks.put(e, has);
    return has;
  }

  private void item(COSDictionary li, int page, int depth, int listDepth) {
    notesIn(li, page, 0);
    var marker = new ArrayList<TextLine>();
    var body = new ArrayList<TextLine>();
    var nested = new ArrayList<COSDictionary>();
    for (COSBase kid : kids(li)) {
      if (!(kid instanceof COSDictionary d)) {
        continue;
      }
      switch (role(d)) {
        case "Lbl" -> leaves(d, pageOf(d, page), marker);
        case "L" -> nested.add(d);
        default -> {
          for (COSBase inner : kids(d)) {
            if (inner instanceof COSDictionary i && role(i).equals("L")) {
              nested.add(i);
            } else {
              leaves(inner, pageOf(d, page), body);
            }
          }
        }
      }
    }
    String label = text(marker).strip();
    if (label.isEmpty() && !body.isEmpty()) {
      Optional<String> own =
          ItemMarks.beginsWithSwitch(body.getFirst()) ? Optional.empty() : Markers.item(text(body));
      if (own.isPresent()) {
        label = own.get();
        body.set(0, Blocks.withoutMarker(body.getFirst(), label));
      }
    }
    paragraph(Regions.merged(body), Detected.Kind.ITEM, listDepth, label.isEmpty() ? "•" : label);
    for (COSDictionary n : nested) {
      walk(n, pageOf(n, page), depth + 1, listDepth + 1);
    }
  }

  private static String text(List<TextLine> lines) {
    var b = new StringBuilder();
    lines.forEach(l -> b.append(l.text()).append(' '));
    return b.toString();
  }

  private void table(COSDictionary t, int page) {
    var rows = new ArrayList<List<Detected.DetectedCell>>();
    rows(t, page, rows, 0);
    rows.stream()
        .flatMap(List::stream)
        .flatMap(c -> c.lines().stream())
        .findFirst()
        .ifPresent(l -> out.add(TableGeometry.grid(pages.get(l.page()), rows)));
  }

  private void rows(COSDictionary t, int page, List<List<Detected.DetectedCell>> rows, int depth) {
    for (COSBase kid : kids(t)) {
      if (!(kid instanceof COSDictionary d) || depth > 5) {
        continue;
      }
      switch (role(d)) {
        case "TR" -> {
          var cells = new ArrayList<Detected.DetectedCell>();
          for (COSBase c : kids(d)) {
            if (c instanceof COSDictionary cell && role(cell).matches("T[HD]")) {
              int on = pageOf(cell, pageOf(d, page));
              notesIn(cell, on, 0);
              var paragraphs = new ArrayList<List<TextLine>>();
              paragraphsOf(cell, on, paragraphs, 0);
              cells.add(TaggedCell.of(cell, paragraphs, role(cell).equals("TH")));
            }
          }
          rows.add(cells);
        }
        case "THead", "TBody", "TFoot" -> rows(d, pageOf(d, page), rows, depth + 1);
        case "Caption" -> paragraph(linesOf(d, pageOf(d, page)), Detected.Kind.PARAGRAPH, 0, "");
        default -> {}
      }
    }
  }

  /** The paragraphs of a cell: its blocks, and what stands between them. */
  private void paragraphsOf(COSDictionary e, int page, List<List<TextLine>> into, int depth) {
    var between = new ArrayList<TextLine>();
    for (COSBase kid : kids(e)) {
      boolean block =
          depth < DEEPEST
              && kid instanceof COSDictionary d
              && d.containsKey(COSName.S)
              && (Roles.BLOCKS.contains(role(d)) || hasBlocks(d));
      if (block) {
        TaggedCell.add(between, into);
        between = new ArrayList<>();
        paragraphsOf((COSDictionary) kid, pageOf((COSDictionary) kid, page), into, depth + 1);
      } else {
        leaves(kid, page, between);
      }
    }
    TaggedCell.add(between, into);
  }

  private void figure(COSDictionary e, int page) {
    var leaves = new ArrayList<Leaf>();
    collect(e, page, leaves, 0);
    String alt = e.getString(COSName.ALT, "");
    boolean any = false;
    for (Leaf l : leaves) {
      used.add(l);
      for (Placed p : pictures.getOrDefault(l, List.of())) {
        out.add(new Detected.Figure(l.page(), p, alt.isBlank() ? p.alt() : alt));
        shown.add(p);
        any = true;
      }
    }
    if (!any) {
      paragraph(linesOf(e, page), Detected.Kind.PARAGRAPH, 0, "");
    }
  }

  private void paragraph(List<TextLine> lines, Detected.Kind kind, int level, String marker) {
    if (lines.isEmpty()) {
      return;
    }
    double space = 0;
    double gap = Detected.Text.pitch(lines) * TaggedThresholds.TaggedBlocks.GAP;
    if (!out.isEmpty() && out.getLast().page() == lines.getFirst().page()) {
      space = Math.clamp(lines.getFirst().box().y() - out.getLast().box().bottom() - gap, 0, 40);
    }
    out.add(Detected.Text.of(kind, lines, marker, level, space));
  }

  /** All the text below an element, as lines. */
  private List<TextLine> linesOf(COSBase e, int page) {
    var lines = new ArrayList<TextLine>();
    leaves(e, page, lines);
    return Regions.merged(lines);
  }

  private void leaves(COSBase e, int page, List<TextLine> into) {
    var leaves = new ArrayList<Leaf>();
    collect(e, page, leaves, 0);
    leaves.removeIf(l -> !used.add(l));
    into.addAll(linesOf(leaves));
  }

  private List<TextLine> linesOf(List<Leaf> leaves) {
    Map<Integer, List<Glyph>> byPage = new java.util.LinkedHashMap<>();
    for (Leaf l : leaves) {
      List<Glyph> own = glyphs.get(l);
      if (own != null) { // else it stands on a page that the file does not have, or has nothing
        byPage.computeIfAbsent(l.page(), k -> new ArrayList<>()).addAll(own);
      }
    }
    var out = new ArrayList<TextLine>();
    byPage.forEach((p, list) -> out.addAll(Lines.of(pages.get(p).only(list))));
    return out;
  }

  private void collect(COSBase e, int page, List<Leaf> into, int depth) {
    if (depth > DEEPEST) {
      return;
    }
    switch (e) {
      case COSInteger n -> into.add(new Leaf(page, n.intValue()));
      case COSDictionary d -> {
        int here = pageOf(d, page);
        if (d.getDictionaryObject(COSName.OBJ) instanceof COSDictionary object) {
          int content = PageAnnotations.content(object); // §14.7.4.3
          if (content >= 0) {
            into.add(new Leaf(here, content));
          }
        } else if (d.containsKey(COSName.MCID) && !d.containsKey(COSName.S)) {
          into.add(new Leaf(here, d.getInt(COSName.MCID, -1)));
        } else if (open.add(d)) {
          kids(d).forEach(k -> collect(k, here, into, depth + 1));
          open.remove(d);
        }
      }
      default -> {}
    }
  }

  private int pageOf(COSDictionary d, int otherwise) {
    COSBase p = d.getDictionaryObject(COSName.PG);
    return p == null ? otherwise : pageNumbers.getOrDefault(p, NO_PAGE);
  }

  private List<COSBase> kids(COSDictionary e) {
    COSBase k = e.getDictionaryObject(COSName.K);
    List<COSBase> kids = k instanceof COSArray a ? toList(a) : k == null ? List.of() : List.of(k);
    left -= kids.size() + 1;
    if (left < 0) {
      // Elements that share children make a small file as large as one likes.
      throw new IllegalStateException("the structure tree is met too often");
    }
    return kids;
  }

  private static List<COSBase> toList(COSArray a) {
    var list = new ArrayList<COSBase>(a.size());
    for (int k = 0; k < a.size(); k++) {
      COSBase b = a.get(k) instanceof COSObject o ? o.getObject() : a.get(k);
      if (b != null) {
        list.add(b);
      }
    }
    return list;
  }
}
