package decant.office.docx;

import decant.model.Inline;
import decant.model.finding.Finding;
import decant.model.look.FormField;
import decant.model.look.Kept;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.office.docx.markup.Controls;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.FormFieldData;
import decant.office.field.AskedFor;
import decant.office.field.FieldInstruction;
import decant.office.field.FormPlace;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import decant.words.Words;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Fields (§17.16): those that are computed become fields of the document, links become links, those
 * of forms places to fill in, and of all others the result is ordinary text between two marks that
 * are kept, so that the field goes back into the file.
 */
final class FieldReader {
  private static final Words WORDS = Words.of(FieldReader.class);
  private static final int DEEPEST = 40;

  /** A field that is open (§17.16.18). */
  private static final class Open {
    final StringBuilder instruction = new StringBuilder();
    final StringBuilder shown = new StringBuilder();
    final List<Inline> asked = new ArrayList<>(); // text where only an instruction should stand
    final Optional<Link> outer;
    final Element mark;
    final Optional<Element> rPr;
    Optional<FormPlace> form = Optional.empty();
    Inline.@Nullable KeptInline begun;
    boolean inResult;
    boolean marked;
    Look look;

    Open(Optional<Link> outer, Look look, Optional<Element> rPr, Element mark) {
      this.outer = outer;
      this.look = look;
      this.rPr = rPr;
      this.mark = mark;
    }

    FieldInstruction told() {
      return new FieldInstruction(instruction.toString());
    }

    String name() {
      return told().keyword();
    }

    Optional<Inline.Field.Kind> computed() {
      return switch (name()) {
        case "SECTIONPAGES" -> Optional.of(Inline.Field.Kind.PAGES);
        case "STYLEREF" -> Optional.of(Inline.Field.Kind.STYLED_TEXT);
        default -> told().kind();
      };
    }
  }

  private final DocxBody.Shared shared;
  private final Deque<Open> open = new ArrayDeque<>();
  private Optional<Link> link = Optional.empty();

  FieldReader(DocxBody.Shared shared) {
    this.shared = shared;
  }

  /** The link that a field which began in an earlier paragraph makes of the text. */
  Optional<Link> openLink() {
    return open.isEmpty() ? Optional.empty() : link;
  }

  /**
   * A mark of a field: its beginning, the start of its result, or its end.
   *
   * @param current the link of the text so far
   * @return the link of the text from here on
   */
  Optional<Link> mark(
      Element fldChar, Optional<Element> rPr, Look look, Optional<Link> current, List<Inline> out) {
    switch (fldChar.attribute("w:fldCharType").orElse("")) {
      case "begin" -> {
        if (open.size() < DEEPEST) {
          open.push(new Open(current, look, rPr, fldChar));
        }
        link = current;
      }
      case "separate" -> link = separate(current, out);
      case "end" -> link = end(out).orElse(current);
      default -> link = current;
    }
    return link;
  }

  private static String run(Optional<Element> rPr, Element content) {
    List<Object> children = rPr.isPresent() ? List.of(rPr.get(), content) : List.of(content);
    return XmlParts.write(new Element("w:r", Map.of(), children));
  }

  void instruction(String text) {
    if (!open.isEmpty() && !open.element().inResult) {
      open.element().instruction.append(text);
    }
  }

  /** Begins a field that stands in one element, at its result. */
  Optional<Link> begin(
      String instruction, Element fldSimple, Optional<Link> current, List<Inline> out) {
    var f = new Open(current, Look.PLAIN, Optional.empty(), mark("begin"));
    f.instruction.append(instruction);
    open.push(f);
    link = separate(current, out);
    return link;
  }

  private static Element mark(String type) {
    return new Element("w:fldChar", Map.of("w:fldCharType", type), List.of());
  }

  private Optional<Link> separate(Optional<Link> current, List<Inline> out) {
    if (open.isEmpty()) {
      return current;
    }
    Open f = open.element();
    f.inResult = true;
    if (f.name().equals("HYPERLINK")) {
      return new FieldInstruction(f.instruction.toString()).link();
    }
    f.form =
        FormFieldData.of(f.mark, f.name())
            .filter(AskedFor::isForPeople)
            .map(a -> new FormPlace(a, Controls.named(a, ++shared.controls)));
    if (f.form.isPresent()) {
      return current;
    }
    if (f.computed().isEmpty() && !f.name().isEmpty() && !insideComputed()) {
      f.marked = true;
      var instruction =
          new Element(
              "w:instrText", Map.of("xml:space", "preserve"), List.of(f.instruction.toString()));
      f.begun =
          new Inline.KeptInline(
              new Kept(
                  DocxLooks.FORMAT,
                  run(f.rPr, f.mark)
                      + run(Optional.empty(), instruction)
                      + run(Optional.empty(), mark("separate"))),
              "",
              f.look);
      out.add(f.begun);
    }
    return current;
  }

