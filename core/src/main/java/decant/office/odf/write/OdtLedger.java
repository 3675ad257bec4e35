package decant.office.odf.write;

import decant.format.Ledger;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** A ledger as OpenDocument text (ODF 1.3), its pages lying on their side. */
public final class OdtLedger implements Ledger {
  private static final String TYPE = "application/vnd.oasis.opendocument.text";
  private static final double WIDTH = 26.7; // of A4 on its side less margins of 1.5, in cm

  private static final String NAMES =
      " xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
          + " xmlns:style=\"urn:oasis:names:tc:opendocument:xmlns:style:1.0\""
          + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\""
          + " xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
          + " xmlns:fo=\"urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0\""
          + " xmlns:meta=\"urn:oasis:names:tc:opendocument:xmlns:meta:1.0\""
          + " xmlns:dc=\"http://purl.org/dc/elements/1.1/\""
          + " xmlns:svg=\"urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0\""
          + " xmlns:xlink=\"http://www.w3.org/1999/xlink\" office:version=\"1.3\">";

  private final ZipOutputStream zip;
  private final Writer out;
  private List<Column> columns = List.of();
  private int tables;

  /**
   * @throws IOException if the stream cannot be written
   */
  public OdtLedger(String title, OutputStream to) throws IOException {
    zip = new ZipOutputStream(to);
    byte[] type = TYPE.getBytes(StandardCharsets.US_ASCII);
    zip.putNextEntry(OdfZip.stored(OdfZip.KIND, type));
    zip.write(type);
    zip.closeEntry();
    part("META-INF/manifest.xml", manifest());
    part("meta.xml", meta(title));
    part("styles.xml", styles());
    zip.putNextEntry(new ZipEntry("content.xml"));
    out = new BufferedWriter(new OutputStreamWriter(zip, StandardCharsets.UTF_8), 1 << 14);
    out.write("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<office:document-content" + NAMES);
    out.write("<office:automatic-styles>");
    for (int share = 1; share <= SHARES; share++) {
      out.write(
          String.format(
              Locale.ROOT,
              "<style:style style:name=\"C%d\" style:family=\"table-column\"><style:table-column-properties style:column-width=\"%.3fcm\"/></style:style>",
              share,
              WIDTH * share / SHARES));
    }
    out.write(
        "<style:style style:name=\"T\" style:family=\"table\"><style:table-properties"
            + " style:width=\""
            + WIDTH
            + "cm\" table:align=\"left\"/></style:style>"
            + "<style:style style:name=\"E\" style:family=\"table-cell\"><style:table-cell-properties"
            + " fo:padding=\"0.08cm\" fo:border-bottom=\"0.25pt solid #b8b0a4\"/></style:style>"
            + "</office:automatic-styles><office:body><office:text>");
  }

  /** In so many equal parts a width is shared among columns. */
  private static final int SHARES = 100;

