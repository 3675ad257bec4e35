package decant.blanks;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.edit.Step;
import decant.model.look.FormField;
import decant.model.look.TextTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lines to write on and boxes to tick that stand in the text as signs, and are no fields yet. */
public final class TypedBlanks {
  /** So many underscores are a line to write on. Common practice. */
  private static final Pattern SIGNS =
      Pattern.compile("_{4,}|[\u2610\u25A1\u25FB\u274F\u2751\u2752]");

  private static final int LONGEST = 60;

  private TypedBlanks() {}

  /**
   * A place.
   *
   * @param from its first place in the paragraph, and
   * @param to the one after its last
   * @param label the words that say what belongs there; empty if there are none
   */
  public record Spot(NodeId paragraph, int from, int to, FormField.Kind kind, String label) {}

  /** Those of some blocks, in the order of the text. */
  public static List<Spot> in(List<Block> blocks) {
    var out = new ArrayList<Spot>();
    String before = "";
    for (Paragraph p : Walk.paragraphs(blocks)) {
      String text = p.text();
      if (!mayHold(p)) {
        before = text.isBlank() ? before : text;
        continue;
      }
      Matcher m = SIGNS.matcher(text);
      int labelFrom = 0;
      while (m.find()) {
        boolean line = text.charAt(m.start()) == '_';
        if (!isField(p, m.start())) {
          out.add(
              line
                  ? new Spot(
                      p.id(),
                      m.start(),
                      m.end(),
                      FormField.Kind.TEXT,
                      words(text.substring(labelFrom, m.start()), text.substring(m.end()), before))
                  : new Spot(
                      p.id(),
                      m.start(),
                      m.end(),
                      FormField.Kind.TICK,
                      words(until(text.substring(m.end())), text.substring(0, m.start()), before)));
        }
        labelFrom = line ? m.end() : labelFrom;
      }
      before = text.isBlank() ? before : SIGNS.matcher(text).replaceAll(" ");
    }
    return out;
  }

  /** Whether any of some blocks has one. */
  public static boolean any(List<Block> blocks) {
    for (Paragraph p : Walk.paragraphs(blocks)) {
      if (mayHold(p) && !in(List.of(p)).isEmpty()) {
        return true;
      }
    }
    return false;
  }

  /** Looked at for each paragraph of a long text: most have none of the signs. */
  private static boolean mayHold(Paragraph p) {
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Text t
          && (t.text().indexOf('_') >= 0 || SIGNS.matcher(t.text()).find())) {
        return true;
      }
    }
    return false;
  }

  private static boolean isField(Paragraph p, int at) {
    return p.lookAt(at + 1).sets(TextTraits.FIELD);
  }

  /** What follows a box belongs to it as far as the next one. */
  private static String until(String rest) {
    Matcher next = SIGNS.matcher(rest);
    return next.find() ? rest.substring(0, next.start()) : rest;
  }

  /** The first of some texts that says anything. */
  private static String words(String... texts) {
    for (String t : texts) {
      String plain =
          SIGNS
              .matcher(t)
              .replaceAll(" ")
              .replaceAll("\\s+", " ")
              .strip()
              .replaceAll("[\\s:.…]+$", "");
      if (plain.codePoints().anyMatch(Character::isLetter)) {
        return plain.length() <= LONGEST ? plain : plain.substring(0, LONGEST).strip();
      }
    }
    return "";
  }

  /**
   * What makes a field of a place.
   *
   * @param p the paragraph it is in
   */
  public static Step.ReplaceText field(Paragraph p, Spot s, String name) {
    String text = p.text().substring(s.from(), s.to());
    FormField field = made(name, s.kind(), text);
    return new Step.ReplaceText(
        s.paragraph(),
        s.from(),
        s.to(),
        List.of(new Inline.Text(text, p.lookAt(s.from() + 1).with(TextTraits.FIELD, field))));
  }

  /**
   * A field that was none before.
   *
   * @param waiting what stands there while nothing is filled in
   */
  public static FormField made(String name, FormField.Kind kind, String waiting) {
    return new FormField(
        "made." + UUID.randomUUID().toString().substring(0, 8),
        name,
        kind,
        List.of(),
        0,
        kind == FormField.Kind.TICK ? "" : waiting);
  }

  /**
   * A name that no other field has; it is taken afterwards.
   *
   * @param label what it is to be like; full stops part names of fields (ISO 32000-2 §12.7.4.2)
   */
  public static String free(String label, Set<String> taken) {
    String plain = label.replace('.', ' ').replaceAll("\\s+", " ").strip();
    String name = plain.isEmpty() ? "field" : plain;
    String free = name;
    for (int k = 2; !taken.add(free); k++) {
      free = name + " " + k;
    }
    return free;
  }
}
