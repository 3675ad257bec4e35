package decant.describe;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Writes what a file was taken for. The shape is a contract: {@code file, format, pages, title,
 * properties, blocks, pinned, running, fonts, findings}; pages count from 1.
 */
public final class Describer {
  private static final ObjectMapper JSON = new ObjectMapper();

  private final Document document;
  private final Function<NodeId, Optional<Integer>> pageOf;
  private final ArrayNode blocks = JSON.createArrayNode();

  private Describer(Document document, Function<NodeId, Optional<Integer>> pageOf) {
    this.document = document;
    this.pageOf = pageOf;
  }

  /**
   * One line of JSON for a file.
   *
   * @param pinned the pages of the file, from 1, that stay as they were
   * @param pageOf the page, from 1, that a block begins on
   */
  public static String describe(
      String file,
      TakenIn taken,
      int pages,
      List<Integer> pinned,
      Function<NodeId, Optional<Integer>> pageOf) {
    Document d = taken.document();
    ObjectNode root = JSON.createObjectNode();
    root.put("file", file)
        .put("format", taken.origin().format())
        .put("pages", pages)
        .put("title", d.metadata().title());
    ObjectNode properties = root.putObject("properties");
    taken.origin().properties().forEach(properties::put);
    var describer = new Describer(d, pageOf);
    d.sections().forEach(s -> describer.blocks(s.blocks()));
    describer.notes();
    root.set("blocks", describer.blocks);
    ArrayNode kept = root.putArray("pinned");
    pinned.forEach(kept::add);
    running(d, root.putArray("running"));
    fonts(taken, root.putArray("fonts"));
    findings(taken, root.putArray("findings"));
    return write(root);
  }

  /** One line of JSON for a file that could not be taken in. */
  public static String problem(String file, ReadProblem problem) {
    ObjectNode root = JSON.createObjectNode();
    root.put("file", file);
    root.putObject("error").put("kind", problem.kind().code()).put("message", problem.getMessage());
    return write(root);
  }

  private static String write(ObjectNode root) {
    try {
      return JSON.writeValueAsString(root);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a tree of strings and numbers can always be written", e);
    }
  }

  private void blocks(List<Block> list) {
    for (Block b : list) {
      switch (b) {
        case Paragraph p -> paragraph(p);
        case Table t -> table(t);
        case KeptBlock k -> {}
      }
    }
  }

