package decant.pin;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.amend.PdfAmender;
import decant.pdf.amend.TextSpot;
import decant.reading.ReadProblem;
import decant.text.FontBook;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Text put on pinned pages, over all that they show, and into what is read from them. */
public final class PageTexts {
  private static final Words WORDS = Words.of(PageTexts.class);

  private PageTexts() {}

  /**
   * Where text would go at a place of a page, and in which looks.
   *
   * @throws ReadProblem if the page's file cannot be read
   */
  public static TextSpot spot(Pinned page, double x, double y) throws ReadProblem {
    return PdfAmender.in(page.file().bytes(), pdf -> pdf.spot(page.page(), x, y));
  }

  /** A place in plain looks, on a page that does not tell of any. */
  public static TextSpot plain(double x, double y) {
    return TextSpot.plain(x, y);
  }

  /** The family that text is set in which asks for one: one that ships. */
  public static String served(String family) {
    return FontBook.shipped().serve(family, false, false).face().family();
  }

  /**
   * Text that was put on a page.
   *
   * @param beyond whether some of it stands beyond the page's edges, where it is not seen
   */
  public record Put(Revision revision, boolean beyond) {}

  /**
   * Puts text on a page, as one act that can be undone.
   *
   * @param text its lines
   * @return empty if no font that ships has all of its letters, or they run to the left or join
   * @throws ReadProblem if the page's file cannot be read
   */
  public static Optional<Put> put(Revision r, Pinned page, String text, TextSpot spot)
      throws ReadProblem {
    List<String> lines = text.stripTrailing().lines().toList();
    PageFile.Changed<List<Box>> changed =
        PageFile.changed(
            page,
            pdf -> pdf.addText(page.page(), String.join("\n", lines), spot),
            boxes -> !boxes.isEmpty());
    return changed
        .page()
        .map(now -> {
          Document d =
              PageFile.with(r.document(), page, s -> with(s, now, lines, changed.result(), spot));
          Edit edit = Edit.of(WORDS.say("page-texts.put"), Step.Resection.to(d));
          return new Put(
              r.apply(edit, r.selection()), isBeyond(r.document(), page, changed.result()));
        });
  }

  private static boolean isBeyond(Document d, Pinned page, List<Box> lines) {
    return d.sections().stream()
        .filter(s -> s.is(page))
        .map(Section::page)
        .anyMatch(p ->
            lines.stream()
                .anyMatch(b ->
                    b.x() < 0 || b.right() > p.width() || b.y() < 0 || b.bottom() > p.height()));
  }

  /** A page with lines in its text that were put on it, after what stands above them. */
  private static Section with(
      Section s, Pinned now, List<String> lines, List<Box> boxes, TextSpot spot) {
    Map<NodeId, Box> places = new HashMap<>(now.places());
    var read = new ArrayList<Block>();
    for (int k = 0; k < lines.size(); k++) {
      if (!lines.get(k).isBlank()) {
        Paragraph p =
            Paragraph.of(Look.PLAIN, "")
                .withInlines(List.of(new Inline.Text(lines.get(k).strip(), look(spot))));
        places.put(p.id(), boxes.get(k));
        read.add(p);
      }
    }
    var blocks = new ArrayList<>(s.blocks());
    blocks.addAll(after(blocks, now.places(), boxes.getFirst()), read);
    return s.withBlocks(blocks).withPinned(now.in(now.file(), places));
  }

  /** How many of a page's blocks come before a place of it. */
  static int after(List<Block> blocks, Map<NodeId, Box> places, Box at) {
    int after = 0;
    double middle = at.y() + at.height() / 2;
    for (int k = 0; k < blocks.size(); k++) {
      Box b = places.get(blocks.get(k).id());
      if (b != null && b.y() <= middle) {
        after = k + 1;
      }
    }
    return after;
  }

  private static Look look(TextSpot spot) {
    return Look.of(TextTraits.FAMILY, served(spot.family()))
        .with(TextTraits.SIZE, spot.size())
        .with(TextTraits.BOLD, spot.bold())
        .with(TextTraits.ITALIC, spot.italic())
        .with(TextTraits.COLOUR, spot.colour());
  }
}
