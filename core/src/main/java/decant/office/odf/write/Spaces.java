package decant.office.odf.write;

/**
 * Characters of a paragraph, in which white space that would be lost stands as elements (§6.1.2).
 */
final class Spaces {
  /** Whether white space that comes next would be lost. */
  private boolean spaced = true;

  /** A paragraph begins. */
  void begin() {
    spaced = true;
  }

  /** Something stands on the line that is no white space. */
  void thing() {
    spaced = false;
  }

  void write(Xml x, String s) {
    int from = 0;
    int k = 0;
    while (k < s.length()) {
      char c = s.charAt(k);
      boolean extra = c == ' ' && spaced;
      if (c != '\t' && c != '\n' && !extra) {
        spaced = c == ' ';
        k++;
        continue;
      }
      x.text(s.substring(from, k));
      if (c == ' ') {
        int end = k;
        while (end < s.length() && s.charAt(end) == ' ') {
          end++;
        }
        x.empty("text:s", "text:c", end - k > 1 ? Integer.toString(end - k) : "");
        k = end;
        spaced = false;
      } else {
        x.empty(c == '\t' ? "text:tab" : "text:line-break");
        spaced = false;
        k++;
      }
      from = k;
    }
    x.text(s.substring(from));
  }
}
