package decant.office;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.DocumentDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.EndnotesDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FootnotesDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FtrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.HdrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.NumberingDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.SettingsDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.StylesDocument;

/** The parts of a DOCX against the schemas of ECMA-376, as Apache POI compiled them. */
public final class DocxSchemas {
  private DocxSchemas() {}

  /** What the schemas find wrong, each with its part; nothing if all is well. */
  public static List<String> errors(Path docx) throws IOException {
    var out = new ArrayList<String>();
    try (ZipFile zip = new ZipFile(docx.toFile())) {
      for (Enumeration<? extends ZipEntry> e = zip.entries(); e.hasMoreElements(); ) {
        ZipEntry entry = e.nextElement();
        try (InputStream in = zip.getInputStream(entry)) {
          XmlObject part = parsed(entry.getName(), withoutIgnorable(in));
          var errors = new ArrayList<org.apache.xmlbeans.XmlError>();
          if (part != null && !part.validate(new XmlOptions().setErrorListener(errors))) {
            errors.stream()
                .map(Object::toString)
                // Compatible extensions stand outside the schemas by design (ISO/IEC 29500-3).
                .filter(m -> !m.contains("markup-compatibility"))
                .forEach(m -> out.add(entry.getName() + ": " + m));
          }
        } catch (XmlException x) {
          out.add(entry.getName() + ": " + x.getMessage());
        }
      }
    }
    return out;
  }

  /** What a part declares to be ignorable stands outside the schemas (ISO/IEC 29500-3 §10.1). */
  private static InputStream withoutIgnorable(InputStream in) throws IOException {
    String xml = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    String out =
        xml.contains("mc:Ignorable=\"w14\"")
            ? xml.replaceAll("(?s)<w14:(\\w+)(?:\\s[^>]*[^/])?>.*?</w14:\\1>|<w14:\\w+[^>]*/>", "")
                .replaceFirst(" mc:Ignorable=\"w14\"", "")
            : xml;
    return new ByteArrayInputStream(out.getBytes(StandardCharsets.UTF_8));
  }

  private static XmlObject parsed(String name, InputStream in) throws XmlException, IOException {
    String n = name.replaceFirst("^word/", "").replaceFirst("\\d+\\.xml$", ".xml");
    return switch (n) {
      case "document.xml" -> DocumentDocument.Factory.parse(in);
      case "styles.xml" -> StylesDocument.Factory.parse(in);
      case "numbering.xml" -> NumberingDocument.Factory.parse(in);
      case "settings.xml" -> SettingsDocument.Factory.parse(in);
      case "footnotes.xml" -> FootnotesDocument.Factory.parse(in);
      case "endnotes.xml" -> EndnotesDocument.Factory.parse(in);
      case "header.xml" -> HdrDocument.Factory.parse(in);
      case "footer.xml" -> FtrDocument.Factory.parse(in);
      default -> null;
    };
  }
}
