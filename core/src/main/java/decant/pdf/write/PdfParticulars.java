package decant.pdf.write;

import decant.model.Particulars;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.GregorianCalendar;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/**
 * Writes title, author and the like, alike into the information dictionary and the XMP packet (ISO
 * 16684-1).
 */
final class PdfParticulars {
  static final String PRODUCER = "Decant";

  private PdfParticulars() {}

  static void write(PDDocument pdf, Particulars p) throws IOException {
    ZonedDateTime now = ZonedDateTime.now().truncatedTo(ChronoUnit.SECONDS);
    PDDocumentInformation info = pdf.getDocumentInformation();
    if (!p.title().isEmpty()) {
      info.setTitle(p.title());
      PDViewerPreferences preferences =
          new PDViewerPreferences(new org.apache.pdfbox.cos.COSDictionary());
      preferences.setDisplayDocTitle(true);
      pdf.getDocumentCatalog().setViewerPreferences(preferences);
    }
    if (!p.author().isEmpty()) {
      info.setAuthor(p.author());
    }
    if (!p.subject().isEmpty()) {
      info.setSubject(p.subject());
    }
    if (!p.keywords().isEmpty()) {
      info.setKeywords(p.keywords());
    }
    info.setProducer(PRODUCER);
    info.setCreationDate(GregorianCalendar.from(now));
    info.setModificationDate(GregorianCalendar.from(now));
    if (!p.language().isEmpty()) {
      pdf.getDocumentCatalog().setLanguage(p.language());
    }
    COSStream xmp = new COSStream();
    xmp.setItem(COSName.TYPE, COSName.METADATA);
    xmp.setItem(COSName.SUBTYPE, COSName.getPDFName("XML"));
    try (var out = xmp.createOutputStream()) {
      out.write(xmp(p, now).getBytes(StandardCharsets.UTF_8));
    }
    pdf.getDocumentCatalog().getCOSObject().setItem(COSName.METADATA, xmp);
  }

  private static String xmp(Particulars p, ZonedDateTime now) {
    String date = now.format(DateTimeFormatter.ISO_OFFSET_DATE_TIME);
    var b = new StringBuilder();
    b.append("<?xpacket begin=\"\uFEFF\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>\n")
        .append("<x:xmpmeta xmlns:x=\"adobe:ns:meta/\">\n")
        .append("<rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">\n")
        .append("<rdf:Description rdf:about=\"\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"")
        .append(
            " xmlns:xmp=\"http://ns.adobe.com/xap/1.0/\" xmlns:pdf=\"http://ns.adobe.com/pdf/1.3/\">\n");
    if (!p.title().isEmpty()) {
      b.append("<dc:title><rdf:Alt><rdf:li xml:lang=\"x-default\">")
          .append(escaped(p.title()))
          .append("</rdf:li></rdf:Alt></dc:title>\n");
    }
    if (!p.author().isEmpty()) {
      b.append("<dc:creator><rdf:Seq><rdf:li>")
          .append(escaped(p.author()))
          .append("</rdf:li></rdf:Seq></dc:creator>\n");
    }
    if (!p.subject().isEmpty()) {
      b.append("<dc:description><rdf:Alt><rdf:li xml:lang=\"x-default\">")
          .append(escaped(p.subject()))
          .append("</rdf:li></rdf:Alt></dc:description>\n");
    }
    if (!p.keywords().isEmpty()) {
      b.append("<pdf:Keywords>").append(escaped(p.keywords())).append("</pdf:Keywords>\n");
    }
    b.append("<pdf:Producer>")
        .append(PRODUCER)
        .append("</pdf:Producer>\n")
        .append("<xmp:CreateDate>")
        .append(date)
        .append("</xmp:CreateDate>\n")
        .append("<xmp:ModifyDate>")
        .append(date)
        .append("</xmp:ModifyDate>\n")
        .append("</rdf:Description>\n</rdf:RDF>\n</x:xmpmeta>\n<?xpacket end=\"r\"?>");
    return b.toString();
  }

  private static String escaped(String s) {
    return s.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replaceAll("[\\p{Cc}&&[^\t\n]]", "");
  }
}
