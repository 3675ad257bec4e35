package decant.model.edit;

import com.ibm.icu.text.BreakIterator;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import java.util.List;
import java.util.Locale;

/**
 * How the caret moves through the text: by grapheme and word (UAX #29), across paragraphs in
 * reading order.
 */
public final class Motion {
  private Motion() {}

  public static Position nextCharacter(Document d, Position at) {
    Paragraph p = d.requireParagraph(at.paragraph());
    if (at.offset() >= p.length()) {
      return step(d, at, 1);
    }
    BreakIterator it = BreakIterator.getCharacterInstance(Locale.ROOT);
    it.setText(p.text());
    int next = it.following(at.offset());
    return new Position(p.id(), next == BreakIterator.DONE ? p.length() : next);
  }

  public static Position previousCharacter(Document d, Position at) {
    if (at.offset() == 0) {
      return step(d, at, -1);
    }
    BreakIterator it = BreakIterator.getCharacterInstance(Locale.ROOT);
    it.setText(d.requireParagraph(at.paragraph()).text());
    int previous = it.preceding(at.offset());
    return new Position(at.paragraph(), previous == BreakIterator.DONE ? 0 : previous);
  }

  /** The beginning of the next word, or the end of the paragraph. */
  public static Position nextWord(Document d, Position at) {
    String text = d.requireParagraph(at.paragraph()).text();
    if (at.offset() >= text.length()) {
      return step(d, at, 1);
    }
    BreakIterator it = BreakIterator.getWordInstance(Locale.ROOT);
    it.setText(text);
    int k = it.following(at.offset());
    while (k != BreakIterator.DONE && k < text.length() && Character.isWhitespace(text.charAt(k))) {
      k = it.following(k);
    }
    return new Position(at.paragraph(), k == BreakIterator.DONE ? text.length() : k);
  }

  /** The beginning of the word before. */
  public static Position previousWord(Document d, Position at) {
    if (at.offset() == 0) {
      return step(d, at, -1);
    }
    String text = d.requireParagraph(at.paragraph()).text();
    BreakIterator it = BreakIterator.getWordInstance(Locale.ROOT);
    it.setText(text);
    int k = it.preceding(at.offset());
    while (k > 0 && Character.isWhitespace(text.charAt(k))) {
      k = it.preceding(k);
    }
    return new Position(at.paragraph(), Math.max(0, k));
  }

  public static Position documentStart(Document d) {
    return new Position(d.index().order().getFirst(), 0);
  }

  public static Position documentEnd(Document d) {
    NodeId last = d.index().order().getLast();
    return new Position(last, d.requireParagraph(last).length());
  }

  /** All of the text that a place stands in: the flow, a note, a header. */
  public static Selection all(Document d, Position at) {
    List<NodeId> order = d.index().orderAround(at.paragraph());
    NodeId last = order.getLast();
    return new Selection(
        new Position(order.getFirst(), 0), new Position(last, d.requireParagraph(last).length()));
  }

  /**
   * The end of the paragraph before or the start of the one after; the same place at the ends of
   * the text that it stands in.
   */
  private static Position step(Document d, Position at, int by) {
    List<NodeId> order = d.index().orderAround(at.paragraph());
    int k = d.index().placeInOrder(at.paragraph()).map(o -> o + by).orElse(-1);
    if (k < 0 || k >= order.size()) {
      return at;
    }
    // The text of pages that are pinned cannot be walked through.
    while (d.isPinned(order.get(k))) {
      k += by;
      if (k < 0 || k >= order.size()) {
        return at;
      }
    }
    NodeId id = order.get(k);
    return new Position(id, by > 0 ? 0 : d.requireParagraph(id).length());
  }
}
