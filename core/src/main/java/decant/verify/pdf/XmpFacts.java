package decant.verify.pdf;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.w3c.dom.Document;
import org.xml.sax.SAXException;

/** What the XMP packet of a file says (ISO 16684-1). */
record XmpFacts(String title, String author, String subject, String keywords) {
  private static final String DC = "http://purl.org/dc/elements/1.1/";
  private static final String PDF = "http://ns.adobe.com/pdf/1.3/";

  static XmpFacts of(PDDocument pdf) throws IOException {
    PDMetadata metadata = pdf.getDocumentCatalog().getMetadata();
    if (metadata == null) {
      return new XmpFacts("", "", "", "");
    }
    byte[] bytes;
    try (InputStream in = metadata.exportXMPMetadata()) {
      bytes = in.readAllBytes();
    }
    try {
      var factory = DocumentBuilderFactory.newDefaultInstance();
      factory.setNamespaceAware(true);
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
      Document d = factory.newDocumentBuilder().parse(new ByteArrayInputStream(bytes));
      return new XmpFacts(
          text(d, DC, "title"),
          text(d, DC, "creator"),
          text(d, DC, "description"),
          text(d, PDF, "Keywords"));
    } catch (ParserConfigurationException | SAXException e) {
      throw new IOException("the XMP packet is no XML: " + e.getMessage(), e);
    }
  }

  private static String text(Document d, String space, String name) {
    var all = d.getElementsByTagNameNS(space, name);
    return all.getLength() == 0 ? "" : PdfVerifier.squeezed(all.item(0).getTextContent());
  }
}
