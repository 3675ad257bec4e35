package decant.verify.pdf;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.IdentityHashMap;
import java.util.Map;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jspecify.annotations.Nullable;

/**
 * The characters that the operators of a page show, by the fonts' own maps to Unicode (ISO 32000-2
 * §9.10.3), in the order of the operators. Reads what Decant writes: strings in hexadecimal, shown
 * by {@code TJ}.
 */
final class ShownText {
  /**
   * @param texts by code; null for a code without
   */
  private record Codes(@Nullable String[] texts, int digits) {
    static final Codes NONE = new Codes(new String[0], 4);

    String text(int code) {
      String s = code < texts.length ? texts[code] : null;
      return s == null ? "\uFFFD" : s;
    }
  }

  private final Map<COSBase, Codes> known = new IdentityHashMap<>();

  String of(PDPage page) throws IOException {
    byte[] b;
    try (InputStream in = page.getContents()) {
      b = in.readAllBytes();
    }
    COSDictionary resources = page.getCOSObject().getCOSDictionary(COSName.RESOURCES);
    COSDictionary fonts = resources == null ? null : resources.getCOSDictionary(COSName.FONT);
    var out = new StringBuilder();
    Codes font = Codes.NONE;
    String name = "";
    int k = 0;
    while (k < b.length) {
      int c = b[k];
      if (c == '/') {
        int end = k + 1;
        while (end < b.length && b[end] > ' ' && "/<>[]()".indexOf(b[end]) < 0) {
          end++;
        }
        name = new String(b, k + 1, end - k - 1, StandardCharsets.ISO_8859_1);
        k = end;
      } else if (c == '<' && k + 1 < b.length && b[k + 1] == '<') {
        k += 2;
      } else if (c == '>' && k + 1 < b.length && b[k + 1] == '>') {
        name = "";
        k += 2;
      } else if (c == '<') {
        k++;
        int code = 0;
        int digits = 0;
        boolean said = name.equals("ActualText"); // not shown, but said in place of what is
        while (k < b.length && b[k] != '>') {
          code = code << 4 | (b[k] <= '9' ? b[k] - '0' : (b[k] & 0x5F) - 'A' + 10);
          if (++digits == font.digits()) {
            if (!said) {
              out.append(font.text(code));
            }
            code = 0;
            digits = 0;
          }
          k++;
        }
        k++;
      } else if (c == 'T' && k + 1 < b.length && b[k + 1] == 'f') {
        font = codes(fonts == null ? null : fonts.getDictionaryObject(name));
        k += 2;
      } else {
        k++;
      }
    }
    return out.toString();
  }

  private Codes codes(@Nullable COSBase font) throws IOException {
    if (!(font instanceof COSDictionary d)) {
      return Codes.NONE;
    }
    Codes c = known.get(font);
    if (c == null) {
      c = read(d);
      known.put(font, c);
    }
    return c;
  }

  private static Codes read(COSDictionary font) throws IOException {
    int digits = COSName.TYPE0.equals(font.getCOSName(COSName.SUBTYPE)) ? 4 : 2;
    COSStream map = font.getCOSStream(COSName.TO_UNICODE);
    @Nullable String[] texts = new String[digits == 4 ? 1 << 16 : 1 << 8];
    if (map == null) {
      return new Codes(texts, digits);
    }
    String s;
    try (InputStream in = map.createInputStream()) {
      s = new String(in.readAllBytes(), StandardCharsets.US_ASCII);
    }
    boolean inside = false;
    for (String line : s.split("\n")) {
      if (line.endsWith("beginbfchar")) {
        inside = true;
      } else if (line.startsWith("endbfchar")) {
        inside = false;
      } else if (inside) {
        int middle = line.indexOf("> <");
        texts[Integer.parseInt(line.substring(1, middle), 16)] =
            characters(line.substring(middle + 3, line.length() - 1));
      }
    }
    return new Codes(texts, digits);
  }

  private static String characters(String hex) {
    var b = new StringBuilder();
    for (int k = 0; k + 4 <= hex.length(); k += 4) {
      b.append((char) Integer.parseInt(hex.substring(k, k + 4), 16));
    }
    return b.toString();
  }
}
