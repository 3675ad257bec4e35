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
import java.util.LinkedHashSet;
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
   * Goes to a header or footer of the pages that the caret is on. Where they have none, they get an
   * empty one; one for all pages is then that of all other pages without one too.
   */
  public static Revision go(Revision r, Section.Running which) {
    Document d = r.document();
    Section here = sectionAt(r);
    Optional<Paragraph> known =
        Optional.ofNullable(here.running().get(which))
            .flatMap(s -> Walk.paragraphs(s.blocks()).stream().findFirst());
    if (known.isPresent()) {
      return r.withSelection(Selection.at(new Position(known.get().id(), 0)));
    }
    Story story = empty(d, here, which.isHeader());
    boolean usual = which == Section.Running.HEADER || which == Section.Running.FOOTER;
    var texts = new LinkedHashMap<NodeId, Map<Section.Running, Story>>();
    for (Section s : usual ? d.sections() : List.of(here)) {
      Story own = s.running().get(which);
      if (own == null || Walk.paragraphs(own.blocks()).isEmpty()) {
        texts.put(s.id(), with(s, which, story));
      }
    }
    var step = new Step.SetRunning(texts, java.util.Set.of(), refuge(here));
    return r.apply(
        Edit.of(which.isHeader() ? "Header" : "Footer", step),
        Selection.at(new Position(Walk.paragraphs(story.blocks()).getFirst().id(), 0)));
  }

  private static Map<Section.Running, Story> with(Section s, Section.Running which, Story story) {
    var all = new LinkedHashMap<>(s.running());
    all.put(which, story);
    return all;
  }

  private static Story empty(Document d, Section s, boolean header) {
    Paragraph p = new Paragraph(NodeId.fresh(), look(d, s, header), Look.PLAIN, List.of());
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(p));
  }

  /** Pages that can have a header and footer of their own. */
  public enum Apart {
    FIRST(Section.Running.HEADER_FIRST, Section.Running.FOOTER_FIRST),
    EVEN(Section.Running.HEADER_EVEN, Section.Running.FOOTER_EVEN);

    private final Section.Running header;
    private final Section.Running footer;

    Apart(Section.Running header, Section.Running footer) {
      this.header = header;
      this.footer = footer;
    }

    private Section.Running of(boolean isHeader) {
      return isHeader ? header : footer;
    }

    private boolean isIn(Section s) {
      return s.running().containsKey(header) || s.running().containsKey(footer);
    }
  }

  /** Whether some pages have others than those where the header or footer with the caret stands. */
  public static boolean isApart(Revision r, Apart pages) {
    return sectionsHere(r).stream().anyMatch(pages::isIn);
  }

  /**
   * Gives some pages a header or footer of their own, wherever the one with the caret stands: an
   * empty one in the place of that, and what they had in the place of the other. Or takes theirs
   * away, so that they have what all have.
   */
  public static Revision apart(Revision r, Apart pages, boolean own) {
    Optional<Here> here = here(r);
    if (here.isEmpty() || isApart(r, pages) == own) {
      return r;
    }
    boolean header = here.get().which().isHeader();
    List<Section> sections = sectionsHere(r);
    Story empty = empty(r.document(), sections.getFirst(), header);
    var texts = new LinkedHashMap<NodeId, Map<Section.Running, Story>>();
    var gone = new LinkedHashSet<NodeId>();
    for (Section s : sections) {
      var all = new LinkedHashMap<>(s.running());
      if (own) {
        all.put(pages.of(header), empty);
        Section.Running usual = header ? Section.Running.FOOTER : Section.Running.HEADER;
        Optional.ofNullable(s.running().get(usual)).ifPresent(t -> all.put(pages.of(!header), t));
      } else {
        for (Section.Running which : List.of(pages.header, pages.footer)) {
          Story was = all.remove(which);
          if (was != null && !all.containsValue(was)) {
            Walk.paragraphs(was.blocks()).forEach(p -> gone.add(p.id()));
          }
        }
      }
      texts.put(s.id(), all);
    }
    Position caret = r.selection().caret();
    boolean stays = !gone.contains(caret.paragraph());
    Position refuge = refuge(sections.getFirst());
    var step = new Step.SetRunning(texts, gone, refuge);
    return r.apply(
        Edit.of(header ? "Header" : "Footer", step), stays ? r.selection() : Selection.at(refuge));
  }

  private static List<Section> sectionsHere(Revision r) {
    return here(r).stream()
        .flatMap(
            h -> r.document().sections().stream().filter(s -> which(s, h.text().id()).isPresent()))
        .toList();
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
