package decant.model.edit;

import decant.model.AttachedFile;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.StyleSheet;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The smallest change to a document. Applying a step to a document it was not made for may throw.
 */
public sealed interface Step {
  /**
   * What a step comes to.
   *
   * @param inverse the step that takes the document back to what it was before
   */
  record Applied(Document document, Step inverse) {}

  /**
   * The document after this step, and the way back.
   *
   * @throws NoSuchElementException if it names a node that is not there
   */
  Applied apply(Document before);

  /** Where a position of the document before stands after this step; there, if none moves. */
  default Position map(Position position) {
    return position;
  }

  /** Replaces the places from {@code from} to {@code to} of a paragraph. */
  record ReplaceText(NodeId paragraph, int from, int to, List<Inline> with) implements Step {
    public ReplaceText {
      with = List.copyOf(with);
    }

    @Override
    public Applied apply(Document before) {
      Paragraph p = before.requireParagraph(paragraph);
      List<Inline> out = new ArrayList<>(p.slice(0, from));
      out.addAll(with);
      out.addAll(p.slice(to, p.length()));
      return new Applied(
          before.withParagraph(p.withInlines(out)),
          new ReplaceText(paragraph, from, from + lengthOf(with), p.slice(from, to)));
    }

    @Override
    public Position map(Position at) {
      if (!at.paragraph().equals(paragraph) || at.offset() < from) {
        return at;
      }
      int end = from + lengthOf(with);
      return new Position(paragraph, at.offset() >= to ? at.offset() - to + end : end);
    }
  }

  /**
   * Gives the inlines from a place on other looks; {@code with} has as many places as it replaces.
   */
  record Restyle(NodeId paragraph, int from, List<Inline> with) implements Step {
    public Restyle {
      with = List.copyOf(with);
    }

    @Override
    public Applied apply(Document before) {
      int to = from + lengthOf(with);
      Paragraph p = before.requireParagraph(paragraph);
      return new Applied(
          new ReplaceText(paragraph, from, to, with).apply(before).document(),
          new Restyle(paragraph, from, p.slice(from, to)));
    }
  }

  /** Gives a paragraph other looks. */
  record SetParagraphLook(NodeId paragraph, Look look, Look endLook) implements Step {
    @Override
    public Applied apply(Document before) {
      Paragraph p = before.requireParagraph(paragraph);
      return new Applied(
          before.withParagraph(new Paragraph(p.id(), look, endLook, p.inlines())),
          new SetParagraphLook(paragraph, p.look(), p.endLook()));
    }
  }

  /** Cuts a paragraph in two; the first part keeps its identity and looks. */
  record Split(NodeId paragraph, int offset, NodeId second, Look secondLook, Look secondEndLook)
      implements Step {
    @Override
    public Applied apply(Document before) {
      Paragraph p = before.requireParagraph(paragraph);
      Paragraph head = p.withInlines(p.slice(0, offset));
      Paragraph tail =
          new Paragraph(second, secondLook, secondEndLook, p.slice(offset, p.length()));
      int at = before.index().place(paragraph).orElseThrow();
      return new Applied(
          before.withBlocks(containerOf(before, paragraph), at, at + 1, List.of(head, tail)),
          new Join(paragraph, offset, second));
    }

    @Override
    public Position map(Position at) {
      return at.paragraph().equals(paragraph) && at.offset() >= offset
          ? new Position(second, at.offset() - offset)
          : at;
    }
  }

  /**
   * Joins a paragraph with the one after it in the same container; the result keeps the first one's
   * identity and looks.
   *
   * @param firstLength length of the first paragraph, by which positions are mapped
   */
  record Join(NodeId first, int firstLength, NodeId second) implements Step {
    @Override
    public Applied apply(Document before) {
      Paragraph a = before.requireParagraph(first);
      Paragraph b = before.requireParagraph(second);
      List<Inline> all = new ArrayList<>(a.inlines());
      all.addAll(b.inlines());
      int at = before.index().place(first).orElseThrow();
      return new Applied(
          before.withBlocks(containerOf(before, first), at, at + 2, List.of(a.withInlines(all))),
          new Split(first, firstLength, second, b.look(), b.endLook()));
    }

