package decant.blanks;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Finds the blanks of a document and fills them in. */
public final class Blanks {
  private static final Words WORDS = Words.of(Blanks.class);

  /** What stands for an empty line to write on. */
  private static final int LINE = 5;

  private Blanks() {}

  /** In the order of the text. */
  public static List<Blank> of(Document d) {
    Map<String, List<Blank.Place>> all = new LinkedHashMap<>();
    for (Paragraph p : d.paragraphs()) {
      places(p).forEach(x -> all.computeIfAbsent(name(x.field()), k -> new ArrayList<>()).add(x));
    }
    var out = new ArrayList<Blank>();
    all.forEach((name, places) -> out.add(blank(name, places)));
    return out;
  }

  private static String name(FormField f) {
    return f.name().isEmpty() ? f.id() : f.name();
  }

  private static Blank blank(String name, List<Blank.Place> places) {
    FormField.Kind kind = places.getFirst().field().kind();
    var blank = new Blank(name, kind, places, "");
    String value = "";
    for (int k = 0; k < places.size() && value.isEmpty(); k++) {
      Blank.Place p = places.get(k);
      value =
          !blank.isSwitch()
              ? p.field().value(p.shown())
              : p.field().holds(p.shown()) ? blank.option(k) : "";
    }
    return new Blank(name, kind, places, value);
  }

  /** Stretches of a paragraph that are one field each. */
  private static List<Blank.Place> places(Paragraph p) {
    var out = new ArrayList<Blank.Place>();
    int at = 0;
    for (Inline i : p.inlines()) {
      int end = at + i.length();
      Optional<FormField> field =
          i instanceof Inline.Text t ? t.look().get(TextTraits.FIELD) : Optional.empty();
      if (field.isPresent() && i instanceof Inline.Text t) {
        Blank.Place last = out.isEmpty() ? null : out.getLast();
        if (last != null && last.to() == at && last.field().id().equals(field.get().id())) {
          out.set(
              out.size() - 1,
              new Blank.Place(p.id(), last.from(), end, last.field(), last.shown() + t.text()));
        } else {
          out.add(new Blank.Place(p.id(), at, end, field.get(), t.text()));
        }
      }
      at = end;
    }
    return out;
  }

  /**
   * A document with values filled in; names that it has no blank of are passed over.
   *
   * @param values by the names of blanks; empty to empty one
   */
  public static Document filled(Document d, Map<String, String> values) {
    Document out = d;
    for (Step s : steps(d, values)) {
      out = s.apply(out).document();
    }
    return out;
  }

  /** The same as one act that can be undone. */
  public static Revision fill(Revision r, Map<String, String> values) {
    List<Step> steps = steps(r.document(), values);
    return steps.isEmpty() ? r : r.apply(new Edit(WORDS.say("blanks.fill"), steps));
  }

  private static List<Step> steps(Document d, Map<String, String> values) {
    /** A place and what is to stand there. */
    record Change(Blank.Place place, String text) {}
    var changes = new ArrayList<Change>();
    for (Blank b : of(d)) {
      String value = values.get(b.name());
      if (value == null || value.equals(b.value())) {
        continue;
      }
      for (int k = 0; k < b.places().size(); k++) {
        Blank.Place p = b.places().get(k);
        String text = b.isSwitch() ? sign(b, k, value) : written(p.field(), value);
        if (!text.equals(p.shown())) {
          changes.add(new Change(p, text));
        }
      }
    }
    // From the end of each paragraph, so that places before a change do not move.
    changes.sort(Comparator.comparingInt((Change c) -> -c.place.from()));
    var out = new ArrayList<Step>();
    for (Change c : changes) {
      Look look = d.requireParagraph(c.place.paragraph()).lookAt(c.place.from() + 1);
      out.add(
          new Step.ReplaceText(
              c.place.paragraph(),
              c.place.from(),
              c.place.to(),
              List.of(new Inline.Text(c.text, look))));
    }
    return out;
  }

  private static String sign(Blank b, int place, String value) {
    boolean on = !value.isBlank() && value.equals(b.option(place));
    return on ? FormField.sign(b.kind(), true) : empty(b.places().get(place).field());
  }

  /** What stands on a field with nothing in it. */
  public static String empty(FormField f) {
    return f.isSwitch() ? FormField.sign(f.kind(), false) : written(f, "");
  }

  private static String written(FormField f, String value) {
    if (!value.isBlank()) {
      return value;
    }
    return f.waiting().isEmpty() || f.isHeldOpen() ? FormField.HELD_OPEN.repeat(LINE) : f.waiting();
  }
}
