package decant.verify.office;

import decant.layout.label.ListLabels;
import decant.layout.label.NoteLabels;
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
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Kept;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.office.pending.Pending;
import decant.picture.VectorPicture;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The digest of a document, which that of a file written from it must be like. */
final class DocumentDigest {
  /** What differs from format to format. */
  interface Room {
    /** What was kept of another document and goes back as it came, or is left out. */
    default void kept(Kept kept, String shown, TextLook look, Digest.Builder into) {
      if (!shown.isEmpty()) {
        into.text(shown, look, "");
      }
    }

    /** Whether a shape goes back as it came, whose text only stands for it where it cannot. */
    default boolean goesBack(Inline.Shape shape) {
      return false;
    }

    /** Whether there is room for comments on text that stands there. */
    default boolean holdsComments(Part part) {
      return true;
    }

    /** What more is said of a picture than its bytes. */
    default String size(Inline.Picture picture) {
      return "";
    }

    /** The rows of a table. */
    default List<String> table(Table t) {
      return grid(t);
    }

    /**
     * Whether all that a table's style gives is said by the text itself, and rows end with what
     * they are.
     */
    default boolean rowByRow() {
      return false;
    }

    /** Whether what a table's style gives to text is said by the text itself. */
    default boolean tellsTextsOfTables() {
      return rowByRow();
    }

    /** Whether the mark of a note stands in its text. */
    default boolean marksNotes() {
      return true;
    }

    /** Whether a break of the page or column ends the paragraph that it stands in. */
    default boolean breaksEndParagraphs() {
      return false;
    }

    /** Whether a section has headers and footers of its own. */
    default boolean hasRunning(Section s) {
      return true;
    }

    /** Whether a value is worked out by readers, rather than said as it is. */
    default boolean computes(Inline.Field f) {
      return true;
    }

    /** Whether labels of a level are written as they are. */
    default boolean says(ListDefinition list, int depth) {
      return true;
    }

    /**
     * Whether what a field of a form shows is said by the field rather than by text.
     *
     * @param running whether it stands in a header or footer
     */
    default boolean showsItself(FormField f, boolean running) {
      return false;
    }

    /** How the format writes the name of a place. */
    default String place(String name) {
      return name;
    }

    /** How the format writes an address. */
    default String address(String uri) {
      return uri;
    }
  }

  private final Document document;
  private final Room room;
  private final Map<NodeId, String> labels;
  private final Map<NodeId, String> noteLabels;
  private final Set<Comment> comments = new LinkedHashSet<>();
  private final Map<MediaId, String> pictures = new HashMap<>();
  private boolean inRunning;

  private DocumentDigest(Document document, Room room) {
    this.document = document;
    this.room = room;
    this.labels = ListLabels.of(document);
    this.noteLabels = NoteLabels.said(document);
  }

  static Digest of(Document document, Room room) {
    return new DocumentDigest(document, room).whole();
  }

  private Digest whole() {
    var out = new Digest.Builder();
    int n = 0;
    for (Section s : document.sections()) {
      boolean own = room.hasRunning(s);
      n += own ? 1 : 0;
      if (own) {
        out.sheet(Sheet.ofPoints(s.page().width(), s.page().height()));
      }
      blocks(s.blocks(), out);
      var lines = new LinkedHashSet<String>();
      for (Section.Running r : Section.Running.values()) {
        Story story = s.running().get(r);
        if (story != null && own) {
          var apart = new Digest.Builder();
          inRunning = true;
          blocks(story.blocks(), apart);
          inRunning = false;
          String line = apart.line();
          if (!line.isEmpty()) {
            lines.add((r.isHeader() ? "header" : "footer") + " of section " + n + ": " + line);
          }
        }
      }
      lines.forEach(l -> out.add(Aspect.RUNNING, l));
    }
    comments.stream()
        .map(r -> r.author() + ": " + squeezed(r.text()))
        .sorted()
        .forEach(r -> out.add(Aspect.COMMENTS, r));
    return out.digest();
  }

  static String squeezed(String s) {
    return s.replaceAll("\\s+", " ").strip();
  }

  private void blocks(List<Block> blocks, Digest.Builder out) {
    blocks(blocks, Look.PLAIN, out);
  }

