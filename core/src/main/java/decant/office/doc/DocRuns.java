package decant.office.doc;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.field.AskedFor;
import decant.office.field.FieldInstruction;
import decant.office.field.FormData;
import decant.office.field.FormPlace;
import decant.office.symbol.Symbols;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.Notes;
import org.apache.poi.hwpf.usermodel.Range;

/** What a paragraph holds, run by run; what characters stand for is said in [MS-DOC] 2.4.1. */
final class DocRuns {
  private static final Words WORDS = Words.of(DocRuns.class);

  private static final int LONGEST_SIGN = 10; // characters of what marks a note

  private final DocShared shared;
  private final DocFields fields;
  private final NodeId id;
  private final Look base;
  private final Optional<NodeId> note;
  private final DocPictures pictures;
  private final List<Inline> inlines = new ArrayList<>();
  private Look end = Look.PLAIN;

  /** What a value shows that is being read. */
  private final StringBuilder value = new StringBuilder();

  /** The look of what such a field shows; of its instruction as long as that is not known. */
  private Look instructed = Look.PLAIN;

  DocRuns(DocShared shared, DocFields fields, NodeId id, Look paragraph, Optional<NodeId> note) {
    this.shared = shared;
    this.fields = fields;
    this.id = id;
    this.base = shared.styles.sheet().textBase(paragraph);
    this.note = note;
    this.pictures = new DocPictures(shared);
  }

  Paragraph paragraph(Look look) {
    return new Paragraph(id, look, end, inlines);
  }

  void read(org.apache.poi.hwpf.usermodel.Paragraph p) throws ReadProblem {
    for (int k = 0; k < p.numCharacterRuns(); k++) {
      CharacterRun run = p.getCharacterRun(k);
      if (run.isMarkedDeleted() || run.isMarkedInserted()) {
        shared.find(
            Finding.Kind.REMARK,
            Finding.Severity.NOTE,
            WORDS.say("doc-runs.changes-are-shown-as-accepted"),
            id);
      }
      if (run.isMarkedDeleted()) {
        takenOut(run);
      } else {
        run(run);
      }
    }
  }

  /** What was taken out is kept by its words. */
  private void takenOut(CharacterRun run) {
    byte[] said = DocSprms.ofCharacters(shared.file, run.getStartOffset());
    String text = run.text();
    String words = text.replaceAll("[\\x00-\\x1F&&[^\\t]]", "");
    if (!words.isEmpty()) {
      shared.changes.takenOut(words, said, look(run), inlines);
    }
    if (text.chars().anyMatch(c -> c == 0x01 || c == 0x02 || c == 0x08)) {
      shared.find(
          Finding.Kind.CONTENT_LEFT_OUT,
          Finding.Severity.LOSS,
          WORDS.say("doc-runs.taken-out-without-words"),
          id);
    }
  }

  private Look look(CharacterRun run, int at) {
    List<Comment> about = shared.comments.about(at);
    Look look = look(run);
    return about.isEmpty() ? look : look.with(TextTraits.COMMENTS, about);
  }

  private Look look(CharacterRun run) {
    byte[] said = DocSprms.ofCharacters(shared.file, run.getStartOffset());
    Look whole = shared.looks.text(run);
    Optional<Colour> behind = DocSprms.shade(said, 0, DocSprms.BEHIND_TEXT);
    whole = behind.isPresent() ? whole.with(TextTraits.HIGHLIGHT, behind.get()) : whole;
    Look plain = whole.differing(base, TextTraits.OF_LETTERS);
    Look own = run.isMarkedInserted() ? shared.changes.putIn(plain, said) : plain;
    Look filled = fields.form().map(f -> own.with(TextTraits.FIELD, f.field())).orElse(own);
    return fields.link().map(l -> filled.with(TextTraits.LINK, l)).orElse(filled);
  }

