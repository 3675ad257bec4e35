package decant.pdf.read.lines;

import decant.pdf.read.detected.Region;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Finds lines that were broken on purpose, where text was not filled: the lines of a listing, told
 * by a face whose letters are all as wide, and of verse, which stop short of where they could go.
 */
public final class HardBreaks {
  private static final Pattern SENTENCE_END = Pattern.compile("[.!?:;…][\"'”’»)\\]]*$");

  private final Set<SourceFace> listings;

  private HardBreaks(Set<SourceFace> listings) {
    this.listings = listings;
  }

  /** Learns from the lines of a file which faces listings are set in: not the one of its text. */
  public static HardBreaks in(List<List<TextLine>> pages) {
    var widths = new FaceWidths();
    int all = 0;
    for (List<TextLine> page : pages) {
      for (TextLine l : page) {
        for (Glyph g : l.glyphs()) {
          if (g.text().length() == 1 && Character.isLetter(g.text().charAt(0))) {
            all++;
            widths.take(g);
          }
        }
      }
    }
    var even = new HashSet<SourceFace>();
    int evenLetters = 0;
    for (FaceWidths.Known face : widths.all()) {
      boolean alike =
          face.spread() < LineThresholds.HardBreaks.EVEN
              && face.widest() > LineThresholds.HardBreaks.NARROWEST
              && face.widest() < LineThresholds.HardBreaks.WIDEST;
      if (alike && face.letters() >= LineThresholds.HardBreaks.LETTERS) {
        even.add(face.face());
        evenLetters += face.count();
      }
    }
    return new HardBreaks(evenLetters * 2 > all ? Set.of() : even);
  }

  /** The lines of a region after which the text was broken on purpose, by their numbers. */
  public Set<Integer> after(Region region) {
    var out = new HashSet<Integer>();
    List<TextLine> lines = region.lines();
    for (int k = 0; k + 1 < lines.size(); k++) {
      if (isListing(lines.get(k)) && isListing(lines.get(k + 1))) {
        out.add(k);
      }
    }
    int from = 0;
    while (from < lines.size()) {
      int to = from + 1;
      while (to < lines.size() && goesOn(lines.get(to - 1), lines.get(to))) {
        to++;
      }
      if (isVerse(region, lines.subList(from, to))) {
        for (int k = from; k + 1 < to; k++) {
          out.add(k);
        }
      }
      from = to;
    }
    return out;
  }

  private boolean isListing(TextLine l) {
    return !listings.isEmpty()
        && l.glyphs().stream().allMatch(g -> g.isSpace() || listings.contains(g.ink().face()));
  }

  /** Whether a line begins just below one, at the same place and in the same size. */
  private static boolean goesOn(TextLine a, TextLine b) {
    double gap = b.baseline() - a.baseline();
    return Sizes.samePlace(a.box().x(), b.box().x(), a.size())
        && Sizes.same(a.size(), b.size())
        && a.bold() == b.bold()
        && gap > 0
        && gap < LineThresholds.HardBreaks.FOLLOWS * a.size();
  }

  private static boolean isVerse(Region region, List<TextLine> lines) {
    if (lines.size() < 3 || Directions.lean(lines.getFirst()) > 0) {
      return false;
    }
    double edge = lines.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
    if (edge > region.right() - LineThresholds.HardBreaks.FREE * (region.right() - region.left())) {
      return false;
    }
    int breaks = 0;
    var meant = new ArrayList<TextLine>();
    for (int k = 0; k + 1 < lines.size(); k++) {
      TextLine l = lines.get(k);
      if (SENTENCE_END.matcher(l.text().strip()).find()) {
        continue; // a paragraph may end there
      }
      breaks++;
      if (edge - l.box().right()
          > lines.get(k + 1).firstWord() + LineThresholds.HardBreaks.ROOM * l.size()) {
        meant.add(l);
      }
    }
    return breaks > 1
        && !meant.isEmpty()
        && meant.size() >= LineThresholds.HardBreaks.SHORT_SHARE * breaks;
  }
}