  private void table(Table t, Digest.Builder out) {
    List<String> rows = room.table(t);
    if (!room.rowByRow()) {
      rows.forEach(row -> out.add(Aspect.TABLES, row));
    }
    for (int r = 0; r < t.rows().size(); r++) {
      for (Cell c : t.rows().get(r).cells()) {
        Look texts = room.tellsTextsOfTables() ? c.look().value(TableTraits.TEXTS) : Look.PLAIN;
        blocks(c.blocks(), texts, out);
      }
      if (room.rowByRow()) {
        out.add(Aspect.TABLES, rows.get(r));
      }
    }
  }

  private void blocks(List<Block> blocks, Look fromTable, Digest.Builder out) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> paragraph(p, fromTable, out);
        case Table t -> table(t, out);
        case KeptBlock k -> room.kept(k.kept(), "", TextLook.NONE, out);
      }
    }
  }

  private void paragraph(Paragraph p, Look fromTable, Digest.Builder out) {
    Look base = document.styles().textBase(p.look(), fromTable);
    Look inForce = document.styles().paragraphLook(p.look(), Look.PLAIN, document.lists());
    int heading = inForce.value(ParagraphTraits.HEADING_LEVEL);
    String label = label(p, inForce);
    FormField shown = null;
    for (Inline i : p.inlines()) {
      FormField on =
          i.look().get(TextTraits.FIELD).filter(f -> room.showsItself(f, inRunning)).orElse(null);
      if (on != null) {
        if (!on.equals(shown)) {
          out.field(state(on, p.textOn(on)));
        }
        shown = on;
        continue;
      }
      shown = null;
      changes(i, out);
      TextLook look = look(document.styles().textLook(base, i.look()));
      String link = i.look().get(TextTraits.LINK).map(this::address).orElse("");
      if (room.holdsComments(part())) {
        comments.addAll(i.look().value(TextTraits.COMMENTS));
      }
      switch (i) {
        case Inline.Text t -> {
          String[] parts =
              room.breaksEndParagraphs()
                  ? t.text().split("[\\f\\x0B]", -1)
                  : new String[] {t.text()};
          for (int k = 0; k < parts.length; k++) {
            if (k > 0) {
              out.end(heading, label);
              label = "";
            }
            out.text(parts[k], look, link);
          }
        }
        case Inline.Field f -> {
          String computes = room.computes(f) ? computes(f) : "";
          if (computes.isEmpty()) {
            out.text(f.shown(), look, link);
          } else {
            out.field(computes);
          }
        }
        case Inline.KeptInline k -> room.kept(k.kept(), k.shown(), look, out);
        case Inline.NoteMark n -> {
          String said = noteLabels.get(n.note());
          if (said != null && (room.marksNotes() || !open.contains(n.note()))) {
            Look raised = i.look().with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT);
            out.text(said, look(document.styles().textLook(base, raised)), link);
          }
          note(n, out);
        }
        case Inline.Picture pic -> out.add(Aspect.PICTURES, bytes(pic.media()) + room.size(pic));
        case Inline.Shape s -> shape(s, out);
      }
    }
    out.putInEnds();
    out.end(heading, label);
  }

  /** Where the text stands that is gone through: notes and shapes are gone into from elsewhere. */
  private Part part() {
    Story entered = open.isEmpty() ? null : document.stories().get(open.getLast());
    if (entered != null) {
      return Part.of(entered);
    }
    return inRunning ? Part.RUNNING : Part.FLOW;
  }

  private static void changes(Inline i, Digest.Builder out) {
    Pending.putIn(i.look())
        .flatMap(Pending::of)
        .ifPresentOrElse(p -> out.putIn(p.author()), out::putInEnds);
    Pending.takenAway(i).ifPresent(p -> out.takenAway(p.author(), p.text()));
  }

  /** What a box or a choice shows. */
  private static String state(FormField f, String text) {
    return f.isSwitch() ? box(f.holds(text)) : choice(text);
  }

  /** How a box of a form is told of. */
  static String box(boolean ticked) {
    return ticked ? "[x]" : "[ ]";
  }

  /** How a choice of a form is told of. */
  static String choice(String shown) {
    return "[" + shown.strip() + "]";
  }

  private String label(Paragraph p, Look inForce) {
    ListMembership m = inForce.value(ParagraphTraits.LIST);
    ListDefinition list = document.lists().get(m.list());
    return list == null || room.says(list, m.depth()) ? labels.getOrDefault(p.id(), "") : "";
  }

  private final LinkedHashSet<NodeId> open = new LinkedHashSet<>();

  private void note(Inline.NoteMark n, Digest.Builder out) {
    Story s = document.stories().get(n.note());
    if (s == null || !open.add(s.id())) {
      return; // in a note, its own mark
    }
    var apart = new Digest.Builder();
    blocks(s.blocks(), apart);
    String kind = s.kind() == Story.Kind.ENDNOTE ? "endnote: " : "footnote: ";
    out.add(Aspect.NOTES, kind + apart.line());
    out.takeObjects(apart);
    open.remove(s.id());
  }

  private void shape(Inline.Shape s, Digest.Builder out) {
    Story story = s.content().story().map(document.stories()::get).orElse(null);
    if (story == null || room.goesBack(s) || !open.add(story.id())) {
      return;
    }
    var apart = new Digest.Builder();
    blocks(story.blocks(), apart);
    String line = apart.line();
    if (!line.isEmpty()) {
      out.add(Aspect.BOXES, line);
    }
    out.takeObjects(apart);
    open.remove(story.id());
  }

  private String bytes(MediaId id) {
    return pictures.computeIfAbsent(
        id,
        k -> {
          Media m = document.media().get(id);
          if (m == null) {
            return "missing";
          }
          boolean page = m.type().equals("application/pdf");
          return Digest.name((page ? VectorPicture.pixels(m).orElse(m) : m).bytes());
        });
  }

  private String address(Link l) {
    return switch (l) {
      case Link.External e -> room.address(e.uri());
      case Link.Internal i -> "#" + room.place(i.bookmark());
    };
  }

  /** What a field computes, by the keyword of the office formats; empty for none of ours. */
  private static String computes(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE -> "PAGE";
      case PAGES -> "NUMPAGES";
      case TITLE -> "TITLE";
      case PAGE_OF -> "PAGEREF " + f.target();
      case STYLED_TEXT -> "STYLEREF";
      case DATE -> "DATE";
      case OTHER -> "";
    };
  }

  /** The keyword of a field's instruction with what it points to; empty if it is none of ours. */
  static String computes(String instruction) {
    String[] words = instruction.strip().split("\\s+");
    String keyword = words[0].toUpperCase(Locale.ROOT);
    return switch (keyword) {
      case "PAGE", "NUMPAGES", "TITLE", "STYLEREF", "DATE" -> keyword;
      case "PAGEREF" -> keyword + " " + (words.length > 1 ? words[1].replace("\"", "") : "");
      default -> "";
    };
  }

  private static TextLook look(Look l) {
    return new TextLook(
        l.value(TextTraits.FAMILY),
        Math.round(l.value(TextTraits.SIZE) * 2),
        l.value(TextTraits.BOLD),
        l.value(TextTraits.ITALIC),
        l.value(TextTraits.UNDERLINE),
        l.value(TextTraits.STRIKE),
        l.value(TextTraits.COLOUR).rgb() & 0xFFFFFF,
        switch (l.value(TextTraits.RAISE)) {
          case NONE -> 0;
          case SUPERSCRIPT -> 1;
          case SUBSCRIPT -> -1;
        });
  }

  /**
   * The rows of a table: for each cell that begins in it the grid column and how far it reaches,
   * {@code 2+3v2} for one in the third column that is three wide and two high.
   */
  static List<String> grid(Table t) {
    int[][] at = t.cellColumns();
    var out = new ArrayList<String>();
    for (int r = 0; r < at.length; r++) {
      var row = new StringBuilder("row " + (r + 1) + ":");
      List<Cell> cells = t.rows().get(r).cells();
      for (int k = 0; k < cells.size(); k++) {
        Cell c = cells.get(k);
        cell(row, at[r][k], c.columnSpan(), Math.min(c.rowSpan(), at.length - r));
      }
      out.add(row.toString());
    }
    return out;
  }

  static void cell(StringBuilder row, int column, int wide, int high) {
    row.append(' ').append(column);
    if (wide > 1) {
      row.append('+').append(wide);
    }
    if (high > 1) {
      row.append('v').append(high);
    }
  }
}
