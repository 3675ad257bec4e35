package decant.pdf.amend;

import java.util.List;

/** What of a page can be changed where it stands. */
public record PageParts(List<PageLine> lines, List<PagePicture> pictures) {
  public static final PageParts NONE = new PageParts(List.of(), List.of());

  public PageParts {
    lines = List.copyOf(lines);
    pictures = List.copyOf(pictures);
  }
}
