package decant.model.edit;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which paragraphs look as one does, so that what is done to it can be done to all of them. */
public final class SimilarParagraphs {
  /** A heading or a label is shorter than this; a longer paragraph in its look is none. */
  private static final int SHORT = 160;

  /** How a paragraph looks to a reader. */
  private record Sight(
      String style,
      boolean item,
      boolean brief,
      String family,
      double size,
      boolean bold,
      boolean italic,
      int colour,
      ParagraphTraits.Alignment alignment) {}

  private SimilarParagraphs() {}

  /** All paragraphs of the flow that look like one, itself among them, in reading order. */
  public static List<NodeId> to(Document d, NodeId paragraph) {
    Sight sight = sight(d, d.requireParagraph(paragraph));
    return d.index().order().stream()
        .filter(id -> d.index().topLevel(id).isPresent())
        .filter(id -> sight(d, d.requireParagraph(id)).equals(sight))
        .toList();
  }

  /** All paragraphs that say what one says, whatever numbers they have in it: running texts. */
  public static List<NodeId> saying(Document d, NodeId paragraph) {
    String words = words(d.requireParagraph(paragraph));
    return d.index().order().stream()
        .filter(id -> words(d.requireParagraph(id)).equals(words))
        .toList();
  }

  private static String words(Paragraph p) {
    return p.text().replaceAll("\\d+", "#").replaceAll("\\s+", " ").strip();
  }

  private static Sight sight(Document d, Paragraph p) {
    Look paragraph = d.styles().paragraphLook(p.look());
    Look text = mostOf(d, p);
    return new Sight(
        p.look().value(ParagraphTraits.STYLE),
        paragraph.sets(ParagraphTraits.LIST),
        p.length() < SHORT,
        text.value(TextTraits.FAMILY),
        text.value(TextTraits.SIZE),
        text.value(TextTraits.BOLD),
        text.value(TextTraits.ITALIC),
        text.value(TextTraits.COLOUR).rgb(),
        p.length() < SHORT
            ? ParagraphTraits.Alignment.START // short lines are not told by how they are spread
            : paragraph.value(ParagraphTraits.ALIGNMENT));
  }

  /** The look that most of its letters have. */
  static Look mostOf(Document d, Paragraph p) {
    return d.styles().textLook(d.styles().textBase(p.look()), directOfMost(p));
  }

  /** What is set directly on most of its letters. */
  public static Look directOfMost(Paragraph p) {
    Map<Look, Integer> letters = new HashMap<>();
    for (Inline i : p.inlines()) {
      if (i instanceof Inline.Text t && !t.text().isBlank()) {
        letters.merge(t.look(), t.text().length(), Integer::sum);
      }
    }
    return letters.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(Look.PLAIN);
  }
}
