package decant.office.doc.write;

import decant.model.Document;
import decant.model.Inline;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.emit.Direction;
import decant.office.pending.Pending;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Text with its looks, as characters with their properties. */
final class Runs {
  private final Document document;
  private final Styles styles;
  private final TextProperties texts;
  private final Map<String, Map<Look, byte[]>> known = new HashMap<>();

  Runs(Document document, Styles styles, TextProperties texts) {
    this.document = document;
    this.styles = styles;
    this.texts = texts;
  }

  /** What is said of characters that look so, over the style of their paragraph. */
  byte[] properties(Look look, String style) {
    return known
        .computeIfAbsent(style, s -> new HashMap<>())
        .computeIfAbsent(look, l -> properties(l, styles.text(style)));
  }

  private byte[] properties(Look look, Look base) {
    var out = new Properties();
    Look below = base;
    Optional<Integer> style = styles.ofText(look);
    if (style.isPresent()) {
      out.add(Sprm.C_STYLE, style.get());
      Look named = Look.of(TextTraits.CHARACTER_STYLE, look.value(TextTraits.CHARACTER_STYLE));
      below = document.styles().textLook(base, named);
    }
    Pending.putIn(look).flatMap(Pending::of).ifPresent(p -> out.add(texts.changed(p).array()));
    return out.add(texts.differing(look, below).array()).array();
  }

  /** Text that somebody took out, which waits for that to be accepted. */
  void takenOut(Pending p, Look look, Writing in) {
    byte[] left = properties(look, in.style);
    add(p.text(), new Properties().add(texts.changed(p).array()).add(left).array(), in);
  }

  /** Text in stretches that run one way, with the marks that this format has in it. */
  void add(String s, Look look, Writing in) {
    add(s, properties(look, in.style), in);
  }

  private static void add(String s, byte[] left, Writing in) {
    TextPart to = in.to;
    int from = 0;
    while (from < s.length()) {
      boolean rtl = Direction.isRightToLeft(s, from);
      int end = Direction.end(s, from, rtl);
      byte[] how = rtl ? new Properties().add(left).flag(Sprm.C_RIGHT_TO_LEFT, true).array() : left;
      var plain = new StringBuilder();
      for (int k = from; k < end; k++) {
        switch (s.charAt(k)) {
          case '\n' -> plain.append(Mark.LINE);
          case Inline.COLUMN_BREAK -> plain.append(Mark.COLUMN);
          case '\u2011' -> plain.append(Mark.HYPHEN);
          case '\u00AD' -> plain.append(Mark.SOFT_HYPHEN);
          case '\f' -> {
            if (--in.breaks > 0 || !in.endsPage) {
              plain.append(Mark.SECTION);
            }
          }
          default -> {
            char c = s.charAt(k);
            if (c == '\t' || c >= ' ' && c != Inline.OBJECT) {
              plain.append(c);
            }
          }
        }
      }
      to.add(plain, how);
      from = end;
    }
  }
}