  private void run(CharacterRun run) throws ReadProblem {
    String text = run.text();
    boolean special = run.isSpecialCharacter();
    var plain = new StringBuilder();
    Look look = look(run, run.getStartOffset());
    end = look.without(TextTraits.LINK).without(TextTraits.COMMENTS).without(TextTraits.FIELD);
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      if (shared.comments.changesAt(run.getStartOffset() + k)) {
        add(plain, look);
        look = look(run, run.getStartOffset() + k);
      }
      String sign = c > ' ' ? sign(text, k, run.getStartOffset()) : "";
      if (!sign.isEmpty()) {
        add(plain, look);
        note(run.getStartOffset() + k, look, Optional.of(sign));
        k += sign.length() - 1;
        continue;
      }
      switch (c) {
        case '\r', 0x07, 0x0C -> {} // ends of paragraphs, cells and sections
        case 0x0B -> plain.append('\n');
        case 0x0E -> plain.append(Inline.COLUMN_BREAK);
        case 0x1E -> plain.append('\u2011');
        case 0x1F -> plain.append('\u00AD');
        case DocFields.BEGIN -> {
          add(plain, look);
          if (shared.fieldEnds.has(run.getStartOffset() + k)) {
            fields.begin();
          }
        }
        case DocFields.SEPARATOR -> {
          add(plain, look);
          fields.separate();
          look = look(run, run.getStartOffset() + k + 1);
        }
        case DocFields.END -> {
          add(plain, look);
          ends(look);
          look = look(run, run.getStartOffset() + k + 1);
        }
        case 0x02 -> {
          add(plain, look);
          note(run.getStartOffset() + k, look, Optional.empty());
        }
        case 0x05 -> {
          add(plain, look);
          comment(run.getStartOffset() + k);
        }
        case 0x01 -> {
          add(plain, look);
          if (fields.mayAsk()) {
            asks(run);
          } else {
            picture(pictures.onLine(run, look, id));
          }
        }
        case 0x08 -> {
          add(plain, look);
          picture(pictures.drawn(run.getStartOffset() + k, look, id));
        }
        case '(' -> {
          if (special && run.isSymbol()) {
            var font = run.getSymbolFont();
            String family = font == null ? "" : font.getMainFontName();
            plain.append(Symbols.shown(run.getSymbolCharacter(), family));
          } else {
            plain.append(c);
          }
        }
        default -> {
          if (c >= ' ' || c == '\t') {
            plain.append(c);
          }
        }
      }
      if (c == 0x0C && note.isEmpty() && shared.isPageBreak(run.getStartOffset() + k)) {
        plain.append('\f');
      }
    }
    add(plain, look);
  }

  private void add(StringBuilder plain, Look look) {
    if (plain.isEmpty()) {
      return;
    }
    String s = Symbols.text(plain.toString(), look.value(TextTraits.FAMILY));
    plain.setLength(0);
    if (fields.takes(s)) {
      instructed = look;
      return;
    }
    Optional<FormPlace> form = fields.form();
    fields.fills();
    if (form.isPresent() && !form.get().takesText()) {
      return; // its own state says what shows
    }
    if (fields.isValue()) {
      instructed = value.isEmpty() ? look : instructed;
      value.append(s);
    } else {
      inlines.add(new Inline.Text(s, look));
    }
  }

  /** What is to be filled in here; what the program fills in itself stays as it shows. */
  private void asks(CharacterRun run) {
    byte[] data = shared.file.getDataStream();
    FormData.read(data == null ? new byte[0] : data, run.getPicOffset())
        .filter(AskedFor::isForPeople)
        .map(a -> new FormPlace(a, a.field("d" + ++shared.blanks, WORDS.say("doc-runs.unnamed"))))
        .ifPresent(fields::asks);
  }

  private void ends(Look look) {
    Optional<DocFields.Ended> ended = fields.end();
    ended.flatMap(e -> e.form().flatMap(f -> f.shown(e.filled(), look))).ifPresent(inlines::add);
    Optional<FieldInstruction> instruction = ended.map(DocFields.Ended::said);
    Optional<Inline.Field.Kind> kind = instruction.flatMap(FieldInstruction::kind);
    if (kind.isPresent()) {
      String target = instruction.get().target();
      inlines.add(new Inline.Field(kind.get(), target, value.toString(), instructed));
      value.setLength(0);
      return;
    }
    if (ended.isPresent() && ended.get().bare()) {
      Optional<String> shown = instruction.get().alone();
      shown.ifPresent(s -> inlines.add(new Inline.Text(s, look)));
      if (shown.isPresent() && instruction.get().keyword().equals("EQ")) {
        shared.find(
            Finding.Kind.LAYOUT_SIMPLIFIED,
            Finding.Severity.DOUBT,
            WORDS.say("doc-runs.equation"),
            id);
      } else if (!ended.get().separated() && instruction.get().isOwed()) {
        shared.find(
            Finding.Kind.CONTENT_LEFT_OUT,
            Finding.Severity.DOUBT,
            WORDS.say("doc-runs.owed", instruction.get().keyword()),
            id);
      }
    }
  }

  private void picture(Optional<Inline> drawn) {
    if (drawn.isPresent() && !fields.takes("")) {
      inlines.add(drawn.get());
    }
  }

  /** A comment that is about no words is taken to be about what stands before it. */
  private void comment(int at) {
    for (Comment c : shared.comments.withoutWords(at)) {
      if (note.isEmpty() && !inlines.isEmpty()) {
        Inline last = inlines.removeLast();
        var all = new ArrayList<>(last.look().value(TextTraits.COMMENTS));
        all.add(c);
        inlines.add(last.withLook(last.look().with(TextTraits.COMMENTS, all)));
      } else {
        shared.find(
            Finding.Kind.REMARK,
            Finding.Severity.LOSS,
            WORDS.say("doc-runs.a-comment", c.text()),
            id);
      }
    }
  }

  /**
   * The sign of its own that marks a note here, or that begins the text of the note that is read;
   * empty if there is none.
   */
  private String sign(String text, int k, int start) {
    if (note.isPresent()) {
      String own = shared.signs.getOrDefault(note.get(), "");
      return inlines.isEmpty() && text.startsWith(own, k) ? own : "";
    }
    if (!shared.signed.contains(start + k)) {
      return "";
    }
    int end = k;
    while (end < text.length() && end < k + LONGEST_SIGN && text.charAt(end) > ' ') {
      end++;
    }
    return text.substring(k, end);
  }

  private void note(int at, Look look, Optional<String> sign) throws ReadProblem {
    if (note.isPresent()) {
      inlines.add(new Inline.NoteMark(note.get(), look.without(TextTraits.RAISE)));
      return;
    }
    HWPFDocument f = shared.file;
    var mark = new Mark(at, look, sign);
    if (!note(mark, f.getFootnotes(), f.getFootnoteRange(), Story.Kind.FOOTNOTE)) {
      note(mark, f.getEndnotes(), f.getEndnoteRange(), Story.Kind.ENDNOTE);
    }
  }

  /** Where a note is marked, and the sign of its own that marks it. */
  private record Mark(int at, Look look, Optional<String> sign) {}

  private boolean note(Mark mark, Notes notes, Range texts, Story.Kind kind) throws ReadProblem {
    int k = notes.getNoteIndexByAnchorPosition(mark.at());
    if (k < 0) {
      return false;
    }
    NodeId own = NodeId.fresh();
    mark.sign().ifPresent(s -> shared.signs.put(own, s));
    int from = texts.getStartOffset() + notes.getNoteTextStartOffset(k);
    int to = texts.getStartOffset() + notes.getNoteTextEndOffset(k);
    var text = new Range(from, Math.max(from, to), shared.file);
    List<Block> blocks = new DocText(shared, Optional.of(own), () -> {}).blocks(text, 0);
    shared.stories.put(own, new Story(own, kind, blocks, mark.sign()));
    inlines.add(new Inline.NoteMark(own, mark.look().without(TextTraits.RAISE)));
    return true;
  }
}
