package decant.model;

import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;

/**
 * What is told of a run of blocks without reading them again.
 *
 * @param headings those that have text
 * @param words how many words there are, a run of letters and digits being one
 */
record Summary(List<Outline.Heading> headings, long words) {
  /** Found out once for a stretch of blocks as long as the styles are the same. */
  static List<Summary> of(Document d) {
    var out = new ArrayList<Summary>();
    for (Section s : d.sections()) {
      out.addAll(BlockList.of(s.blocks()).each(d.styles(), b -> of(d, b)));
    }
    return out;
  }

  private static Summary of(Document d, List<Block> blocks) {
    var headings = new ArrayList<Outline.Heading>();
    long words = 0;
    for (Paragraph p : Walk.paragraphs(blocks)) {
      words += words(p.text());
      int level = d.headingLevel(p);
      String text = level > 0 ? Outline.plain(p) : "";
      if (!text.isEmpty()) {
        headings.add(new Outline.Heading(p.id(), level, text));
      }
    }
    return new Summary(List.copyOf(headings), words);
  }

  private static long words(String text) {
    long n = 0;
    boolean in = false;
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      boolean letter = Character.isLetterOrDigit(c);
      if (letter && !in) {
        n++;
      }
      in = letter || in && (c == '\'' || c == '\u2019' || c == '-');
    }
    return n;
  }
}
