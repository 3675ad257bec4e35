package decant.model.edit.style;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The colours that a document has, those of most letters first. */
public final class DocumentColours {
  private DocumentColours() {}

  /**
   * The colours of letters and grounds, without black and white.
   *
   * @param most how many at most
   */
  public static List<Colour> of(Document d, int most) {
    Map<Colour, Integer> used = new HashMap<>();
    for (NamedStyle s : d.styles().styles().values()) {
      count(s.text(), TextTraits.COLOUR, 1, used);
      count(s.paragraph(), ParagraphTraits.SHADING, 1, used);
    }
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      count(p.look(), ParagraphTraits.SHADING, 1, used);
      for (Inline i : p.inlines()) {
        count(i.look(), TextTraits.COLOUR, i.length(), used);
        count(i.look(), TextTraits.HIGHLIGHT, i.length(), used);
      }
    }
    used.remove(Colour.BLACK);
    used.remove(Colour.WHITE);
    return used.entrySet().stream()
        .sorted(
            Map.Entry.<Colour, Integer>comparingByValue()
                .reversed()
                .thenComparing(e -> e.getKey().rgb()))
        .limit(most)
        .map(Map.Entry::getKey)
        .toList();
  }

  private static void count(Look look, Trait<Colour> trait, int n, Map<Colour, Integer> to) {
    look.get(trait).ifPresent(c -> to.merge(c, n, Integer::sum));
  }
}
