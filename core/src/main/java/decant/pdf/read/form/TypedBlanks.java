package decant.pdf.read.form;

import decant.model.Box;
import decant.model.look.FormField;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Blanks that are typed: underscores, dots, signs of empty boxes. */
final class TypedBlanks {
  private static final String BOXES = "\u2610\u25A1\u25FB\u25A2\u274F\u2751\u2752";

  /** What follows the dots of a list of contents. */
  private static final Pattern NUMBER = Pattern.compile("\\s*[\\divxlcIVXLC.–-]{1,9}\\s*");

  private TypedBlanks() {}

  static List<FlatBlank> of(PageWordsAround words) {
    var out = new ArrayList<FlatBlank>();
    for (TextLine l : words.lines()) {
      lines(l, words, out);
      boxes(l, words, out);
    }
    return out;
  }

  private static void lines(TextLine l, PageWordsAround words, List<FlatBlank> to) {
    List<Glyph> g = l.glyphs();
    int k = 0;
    int labelFrom = 0;
    while (k < g.size()) {
      String sign = g.get(k).text();
      boolean dots = isDots(sign);
      if (!sign.equals("_") && !dots) {
        k++;
        continue;
      }
      int end = k;
      int count = 0;
      for (int n = k; n < g.size(); n++) {
        String t = g.get(n).text();
        if (t.equals(sign)) {
          count += t.equals("…") ? 3 : 1;
          end = n + 1;
        } else if (!g.get(n).isSpace()) {
          break;
        }
      }
      Box area = area(l, g.get(k).x(), g.get(end - 1).right());
      String rest = PageWordsAround.text(g.subList(end, g.size()));
      if (rest.isBlank()) {
        rest = words.after(area.right(), area.y(), area.bottom(), FormMeasures.BESIDE).orElse("");
      }
      boolean enough = count >= (dots ? FormMeasures.DOTS : FormMeasures.UNDERSCORES);
      if (enough && !(dots && !rest.isBlank() && NUMBER.matcher(rest).matches())) {
        String before = PageWordsAround.text(g.subList(labelFrom, k));
        label(before, rest, area, words)
            .ifPresent(name -> to.add(new FlatBlank(area, FormField.Kind.TEXT, name, l.size())));
        labelFrom = end;
      }
      k = Math.max(end, k + 1);
    }
  }

  private static boolean isDots(String sign) {
    return sign.equals(".") || sign.equals("…") || sign.equals("·");
  }

  private static Box area(TextLine l, double left, double right) {
    double high = Math.max(FormMeasures.LEAST_HIGH, l.size() * FormMeasures.LETTERS);
    double bottom = l.baseline() + 0.2 * l.size();
    return new Box(left, bottom - high, right - left, high);
  }

  private static Optional<String> label(
      String before, String after, Box area, PageWordsAround words) {
    if (Label.says(before)) {
      return Optional.of(Label.of(before));
    }
    return words
        .below(area, FormMeasures.BELOW)
        .filter(Label::says)
        .or(() -> Optional.of(after).filter(Label::says))
        .or(() -> words.above(area, FormMeasures.BELOW).filter(Label::says))
        .map(Label::of);
  }

  private static void boxes(TextLine l, PageWordsAround words, List<FlatBlank> to) {
    for (Glyph g : l.glyphs()) {
      if (g.text().length() == 1 && BOXES.contains(g.text())) {
        var area = new Box(g.x(), g.baseline() - 0.75 * g.size(), g.width(), 0.9 * g.size());
        BoxBlanks.tick(area, words).ifPresent(to::add);
      }
    }
  }
}