  private void part(String name, String xml) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(
        ("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n" + xml).getBytes(StandardCharsets.UTF_8));
    zip.closeEntry();
  }

  private static String manifest() {
    var b = new StringBuilder();
    b.append(
        "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\""
            + " manifest:version=\"1.3\"><manifest:file-entry manifest:full-path=\"/\""
            + " manifest:version=\"1.3\" manifest:media-type=\""
            + TYPE
            + "\"/>");
    for (String p : List.of("content.xml", "styles.xml", "meta.xml")) {
      b.append("<manifest:file-entry manifest:full-path=\"")
          .append(p)
          .append("\" manifest:media-type=\"text/xml\"/>");
    }
    return b.append("</manifest:manifest>").toString();
  }

  private static String meta(String title) {
    return "<office:document-meta"
        + NAMES
        + "<office:meta><dc:title>"
        + escaped(title)
        + "</dc:title><meta:creation-date>"
        + Instant.now().truncatedTo(ChronoUnit.SECONDS)
        + "</meta:creation-date></office:meta></office:document-meta>";
  }

  private static String styles() {
    var b = new StringBuilder("<office:document-styles").append(NAMES);
    b.append(
        "<office:font-face-decls><style:font-face style:name=\"Sans\" svg:font-family=\"'Liberation"
            + " Sans'\" style:font-family-generic=\"swiss\"/></office:font-face-decls><office:styles>");
    style(b, "Standard", "", "", "fo:font-size=\"8.5pt\" style:font-name=\"Sans\"");
    style(b, "Number", "Standard", "fo:text-align=\"end\"", "");
    style(b, "Head", "Standard", "", "fo:font-weight=\"bold\"");
    style(b, "NumberHead", "Head", "fo:text-align=\"end\"", "");
    for (int level = 1; level <= 3; level++) {
      b.append(
          "<style:style style:name=\"Heading_20_%d\" style:display-name=\"Heading %d\" style:family=\"paragraph\" style:parent-style-name=\"Standard\" style:next-style-name=\"Standard\" style:default-outline-level=\"%d\"><style:paragraph-properties fo:margin-top=\"0.4cm\" fo:margin-bottom=\"0.2cm\" fo:keep-with-next=\"always\"/><style:text-properties fo:font-size=\"%dpt\" fo:font-weight=\"bold\"/></style:style>"
              .formatted(level, level, level, 18 - 3 * level));
    }
    b.append(
        "<style:style style:name=\"Link\" style:family=\"text\"><style:text-properties"
            + " fo:color=\"#7a1f2b\" style:text-underline-style=\"solid\""
            + " style:text-underline-width=\"auto\"/></style:style></office:styles>"
            + "<office:automatic-styles><style:page-layout style:name=\"P\">"
            + "<style:page-layout-properties fo:page-width=\"29.7cm\" fo:page-height=\"21cm\""
            + " style:print-orientation=\"landscape\" fo:margin-top=\"1.5cm\""
            + " fo:margin-bottom=\"1.5cm\" fo:margin-left=\"1.5cm\" fo:margin-right=\"1.5cm\"/>"
            + "</style:page-layout></office:automatic-styles><office:master-styles>"
            + "<style:master-page style:name=\"Standard\" style:page-layout-name=\"P\"/>"
            + "</office:master-styles></office:document-styles>");
    return b.toString();
  }

  private static void style(
      StringBuilder b, String name, String parent, String paragraph, String text) {
    b.append("<style:style style:name=\"").append(name).append("\" style:family=\"paragraph\"");
    if (!parent.isEmpty()) {
      b.append(" style:parent-style-name=\"").append(parent).append('"');
    }
    b.append("><style:paragraph-properties ").append(paragraph).append("/>");
    b.append("<style:text-properties ").append(text).append("/></style:style>");
  }

  @Override
  public void heading(int level, String text) throws IOException {
    out.write(
        "<text:h text:style-name=\"Heading_20_%d\" text:outline-level=\"%d\">"
            .formatted(level, level));
    out.write(escaped(text) + "</text:h>");
  }

  @Override
  public void paragraph(String text) throws IOException {
    out.write("<text:p text:style-name=\"Standard\">" + escaped(text) + "</text:p>");
  }

  @Override
  public void table(List<Column> head) throws IOException {
    columns = List.copyOf(head);
    tables++;
    out.write("<table:table table:name=\"Table" + tables + "\" table:style-name=\"T\">");
    double all = head.stream().mapToDouble(Column::share).sum();
    for (Column c : head) {
      long share = Math.max(1, Math.round(SHARES * c.share() / all));
      out.write("<table:table-column table:style-name=\"C" + share + "\"/>");
    }
    out.write("<table:table-header-rows><table:table-row>");
    for (Column c : head) {
      out.write(CELL + "<text:p text:style-name=\"" + (c.number() ? "NumberHead" : "Head") + "\">");
      out.write(escaped(c.head()));
      out.write("</text:p></table:table-cell>");
    }
    out.write("</table:table-row></table:table-header-rows>");
  }

  private static final String CELL =
      "<table:table-cell table:style-name=\"E\" office:value-type=\"string\">";

  @Override
  public void row(List<List<Line>> cells) throws IOException {
    out.write("<table:table-row>");
    for (int k = 0; k < columns.size(); k++) {
      String style = columns.get(k).number() ? "Number" : "Standard";
      List<Line> lines = cells.get(k).isEmpty() ? List.of(Line.of("")) : cells.get(k);
      out.write(CELL);
      for (Line l : lines) {
        out.write("<text:p text:style-name=\"" + style + "\">");
        if (l.link().isPresent()) {
          out.write(
              "<text:a xlink:type=\"simple\" xlink:href=\""
                  + escaped(reference(l.link().get()))
                  + "\" text:style-name=\"Link\" text:visited-style-name=\"Link\">"
                  + escaped(l.text())
                  + "</text:a>");
        } else {
          out.write(escaped(l.text()));
        }
        out.write("</text:p>");
      }
      out.write("</table:table-cell>");
    }
    out.write("</table:table-row>");
  }

  /** From within a package its folder is one step up (ODF 1.3-2 §3.7). */
  private static String reference(String link) {
    return link.matches("[a-z]+:.*") ? link : "../" + link;
  }

  @Override
  public void endTable() throws IOException {
    out.write("</table:table>");
  }

  @Override
  public void close() throws IOException {
    out.write("<text:p text:style-name=\"Standard\"/>");
    out.write("</office:text></office:body></office:document-content>");
    out.flush();
    zip.closeEntry();
    zip.finish();
  }

  /** Without what XML has no room for (XML 1.0 §2.2). */
  private static String escaped(String s) {
    var b = new StringBuilder(s.length() + 16);
    for (int c : s.codePoints().toArray()) {
      switch (c) {
        case '<' -> b.append("&lt;");
        case '>' -> b.append("&gt;");
        case '&' -> b.append("&amp;");
        case '"' -> b.append("&quot;");
        default -> {
          boolean room =
              c >= 0x20 && c <= 0xD7FF || c >= 0xE000 && c <= 0xFFFD || c >= 0x10000 || c == '\t';
          b.appendCodePoint(room ? c : 0xFFFD);
        }
      }
    }
    return b.toString();
  }
}
