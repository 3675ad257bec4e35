package decant.model;

import decant.model.look.ListDefinition;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A document: an immutable tree. Every change makes a new one that shares what did not change, so
 * that versions are cheap to keep and two of them can be compared by identity.
 */
public final class Document implements Content {
  private final Metadata metadata;
  private final StyleSheet styles;
  private final Map<String, ListDefinition> lists;
  private final List<Section> sections;
  private final Map<NodeId, Story> stories;
  private final Map<MediaId, Media> media;
  private final List<KeptPart> keptParts;
  private final List<AttachedFile> attachments;
  private final SourceSetting setting;
  private final DocumentIndex.Lazy index;

  private Document(
      Metadata metadata,
      StyleSheet styles,
      Map<String, ListDefinition> lists,
      List<Section> sections,
      Map<NodeId, Story> stories,
      Map<MediaId, Media> media,
      List<KeptPart> keptParts,
      List<AttachedFile> attachments,
      SourceSetting setting,
      DocumentIndex.Lazy index) {
    this.metadata = metadata;
    this.styles = styles;
    this.lists = lists;
    this.sections = sections;
    this.stories = stories;
    this.media = media;
    this.keptParts = keptParts;
    this.attachments = attachments;
    this.setting = setting;
    this.index = index;
  }

  /** A document of these parts. There is always at least one section. */
  public static Document of(
      Metadata metadata,
      StyleSheet styles,
      Map<String, ListDefinition> lists,
      List<Section> sections,
      Map<NodeId, Story> stories,
      Map<MediaId, Media> media,
      List<KeptPart> keptParts) {
    if (sections.isEmpty()) {
      throw new IllegalArgumentException("a document has at least one section");
    }
    return new Document(
        metadata,
        styles,
        java.util.Collections.unmodifiableMap(new LinkedHashMap<>(lists)),
        List.copyOf(sections),
        java.util.Collections.unmodifiableMap(new LinkedHashMap<>(stories)),
        java.util.Collections.unmodifiableMap(new LinkedHashMap<>(media)),
        List.copyOf(keptParts),
        List.of(),
        SourceSetting.NONE,
        new DocumentIndex.Lazy(null));
  }

  /** A document of one section on A4 with these blocks and no stories, lists or media. */
  public static Document of(StyleSheet styles, List<Block> blocks) {
    var section =
        new Section(NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, Map.of(), blocks);
    return of(Metadata.NONE, styles, Map.of(), List.of(section), Map.of(), Map.of(), List.of());
  }

  public Metadata metadata() {
    return metadata;
  }

  public StyleSheet styles() {
    return styles;
  }

  public Map<String, ListDefinition> lists() {
    return lists;
  }

  public List<Section> sections() {
    return sections;
  }

  /** Notes and the texts in shapes: what an inline stands for, by its identity. */
  public Map<NodeId, Story> stories() {
    return stories;
  }

  public Map<MediaId, Media> media() {
    return media;
  }

  /** Parts of the source package to be written back as they were. */
  public List<KeptPart> keptParts() {
    return keptParts;
  }

  /** The files that it carries along. */
  public List<AttachedFile> attachments() {
    return attachments;
  }

  /** How its source had set it. */
  public SourceSetting setting() {
    return setting;
  }

  public Document withSetting(SourceSetting other) {
    return new Document(
        metadata, styles, lists, sections, stories, media, keptParts, attachments, other, index);
  }

  /** This document with other parts kept of its source. */
  public Document withKeptParts(List<KeptPart> others) {
    List<KeptPart> own = List.copyOf(others);
    return new Document(
        metadata, styles, lists, sections, stories, media, own, attachments, setting, index);
  }

  /** This document with other files that it carries along. */
  public Document withAttachments(List<AttachedFile> others) {
    List<AttachedFile> own = List.copyOf(others);
    return new Document(
        metadata, styles, lists, sections, stories, media, keptParts, own, setting, index);
  }

  public Document withMetadata(Metadata other) {
    return new Document(
        other, styles, lists, sections, stories, media, keptParts, attachments, setting, index);
  }

  public Document withStyles(StyleSheet other) {
    return new Document(
        metadata, other, lists, sections, stories, media, keptParts, attachments, setting, index);
  }

  public Document withLists(Map<String, ListDefinition> others) {
    return new Document(
        metadata,
        styles,
        java.util.Collections.unmodifiableMap(new LinkedHashMap<>(others)),
        sections,
        stories,
        media,
        keptParts,
        attachments,
        setting,
        index);
  }

