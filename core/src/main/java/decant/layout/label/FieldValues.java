package decant.layout.label;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.look.ListDefinition.NumberFormat;
import java.time.LocalDate;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * What fields and the marks of notes show. In the flow, where pages are not known yet, page fields
 * show what the source showed.
 *
 * @param page the page's number as it is shown; 0 if it is not known
 * @param format how page numbers are written
 * @param pages how many pages there are; 0 if it is not known
 * @param pageOf the pages that bookmarks stand on, as they are shown there
 * @param notes the labels of notes
 * @param styled the text that stands on the page in a named style; empty if it is not known
 */
public record FieldValues(
    int page,
    NumberFormat format,
    int pages,
    String title,
    Map<String, String> pageOf,
    Map<NodeId, String> notes,
    UnaryOperator<String> styled) {
  public static final FieldValues NONE =
      new FieldValues(0, NumberFormat.DECIMAL, 0, "", Map.of(), Map.of(), s -> "");

  public FieldValues withNotes(Map<NodeId, String> labels) {
    return new FieldValues(page, format, pages, title, pageOf, labels, styled);
  }

  public FieldValues withPages(int count, Map<String, String> places) {
    return new FieldValues(page, format, count, title, places, notes, styled);
  }

  /** Whether both show the same, as far as can be seen without looking into them. */
  boolean isLike(FieldValues o) {
    return page == o.page
        && format == o.format
        && pages == o.pages
        && title.equals(o.title)
        && pageOf == o.pageOf
        && notes == o.notes
        && styled == o.styled;
  }

  /** How a date is written of which nothing is said, and nothing was shown before. */
  private static final String USUAL_DATE = "d MMMM yyyy";

  public String show(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE -> page > 0 ? ListLabels.number(format, page) : f.shown();
      case PAGES -> pages > 0 ? Integer.toString(pages) : f.shown();
      case TITLE -> title.isEmpty() ? f.shown() : title;
      case PAGE_OF -> pageOf.getOrDefault(f.target(), f.shown());
      case STYLED_TEXT -> {
        String text = styled.apply(f.target());
        yield text.isEmpty() ? f.shown() : text;
      }
      case DATE -> {
        boolean bare = f.target().isBlank() && f.shown().isBlank();
        yield DatePicture.show(bare ? USUAL_DATE : f.target(), LocalDate.now()).orElse(f.shown());
      }
      case OTHER -> f.shown();
    };
  }

  public String show(Inline.NoteMark mark) {
    return notes.getOrDefault(mark.note(), "*");
  }
}
