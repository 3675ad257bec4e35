package decant.pdf.read.document;

import decant.layout.label.NoteLabels;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** Notes as stories that begin with their labels, and their marks in the text. */
final class NoteMaker {
  private final StyleMaker styles;
  private final Dehyphenator joiner;
  private final Map<NodeId, Finding.SourcePlace> places;
  private final Map<NodeId, Story> stories = new LinkedHashMap<>();
  private final List<Made> made = new ArrayList<>();
  private final Set<NodeId> marked = new HashSet<>();
  private int nextEndnote = 1;

  /** The pages with notes that marks of other pages lead to. */
  private final Set<Integer> endPages = new HashSet<>();

  private final Map<Integer, Map<String, NodeId>> noteMarks = new HashMap<>();

  /**
   * @param places takes the place of each note
   */
  NoteMaker(StyleMaker styles, Dehyphenator joiner, Map<NodeId, Finding.SourcePlace> places) {
    this.styles = styles;
    this.joiner = joiner;
    this.places = places;
  }

  Map<NodeId, Story> stories() {
    return stories;
  }

  /** A note and what it was found as. */
  record Made(NodeId note, Paragraph paragraph, DetectedNote found) {
    /** The note as text that begins with its label, for one that no mark leads to. */
    Paragraph asText() {
      var inlines = new ArrayList<Inline>();
      if (!found.label().isEmpty()) {
        inlines.add(new Inline.Text(found.label() + " ", paragraph.inlines().get(1).look()));
      }
      inlines.addAll(paragraph.slice(MARK, paragraph.length()));
      return new Paragraph(paragraph.id(), paragraph.look(), paragraph.endLook(), inlines);
    }
  }

  /** The notes that no mark in the text leads to. */
  List<Made> unmarked() {
    return made.stream().filter(m -> !marked.contains(m.note())).toList();
  }

  /** A document whose notes are called as they were, where counting would call them otherwise. */
  Document labelled(Document d) {
    var found = new HashMap<NodeId, String>();
    made.forEach(m -> found.put(m.note(), m.found().label()));
    return NoteLabels.labelled(withEndnotes(d), found);
  }

  /** Notes that stand together after the last of the text are endnotes. */
  private Document withEndnotes(Document d) {
    int last =
        d.sections().stream()
            .flatMap(s -> s.blocks().stream())
            .map(b -> places.get(b.id()))
            .filter(Objects::nonNull)
            .mapToInt(Finding.SourcePlace::page)
            .max()
            .orElse(0);
    if (endPages.isEmpty() || endPages.stream().anyMatch(p -> p < last)) {
      return d;
    }
    Map<NodeId, Story> out = new LinkedHashMap<>(d.stories());
    for (Made m : made) {
      if (endPages.contains(m.found().page()) && marked.contains(m.note())) {
        out.computeIfPresent(
            m.note(), (id, s) -> new Story(id, Story.Kind.ENDNOTE, s.blocks(), s.label()));
      }
    }
    Typesetting t = d.styles().typesetting().withEndnotes(NumberFormat.DECIMAL);
    return d.withStyles(d.styles().withTypesetting(t)).withStories(out);
  }

  /** How many places of a note's paragraph are its mark and the space after it. */
  static final int MARK = 2;

  List<Made> made() {
    return made;
  }

  /** A note as a story that begins with its label. */
  void note(DetectedNote n) {
    NodeId id = NodeId.fresh();
    double size = n.lines().getFirst().size();
    var inlines = new ArrayList<Inline>();
    inlines.add(new Inline.NoteMark(id, Look.PLAIN));
    inlines.add(new Inline.Text(" ", Look.of(TextTraits.SIZE, LookMaker.rounded(size))));
    inlines.addAll(LookMaker.inlines(joiner.join(n.lines()), styles.bodyText(), size));
    var p =
        new Paragraph(
            NodeId.fresh(),
            Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE),
            Look.PLAIN,
            inlines);
    made.add(new Made(id, p, n));
    stories.put(id, new Story(id, Story.Kind.FOOTNOTE, List.of(p)));
    noteMarks.computeIfAbsent(n.page(), k -> new HashMap<>()).putIfAbsent(n.label(), id);
    TextLine first = n.lines().getFirst();
    Box box =
        n.lines().stream()
            .filter(l -> l.page() == first.page())
            .map(TextLine::box)
            .reduce(Box::union)
            .orElse(first.box());
    places.put(p.id(), new Finding.SourcePlace(first.page(), box));
  }

  /**
   * A note on another page than its mark: those of a text that stand together at its end are
   * counted through, so that their marks come in that order.
   */
  private Optional<NodeId> endnote(String label) {
    if (!label.equals(Integer.toString(nextEndnote))) {
      return Optional.empty();
    }
    List<Made> so = made.stream().filter(m -> m.found().label().equals(label)).toList();
    if (so.size() != 1 || marked.contains(so.getFirst().note())) {
      return Optional.empty();
    }
    nextEndnote++;
    endPages.add(so.getFirst().found().page());
    return Optional.of(so.getFirst().note());
  }

  private double size(Inline i) {
    return i.look().get(TextTraits.SIZE).orElse(styles.bodyText().value(TextTraits.SIZE));
  }

  /** Raised signs that are marks of notes on the pages of these lines become such marks. */
  List<Inline> marked(List<Inline> inlines, List<TextLine> lines) {
    if (noteMarks.isEmpty()) {
      return inlines;
    }
    var out = new ArrayList<Inline>();
    double usual = inlines.stream().mapToDouble(this::size).max().orElse(0);
    for (Inline i : inlines) {
      // Tags may put a mark into a paragraph of its own, where nothing shows that it is raised.
      boolean alone =
          inlines.size() == 1
              && lines.getFirst().size() < Sizes.RAISED * styles.bodyText().value(TextTraits.SIZE);
      // Nor does a line show it that begins with the mark.
      boolean raised =
          i instanceof Inline.Text t
              && (alone
                  || t.look().value(TextTraits.RAISE) == TextTraits.Raise.SUPERSCRIPT
                  || size(i) < Sizes.RAISED * usual);
      NodeId note = null;
      if (raised && i instanceof Inline.Text t) {
        for (TextLine l : lines) {
          Map<String, NodeId> here = noteMarks.getOrDefault(l.page(), Map.of());
          note = note == null ? here.get(t.text().strip()) : note;
        }
      }
      if (note == null && raised && i instanceof Inline.Text t) {
        note = endnote(t.text().strip()).orElse(null);
      }
      if (note != null) {
        marked.add(note);
      }
      out.add(note == null ? i : new Inline.NoteMark(note, i.look().without(TextTraits.RAISE)));
    }
    return out;
  }
}