    @Override
    public Position map(Position at) {
      return at.paragraph().equals(second) ? new Position(first, firstLength + at.offset()) : at;
    }
  }

  /**
   * Replaces a range of a container's blocks.
   *
   * @param refuge where positions in blocks that go away are moved to
   */
  record ReplaceBlocks(
      NodeId container, int from, List<Block> removed, List<Block> with, Position refuge)
      implements Step {
    public ReplaceBlocks {
      removed = List.copyOf(removed);
      with = List.copyOf(with);
    }

    @Override
    public Applied apply(Document before) {
      return new Applied(
          before.withBlocks(container, from, from + removed.size(), with),
          new ReplaceBlocks(container, from, with, removed, refuge));
    }

    @Override
    public Position map(Position at) {
      return holds(removed, at.paragraph()) && !holds(with, at.paragraph()) ? refuge : at;
    }
  }

  /**
   * Cuts the flow into other sections, which hold the same text.
   *
   * @param paragraphs the paragraphs of the flow afterwards, in which positions are kept
   * @param setting what is known afterwards of how the source had set its text
   */
  record Resection(List<Section> sections, Map<NodeId, Integer> paragraphs, SourceSetting setting)
      implements Step {
    public Resection {
      sections = List.copyOf(sections);
      paragraphs = Map.copyOf(paragraphs);
    }

    /** The sections of a document, each paragraph with its length. */
    public static Resection to(Document d) {
      return new Resection(
          d.sections(),
          d.paragraphs().stream().collect(Collectors.toMap(Paragraph::id, Paragraph::length)),
          d.setting());
    }

    @Override
    public Applied apply(Document before) {
      return new Applied(before.withSections(sections).withSetting(setting), to(before));
    }

    @Override
    public Position map(Position at) {
      Integer length = paragraphs.get(at.paragraph());
      if (length != null) {
        return new Position(at.paragraph(), Math.min(at.offset(), length));
      }
      // A part that was joined to what it had been cut from.
      return new Position(Walk.paragraphs(sections.getFirst().blocks()).getFirst().id(), 0);
    }
  }

  /**
   * Gives sections other headers and footers.
   *
   * @param texts by the section's identity: all that it has afterwards
   * @param removed the paragraphs that go away by it
   * @param refuge where positions in them are moved to
   */
  record SetRunning(
      Map<NodeId, Map<Section.Running, Story>> texts, Set<NodeId> removed, Position refuge)
      implements Step {
    public SetRunning {
      texts = Map.copyOf(texts);
      removed = Set.copyOf(removed);
    }

    @Override
    public Applied apply(Document before) {
      Document after = before.withSections(given(before, texts, Section::withRunning));
      var was = had(before, texts.keySet(), Section::running);
      Set<NodeId> added = running(after);
      added.removeAll(running(before));
      return new Applied(after, new SetRunning(was, added, refuge));
    }

    private static Set<NodeId> running(Document d) {
      return Walk.paragraphs(d, Set.of(Part.RUNNING)).stream()
          .map(Paragraph::id)
          .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    @Override
    public Position map(Position at) {
      return removed.contains(at.paragraph()) ? refuge : at;
    }
  }

  /**
   * Puts sections on other paper.
   *
   * @param pages by the section's identity
   * @param setting what is known afterwards of how the source had set its text
   */
  record SetPages(Map<NodeId, PageSetup> pages, SourceSetting setting) implements Step {
    public SetPages {
      pages = Map.copyOf(pages);
    }

    @Override
    public Applied apply(Document before) {
      return new Applied(
          before.withSections(given(before, pages, Section::withPage)).withSetting(setting),
          new SetPages(had(before, pages.keySet(), Section::page), before.setting()));
    }
  }

  /** Changes what the document says of itself. */
  record SetMetadata(Metadata metadata) implements Step {
    @Override
    public Applied apply(Document before) {
      return new Applied(before.withMetadata(metadata), new SetMetadata(before.metadata()));
    }
  }

  /** Changes the files that the document carries along. */
  record SetAttachments(List<AttachedFile> files) implements Step {
    public SetAttachments {
      files = List.copyOf(files);
    }

    @Override
    public Applied apply(Document before) {
      return new Applied(before.withAttachments(files), new SetAttachments(before.attachments()));
    }
  }

  /** Changes the list definitions. */
  record SetLists(Map<String, ListDefinition> lists) implements Step {
    public SetLists {
      lists = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(lists));
    }

    @Override
    public Applied apply(Document before) {
      return new Applied(before.withLists(lists), new SetLists(before.lists()));
    }
  }

