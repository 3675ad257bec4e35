package decant.frozen;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** HTML and CSS by openhtmltopdf, with fonts of its own inside. */
final class HtmlProducer implements Make.Producer {
  private static final Path FONTS =
      Path.of("../core/src/main/resources/decant/text/fonts").toAbsolutePath().normalize();

  @Override
  public boolean hasNotes() {
    return false;
  }

  @Override
  public void make(Doc d, Path file) throws Exception {
    try (var out = Files.newOutputStream(file)) {
      var b = new PdfRendererBuilder();
      for (String family : List.of("Serif", "Sans")) {
        b.useFont(FONTS.resolve("Liberation" + family + "-Regular.ttf").toFile(), family, 400, com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL, true);
        b.useFont(FONTS.resolve("Liberation" + family + "-Bold.ttf").toFile(), family, 700, com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL, true);
      }
      b.usePdfUaAccessbility(false);
      b.withHtmlContent(html(d), "file:///");
      b.toStream(out);
      b.run();
    }
  }

  private static String html(Doc d) {
    Doc.Setting s = d.setting();
    var b = new StringBuilder();
    b.append("<html><head><title>").append(Make.xml(d.title())).append("</title><style>@page { size: A4;")
        .append(" margin: 22mm 24mm;");
    if (s.running()) {
      b.append("@top-left { content: 'Saltmarsh Quay harbour office'; font-family: ")
          .append(s.serif() ? "Serif" : "Sans").append("; font-size: 8pt }")
          .append("@bottom-center { content: 'Page ' counter(page); font-family: ")
          .append(s.serif() ? "Serif" : "Sans").append("; font-size: 8pt }");
    }
    b.append("} body { font-family: ").append(s.serif() ? "Serif" : "Sans").append("; font-size: ")
        .append(s.size()).append("pt; line-height: 1.3 } p { margin: 0 0 ")
        .append(s.indented() ? "0; text-indent: 14pt" : "6pt")
        .append(s.justified() ? "; text-align: justify" : "").append(" } h1 { font-size: 180% }")
        .append(" h2 { font-size: 135% } h3 { font-size: 110% } table { width: 100%; border-collapse: collapse; margin: 6pt 0 }")
        .append(" td, th { padding: 2pt 4pt; text-align: left; vertical-align: top")
        .append(s.ruled() ? "; border: 0.5pt solid #333" : "").append(" } .note { font-size: 80% }")
        .append(" sup { font-size: 65% }</style></head><body>");
    String list = "";
    for (Doc.Block x : d.blocks()) {
      String now = x instanceof Doc.Block.Item i ? i.ordered() ? "ol" : "ul" : "";
      if (!now.equals(list)) {
        b.append(list.isEmpty() ? "" : "</" + list + ">").append(now.isEmpty() ? "" : "<" + now + ">");
        list = now;
      }
      switch (x) {
        case Doc.Block.Heading h -> b.append("<h").append(h.level()).append(">").append(Make.xml(h.text()))
            .append("</h").append(h.level()).append(">");
        case Doc.Block.Paragraph p -> {
          b.append("<p>").append(Make.xml(p.text())).append("</p>");
          if (!p.note().isEmpty()) {
            b.append("<p>").append(Make.xml(p.note())).append("</p>"); // this maker has no footnotes
          }
        }
        case Doc.Block.Item i -> b.append("<li>").append(Make.xml(i.text())).append("</li>");
        case Doc.Block.Table t -> {
          b.append("<table>");
          boolean head = true;
          for (List<String> r : t.rows()) {
            b.append("<tr>");
            for (String c : r) {
              b.append(head ? "<th>" : "<td>").append(Make.xml(c)).append(head ? "</th>" : "</td>");
            }
            b.append("</tr>");
            head = false;
          }
          b.append("</table>");
        }
      }
    }
    return b.append(list.isEmpty() ? "" : "</" + list + ">").append("</body></html>").toString();
  }
}
