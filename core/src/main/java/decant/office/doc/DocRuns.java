package decant.office.doc;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Comment;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.field.FieldInstruction;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.Notes;
import org.apache.poi.hwpf.usermodel.Range;

/** What a paragraph holds, run by run; what characters stand for is said in [MS-DOC] 2.4.1. */
final class DocRuns {
  private static final Words WORDS = Words.of(DocRuns.class);

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
      if (run.isMarkedDeleted()) {
        shared.find(
            Finding.Kind.REMARK,
            Finding.Severity.NOTE,
            WORDS.say("doc-runs.changes-are-shown-as-accepted"),
            id);
        continue;
      }
      run(run);
    }
  }

  private Look look(CharacterRun run) {
    Look own = DocLooks.differing(shared.looks.text(run), base, TextTraits.OF_LETTERS);
    return fields.link().map(l -> own.with(TextTraits.LINK, l)).orElse(own);
  }

  private void run(CharacterRun run) throws ReadProblem {
    String text = run.text();
    boolean special = run.isSpecialCharacter();
    var plain = new StringBuilder();
    Look look = look(run);
    end = look.without(TextTraits.LINK);
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      switch (c) {
        case '\r', 0x07, 0x0C -> {} // ends of paragraphs, cells and sections
        case 0x0B -> plain.append('\n');
        case 0x0E -> plain.append(Inline.COLUMN_BREAK);
        case 0x1E -> plain.append('\u2011');
        case 0x1F -> plain.append('\u00AD');
        case DocFields.BEGIN -> {
          add(plain, look);
          fields.begin();
        }
        case DocFields.SEPARATOR -> {
          add(plain, look);
          fields.separate();
          look = look(run);
        }
        case DocFields.END -> {
          add(plain, look);
          ends(look);
          look = look(run);
        }
        case 0x02 -> {
          add(plain, look);
          note(run.getStartOffset() + k, look);
        }
        case 0x05 -> {
          add(plain, look);
          comment();
        }
        case 0x01 -> {
          add(plain, look);
          picture(pictures.onLine(run, look, id));
        }
        case 0x08 -> {
          add(plain, look);
          picture(pictures.drawn(run.getStartOffset() + k, look, id));
        }
        case '(' -> {
          if (special && run.isSymbol()) {
            plain.append(symbol(run.getSymbolCharacter()));
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
      if (c == 0x0C && k == text.length() - 1 && isPageBreak(run)) {
        plain.append('\f');
      }
    }
    add(plain, look);
  }

  /** A page ends with the same character as a section, which is known by its own table. */
  private boolean isPageBreak(CharacterRun run) {
    int at = run.getEndOffset();
    return note.isEmpty()
        && shared.file.getSectionTable().getSections().stream().noneMatch(s -> s.getEnd() == at);
  }

  private static String symbol(char c) {
    return Character.getType(c) == Character.PRIVATE_USE
        ? switch (c) {
          case '\uF0A7' -> "▪";
          case '\uF0FC' -> "✔";
          case '\uF0E0' -> "→";
          case '\uF0A8' -> "☐";
          case '\uF0FE' -> "☑";
          default -> "•";
        }
        : String.valueOf(c);
  }

  private void add(StringBuilder plain, Look look) {
    if (plain.isEmpty()) {
      return;
    }
    String s = plain.toString();
    plain.setLength(0);
    if (fields.takes(s)) {
      return;
    }
    if (fields.isValue()) {
      value.append(s);
    } else {
      inlines.add(new Inline.Text(s, look));
    }
  }

  private void ends(Look look) {
    Optional<FieldInstruction> instruction = fields.end();
    Optional<Inline.Field.Kind> kind = instruction.flatMap(FieldInstruction::kind);
    if (kind.isPresent()) {
      String target = kind.get() == Inline.Field.Kind.PAGE_OF ? instruction.get().argument() : "";
      inlines.add(new Inline.Field(kind.get(), target, value.toString(), look));
      value.setLength(0);
    }
  }

  private void picture(Optional<Inline> drawn) {
    if (drawn.isPresent() && !fields.takes("")) {
      inlines.add(drawn.get());
    }
  }

  private void comment() {
    if (shared.nextComment >= shared.comments.size() || note.isPresent()) {
      return;
    }
    Comment c = shared.comments.get(shared.nextComment++);
    if (!inlines.isEmpty()) {
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

  private void note(int at, Look look) throws ReadProblem {
    if (note.isPresent()) {
      inlines.add(new Inline.NoteMark(note.get(), look.without(TextTraits.RAISE)));
      return;
    }
    if (note(
        at,
        look,
        shared.file.getFootnotes(),
        shared.file.getFootnoteRange(),
        Story.Kind.FOOTNOTE)) {
      return;
    }
    note(at, look, shared.file.getEndnotes(), shared.file.getEndnoteRange(), Story.Kind.ENDNOTE);
  }

  private boolean note(int at, Look look, Notes notes, Range texts, Story.Kind kind)
      throws ReadProblem {
    int k = notes.getNoteIndexByAnchorPosition(at);
    if (k < 0) {
      return false;
    }
    NodeId own = NodeId.fresh();
    int from = texts.getStartOffset() + notes.getNoteTextStartOffset(k);
    int to = texts.getStartOffset() + notes.getNoteTextEndOffset(k);
    var text = new Range(from, Math.max(from, to), shared.file);
    shared.stories.put(
        own, new Story(own, kind, new DocText(shared, Optional.of(own), () -> {}).blocks(text, 0)));
    inlines.add(new Inline.NoteMark(own, look.without(TextTraits.RAISE)));
    return true;
  }
}
