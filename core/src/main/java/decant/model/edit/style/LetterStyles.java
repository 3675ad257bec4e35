package decant.model.edit.style;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Commands;
import decant.model.edit.Edit;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Changes to the named styles of letters within paragraphs, and to which letters they serve. */
public final class LetterStyles {
  private LetterStyles() {}

  /**
   * The styles that letters can have: those in use first, with how many pieces of text they serve.
   */
  public static List<StyleEdits.Use> all(Document d) {
    Map<String, Integer> used = new LinkedHashMap<>();
    Walk.inlines(
        d,
        Part.ALL,
        i -> {
          String id = i.look().value(TextTraits.CHARACTER_STYLE);
          if (!id.isEmpty()) {
            used.merge(id, 1, Integer::sum);
          }
        });
    used.keySet().removeIf(id -> style(d, id).isEmpty());
    return StyleEdits.usedFirst(d, used, NamedStyle.Kind.CHARACTER);
  }

  private static Optional<NamedStyle> style(Document d, String id) {
    return d.styles().style(id).filter(s -> s.kind() == NamedStyle.Kind.CHARACTER);
  }

  /** The style of the letters at the caret, or where the selection begins. */
  public static Optional<NamedStyle> current(Revision r) {
    return style(r.document(), direct(r).value(TextTraits.CHARACTER_STYLE));
  }

  private static Look direct(Revision r) {
    Document d = r.document();
    Range range = Range.of(d, r.selection());
    return Origin.direct(r, d.requireParagraph(range.start().paragraph()));
  }

  /** Gives the letters that are selected a style; what was set on them directly goes. */
  public static Revision apply(Revision r, String id) {
    return restyled(r, "Style", List.of(), l -> styled(l, id));
  }

  private static Look styled(Look look, String id) {
    return LookTraits.without(look, LookTraits.TEXT).with(TextTraits.CHARACTER_STYLE, id);
  }

  /**
   * Makes a style of the look of the letters at the caret and gives it to those that are selected.
   *
   * @param name what it is called; where one is called so already, nothing happens
   */
  public static Revision create(Revision r, String name) {
    Document d = r.document();
    if (name.isBlank() || named(d, name).isPresent()) {
      return r;
    }
    String id = StyleEdits.free(d, name);
    var style =
        new NamedStyle(
            id,
            name.strip(),
            NamedStyle.Kind.CHARACTER,
            current(r).map(NamedStyle::id),
            Look.PLAIN,
            LookTraits.only(direct(r), LookTraits.TEXT),
            List.of());
    return restyled(
        r, "New style", List.of(new Step.SetStyles(d.styles().with(style))), l -> styled(l, id));
  }

  /** The style of letters that is called so. */
  public static Optional<NamedStyle> named(Document d, String name) {
    return StyleEdits.named(d, name, NamedStyle.Kind.CHARACTER);
  }

  /**
   * Takes what is set directly on the letters at the caret into their style: all letters that it
   * serves look so from then on.
   */
  public static Revision take(Revision r) {
    Optional<NamedStyle> style = current(r);
    Look own = LookTraits.only(direct(r), LookTraits.TEXT);
    if (style.isEmpty() || own.isPlain()) {
      return r;
    }
    NamedStyle s = style.get();
    StyleSheet changed = r.document().styles().with(s.withLooks(s.paragraph(), own.over(s.text())));
    return restyled(
        r,
        "Change style",
        List.of(new Step.SetStyles(changed)),
        l ->
            l.value(TextTraits.CHARACTER_STYLE).equals(s.id())
                ? LookTraits.withoutEqual(l, own)
                : l);
  }

  /** Takes the style off the letters that are selected. */
  public static Revision none(Revision r) {
    return Commands.unset(r, "Back to the style", TextTraits.CHARACTER_STYLE);
  }

  /** Removes a style. The letters that it served have the style that it was based on, or none. */
  public static Revision remove(Revision r, String id) {
    Document d = r.document();
    Optional<NamedStyle> gone = style(d, id);
    if (gone.isEmpty()) {
      return r;
    }
    UnaryOperator<Look> base =
        l ->
            !l.value(TextTraits.CHARACTER_STYLE).equals(id)
                ? l
                : gone.get()
                    .basedOn()
                    .map(b -> l.with(TextTraits.CHARACTER_STYLE, b))
                    .orElseGet(() -> l.without(TextTraits.CHARACTER_STYLE));
    var steps = new ArrayList<Step>();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      restyle(p, 0, p.length(), base).ifPresent(steps::add);
      if (!base.apply(p.endLook()).equals(p.endLook())) {
        steps.add(new Step.SetParagraphLook(p.id(), p.look(), base.apply(p.endLook())));
      }
    }
    steps.add(new Step.SetStyles(StyleEdits.without(d.styles(), gone.get())));
    return r.apply(new Edit("Remove style", steps), r.selection());
  }

  /**
   * Changes the looks of what is selected; with a caret, that of what is typed next.
   *
   * @param first what is done before
   */
  private static Revision restyled(
      Revision r, String name, List<Step> first, UnaryOperator<Look> change) {
    Document d = r.document();
    var steps = new ArrayList<>(first);
    if (r.selection().isCaret()) {
      Look next = change.apply(r.pending().orElseGet(() -> Commands.lookForTyping(r)));
      Revision with = steps.isEmpty() ? r : r.apply(new Edit(name, steps), r.selection());
      return with.withPending(next);
    }
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      restyle(part.paragraph(), part.from(), part.to(), change).ifPresent(steps::add);
    }
    return steps.isEmpty() ? r : r.apply(new Edit(name, steps), r.selection());
  }

  private static Optional<Step> restyle(Paragraph p, int from, int to, UnaryOperator<Look> change) {
    List<Inline> was = p.slice(from, to);
    List<Inline> is = was.stream().map(i -> i.withLook(change.apply(i.look()))).toList();
    return is.equals(was) ? Optional.empty() : Optional.of(new Step.Restyle(p.id(), from, is));
  }
}
