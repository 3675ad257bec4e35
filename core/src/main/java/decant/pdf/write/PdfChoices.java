package decant.pdf.write;

import decant.model.Particulars;
import java.util.List;

/**
 * What a PDF is to be like.
 *
 * @param pages which pages of the layout, counted from 0, in ascending order
 * @param bookmarks whether headings become an outline
 * @param particulars what the file says of itself
 */
public record PdfChoices(List<Integer> pages, boolean bookmarks, Particulars particulars) {
  public PdfChoices {
    pages = List.copyOf(pages);
  }
}