  public Document withMedia(Media added) {
    var copy = new LinkedHashMap<>(media);
    copy.put(added.id(), added);
    return new Document(
        metadata,
        styles,
        lists,
        sections,
        stories,
        java.util.Collections.unmodifiableMap(copy),
        keptParts,
        attachments,
        setting,
        index);
  }

  /** Where every node stands; made once for all versions that differ in text or looks alone. */
  public DocumentIndex index() {
    return index.of(this);
  }

  /** The paragraph with an identity, wherever it is nested. */
  public Optional<Paragraph> paragraph(NodeId id) {
    return block(id).map(b -> b instanceof Paragraph p ? p : null);
  }

  /** The block with an identity, wherever it is nested. */
  public Optional<Block> block(NodeId id) {
    int[] path = index().path(id);
    return path == null ? Optional.empty() : Optional.of(blockAt(path));
  }

  /** The paragraph with an identity. @throws NoSuchElementException if there is none */
  public Paragraph requireParagraph(NodeId id) {
    return paragraph(id).orElseThrow(() -> new NoSuchElementException("no paragraph " + id));
  }

  /**
   * Every paragraph of the flow in reading order, those in tables included, notes and running texts
   * not.
   */
  public List<Paragraph> paragraphs() {
    return Walk.paragraphs(this, Part.OF_FLOW);
  }

  /** How many words the flow has: runs of letters and digits. */
  public long words() {
    return Summary.of(this).stream().mapToLong(Summary::words).sum();
  }

  /** The first paragraph of the flow that each bookmark names. */
  public Map<String, NodeId> bookmarks() {
    var out = new LinkedHashMap<String, NodeId>();
    for (Paragraph p : paragraphs()) {
      for (String name : p.look().value(ParagraphTraits.BOOKMARKS)) {
        out.putIfAbsent(name, p.id());
      }
    }
    return out;
  }

  /** The heading level in force for a paragraph: 0 for body text, 1 to 9 for headings. */
  public int headingLevel(Paragraph p) {
    return styles.paragraphLook(p.look()).value(ParagraphTraits.HEADING_LEVEL);
  }

  /** This document with one paragraph replaced by another of the same identity. */
  public Document withParagraph(Paragraph changed) {
    int[] path = index().path(changed.id());
    if (path == null) {
      throw new NoSuchElementException("no paragraph " + changed.id());
    }
    return rebuilt(
        path,
        path.length - 1,
        blocks -> replaced(blocks, path[path.length - 1], changed, true),
        index);
  }

  /**
   * This document with many paragraphs replaced.
   *
   * @param changed by their identity; each is in the document
   */
  public Document withParagraphs(Map<NodeId, Paragraph> changed) {
    Map<NodeId, Paragraph> left = new LinkedHashMap<>(changed);
    var copy = new ArrayList<Section>(sections.size());
    for (Section s : sections) {
      copy.add(s.withBlocks(BlockList.of(s.blocks()).with(left)));
    }
    Document out = with(copy, stories, index);
    for (Paragraph p : left.values()) {
      out = out.withParagraph(p); // in a table, a note or a running text
    }
    return out;
  }

  /** This document with a range of a container's blocks replaced. */
  public Document withBlocks(NodeId container, int from, int to, List<Block> with) {
    int[] path = index().containerPath(container);
    if (path == null) {
      throw new NoSuchElementException("no container " + container);
    }
    return rebuilt(
        path,
        path.length,
        blocks -> {
          if (blocks instanceof BlockList b) {
            return b.with(from, to, with);
          }
          var out = new ArrayList<>(blocks.subList(0, from));
          out.addAll(with);
          out.addAll(blocks.subList(to, blocks.size()));
          return out;
        },
        index.next());
  }

  /** This document with other sections. There is always at least one. */
  public Document withSections(List<Section> others) {
    if (others.isEmpty()) {
      throw new IllegalArgumentException("a document has at least one section");
    }
    return with(others, stories, index.next());
  }

  /** This document with other stories. */
  public Document withStories(Map<NodeId, Story> others) {
    return with(sections, new LinkedHashMap<>(others), index.next());
  }

  /** Whether some page of it is pinned. */
  public boolean hasPinned() {
    return sections.stream().anyMatch(s -> s.pinned().isPresent());
  }

  /** Whether a block belongs to a page that is pinned, where its text cannot be changed. */
  public boolean isPinned(NodeId block) {
    return sectionOf(block).filter(s -> s.pinned().isPresent()).isPresent();
  }