  /** Changes the named styles. */
  record SetStyles(StyleSheet styles) implements Step {
    @Override
    public Applied apply(Document before) {
      return new Applied(before.withStyles(styles), new SetStyles(before.styles()));
    }
  }

  /**
   * Adds and takes away notes and the texts of shapes; marks that stand for them are a matter of
   * the text.
   *
   * @param stories what each identity stands for afterwards; empty for nothing
   */
  record PutStories(Map<NodeId, Optional<Story>> stories) implements Step {
    public PutStories {
      stories = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(stories));
    }

    @Override
    public Applied apply(Document before) {
      var all = new LinkedHashMap<>(before.stories());
      var was = new LinkedHashMap<NodeId, Optional<Story>>();
      stories.forEach((id, story) -> {
        was.put(id, Optional.ofNullable(all.get(id)));
        story.ifPresentOrElse(s -> all.put(id, s), () -> all.remove(id));
      });
      return new Applied(before.withStories(all), new PutStories(was));
    }
  }

  /** Adds pictures that text shows. One that nothing shows any more stays: it may be pasted. */
  record AddMedia(List<Media> media) implements Step {
    public AddMedia {
      media = List.copyOf(media);
    }

    @Override
    public Applied apply(Document before) {
      Document d = before;
      for (Media m : media) {
        d = d.media().containsKey(m.id()) ? d : d.withMedia(m);
      }
      return new Applied(d, new AddMedia(List.of()));
    }
  }

  /** The sections of a document, some of them given something else, by their identity. */
  private static <T> List<Section> given(
      Document d, Map<NodeId, T> to, BiFunction<Section, T, Section> with) {
    return d.sections().stream()
        .map(s -> {
          T other = to.get(s.id());
          return other == null ? s : with.apply(s, other);
        })
        .toList();
  }

  /** What some sections of a document have. */
  private static <T> Map<NodeId, T> had(
      Document d, Set<NodeId> sections, Function<Section, T> what) {
    return d.sections().stream()
        .filter(s -> sections.contains(s.id()))
        .collect(Collectors.toMap(Section::id, what));
  }

  /** Whether a paragraph stands among blocks, at any depth. */
  private static boolean holds(List<Block> blocks, NodeId paragraph) {
    for (Block b : blocks) {
      boolean here =
          b.id().equals(paragraph)
              || b instanceof Table t
                  && t.rows().stream()
                      .flatMap(row -> row.cells().stream())
                      .anyMatch(c -> holds(c.blocks(), paragraph));
      if (here) {
        return true;
      }
    }
    return false;
  }

  private static int lengthOf(List<Inline> inlines) {
    int n = 0;
    for (Inline i : inlines) {
      n += i.length();
    }
    return n;
  }

  private static NodeId containerOf(Document d, NodeId block) {
    return d.index()
        .container(d, block)
        .orElseThrow(() -> new NoSuchElementException("no block " + block));
  }
}
