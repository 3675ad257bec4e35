package decant.pdf.write;

import decant.pdf.choices.Keeping;
import decant.pdf.file.Deflated;
import decant.pdf.file.Part;
import decant.pdf.file.PdfFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.attribute.FileTime;
import java.util.GregorianCalendar;
import java.util.TimeZone;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * A file that goes along inside the PDF as its source (ISO 32000-2 §7.11.4 and §14.13).
 *
 * @param type its media type
 */
public record Attachment(String name, String type, byte[] bytes, FileTime modified) {
  void write(COSDictionary catalog, Keeping keeping, int level, PdfFile file) {
    try {
      COSStream s = Deflated.stream(bytes, level);
      s.setItem(COSName.TYPE, COSName.getPDFName("EmbeddedFile"));
      s.setName(COSName.SUBTYPE, type);
      COSDictionary parameters = new COSDictionary();
      parameters.setInt(COSName.SIZE, bytes.length);
      var date = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
      date.setTimeInMillis(modified.toMillis());
      parameters.setDate("ModDate", date);
      s.setItem(COSName.PARAMS, parameters);
      file.part(s, new Part(Part.Kind.ATTACHMENT, name));
      COSDictionary embedded = new COSDictionary();
      embedded.setItem(COSName.F, s);
      embedded.setItem(COSName.UF, s);
      COSDictionary spec = new COSDictionary();
      spec.setItem(COSName.TYPE, COSName.FILESPEC);
      spec.setItem(COSName.F, new COSString(name));
      spec.setItem(COSName.UF, new COSString(name));
      spec.setItem(COSName.EF, embedded);
      spec.setItem(COSName.DESC, new COSString("The document that this file was made from"));
      spec.setName(COSName.getPDFName("AFRelationship"), "Source");
      COSArray names = new COSArray();
      names.add(new COSString(name));
      names.add(spec);
      COSDictionary tree = new COSDictionary();
      tree.setItem(COSName.NAMES, names);
      COSDictionary all = new COSDictionary();
      all.setItem(COSName.EMBEDDED_FILES, tree);
      catalog.setItem(COSName.NAMES, all);
      boolean associated = keeping.standard().part() >= 3 || !keeping.isArchive();
      if (associated) {
        COSArray files = new COSArray();
        files.add(spec);
        catalog.setItem(COSName.getPDFName("AF"), files);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