  private void paragraph(Paragraph p) {
    Look look = document.styles().paragraphLook(p.look());
    String text = text(p);
    int level = look.value(ParagraphTraits.HEADING_LEVEL);
    ListMembership member = look.value(ParagraphTraits.LIST);
    ListDefinition list = document.lists().get(member.list());
    if (!text.isEmpty()) {
      ObjectNode node = blocks.addObject();
      if (level > 0) {
        node.put("kind", "heading").put("level", level);
      } else if (list != null) {
        node.put("kind", "item")
            .put("depth", member.depth() + 1)
            .put("ordered", list.level(member.depth()).ordered());
      } else {
        node.put("kind", "paragraph");
      }
      node.put("text", text);
      pageOf.apply(p.id()).ifPresent(n -> node.put("page", n));
      links(p, node.putArray("links"));
      phrases(p, TextTraits.BOLD, node.putArray("bold"));
      phrases(p, TextTraits.ITALIC, node.putArray("italic"));
    }
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Picture pic) {
        ObjectNode node = blocks.addObject();
        node.put("kind", "picture");
        pageOf.apply(p.id()).ifPresent(n -> node.put("page", n));
        node.put("width", round(pic.width()))
            .put("height", round(pic.height()))
            .put("alt", pic.alt());
      }
      if (i instanceof Inline.Shape s && s.content().story().isPresent()) {
        Story story = document.stories().get(s.content().story().get());
        if (story != null) {
          blocks(story.blocks());
        }
      }
    }
  }

  private static double round(double v) {
    return Math.round(v * 100) / 100.0;
  }

  private static String text(Paragraph p) {
    var b = new StringBuilder();
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t -> b.append(t.text());
        case Inline.Field f -> b.append(f.shown());
        case Inline.KeptInline k -> b.append(k.shown());
        case Inline.Picture pic -> {}
        case Inline.Shape s -> {}
        case Inline.NoteMark n -> {}
      }
    }
    return b.toString()
        .replace("\u00AD", "")
        .replaceAll("[ \\t\\n\\u000B\\f\\u00A0]+", " ")
        .strip();
  }

  private static void links(Paragraph p, ArrayNode out) {
    Link open = null;
    var text = new StringBuilder();
    for (Inline i : p.inlines()) {
      Link link = i.look().get(TextTraits.LINK).orElse(null);
      if (open != null && !open.equals(link)) {
        out.addObject().put("text", text.toString().strip()).put("target", open.target());
        text.setLength(0);
      }
      if (link != null && i instanceof Inline.Text t) {
        text.append(t.text());
      }
      open = link;
    }
    if (open != null) {
      out.addObject().put("text", text.toString().strip()).put("target", open.target());
    }
  }

  private void phrases(Paragraph p, Trait<Boolean> trait, ArrayNode out) {
    StyleSheet styles = document.styles();
    Look base = styles.textBase(p.look());
    var phrase = new StringBuilder();
    for (Inline i : p.inlines()) {
      boolean set = i instanceof Inline.Text && styles.textLook(base, i.look()).value(trait);
      if (set && i instanceof Inline.Text t) {
        phrase.append(t.text());
      } else if (!phrase.isEmpty()) {
        add(phrase, out);
      }
    }
    add(phrase, out);
  }

  private static void add(StringBuilder phrase, ArrayNode out) {
    String s = phrase.toString().replaceAll("\\s+", " ").strip();
    if (!s.isEmpty()) {
      out.add(s);
    }
    phrase.setLength(0);
  }

  private void table(Table t) {
    ObjectNode node = blocks.addObject();
    node.put("kind", "table");
    pageOf.apply(t.id()).ifPresent(n -> node.put("page", n));
    ArrayNode rows = node.putArray("rows");
    int[][] at = t.cellColumns();
    int columns = t.columnCount(at);
    ArrayNode links = JSON.createArrayNode();
    for (int r = 0; r < at.length; r++) {
      String[] texts = new String[columns];
      java.util.Arrays.fill(texts, "");
      for (int k = 0; k < at[r].length; k++) {
        Cell c = t.rows().get(r).cells().get(k);
        texts[at[r][k]] = cellText(c);
        cellLinks(c, links);
      }
      ArrayNode row = rows.addArray();
      for (String s : texts) {
        row.add(s);
      }
    }
    if (!links.isEmpty()) {
      node.set("links", links);
    }
  }

  private static void cellLinks(Cell c, ArrayNode out) {
    for (Block b : c.blocks()) {
      switch (b) {
        case Paragraph p -> links(p, out);
        case Table t -> t.rows().forEach(r -> r.cells().forEach(x -> cellLinks(x, out)));
        case KeptBlock k -> {}
      }
    }
  }

  private static String cellText(Cell c) {
    var parts = new ArrayList<String>();
    for (Block b : c.blocks()) {
      switch (b) {
        case Paragraph p -> parts.add(text(p));
        case Table t -> t.rows().forEach(r -> r.cells().forEach(x -> parts.add(cellText(x))));
        case KeptBlock k -> {}
      }
    }
    return String.join(" ", parts).strip();
  }

  private void notes() {
    int n = 1;
    for (Map.Entry<NodeId, Story> e : document.stories().entrySet()) {
      if (!e.getValue().kind().isNote()) {
        continue;
      }
      var parts = new ArrayList<String>();
      for (Block b : e.getValue().blocks()) {
        if (b instanceof Paragraph p) {
          parts.add(text(p));
        }
      }
      blocks
          .addObject()
          .put("kind", "note")
          .put("label", Integer.toString(n++))
          .put("text", String.join(" ", parts).strip());
    }
  }

  private static void running(Document d, ArrayNode out) {
    var seen = new java.util.HashSet<String>();
    for (Section s : d.sections()) {
      s.running().entrySet().stream()
          .sorted(Map.Entry.comparingByKey())
          .forEach(e -> {
            for (Block b : e.getValue().blocks()) {
              if (b instanceof Paragraph p) {
                String place = e.getKey().isHeader() ? "header" : "footer";
                var texts = new ArrayList<>(shown(d, p));
                texts.addAll(inBoxes(d, p));
                for (String text : texts) {
                  if (!text.isEmpty() && seen.add(place + text)) {
                    out.addObject().put("place", place).put("text", text);
                  }
                }
              }
            }
          });
    }
  }

  /** The texts of boxes that float in a running text, as watermarks do. */
  private static List<String> inBoxes(Document d, Paragraph p) {
    return p.inlines().stream()
        .filter(Inline.Shape.class::isInstance)
        .flatMap(i -> ((Inline.Shape) i).content().story().stream())
        .flatMap(id -> Optional.ofNullable(d.stories().get(id)).stream())
        .flatMap(s -> s.blocks().stream())
        .filter(Paragraph.class::isInstance)
        .map(b -> text((Paragraph) b))
        .toList();
  }

  /** What a running text shows on one page or another: its headings take turns. */
  private static List<String> shown(Document d, Paragraph p) {
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Field f && f.kind() == Inline.Field.Kind.STYLED_TEXT) {
        return d.paragraphs().stream()
            .filter(h -> h.look().value(ParagraphTraits.STYLE).equals(f.target()))
            .map(h -> text(p).replace(f.shown(), text(h)))
            .distinct()
            .toList();
      }
    }
    return List.of(text(p));
  }

  private static void fonts(TakenIn taken, ArrayNode out) {
    for (TakenIn.SourceFont f : taken.origin().fonts()) {
      out.addObject()
          .put("name", f.name())
          .put("embedded", f.embedded())
          .put("servedBy", f.servedBy())
          .put("reason", f.reason());
    }
  }

  private static void findings(TakenIn taken, ArrayNode out) {
    for (Finding f : taken.findings()) {
      ObjectNode node = out.addObject();
      node.put("kind", f.kind().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
          .put("severity", f.severity().name().toLowerCase(java.util.Locale.ROOT))
          .put("message", f.message());
      f.source().ifPresent(s -> node.put("page", s.page() + 1));
    }
  }
}
