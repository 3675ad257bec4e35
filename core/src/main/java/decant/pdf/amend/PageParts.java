package decant.pdf.amend;

import decant.model.Box;
import java.util.List;

/** What of a page can be changed where it stands. */
public record PageParts(List<PageLine> lines, List<PagePicture> pictures, List<Field> fields) {
  /**
   * A place where a field is filled in.
   *
   * @param name of the field, in full
   * @param box where it stands on the page as it is shown, in points from its top left
   * @param on what it means that it is on, of a switch; empty for others
   */
  public record Field(String name, Box box, String on) {}

  public static final PageParts NONE = new PageParts(List.of(), List.of(), List.of());

  public PageParts {
    lines = List.copyOf(lines);
    pictures = List.copyOf(pictures);
    fields = List.copyOf(fields);
  }
}
