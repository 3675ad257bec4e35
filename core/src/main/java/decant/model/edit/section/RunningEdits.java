package decant.model.edit.section;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Story;
import decant.model.edit.Commands;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.walk.Walk;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Changes to headers and footers. */
public final class RunningEdits {
  private RunningEdits() {}

  /**
   * The header or footer that the caret stands in.
   *
   * @param sections how many sections have it
   */
  public record Here(Story text, Section.Running which, int sections) {}

  /** The header or footer that the caret stands in, if it stands in one. */
  public static Optional<Here> here(Revision r) {
    Document d = r.document();
    return d.index()
        .runningText(d, r.selection().caret().paragraph())
        .flatMap(id -> {
          List<Section> with = d.sections().stream().filter(s -> which(s, id).isPresent()).toList();
          return with.stream()
              .findFirst()
              .flatMap(s -> which(s, id))
              .map(e -> new Here(e.getValue(), e.getKey(), with.size()));
        });
  }

  private static Optional<Map.Entry<Section.Running, Story>> which(Section s, NodeId story) {
    return s.running().entrySet().stream()
        .filter(e -> e.getValue().id().equals(story))
        .min(Map.Entry.comparingByKey());
  }

  /**
   * Goes to the header or footer of the pages that the caret is on. Where they have none, they get
   * an empty one, and so do all other pages without one.
   */
  public static Revision go(Revision r, boolean header) {
    Document d = r.document();
    Section here = sectionAt(r);
    Section.Running usual = header ? Section.Running.HEADER : Section.Running.FOOTER;
    Optional<Paragraph> known =
        Optional.ofNullable(here.running().get(usual))
            .flatMap(s -> Walk.paragraphs(s.blocks()).stream().findFirst());
    if (known.isPresent()) {
      return r.withSelection(Selection.at(new Position(known.get().id(), 0)));
    }
    Paragraph p = new Paragraph(NodeId.fresh(), look(d, here, header), Look.PLAIN, List.of());
    var story = new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(p));
    var texts = new LinkedHashMap<NodeId, Map<Section.Running, Story>>();
    for (Section s : d.sections()) {
      Story own = s.running().get(usual);
      if (own == null || Walk.paragraphs(own.blocks()).isEmpty()) {
        var all = new LinkedHashMap<>(s.running());
        all.put(usual, story);
        texts.put(s.id(), all);
      }
    }
    var step = new Step.SetRunning(texts, java.util.Set.of(), refuge(here));
    return r.apply(
        Edit.of(header ? "Header" : "Footer", step), Selection.at(new Position(p.id(), 0)));
  }

  private static Section sectionAt(Revision r) {
    return r.document().sections().get(PageEdits.sectionAt(r.document(), r.selection()));
  }

  private static Look look(Document d, Section s, boolean header) {
    Optional<String> style =
        d.styles().styles().entrySet().stream()
            .filter(e -> e.getValue().name().equalsIgnoreCase(header ? "header" : "footer"))
            .map(Map.Entry::getKey)
            .findFirst();
    if (style.isPresent()) {
      return Look.of(ParagraphTraits.STYLE, style.get());
    }
    double width = s.page().textWidth();
    return Look.of(
        ParagraphTraits.TABS,
        List.of(
            new TabStop(width / 2, TabStop.Kind.CENTRE, TabStop.Leader.NONE),
            new TabStop(width, TabStop.Kind.RIGHT, TabStop.Leader.NONE)));
  }

  private static Position refuge(Section s) {
    return new Position(Walk.paragraphs(s.blocks()).getFirst().id(), 0);
  }

  /** Takes the header or footer that the caret stands in off all pages that have it. */
  public static Revision remove(Revision r) {
    Optional<Here> here = here(r);
    if (here.isEmpty()) {
      return r;
    }
    NodeId id = here.get().text().id();
    var texts = new LinkedHashMap<NodeId, Map<Section.Running, Story>>();
    for (Section s : r.document().sections()) {
      var left = new LinkedHashMap<>(s.running());
      if (left.values().removeIf(t -> t.id().equals(id))) {
        texts.put(s.id(), left);
      }
    }
    Position to = refuge(sectionAt(r));
    var step =
        new Step.SetRunning(
            texts,
            Walk.paragraphs(here.get().text().blocks()).stream()
                .map(Block::id)
                .collect(Collectors.toSet()),
            to);
    return r.apply(
        Edit.of(here.get().which().isHeader() ? "Remove header" : "Remove footer", step),
        Selection.at(to));
  }

  /** Puts the number of the page, or how many pages there are, in place of what is selected. */
  public static Revision putField(Revision r, Inline.Field.Kind kind) {
    Revision clear = r.selection().isCaret() ? r : Commands.deleteBackward(r);
    Position at = clear.selection().caret();
    var field = new Inline.Field(kind, "1", Commands.lookForTyping(clear));
    var edit =
        Edit.of(
            "Page number",
            new Step.ReplaceText(at.paragraph(), at.offset(), at.offset(), List.of(field)));
    Selection after = Selection.at(new Position(at.paragraph(), at.offset() + field.length()));
    return r.selection().isCaret() ? clear.apply(edit, after) : clear.extend(edit, after);
  }
}
