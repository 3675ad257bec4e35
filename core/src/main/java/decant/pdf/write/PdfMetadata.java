package decant.pdf.write;

import decant.model.Metadata;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Security.Protection;
import decant.pdf.choices.Version;
import decant.pdf.file.Deflated;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import decant.words.Product;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.GregorianCalendar;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.util.DateConverter;

/**
 * Writes title, author and the like, alike into the information dictionary and the XMP packet (ISO
 * 16684-1), and what standards ask a file to say of itself.
 */
final class PdfMetadata {
  static final String PRODUCER = Product.NAME;

  private PdfMetadata() {}

  static void write(COSDictionary catalog, PdfFile file, PdfChoices choices, int level)
      throws IOException {
    Metadata p = choices.metadata();
    Conformance k = choices.settings().conformance();
    ZonedDateTime now = ZonedDateTime.now().truncatedTo(ChronoUnit.SECONDS);
    // PDF 2.0 leaves the dictionary to XMP, and PDF/A-4 forbids it (ISO 19005-4 §6.1.3).
    if (k.writtenVersion() != Version.V2_0) {
      COSDictionary info = new COSDictionary();
      entry(info, COSName.TITLE, p.title());
      entry(info, COSName.AUTHOR, p.author());
      entry(info, COSName.SUBJECT, p.subject());
      entry(info, COSName.KEYWORDS, p.keywords());
      entry(info, COSName.PRODUCER, PRODUCER);
      String date = DateConverter.toString(GregorianCalendar.from(now));
      info.setString(COSName.CREATION_DATE, date);
      info.setString(COSName.MOD_DATE, date);
      file.part(info, FilePart.PARTICULARS);
      file.trailer().setItem(COSName.INFO, info);
    }
    if (!p.language().isEmpty()) {
      catalog.setItem(COSName.LANG, new COSString(p.language()));
    }
    // Not compressed, so that programs which know no PDF find it.
    COSStream xmp = Deflated.raw(xmp(p, k, now).getBytes(StandardCharsets.UTF_8));
    xmp.setItem(COSName.TYPE, COSName.METADATA);
    xmp.setItem(COSName.SUBTYPE, COSName.getPDFName("XML"));
    file.part(xmp, FilePart.PARTICULARS);
    catalog.setItem(COSName.METADATA, xmp);
    if (k.isArchive()) {
      catalog.setItem(COSName.OUTPUT_INTENTS, intents(level, file));
    }
    if (choices.settings().security().protection() == Protection.AES_256
        && k.writtenVersion() == Version.V1_7) {
      extension(catalog);
    }
  }

  private static void entry(COSDictionary info, COSName name, String value) {
    if (!value.isEmpty()) {
      info.setItem(name, new COSString(value));
    }
  }

  /** AES-256 came between 1.7 and 2.0 (ISO 32000-2 §7.12). */
  private static void extension(COSDictionary catalog) {
    COSDictionary adobe = new COSDictionary();
    adobe.setName(COSName.getPDFName("BaseVersion"), "1.7");
    adobe.setInt("ExtensionLevel", 8);
    COSDictionary extensions = new COSDictionary();
    extensions.setItem(COSName.getPDFName("ADBE"), adobe);
    catalog.setItem(COSName.getPDFName("Extensions"), extensions);
  }

  private static COSArray intents(int level, PdfFile file) throws IOException {
    byte[] profile = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
    COSStream s = Deflated.stream(profile, level);
    s.setInt(COSName.N, 3);
    file.part(s, FilePart.PARTICULARS);
    COSDictionary intent = new COSDictionary();
    intent.setItem(COSName.TYPE, COSName.OUTPUT_INTENT);
    intent.setName(COSName.S, "GTS_PDFA1");
    intent.setItem(COSName.OUTPUT_CONDITION_IDENTIFIER, new COSString("sRGB IEC61966-2.1"));
    intent.setItem(COSName.INFO, new COSString("sRGB IEC61966-2.1"));
    intent.setItem(COSName.DEST_OUTPUT_PROFILE, s);
    COSArray all = new COSArray();
    all.add(intent);
    return all;
  }

  private static String xmp(Metadata p, Conformance k, ZonedDateTime now) {
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
    if (!p.language().isEmpty()) {
      b.append("<dc:language><rdf:Bag><rdf:li>")
          .append(escaped(p.language()))
          .append("</rdf:li></rdf:Bag></dc:language>\n");
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
        .append("</rdf:Description>\n");
    standards(b, k);
    b.append("</rdf:RDF>\n</x:xmpmeta>\n<?xpacket end=\"r\"?>");
    return b.toString();
  }

  /** ISO 19005-2 §6.6.4, ISO 19005-4 §6.7.3 and ISO 14289-1 §5. */
  private static void standards(StringBuilder b, Conformance k) {
    if (k.isArchive()) {
      b.append(
              "<rdf:Description rdf:about=\"\" xmlns:pdfaid=\"http://www.aiim.org/pdfa/ns/id/\">\n")
          .append("<pdfaid:part>")
          .append(k.standard().part())
          .append("</pdfaid:part>\n");
      if (k.standard().part() == 4) {
        b.append("<pdfaid:rev>2020</pdfaid:rev>\n");
      }
      if (!k.standard().level().isEmpty()) {
        b.append("<pdfaid:conformance>")
            .append(k.standard().level())
            .append("</pdfaid:conformance>\n");
      }
      b.append("</rdf:Description>\n");
    }
    if (k.accessible()) {
      b.append(
              "<rdf:Description rdf:about=\"\" xmlns:pdfuaid=\"http://www.aiim.org/pdfua/ns/id/\">")
          .append("<pdfuaid:part>1</pdfuaid:part></rdf:Description>\n");
      if (k.isArchive()) {
        b.append(UA_SCHEMA);
      }
    }
  }

  /** PDF/A wants every property described that its own lists do not have (ISO 19005-2 §6.6.2.3). */
  private static final String UA_SCHEMA =
      """
      <rdf:Description rdf:about="" xmlns:pdfaExtension="http://www.aiim.org/pdfa/ns/extension/" \
      xmlns:pdfaSchema="http://www.aiim.org/pdfa/ns/schema#" \
      xmlns:pdfaProperty="http://www.aiim.org/pdfa/ns/property#">
      <pdfaExtension:schemas><rdf:Bag><rdf:li rdf:parseType="Resource">
      <pdfaSchema:schema>PDF/UA identification</pdfaSchema:schema>
      <pdfaSchema:namespaceURI>http://www.aiim.org/pdfua/ns/id/</pdfaSchema:namespaceURI>
      <pdfaSchema:prefix>pdfuaid</pdfaSchema:prefix>
      <pdfaSchema:property><rdf:Seq><rdf:li rdf:parseType="Resource">
      <pdfaProperty:name>part</pdfaProperty:name>
      <pdfaProperty:valueType>Integer</pdfaProperty:valueType>
      <pdfaProperty:category>internal</pdfaProperty:category>
      <pdfaProperty:description>Part of PDF/UA that the file keeps</pdfaProperty:description>
      </rdf:li></rdf:Seq></pdfaSchema:property>
      </rdf:li></rdf:Bag></pdfaExtension:schemas>
      </rdf:Description>
      """;

  private static String escaped(String s) {
    return s.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replaceAll("[\\p{Cc}&&[^\t\n]]", "");
  }
}
