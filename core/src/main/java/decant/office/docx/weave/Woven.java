package decant.office.docx.weave;

import static java.lang.System.Logger.Level.DEBUG;

import decant.model.Document;
import decant.office.docx.write.DocxWriter;
import decant.office.source.SourceFile;
import decant.office.source.Ways;
import decant.office.xml.PackageFile;
import decant.reading.ActiveContent;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.verify.Check;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Writes a document into the package that it came in, if that says the same as the document alone
 * when it is read back; otherwise the document alone.
 */
public final class Woven {
  private static final System.Logger LOG = System.getLogger(Woven.class.getName());

  private final Ways ways;
  private final boolean template;

  /**
   * @param template whether templates are written
   */
  public Woven(Ways ways, boolean template) {
    this.ways = ways;
    this.template = template;
  }

  /**
   * Writes.
   *
   * @return whether nothing of the package that the document came in was given up
   * @throws IOException if the stream, or a temporary file, cannot be written
   */
  public boolean write(Document d, OutputStream out) throws IOException {
    Map<String, byte[]> alone = DocxWriter.parts(d, template);
    Optional<byte[]> source = SourceFile.in(d, ways.format());
    Optional<Map<String, byte[]>> woven =
        source.isEmpty() ? Optional.empty() : into(source.get(), d, alone);
    DocxWriter.pack(woven.orElse(alone), out);
    return source.isEmpty() || woven.isPresent();
  }

  /**
   * The parts woven into those of the source; empty if that cannot be done, or says other things.
   */
  Optional<Map<String, byte[]>> into(byte[] source, Document d, Map<String, byte[]> alone)
      throws IOException {
    Path file = Files.createTempFile("decant", ".source");
    try {
      Files.write(file, source);
      var before = new Parts(DocxWriter.parts(ways.read(file), template));
      var after = new Parts(alone);
      Optional<Map<String, byte[]>> woven = Weave.of(new Parts(parts(file)), before, after);
      if (woven.isEmpty()) {
        LOG.log(DEBUG, "what was changed cannot stand in the source's package");
        return woven;
      }
      try (OutputStream packed = new BufferedOutputStream(Files.newOutputStream(file))) {
        DocxWriter.pack(woven.get(), packed);
      }
      Document back = ways.read(file);
      if (!Sameness.of(after, new Parts(DocxWriter.parts(back, template)))
          || !isAsQuiet(woven.get(), back, d)) {
        LOG.log(DEBUG, "what was woven does not say the same, or acts");
        return Optional.empty();
      }
      List<Check> failed = ways.failed(file, d);
      LOG.log(DEBUG, "woven, it fails {0}", failed);
      return failed.isEmpty() ? woven : Optional.empty();
    } catch (ReadProblem e) {
      LOG.log(DEBUG, "what was woven cannot be read back", e);
      return Optional.empty(); // what cannot be read back is not put into the source's package
    } finally {
      Files.deleteIfExists(file);
    }
  }

  /** What was taken out of the document because it acts does not come back with the source. */
  private static boolean isAsQuiet(Map<String, byte[]> woven, Document back, Document d) {
    return !ActiveContent.in(d).isEmpty()
        || ActiveContent.in(back).isEmpty()
            && woven.entrySet().stream()
                .allMatch(e -> ActiveContent.isQuiet(e.getKey(), e.getValue()));
  }

  private static Map<String, byte[]> parts(Path file) throws ReadProblem {
    var out = new LinkedHashMap<String, byte[]>();
    try (PackageFile p = PackageFile.open(file, Limits.DEFAULT)) {
      for (String name : p.names()) {
        out.put(name, p.bytes(name).orElseThrow());
      }
    }
    return out;
  }
}
