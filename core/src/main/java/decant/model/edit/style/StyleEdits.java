package decant.model.edit.style;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Edit;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.SimilarParagraphs;
import decant.model.edit.Step;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Changes to the named styles of paragraphs, and to which paragraphs they serve. */
public final class StyleEdits {
  private StyleEdits() {}

  /** A style and how many paragraphs, or pieces of text, it serves. */
  public record Use(NamedStyle style, int count) {}

  /**
   * The styles that paragraphs can have: those in use by the place where they are used first, then
   * the others by name.
   */
  public static List<Use> all(Document d) {
    Map<String, Integer> used = new LinkedHashMap<>();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      used.merge(of(d, p), 1, Integer::sum);
    }
    return usedFirst(d, used, NamedStyle.Kind.PARAGRAPH);
  }

  /** Those in use in the order in which they are counted, then the others of a kind by name. */
  static List<Use> usedFirst(Document d, Map<String, Integer> used, NamedStyle.Kind kind) {
    var out = new ArrayList<Use>();
    used.forEach((id, n) -> d.styles().style(id).ifPresent(s -> out.add(new Use(s, n))));
    d.styles().styles().values().stream()
        .filter(s -> s.kind() == kind && !used.containsKey(s.id()))
        .sorted(java.util.Comparator.comparing(NamedStyle::name))
        .forEach(s -> out.add(new Use(s, 0)));
    return out;
  }

  /** The id of a paragraph's style; empty where the document has none. */
  public static String of(Document d, Paragraph p) {
    String id = p.look().value(ParagraphTraits.STYLE);
    return d.styles().style(id).isPresent() ? id : d.styles().defaultStyle();
  }

  /** The style at the caret. */
  public static Optional<NamedStyle> current(Revision r) {
    Document d = r.document();
    return d.styles().style(of(d, first(r)));
  }

  private static Paragraph first(Revision r) {
    Range range = Range.of(r.document(), r.selection());
    return r.document().requireParagraph(range.start().paragraph());
  }

  /**
   * Gives the paragraphs that are selected a style. What was set on them directly goes, but for
   * single words that stood out.
   */
  public static Revision apply(Revision r, String id) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      steps.addAll(styled(d, part.paragraph(), id));
    }
    return steps.isEmpty() ? r : r.apply(new Edit("Style", steps), r.selection());
  }

  private static List<Step> styled(Document d, Paragraph p, String id) {
    Look look = LookTraits.only(p.look(), LookTraits.STAYS);
    if (!id.equals(d.styles().defaultStyle())) {
      look = look.with(ParagraphTraits.STYLE, id);
    }
    Look most = SimilarParagraphs.directOfMost(p);
    var steps = new ArrayList<Step>();
    steps.add(new Step.SetParagraphLook(p.id(), look, LookTraits.withoutEqual(p.endLook(), most)));
    if (!p.inlines().isEmpty()) {
      steps.add(
          new Step.Restyle(
              p.id(),
              0,
              p.inlines().stream()
                  .map(i -> i.withLook(LookTraits.withoutEqual(i.look(), most)))
                  .toList()));
    }
    return steps;
  }

  /**
   * Makes a style of the look at the caret and gives it to the paragraphs that are selected.
   *
   * @param name what it is called; where one is called so already, nothing happens
   */
  public static Revision create(Revision r, String name) {
    Document d = r.document();
    Paragraph p = first(r);
    if (name.isBlank() || named(d, name).isPresent()) {
      return r;
    }
    String id = free(d, name);
    var style =
        new NamedStyle(
            id,
            name.strip(),
            NamedStyle.Kind.PARAGRAPH,
            Optional.of(of(d, p)).filter(s -> !s.isEmpty()),
            ownOf(p),
            LookTraits.only(SimilarParagraphs.directOfMost(p), LookTraits.TEXT),
            List.of());
    Document with = d.withStyles(d.styles().with(style));
    var steps = new ArrayList<Step>();
    steps.add(new Step.SetStyles(with.styles()));
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      steps.addAll(styled(with, part.paragraph(), id));
    }
    return r.apply(new Edit("New style", steps), r.selection());
  }

  private static Look ownOf(Paragraph p) {
    return LookTraits.without(p.look(), LookTraits.STAYS).without(ParagraphTraits.STYLE);
  }

  static String free(Document d, String name) {
    String plain = name.replaceAll("[^\\p{L}\\p{N}]", "");
    String id = plain.isEmpty() ? "Style" : plain;
    for (int k = 2; d.styles().style(id).isPresent(); k++) {
      id = (plain.isEmpty() ? "Style" : plain) + k;
    }
    return id;
  }

  /** The style of paragraphs that is called so. */
  public static Optional<NamedStyle> named(Document d, String name) {
    return named(d, name, NamedStyle.Kind.PARAGRAPH);
  }

  static Optional<NamedStyle> named(Document d, String name, NamedStyle.Kind kind) {
    return d.styles().styles().values().stream()
        .filter(s -> s.kind() == kind)
        .filter(s -> s.name().equalsIgnoreCase(name.strip()))
        .findFirst();
  }

  /**
   * Takes what is set directly at the caret into the style: all paragraphs that it serves look so
   * from then on.
   */
  public static Revision take(Revision r) {
    Document d = r.document();
    Paragraph p = first(r);
    Optional<NamedStyle> style = d.styles().style(of(d, p));
    Look text = LookTraits.only(SimilarParagraphs.directOfMost(p), LookTraits.TEXT);
    Look paragraph = ownOf(p);
    if (style.isEmpty() || text.isPlain() && paragraph.isPlain()) {
      return r;
    }
    NamedStyle s = style.get();
    NamedStyle changed = s.withLooks(paragraph.over(s.paragraph()), text.over(s.text()));
    var steps = new ArrayList<Step>();
    steps.add(new Step.SetStyles(d.styles().with(changed)));
    steps.addAll(styled(d, p, s.id()));
    return r.apply(new Edit("Change style", steps), r.selection());
  }

  /** Calls a style otherwise; nothing happens where another is called so. */
  public static Revision rename(Revision r, String id, String name) {
    Document d = r.document();
    Optional<NamedStyle> style = d.styles().style(id);
    boolean taken =
        style.flatMap(s -> named(d, name, s.kind())).filter(s -> !s.id().equals(id)).isPresent();
    if (style.isEmpty() || name.isBlank() || taken || style.get().name().equals(name.strip())) {
      return r;
    }
    return set(r, "Rename style", d.styles().with(style.get().withName(name.strip())));
  }

  /** The style of a paragraph that is begun after one of a style. */
  public static NamedStyle following(Document d, NamedStyle s) {
    Optional<NamedStyle> named = s.next().flatMap(d.styles()::style);
    boolean heading =
        d.styles()
                .paragraphLook(Look.of(ParagraphTraits.STYLE, s.id()))
                .value(ParagraphTraits.HEADING_LEVEL)
            > 0;
    return named
        .or(() -> heading ? d.styles().style(d.styles().defaultStyle()) : Optional.empty())
        .orElse(s);
  }

  /** Lets paragraphs of another style follow those of a style; by itself if that is the same. */
  public static Revision follow(Revision r, String id, String next) {
    Document d = r.document();
    return d.styles()
        .style(id)
        .map(s ->
            set(
                r,
                "Next style",
                d.styles().with(s.withNext(Optional.of(next).filter(n -> !n.equals(id))))))
        .orElse(r);
  }

  private static Revision set(Revision r, String name, StyleSheet styles) {
    return r.apply(Edit.of(name, new Step.SetStyles(styles)), r.selection());
  }

  /**
   * Removes a style. The paragraphs that it served have the style that it was based on, and look
   * like that. Styles based on it keep what they had from it. The one that paragraphs have which
   * name none stays.
   */
  public static Revision remove(Revision r, String id) {
    Document d = r.document();
    Optional<NamedStyle> gone = d.styles().style(id);
    if (gone.isEmpty() || id.equals(d.styles().defaultStyle())) {
      return r;
    }
    String base = gone.get().basedOn().orElse(d.styles().defaultStyle());
    var steps = new ArrayList<Step>();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      if (p.look().value(ParagraphTraits.STYLE).equals(id)) {
        Look look =
            base.equals(d.styles().defaultStyle()) || base.isEmpty()
                ? p.look().without(ParagraphTraits.STYLE)
                : p.look().with(ParagraphTraits.STYLE, base);
        steps.add(new Step.SetParagraphLook(p.id(), look, p.endLook()));
      }
    }
    steps.add(new Step.SetStyles(without(d.styles(), gone.get())));
    return r.apply(new Edit("Remove style", steps), r.selection());
  }

  /** The styles without one; those based on it keep what they had from it. */
  static StyleSheet without(StyleSheet all, NamedStyle gone) {
    Optional<String> id = Optional.of(gone.id());
    StyleSheet out = all;
    for (NamedStyle s : all.styles().values()) {
      NamedStyle kept = s;
      if (s.basedOn().equals(id)) {
        kept =
            s.withBasedOn(gone.basedOn())
                .withLooks(s.paragraph().over(gone.paragraph()), s.text().over(gone.text()));
      }
      if (s.next().equals(id)) {
        kept = kept.withNext(Optional.empty());
      }
      out = kept == s ? out : out.with(kept);
    }
    return out.without(gone.id());
  }

  /** Takes off all that is set directly on what is selected, so that it looks like its style. */
  public static Revision backToStyle(Revision r) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      Paragraph p = part.paragraph();
      Look look = LookTraits.only(p.look(), LookTraits.STAYS);
      if (p.look().sets(ParagraphTraits.STYLE)) {
        look = look.with(ParagraphTraits.STYLE, p.look().value(ParagraphTraits.STYLE));
      }
      boolean whole = part.from() == part.to() || part.from() == 0 && part.to() == p.length();
      if (whole && !look.equals(p.look())) {
        steps.add(
            new Step.SetParagraphLook(
                p.id(), look, LookTraits.without(p.endLook(), LookTraits.TEXT)));
      }
      int from = whole ? 0 : part.from();
      List<Inline> plain =
          p.slice(from, whole ? p.length() : part.to()).stream()
              .map(i -> i.withLook(LookTraits.without(i.look(), LookTraits.TEXT)))
              .toList();
      if (!plain.isEmpty()) {
        steps.add(new Step.Restyle(p.id(), from, plain));
      }
    }
    return steps.isEmpty() ? r : r.apply(new Edit("Back to the style", steps), r.selection());
  }
}
