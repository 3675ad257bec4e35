package decant.office.doc;

import decant.model.Block;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.poi.hwpf.usermodel.Paragraph;
import org.apache.poi.hwpf.usermodel.ParagraphProperties;
import org.apache.poi.hwpf.usermodel.Range;
import org.apache.poi.hwpf.usermodel.TableRow;
import org.apache.poi.util.LittleEndian;

/** The blocks of a stretch of text: of a section, a header, a note, a cell or the boxes. */
final class DocText {
  private static final Words WORDS = Words.of(DocText.class);

  private final DocShared shared;
  private final Optional<NodeId> note;
  private final DocFields fields = new DocFields();

  /** Asked now and then whether to go on. */
  interface Checkpoint {
    void pass() throws ReadProblem;
  }

  private final Checkpoint checkpoint;

  /**
   * @param note whose text it is, if it is one's
   */
  DocText(DocShared shared, Optional<NodeId> note, Checkpoint checkpoint) {
    this.shared = shared;
    this.note = note;
    this.checkpoint = checkpoint;
  }

  /**
   * The blocks of a range.
   *
   * @param depth how many tables it stands in
   */
  List<Block> blocks(Range r, int depth) throws ReadProblem {
    var out = new ArrayList<Block>();
    int count = r.numParagraphs();
    boolean inDamaged = false;
    for (int k = 0; k < count; k++) {
      if (k % 200 == 0) {
        checkpoint.pass();
      }
      Paragraph p = r.getParagraph(k);
      boolean damaged = false;
      if (p.isInTable() && Math.max(1, p.getTableLevel()) > depth) { // older files say no level
        Optional<org.apache.poi.hwpf.usermodel.Table> t = table(r, p);
        if (t.isPresent()) {
          out.add(new DocTables(this).read(t.get(), depth));
          k += Math.max(1, t.get().numParagraphs()) - 1;
          inDamaged = false;
          continue;
        }
        damaged = true;
      }
      if (!p.isTableRowEnd()) {
        var pieces = new ArrayList<>(List.of(p));
        while (k + 1 < count && goesOn(pieces.getLast())) {
          pieces.add(r.getParagraph(++k));
        }
        decant.model.Paragraph read = paragraph(pieces);
        out.add(read);
        if (damaged && !inDamaged) {
          tableIsDamaged(read.id());
        }
        inDamaged = damaged;
      }
    }
    return out;
  }

  /**
   * Whether a paragraph goes on after the page that the library ends it with. If nothing but its
   * mark comes then, that stands on the next page in such files, as a paragraph of its own does.
   */
  private boolean goesOn(Paragraph p) {
    int end = p.getEndOffset();
    return shared.isPageBreak(end - 1)
        && end < shared.file.getText().length()
        && shared.file.getText().charAt(end) != '\r';
  }

  private void tableIsDamaged(NodeId at) {
    shared.find(
        Finding.Kind.LAYOUT_SIMPLIFIED,
        Finding.Severity.LOSS,
        WORDS.say("doc-text.a-table-is-damaged"),
        at);
  }

  /** What a row says of itself and its cells. */
  byte[] said(TableRow row) {
    return shared.paragraphs.of(row.getEndOffset());
  }

  /** The table that begins with a paragraph; empty where the file is wrong about it. */
  private static Optional<org.apache.poi.hwpf.usermodel.Table> table(Range r, Paragraph p) {
    try {
      return Optional.of(r.getTable(p)).filter(t -> t.numRows() > 0);
    } catch (RuntimeException e) {
      Faults.mended("reading a table of a binary office document", e);
      return Optional.empty();
    }
  }

  /**
   * A paragraph.
   *
   * @param pieces that it consists of, from page break to page break
   */
  private decant.model.Paragraph paragraph(List<Paragraph> pieces) throws ReadProblem {
    NodeId id = NodeId.fresh();
    StyleSheet sheet = shared.styles.sheet();
    byte[] properties = shared.paragraphs.of(pieces.getLast().getEndOffset());
    int number = properties.length < 2 ? 0 : LittleEndian.getUShort(properties, 0);
    Look style =
        number != 0 && shared.styles.has(number)
            ? Look.of(ParagraphTraits.STYLE, DocStyles.id(number))
            : Look.PLAIN;
    Look below = sheet.paragraphLook(style);
    ParagraphProperties held = shared.styles.paragraph(number, properties);
    Look whole =
        shared
            .looks
            .paragraph(held)
            .with(ParagraphTraits.SHADING, shared.styles.shade(number, properties))
            .with(ParagraphTraits.TABS, shared.styles.tabs(number, properties));
    whole = shared.styles.more(whole, number, properties);
    if (!whole.sets(ParagraphTraits.HEADING_LEVEL)
        || whole.value(ParagraphTraits.HEADING_LEVEL) == 0) {
      // A built-in heading is one by its name, whatever its level of outline.
      whole = whole.with(ParagraphTraits.HEADING_LEVEL, below.value(ParagraphTraits.HEADING_LEVEL));
    }
    Look look = DocStyles.differing(whole, below).over(style);
    Optional<ListMembership> item = shared.lists.item(held, shared, id);
    if (item.isPresent()) {
      look =
          shared
              .styles
              .indents(look, whole, number, properties)
              .with(ParagraphTraits.LIST, item.get());
    }
    var reader = new DocRuns(shared, fields, id, look, note);
    for (Paragraph piece : pieces) {
      reader.read(piece);
    }
    List<String> names = new ArrayList<>();
    shared
        .bookmarks
        .subMap(
            pieces.getFirst().getStartOffset(),
            true,
            Math.max(pieces.getFirst().getStartOffset(), pieces.getLast().getEndOffset() - 1),
            true)
        .values()
        .forEach(names::addAll);
    return reader.paragraph(
        names.isEmpty() ? look : look.with(ParagraphTraits.BOOKMARKS, List.copyOf(names)));
  }
}
