package decant.frozen;

import java.io.BufferedOutputStream;
import java.io.File;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.sax.SAXResult;
import org.apache.fop.apps.FopFactory;
import org.xml.sax.InputSource;

/** XSL-FO by Apache FOP. */
final class FopProducer implements Make.Producer {
  @Override
  public void make(Doc d, Path file) throws Exception {
    FopFactory factory = FopFactory.newInstance(new File(".").toURI());
    try (var out = new BufferedOutputStream(Files.newOutputStream(file))) {
      var agent = factory.newFOUserAgent();
      agent.setAccessibility(d.title().hashCode() % 3 == 0);
      var fop = factory.newFop("application/pdf", agent, out);
      TransformerFactory.newInstance()
          .newTransformer()
          .transform(
              new DOMSource(
                  factory().parse(new InputSource(new StringReader(fo(d))))),
              new SAXResult(fop.getDefaultHandler()));
    }
  }

  /** The whole of it first: the library reads files of its own while it is given one. */
  private static DocumentBuilder factory() throws Exception {
    var f = DocumentBuilderFactory.newInstance();
    f.setNamespaceAware(true);
    return f.newDocumentBuilder();
  }

  private static String fo(Doc d) {
    Doc.Setting s = d.setting();
    var b = new StringBuilder();
    b.append("<fo:root xmlns:fo=\"http://www.w3.org/1999/XSL/Format\" xml:lang=\"en\" font-family=\"")
        .append(s.serif() ? "Times" : "Helvetica")
        .append("\" font-size=\"").append(s.size()).append("pt\" line-height=\"1.25\">")
        .append("<fo:layout-master-set><fo:simple-page-master master-name=\"p\" page-width=\"210mm\"")
        .append(" page-height=\"297mm\" margin=\"15mm 22mm\"><fo:region-body margin=\"12mm 0\"")
        .append(s.columns() > 1 ? " column-count=\"2\" column-gap=\"8mm\"" : "")
        .append("/><fo:region-before extent=\"10mm\"/><fo:region-after extent=\"8mm\"/>")
        .append("</fo:simple-page-master></fo:layout-master-set><fo:page-sequence master-reference=\"p\">");
    if (s.running()) {
      b.append("<fo:static-content flow-name=\"xsl-region-before\"><fo:block font-size=\"8pt\">")
          .append("Saltmarsh Quay harbour office</fo:block></fo:static-content>")
          .append("<fo:static-content flow-name=\"xsl-region-after\"><fo:block font-size=\"8pt\"")
          .append(" text-align=\"center\">Page <fo:page-number/></fo:block></fo:static-content>");
    }
    b.append("<fo:flow flow-name=\"xsl-region-body\">");
    int note = 0;
    boolean list = false;
    for (Doc.Block x : d.blocks()) {
      boolean item = x instanceof Doc.Block.Item;
      if (list && !item) {
        b.append("</fo:list-block>");
      }
      if (item && !list) {
        b.append("<fo:list-block provisional-distance-between-starts=\"7mm\" space-after=\"4pt\">");
      }
      list = item;
      switch (x) {
        case Doc.Block.Heading h -> {
          double size = s.size() * (h.level() == 1 ? 1.8 : h.level() == 2 ? 1.35 : 1.1);
          b.append("<fo:block font-weight=\"bold\" keep-with-next=\"always\" space-before=\"10pt\"")
              .append(" space-after=\"5pt\" font-size=\"").append(size).append("pt\"")
              .append(h.level() == 1 ? " span=\"all\"" : "").append(">")
              .append(Make.xml(h.text())).append("</fo:block>");
        }
        case Doc.Block.Paragraph p -> {
          b.append("<fo:block space-after=\"").append(s.indented() ? "0" : "6").append("pt\"")
              .append(s.indented() ? " text-indent=\"12pt\"" : "")
              .append(s.justified() ? " text-align=\"justify\"" : "").append(">")
              .append(Make.xml(p.text()));
          if (!p.note().isEmpty()) {
            note++;
            b.append("<fo:footnote><fo:inline baseline-shift=\"super\" font-size=\"70%\">").append(note)
                .append("</fo:inline><fo:footnote-body><fo:block font-size=\"8pt\">").append(note)
                .append(" ").append(Make.xml(p.note())).append("</fo:block></fo:footnote-body></fo:footnote>");
          }
          b.append("</fo:block>");
        }
        case Doc.Block.Item i ->
            b.append("<fo:list-item><fo:list-item-label end-indent=\"label-end()\"><fo:block>")
                .append(i.ordered() ? i.number() + "." : "\u2022")
                .append("</fo:block></fo:list-item-label><fo:list-item-body start-indent=\"body-start()\">")
                .append("<fo:block>").append(Make.xml(i.text()))
                .append("</fo:block></fo:list-item-body></fo:list-item>");
        case Doc.Block.Table t -> {
          b.append("<fo:table table-layout=\"fixed\" width=\"100%\" space-before=\"4pt\" space-after=\"8pt\">");
          for (int w : new int[] {18, 18, 22, 42}) {
            b.append("<fo:table-column column-width=\"").append(w).append("%\"/>");
          }
          b.append("<fo:table-body>");
          boolean head = true;
          for (List<String> r : t.rows()) {
            b.append("<fo:table-row").append(head ? " font-weight=\"bold\"" : "").append(">");
            for (String c : r) {
              b.append("<fo:table-cell padding=\"2pt\"")
                  .append(s.ruled() ? " border=\"0.5pt solid black\"" : "")
                  .append("><fo:block>").append(Make.xml(c)).append("</fo:block></fo:table-cell>");
            }
            b.append("</fo:table-row>");
            head = false;
          }
          b.append("</fo:table-body></fo:table>");
        }
      }
    }
    if (list) {
      b.append("</fo:list-block>");
    }
    return b.append("</fo:flow></fo:page-sequence></fo:root>").toString();
  }
}
