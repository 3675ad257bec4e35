package decant.publish;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.choices.Navigation.Addresses;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Makes links of the addresses that are written out in a text: those of RFC 3986 that begin with a
 * scheme or with {@code www.}, and those of mail, as RFC 6068 links them. Punctuation around an
 * address is not part of it.
 */
public final class AddressLinks {
  /** What may stand in an address: RFC 3986 §2, and letters of other scripts as RFC 3987 has it. */
  private static final String SIGN = "[\\p{L}\\p{N}\\-._~:/?#\\[\\]@!$&'()*+,;=%]";

  private static final Pattern ADDRESS =
      Pattern.compile(
          "(?<![\\p{L}\\p{N}@._-])(?:"
              + "(?<uri>(?:https?|ftp)://"
              + SIGN
              + "+)"
              + "|(?<mailto>mailto:"
              + SIGN
              + "+)"
              + "|(?<www>www\\.[\\p{L}\\p{N}-]+\\."
              + SIGN
              + "+)"
              + "|(?<mail>[\\p{L}\\p{N}.!#$%&'*+/=?^_`{|}~-]+@(?:[\\p{L}\\p{N}-]+\\.)+\\p{L}{2,24})"
              + ")",
          Pattern.CASE_INSENSITIVE);

  private AddressLinks() {}

  /**
   * An address in a text.
   *
   * @param from its first place
   * @param to the place after it
   */
  record Found(int from, int to, String uri) {}

  /** The document with its addresses as links; the same document if there are none. */
  public static Document in(Document d, Addresses how) {
    Document now = d;
    for (Paragraph p : d.paragraphs()) {
      List<Found> found = find(p.text());
      if (!found.isEmpty()) {
        Paragraph linked = linked(p, found, how);
        if (linked != p) {
          now = now.withParagraph(linked);
        }
      }
    }
    return now;
  }

  static List<Found> find(String text) {
    var out = new ArrayList<Found>();
    if (text.indexOf('@') < 0 && text.indexOf("://") < 0 && !text.contains("www.")) {
      return out;
    }
    Matcher m = ADDRESS.matcher(text);
    while (m.find()) {
      int end = end(text, m.start(), m.end());
      String s = text.substring(m.start(), end);
      if (m.group("mail") != null) {
        int start = m.start();
        while (start < end && "'`*._".indexOf(text.charAt(start)) >= 0) {
          start++; // signs around it that a mail address might have
        }
        String mail = text.substring(start, end);
        if (!mail.startsWith("@")) {
          out.add(new Found(start, end, "mailto:" + escaped(mail).replace("%", "%25")));
        }
      } else if (m.group("www") != null) {
        out.add(new Found(m.start(), end, "http://" + escaped(s)));
      } else if (s.length() > s.indexOf(':') + 3) {
        out.add(new Found(m.start(), end, escaped(s)));
      }
    }
    return out;
  }

  /** Without the punctuation of the sentence, and brackets that were opened before it. */
  private static int end(String text, int from, int to) {
    int end = to;
    while (end > from) {
      char c = text.charAt(end - 1);
      boolean stray =
          c == ')' && count(text, '(', from, end) < count(text, ')', from, end)
              || c == ']' && count(text, '[', from, end) < count(text, ']', from, end);
      if (".,;:!?'*".indexOf(c) >= 0 || stray) {
        end--;
      } else {
        break;
      }
    }
    return end;
  }

  private static int count(String text, char c, int from, int to) {
    int n = 0;
    for (int k = from; k < to; k++) {
      n += text.charAt(k) == c ? 1 : 0;
    }
    return n;
  }

  /** Letters of other scripts as RFC 3987 §3.1 maps them. */
  private static String escaped(String s) {
    var b = new StringBuilder();
    for (byte x : s.getBytes(java.nio.charset.StandardCharsets.UTF_8)) {
      if (x < 0) {
        b.append("%%%02X".formatted(x & 0xFF));
      } else {
        b.append((char) x);
      }
    }
    return b.toString();
  }

  private static Paragraph linked(Paragraph p, List<Found> found, Addresses how) {
    var out = new ArrayList<Inline>();
    int at = 0;
    boolean changed = false;
    for (Found f : found) {
      out.addAll(p.slice(at, f.from()));
      for (Inline i : p.slice(f.from(), f.to())) {
        boolean linkedAlready = i.look().get(TextTraits.LINK).isPresent();
        if (i instanceof Inline.Text && !linkedAlready) {
          Look look = i.look().with(TextTraits.LINK, new Link.External(f.uri()));
          if (how.underlined()) {
            look = look.with(TextTraits.UNDERLINE, true);
          }
          if (!how.colour().isEmpty()) {
            look = look.with(TextTraits.COLOUR, new Colour(Integer.parseInt(how.colour(), 16)));
          }
          out.add(i.withLook(look));
          changed = true;
        } else {
          out.add(i);
        }
      }
      at = f.to();
    }
    out.addAll(p.slice(at, p.length()));
    return changed ? p.withInlines(out) : p;
  }
}
