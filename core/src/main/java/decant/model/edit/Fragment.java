package decant.model.edit;

import decant.model.Block;
import decant.model.Document;
import decant.model.KeptPart;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.ListDefinition;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.StyleSheet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A part of a document that can be put into another one, with all that it needs to look the same.
 *
 * @param blocks where the first or last is a paragraph, its text joins the text around the place
 *     that it is put into
 * @param stories the notes and texts of shapes that its marks stand for
 * @param lists those that its items belong to, at least
 * @param styles those that its looks name, at least
 * @param parts those kept of the file that it comes from, to which something in it may refer
 */
public record Fragment(
    List<Block> blocks,
    Map<NodeId, Story> stories,
    Map<MediaId, Media> media,
    Map<String, ListDefinition> lists,
    StyleSheet styles,
    List<KeptPart> parts) {
  /** A part of no file that parts were kept of. */
  public Fragment(
      List<Block> blocks,
      Map<NodeId, Story> stories,
      Map<MediaId, Media> media,
      Map<String, ListDefinition> lists,
      StyleSheet styles) {
    this(blocks, stories, media, lists, styles, List.of());
  }

  public Fragment {
    parts = List.copyOf(parts);
    blocks = List.copyOf(blocks);
    stories = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(stories));
    media = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(media));
    lists = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(lists));
  }

  public boolean isEmpty() {
    return blocks.isEmpty()
        || blocks.size() == 1 && blocks.getFirst() instanceof Paragraph p && p.length() == 0;
  }

  /** A document of this alone, by which it is written in formats of documents. */
  public Document document() {
    Document d = Document.of(styles, blocks).withLists(lists).withStories(stories);
    for (Media m : media.values()) {
      d = d.withMedia(m);
    }
    return d;
  }
}
