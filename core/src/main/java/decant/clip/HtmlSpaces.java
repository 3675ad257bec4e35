package decant.clip;

import decant.model.Inline;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Spaces of a page, of which several show as one, and none at edges (CSS Text 3, §4.1). */
final class HtmlSpaces {
  private static final Pattern SPACES = Pattern.compile("[ \\t\\n\\r\\f]+");

  private HtmlSpaces() {}

  /**
   * What of a text shows.
   *
   * @param kept whether its spaces are kept as they are
   * @param before what stands before it in its paragraph
   */
  static String shown(String s, boolean kept, List<Inline> before) {
    String shown = s;
    if (!kept) {
      shown = SPACES.matcher(s).replaceAll(" ");
      if (shown.startsWith(" ") && (before.isEmpty() || endsInSpace(before))) {
        shown = shown.substring(1);
      }
    }
    return shown.replace("\r", "").replaceAll("[\\p{Cc}&&[^\\t\\n]]", "");
  }

  private static boolean endsInSpace(List<Inline> open) {
    return open.getLast() instanceof Inline.Text t
        && (t.text().endsWith(" ") || t.text().endsWith("\n"));
  }

  /** Without the spaces and line ends at the edges of a paragraph, which show nothing. */
  static List<Inline> stripped(List<Inline> of) {
    var out = new ArrayList<>(of);
    while (!out.isEmpty() && out.getLast() instanceof Inline.Text t) {
      String s = t.text().replaceAll("[ \\n]+$", "");
      if (s.length() == t.text().length()) {
        break;
      }
      out.removeLast();
      if (!s.isEmpty()) {
        out.add(new Inline.Text(s, t.look()));
        break;
      }
    }
    while (!out.isEmpty()
        && out.getFirst() instanceof Inline.Text t
        && t.text().isBlank()
        && !t.text().contains("\u00A0")) {
      out.removeFirst();
    }
    return out;
  }
}
