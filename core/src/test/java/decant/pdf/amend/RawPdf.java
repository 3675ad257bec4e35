package decant.pdf.amend;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A PDF written object by object, so that its content is what a test says, byte by byte. Fonts F1
 * (Times-Roman) and F2 (Courier, whose letters are 0.6 wide) stand for every page.
 */
final class RawPdf {
  private static final int FIRST_PAGE = 20;

  private final List<String> contents = new ArrayList<>();
  private final List<String> objects = new ArrayList<>();
  private String forms = "";
  private String annotations = "";
  private String catalog = "";
  private String pageEntries = "";

  RawPdf page(String content) {
    contents.add(content);
    return this;
  }

  /** A form that every page can paint as /X1. */
  RawPdf form(String content) {
    objects.add(
        "10 0 obj\n<</Type/XObject/Subtype/Form/BBox[0 0 600 800]/Length %d>>\nstream\n%s\nendstream\nendobj\n"
            .formatted(content.length(), content));
    forms = "/XObject<</X1 10 0 R>>";
    return this;
  }

  /** A picture of one red dot, or a stencil of one dot, that every page can paint as /X1. */
  RawPdf dot(boolean stencil) {
    String how =
        stencil
            ? "/ImageMask true/BitsPerComponent 1/Length 1>>\nstream\n\0"
            : "/ColorSpace/DeviceRGB/BitsPerComponent 8/Length 3>>\nstream\n\u00ff\0\0";
    objects.add(
        "10 0 obj\n<</Type/XObject/Subtype/Image/Width 1/Height 1%s\nendstream\nendobj\n"
            .formatted(how));
    forms = "/XObject<</X1 10 0 R>>";
    return this;
  }

  /** Entries of each page. */
  RawPdf pages(String entries) {
    pageEntries = entries;
    return this;
  }

  /** What lies over each page. */
  RawPdf annotations(String array) {
    annotations = "/Annots" + array;
    return this;
  }

  RawPdf object(String text) {
    objects.add(text);
    return this;
  }

  RawPdf catalog(String entries) {
    catalog = entries;
    return this;
  }

  byte[] bytes() {
    var kids = new StringBuilder();
    var all = new ArrayList<String>();
    for (int k = 0; k < contents.size(); k++) {
      int n = FIRST_PAGE + 2 * k;
      kids.append(n).append(" 0 R ");
      all.add(
          "%d 0 obj\n<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 800]/Contents %d 0 R/Resources<</Font<</F1 3 0 R/F2 4 0 R>>%s>>%s%s>>\nendobj\n"
              .formatted(n, n + 1, forms, annotations, pageEntries));
      all.add(
          "%d 0 obj\n<</Length %d>>\nstream\n%s\nendstream\nendobj\n"
              .formatted(n + 1, contents.get(k).length(), contents.get(k)));
    }
    all.addAll(objects);
    all.add("1 0 obj\n<</Type/Catalog/Pages 2 0 R%s>>\nendobj\n".formatted(catalog));
    all.add(
        "2 0 obj\n<</Type/Pages/Count %d/Kids[%s]>>\nendobj\n".formatted(contents.size(), kids));
    all.add(font(3, "Times-Roman"));
    all.add(font(4, "Courier"));
    var out = new ByteArrayOutputStream();
    out.writeBytes(ascii("%PDF-1.4\n"));
    var places = new java.util.TreeMap<Integer, Integer>();
    for (String o : all) {
      places.put(Integer.valueOf(o.substring(0, o.indexOf(' '))), out.size());
      out.writeBytes(ascii(o));
    }
    int start = out.size();
    var xref = new StringBuilder("xref\n0 1\n0000000000 65535 f \n");
    places.forEach((n, at) -> xref.append("%d 1\n%010d 00000 n \n".formatted(n, at)));
    out.writeBytes(ascii(xref.toString()));
    out.writeBytes(
        ascii(
            "trailer\n<</Size %d/Root 1 0 R>>\nstartxref\n%d\n%%%%EOF\n"
                .formatted(places.lastKey() + 1, start)));
    return out.toByteArray();
  }

  Path in(Path folder) {
    try {
      return Files.write(folder.resolve("source.pdf"), bytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String font(int n, String name) {
    return "%d 0 obj\n<</Type/Font/Subtype/Type1/BaseFont/%s/Encoding/WinAnsiEncoding>>\nendobj\n"
        .formatted(n, name);
  }

  private static byte[] ascii(String s) {
    return s.getBytes(StandardCharsets.ISO_8859_1);
  }
}
