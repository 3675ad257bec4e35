package decant.pdf.content;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;

/**
 * Text that is searched and copied but not painted (rendering mode 3, ISO 32000-1 §9.3.6), over a
 * drawing whose letters are outlines. Its font has no glyphs, which a font that nothing is painted
 * in need not have (ISO 19005-2 §6.2.11.4.1).
 */
public final class UnseenText {
  /** What its font is called. */
  public static final String FONT = "Unseen";

  private static final COSName RESOURCE = COSName.getPDFName(FONT);

  /** How wide each of its letters is, of the size of the text. */
  private static final double LETTER = 0.5;

  private static final int MOST_IN_BLOCK = 100;

  /**
   * A line of text.
   *
   * @param x where it begins, from the left of the page, in points
   * @param baseline from the bottom of the page
   */
  public record Run(String text, double x, double baseline, double width, double size) {}

  private UnseenText() {}

  /** Puts text over a page, in a content stream of its own, the last one. */
  public static void put(PDDocument pdf, PDPage page, List<Run> runs) throws IOException {
    Map<Integer, Integer> codes = new LinkedHashMap<>();
    var content = new StringBuilder("q BT 3 Tr\n");
    for (Run r : runs) {
      int letters = r.text().codePointCount(0, r.text().length());
      if (letters == 0 || r.size() <= 0) {
        continue;
      }
      double stretch = Math.clamp(r.width() / (letters * LETTER * r.size()) * 100, 1, 1000);
      content.append(
          String.format(
              Locale.ROOT,
              "/%s %.2f Tf %.2f Tz 1 0 0 1 %.2f %.2f Tm <",
              FONT,
              r.size(),
              stretch,
              r.x(),
              r.baseline()));
      r.text()
          .codePoints()
          .forEach(c ->
              content.append(
                  String.format(
                      Locale.ROOT, "%04X", codes.computeIfAbsent(c, k -> codes.size() + 1))));
      content.append("> Tj\n");
    }
    content.append("ET Q\n");
    if (codes.isEmpty()) {
      return;
    }
    COSStream own = stream(pdf, content.toString());
    COSArray all = new COSArray();
    if (page.getCOSObject().getDictionaryObject(COSName.CONTENTS) instanceof COSArray before) {
      before.forEach(all::add);
    } else {
      all.add(page.getCOSObject().getItem(COSName.CONTENTS));
    }
    all.add(own);
    page.getCOSObject().setItem(COSName.CONTENTS, all);
    add(resources(page), font(pdf, codes));
  }

  private static COSDictionary resources(PDPage page) {
    PDResources r = page.getResources();
    if (r == null) {
      r = new PDResources();
      page.setResources(r);
    }
    return r.getCOSObject();
  }

  private static void add(COSDictionary resources, COSDictionary font) {
    COSDictionary fonts = resources.getCOSDictionary(COSName.FONT);
    if (fonts == null) {
      fonts = new COSDictionary();
      resources.setItem(COSName.FONT, fonts);
    }
    fonts.setItem(RESOURCE, font);
  }

  private static COSStream stream(PDDocument pdf, String text) throws IOException {
    COSStream s = pdf.getDocument().createCOSStream();
    try (OutputStream out = s.createOutputStream(COSName.FLATE_DECODE)) {
      out.write(text.getBytes(StandardCharsets.US_ASCII));
    }
    return s;
  }

  private static COSDictionary font(PDDocument pdf, Map<Integer, Integer> codes)
      throws IOException {
    var descriptor = new COSDictionary();
    descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
    descriptor.setName(COSName.FONT_NAME, FONT);
    descriptor.setInt(COSName.FLAGS, 4);
    descriptor.setItem(COSName.FONT_BBOX, numbers(0, -200, 500, 800));
    descriptor.setInt(COSName.ITALIC_ANGLE, 0);
    descriptor.setInt(COSName.ASCENT, 800);
    descriptor.setInt(COSName.DESCENT, -200);
    descriptor.setInt(COSName.CAP_HEIGHT, 700);
    descriptor.setInt(COSName.STEM_V, 80);
    var system = new COSDictionary();
    system.setItem(COSName.REGISTRY, new COSString("Adobe"));
    system.setItem(COSName.ORDERING, new COSString("Identity"));
    system.setInt(COSName.SUPPLEMENT, 0);
    var descendant = new COSDictionary();
    descendant.setItem(COSName.TYPE, COSName.FONT);
    descendant.setItem(COSName.SUBTYPE, COSName.CID_FONT_TYPE2);
    descendant.setName(COSName.BASE_FONT, FONT);
    descendant.setItem(COSName.CIDSYSTEMINFO, system);
    descendant.setItem(COSName.FONT_DESC, descriptor);
    descendant.setInt(COSName.DW, (int) (LETTER * 1000));
    descendant.setItem(COSName.CID_TO_GID_MAP, COSName.IDENTITY);
    var descendants = new COSArray();
    descendants.add(descendant);
    var font = new COSDictionary();
    font.setItem(COSName.TYPE, COSName.FONT);
    font.setItem(COSName.SUBTYPE, COSName.TYPE0);
    font.setName(COSName.BASE_FONT, FONT);
    font.setItem(COSName.ENCODING, COSName.IDENTITY_H);
    font.setItem(COSName.DESCENDANT_FONTS, descendants);
    font.setItem(COSName.TO_UNICODE, stream(pdf, toUnicode(codes)));
    return font;
  }

