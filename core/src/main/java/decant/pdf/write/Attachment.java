package decant.pdf.write;

import decant.model.AttachedFile;
import decant.pdf.choices.Conformance;
import decant.pdf.file.Deflated;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.attribute.FileTime;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Optional;
import java.util.TimeZone;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * A file that goes along inside the PDF (ISO 32000-2 §7.11.4 and §14.13).
 *
 * @param type its media type; empty if unknown
 * @param description in words; empty for none
 * @param relationship what it is to the document: its source, or something else
 */
public record Attachment(
    String name,
    String type,
    String description,
    byte[] bytes,
    Optional<FileTime> modified,
    Relationship relationship) {
  /** What an attached file is to the document (table 43). */
  public enum Relationship {
    SOURCE("Source"),
    UNSPECIFIED("Unspecified");

    private final String word;

    Relationship(String word) {
      this.word = word;
    }
  }

  /** The file that the document came from. */
  public static Attachment source(String name, String type, byte[] bytes, FileTime modified) {
    return new Attachment(
        name,
        type,
        "The document that this file was made from",
        bytes,
        Optional.of(modified),
        Relationship.SOURCE);
  }

  /** A file that the document carries along. */
  static Attachment of(AttachedFile f) {
    return new Attachment(
        f.name(), f.type(), f.description(), f.bytes(), Optional.empty(), Relationship.UNSPECIFIED);
  }

  /** Enters files into the catalog, each under a name of its own. */
  static void write(
      List<Attachment> all,
      COSDictionary catalog,
      Conformance conformance,
      int level,
      PdfFile file) {
    if (all.isEmpty()) {
      return;
    }
    var byName = new TreeMap<String, COSDictionary>();
    COSArray associated = new COSArray();
    for (Attachment a : all) {
      COSDictionary spec = a.specification(level, file);
      String key = a.name();
      for (int k = 2; byName.containsKey(key); k++) {
        key = a.name() + " " + k;
      }
      byName.put(key, spec);
      if (conformance.standard().part() >= 3
          || !conformance.isArchive() && a.relationship() == Relationship.SOURCE) {
        associated.add(spec);
      }
    }
    COSArray names = new COSArray();
    byName.forEach((key, spec) -> {
      names.add(new COSString(key));
      names.add(spec);
    });
    COSDictionary tree = new COSDictionary();
    tree.setItem(COSName.NAMES, names);
    COSDictionary dictionary = new COSDictionary();
    dictionary.setItem(COSName.EMBEDDED_FILES, tree);
    catalog.setItem(COSName.NAMES, dictionary);
    if (associated.size() > 0) {
      catalog.setItem(COSName.getPDFName("AF"), associated);
    }
  }

  private COSDictionary specification(int level, PdfFile file) {
    try {
      COSStream s = Deflated.stream(bytes, level);
      s.setItem(COSName.TYPE, COSName.getPDFName("EmbeddedFile"));
      s.setName(COSName.SUBTYPE, type.isEmpty() ? "application/octet-stream" : type);
      COSDictionary parameters = new COSDictionary();
      parameters.setInt(COSName.SIZE, bytes.length);
      modified.ifPresent(m -> {
        var date = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
        date.setTimeInMillis(m.toMillis());
        parameters.setDate("ModDate", date);
      });
      s.setItem(COSName.PARAMS, parameters);
      file.part(s, new FilePart(FilePart.Kind.ATTACHMENT, name));
      COSDictionary embedded = new COSDictionary();
      embedded.setItem(COSName.F, s);
      embedded.setItem(COSName.UF, s);
      COSDictionary spec = new COSDictionary();
      spec.setItem(COSName.TYPE, COSName.FILESPEC);
      spec.setItem(COSName.F, new COSString(name));
      spec.setItem(COSName.UF, new COSString(name));
      spec.setItem(COSName.EF, embedded);
      if (!description.isEmpty()) {
        spec.setItem(COSName.DESC, new COSString(description));
      }
      spec.setName(COSName.getPDFName("AFRelationship"), relationship.word);
      return spec;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
