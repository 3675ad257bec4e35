package decant.publication;

import decant.model.AttachedFile;
import decant.model.Content;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.look.Media;
import decant.model.look.MediaId;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Pages with all that they show, and what is known of them. Immutable. */
public interface Publication {
  /** What the pages were made from. */
  Content content();

  /** False while there are more pages to come. */
  boolean complete();

  /** There is always at least one. */
  List<? extends PublishedPage> pages();

  /**
   * Visits what stands on a page, in the order it is painted and read.
   *
   * @param page one of these pages
   */
  void walk(PublishedPage page, PageSink sink);

  /**
   * Where a page comes from that goes out as it is; empty for one that is made of what it shows.
   */
  default Optional<KeptPage> kept(PublishedPage page) {
    return Optional.empty();
  }

  /**
   * The page that shows what a page of the source showed, for links that lead there; empty if none
   * does.
   *
   * @param sourcePage from 0
   */
  default Optional<? extends PublishedPage> pageLike(int sourcePage) {
    return Optional.empty();
  }

  /** Whether some page goes out as it is. */
  default boolean keepsPages() {
    return pages().stream().anyMatch(p -> kept(p).isPresent());
  }

  /** Whether pages go out as they are and no others. */
  default boolean keepsAll() {
    return pages().stream().allMatch(p -> kept(p).isPresent());
  }

  /** The pictures that pages show. */
  Map<MediaId, Media> media();

  /** What is known of the whole. */
  Metadata metadata();

  /** The files that go along. */
  List<AttachedFile> attachments();

  /** In the order of the pages. */
  List<Outline.Heading> headings();

  /** The numbers and letters that are shown before headings. */
  Map<NodeId, String> labels();

  /** The blocks that links lead to, by the names that they use. */
  Map<String, NodeId> bookmarks();

  /** Where a block begins; empty if no page shows it. */
  Optional<Place> place(NodeId block);

  /** The pages that show something of a block. */
  List<? extends PublishedPage> pagesOf(NodeId block);

  /** The words of a block in one line; empty if it has none. */
  String words(NodeId block);

  /**
   * What a picture shows, in words, as its author wrote it or its caption has it; empty if nothing
   * says it.
   *
   * @param at the place of the picture in its block
   */
  String figureText(NodeId block, int at);

  /** What is read, in the order of reading. */
  List<StructureNode> structure();

  /**
   * Where something begins.
   *
   * @param top from the upper edge of the page, in points
   */
  record Place(PublishedPage page, double top) {}
}