  private static COSArray numbers(int... all) {
    var out = new COSArray();
    for (int n : all) {
      out.add(COSInteger.get(n));
    }
    return out;
  }

  /** ISO 32000-1 §9.10.3. */
  private static String toUnicode(Map<Integer, Integer> codes) {
    var b = new StringBuilder();
    b.append("/CIDInit /ProcSet findresource begin 12 dict begin begincmap\n")
        .append("/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def\n")
        .append("/CMapName /Adobe-Identity-UCS def /CMapType 2 def\n")
        .append("1 begincodespacerange <0000> <FFFF> endcodespacerange\n");
    var all = List.copyOf(codes.entrySet());
    for (int from = 0; from < all.size(); from += MOST_IN_BLOCK) {
      var block = all.subList(from, Math.min(all.size(), from + MOST_IN_BLOCK));
      b.append(block.size()).append(" beginbfchar\n");
      for (Map.Entry<Integer, Integer> e : block) {
        b.append(String.format(Locale.ROOT, "<%04X> <", e.getValue()));
        for (char c : Character.toChars(e.getKey())) {
          b.append(String.format(Locale.ROOT, "%04X", (int) c));
        }
        b.append(">\n");
      }
      b.append("endbfchar\n");
    }
    return b.append("endcmap CMapName currentdict /CMap defineresource pop end end\n").toString();
  }

  /**
   * Puts the text that lies over a page into a form that shows the same drawing in another size.
   *
   * @param width of the form, and
   * @param height of it, in its own units
   */
  public static void carryOver(
      PDDocument from, PDDocument into, COSStream form, double width, double height)
      throws IOException {
    PDPage page = from.getPage(0);
    COSDictionary resources =
        page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject();
    COSDictionary fonts = resources.getCOSDictionary(COSName.FONT);
    if (fonts == null
        || !fonts.containsKey(RESOURCE)
        || !(page.getCOSObject().getDictionaryObject(COSName.CONTENTS) instanceof COSArray all)) {
      return;
    }
    byte[] text;
    try (var in = ((COSStream) all.getObject(all.size() - 1)).createInputStream()) {
      text = in.readAllBytes();
    }
    byte[] drawn;
    try (var in = form.createInputStream()) {
      drawn = in.readAllBytes();
    }
    String scale =
        String.format(
            Locale.ROOT,
            "%nq %.5f 0 0 %.5f 0 0 cm%n",
            width / page.getCropBox().getWidth(),
            height / page.getCropBox().getHeight());
    try (OutputStream out = form.createOutputStream(COSName.FLATE_DECODE)) {
      out.write("q ".getBytes(StandardCharsets.US_ASCII));
      out.write(drawn);
      out.write("\nQ".getBytes(StandardCharsets.US_ASCII));
      out.write(scale.getBytes(StandardCharsets.US_ASCII));
      out.write(text);
      out.write("Q\n".getBytes(StandardCharsets.US_ASCII));
    }
    COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
    if (own == null) {
      own = new COSDictionary();
      form.setItem(COSName.RESOURCES, own);
    }
    add(own, (COSDictionary) copy(fonts.getDictionaryObject(RESOURCE), into));
  }

  /** Something small for another file. */
  private static COSBase copy(COSBase of, PDDocument into) throws IOException {
    switch (of) {
      case COSObject r -> {
        return copy(r.getObject(), into);
      }
      case COSStream s -> {
        COSStream out = into.getDocument().createCOSStream();
        try (InputStream in = s.createInputStream();
            OutputStream to = out.createOutputStream(COSName.FLATE_DECODE)) {
          in.transferTo(to);
        }
        return out;
      }
      case COSDictionary d -> {
        var out = new COSDictionary();
        for (COSName n : d.keySet()) {
          out.setItem(n, copy(d.getDictionaryObject(n), into));
        }
        return out;
      }
      case COSArray a -> {
        var out = new COSArray();
        for (int k = 0; k < a.size(); k++) {
          out.add(copy(a.getObject(k), into));
        }
        return out;
      }
      default -> {
        return of;
      }
    }
  }
}
