package decant.model.edit;

import decant.model.AttachedFile;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Changes to the files that a document carries along. */
public final class AttachmentEdits {
  private AttachmentEdits() {}

  /** Adds a file; where there is one of its name, under a name with a number. */
  public static Revision attach(Revision r, AttachedFile file) {
    String name = free(r.document().attachments(), file.name());
    var as = new AttachedFile(name, file.type(), file.description(), file.bytes());
    return changed(r, "Attach", all -> all.add(as));
  }

  /** Takes a file away. */
  public static Revision remove(Revision r, AttachedFile file) {
    return changed(r, "Remove attached file", all -> all.remove(file));
  }

  /** Says in words what a file is. */
  public static Revision describe(Revision r, AttachedFile file, String words) {
    var as = new AttachedFile(file.name(), file.type(), words.strip(), file.bytes());
    return file.description().equals(as.description())
        ? r
        : changed(r, "Description", all -> all.replaceAll(f -> f.equals(file) ? as : f));
  }

  private static Revision changed(Revision r, String name, Consumer<List<AttachedFile>> change) {
    var all = new ArrayList<>(r.document().attachments());
    change.accept(all);
    return all.equals(r.document().attachments())
        ? r
        : r.apply(Edit.of(name, new Step.SetAttachments(all)), r.selection());
  }

  /** "rules.csv", then "rules 2.csv". */
  private static String free(List<AttachedFile> all, String name) {
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String end = dot > 0 ? name.substring(dot) : "";
    String out = name;
    for (int k = 2; has(all, out); k++) {
      out = stem + " " + k + end;
    }
    return out;
  }

  private static boolean has(List<AttachedFile> all, String name) {
    return all.stream().anyMatch(f -> f.name().equalsIgnoreCase(name));
  }
}