  private boolean insideComputed() {
    return open.stream().skip(1).anyMatch(f -> f.inResult && f.computed().isPresent());
  }

  /** The place to fill in that text is part of. */
  Optional<FormField> blank() {
    return open.stream()
        .filter(f -> f.inResult)
        .flatMap(f -> f.form.stream())
        .map(FormPlace::field)
        .findFirst();
  }

  /** Whether text is ordinary; text of a computed field is what the field shows. */
  boolean takesAsText(String text, Look look) {
    for (Open f : open) {
      if (!f.inResult) {
        if (f == open.element()) {
          f.asked.add(new Inline.Text(text, look));
        }
        return false;
      }
      if (f.form.isPresent()) {
        f.shown.append(text);
        f.look = look;
        return f.form.get().takesText();
      }
      if (f.computed().isPresent()) {
        f.shown.append(text);
        f.look = look;
        return false;
      }
    }
    return true;
  }

  /** Ends the innermost field, and gives the link that holds outside it, if one was open. */
  Optional<Optional<Link>> end(List<Inline> out) {
    if (open.isEmpty()) {
      return Optional.empty();
    }
    Open f = open.element();
    if (!f.inResult && AskedFor.isKeyword(f.name())) {
      separate(f.outer, out); // boxes and choices may have no result
    }
    open.pop();
    if (f.form.isPresent()) {
      f.form.get().shown(!f.shown.isEmpty(), f.look).ifPresent(out::add);
      return Optional.of(f.outer);
    }
    Optional<Inline.Field.Kind> kind = f.computed();
    if (kind.isPresent()) {
      field(f, kind.get())
          .ifPresent(x -> {
            if (open.stream().noneMatch(o -> o.computed().isPresent())) {
              out.add(x);
            }
          });
    } else {
      if (!f.inResult && !f.name().isEmpty() && !f.name().equals("HYPERLINK")) {
        // A field without a result: an index entry, a mark. It goes back as it was.
        separate(f.outer, out, f);
        if (f.told().isOwed()) {
          shared.once(Finding.Kind.CONTENT_LEFT_OUT, WORDS.say("field-reader.owed", f.name()));
        }
      }
      if (f.marked) {
        alone(f, out);
        out.add(endMark(f));
      }
    }
    return Optional.of(f.outer);
  }

  /** A field that draws itself, and has no result, shows what it draws. */
  private void alone(Open f, List<Inline> out) {
    Optional<String> shown = f.told().alone();
    if (shown.isPresent() && !out.isEmpty() && out.getLast() == f.begun) {
      out.set(out.size() - 1, new Inline.KeptInline(f.begun.kept(), shown.get(), f.begun.look()));
      if (f.name().equals("EQ")) {
        shared.once(Finding.Kind.LAYOUT_SIMPLIFIED, WORDS.say("field-reader.equation"));
      }
    }
  }

  private void separate(Optional<Link> outer, List<Inline> out, Open f) {
    open.push(f);
    separate(outer, out);
    open.pop();
  }

  private static Inline endMark(Open f) {
    return new Inline.KeptInline(
        new Kept(DocxLooks.FORMAT, run(Optional.empty(), mark("end"))), "", f.look);
  }

  /**
   * A computed field ends with its paragraph, whatever the file says, and so does one that has
   * neither result nor end where text follows: it would hide all that comes.
   */
  void endParagraph(List<Inline> out) {
    if (!open.isEmpty() && !open.element().asked.isEmpty()) {
      int at = out.size();
      while (!open.isEmpty() && !open.element().inResult) {
        Open f = open.pop();
        out.addAll(at, f.asked);
        link = f.outer;
      }
    }
    while (!open.isEmpty() && open.element().computed().isPresent()) {
      end(out);
    }
  }

  private Optional<Inline.Field> field(Open f, Inline.Field.Kind kind) {
    String target =
        switch (kind) {
          case STYLED_TEXT -> styleOf(f.told().argument());
          case PAGE, PAGES, PAGE_OF, TITLE, DATE, OTHER -> f.told().target();
        };
    return Optional.of(new Inline.Field(kind, target, f.shown.toString(), f.look));
  }

  private String styleOf(String name) {
    String heading = name.matches("[1-9]") ? "heading " + name : name;
    return shared.styles.styles().values().stream()
        .filter(s -> s.name().equalsIgnoreCase(heading) || s.id().equals(name))
        .map(NamedStyle::id)
        .findFirst()
        .orElse(name);
  }
}
