package decant.office.docx.markup;

import decant.model.AttachedFile;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Files that a document carries along. DOCX has no place for them, so they stand in parts of our
 * own beside the document (ISO/IEC 29500-2 lets a package have any), with a list that names them.
 */
public final class Attachments {
  public static final String RELATIONSHIP = "urn:decant:relationships/attachments";
  public static final String LIST = "attachments/list.xml";
  public static final String LIST_TYPE = "application/vnd.decant.attachments+xml";

  private Attachments() {}

  /** The list, and the parts that the files stand in. */
  public static String list(
      List<AttachedFile> files, Map<String, byte[]> parts, Map<String, String> types) {
    var o = new Out().raw(Out.HEAD).raw("<attachments xmlns=\"urn:decant:attachments\">");
    int n = 1;
    for (AttachedFile f : files) {
      String part = "attachments/file" + n++ + ".bin";
      parts.put(part, f.bytes());
      types.put("/" + part, "application/octet-stream");
      o.empty(
          "file", "part", part, "name", f.name(), "type", f.type(), "description", f.description());
    }
    return o.raw("</attachments>").toString();
  }

  /** The files of a package; the parts they stand in are noted as understood. */
  public static List<AttachedFile> read(PackageFile file, Set<String> understood, int depth)
      throws ReadProblem {
    var out = new ArrayList<AttachedFile>();
    for (PackageFile.Relationship r : file.relationships("").values()) {
      Optional<byte[]> list =
          r.type().equals(RELATIONSHIP) && !r.external()
              ? file.bytes(r.target())
              : Optional.empty();
      if (list.isEmpty()) {
        continue;
      }
      understood.add(r.target());
      for (Element e : XmlParts.parse(list.get(), r.target(), depth).elements()) {
        String part = e.attribute("part").orElse("");
        Optional<byte[]> bytes = file.bytes(part);
        if (bytes.isPresent()) {
          understood.add(part);
          out.add(
              new AttachedFile(
                  e.attribute("name").orElse("file"),
                  e.attribute("type").orElse(""),
                  e.attribute("description").orElse(""),
                  bytes.get()));
        }
      }
    }
    return out;
  }
}