  /** The section that a block stands in, if it is part of the flow. */
  public Optional<Section> sectionOf(NodeId block) {
    return index().topLevel(block).map(t -> sections.get(t.section()));
  }

  /** The block of the flow that a block is, or stands in; empty outside the flow. */
  public Optional<Block> topLevel(NodeId block) {
    return index().topLevel(block).map(t -> sections.get(t.section()).blocks().get(t.block()));
  }

  private Document with(
      List<Section> newSections, Map<NodeId, Story> newStories, DocumentIndex.Lazy newIndex) {
    return new Document(
        metadata,
        styles,
        lists,
        List.copyOf(newSections),
        java.util.Collections.unmodifiableMap(newStories),
        media,
        keptParts,
        attachments,
        setting,
        newIndex);
  }

  /** The blocks of a container. */
  public List<Block> blocksOf(NodeId container) {
    int[] path = index().containerPath(container);
    if (path == null) {
      throw new NoSuchElementException("no container " + container);
    }
    return containerAt(path, path.length).blocks();
  }

  Container containerAt(int[] path, int length) {
    Container c =
        switch (path[0]) {
          case DocumentIndex.FLOW -> sections.get(path[1]);
          case DocumentIndex.NOTES -> story(path[1]);
          default -> running(path[1], path[2]);
        };
    int k = DocumentIndex.rootLength(path);
    while (k < length) {
      Table t = (Table) c.blocks().get(path[k]);
      c = t.rows().get(path[k + 1]).cells().get(path[k + 2]);
      k += 3;
    }
    return c;
  }

  private Block blockAt(int[] path) {
    return containerAt(path, path.length - 1).blocks().get(path[path.length - 1]);
  }

  private Story story(int note) {
    int k = 0;
    for (Story s : stories.values()) {
      if (k++ == note) {
        return s;
      }
    }
    throw new NoSuchElementException("no note " + note);
  }

  private Story running(int section, int place) {
    return Optional.ofNullable(sections.get(section).running().get(Section.Running.values()[place]))
        .orElseThrow();
  }

  private Document rebuilt(
      int[] path, int length, UnaryOperator<List<Block>> change, DocumentIndex.Lazy newIndex) {
    int root = DocumentIndex.rootLength(path);
    switch (path[0]) {
      case DocumentIndex.FLOW -> {
        Section s = sections.get(path[1]);
        var copy = new ArrayList<>(sections);
        copy.set(
            path[1],
            s.withBlocks(descend(s.blocks(), path, root, length, change, newIndex == index)));
        return with(copy, stories, newIndex);
      }
      case DocumentIndex.NOTES -> {
        Story n = story(path[1]);
        var copy = new LinkedHashMap<>(stories);
        copy.put(
            n.id(),
            n.withBlocks(descend(n.blocks(), path, root, length, change, newIndex == index)));
        return with(sections, copy, newIndex);
      }
      default -> {
        Story n = running(path[1], path[2]);
        Story changed =
            n.withBlocks(descend(n.blocks(), path, root, length, change, newIndex == index));
        return with(sections.stream().map(s -> s.withRunning(changed)).toList(), stories, newIndex);
      }
    }
  }

  /**
   * @param sameNodes whether the change leaves every node in its place
   */
  private static List<Block> descend(
      List<Block> blocks,
      int[] path,
      int k,
      int length,
      UnaryOperator<List<Block>> change,
      boolean sameNodes) {
    if (k >= length) {
      return change.apply(blocks);
    }
    Table t = (Table) blocks.get(path[k]);
    Table.Row row = t.rows().get(path[k + 1]);
    Cell cell = row.cells().get(path[k + 2]);
    var cells = new ArrayList<>(row.cells());
    cells.set(
        path[k + 2],
        cell.withBlocks(descend(cell.blocks(), path, k + 3, length, change, sameNodes)));
    var rows = new ArrayList<>(t.rows());
    rows.set(path[k + 1], new Table.Row(row.look(), cells));
    return replaced(blocks, path[k], t.withRows(rows), sameNodes);
  }

  private static List<Block> replaced(List<Block> blocks, int at, Block with, boolean sameNodes) {
    if (blocks instanceof BlockList b) {
      return sameNodes ? b.with(at, with) : b.with(at, at + 1, List.of(with));
    }
    var out = new ArrayList<>(blocks);
    out.set(at, with);
    return out;
  }
}
