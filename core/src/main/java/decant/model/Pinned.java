package decant.model;

import decant.model.look.Media;
import java.util.List;
import java.util.Map;

/**
 * That a section is one page of a PDF that stays as it was. What the page shows comes from the
 * file; the section's blocks are what was read from it, for bookmarks, searching and for the time
 * when the page is no longer pinned.
 *
 * @param file a PDF that opens without a password; shared by all pages that come from it
 * @param page which of its pages, from 0
 * @param why in the person's words
 * @param places where blocks stand on the page as it is shown
 * @param ordered whether the person has given the pages their order: what is not among them then
 *     was taken away
 */
public record Pinned(Media file, int page, String why, Map<NodeId, Box> places, boolean ordered) {
  public Pinned {
    places = Map.copyOf(places);
  }

  /** A page in its place among the others of its file. */
  public Pinned(Media file, int page, String why, Map<NodeId, Box> places) {
    this(file, page, why, places, false);
  }

  /** Whether the person has given the pages of a document their order. */
  public static boolean areOrdered(List<Section> pages) {
    return pages.stream().anyMatch(s -> s.pinned().filter(Pinned::ordered).isPresent());
  }

  /** The page as another file has it under the same number. */
  public Pinned in(Media otherFile, Map<NodeId, Box> otherPlaces) {
    return new Pinned(otherFile, page, why, otherPlaces, ordered);
  }

  /** The page as one whose order among the others was given. */
  public Pinned inOrder() {
    return new Pinned(file, page, why, places, true);
  }
}
