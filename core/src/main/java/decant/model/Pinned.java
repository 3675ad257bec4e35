package decant.model;

import decant.model.look.Media;
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
 */
public record Pinned(Media file, int page, String why, Map<NodeId, Box> places) {
  public Pinned {
    places = Map.copyOf(places);
  }
}
