package decant.pdf.amend;

import decant.pdf.amend.page.PageStreams;
import decant.pdf.file.Increment;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Changed pages written after the end of their file, which stays within, byte by byte.
 *
 * @param pages that were changed, from 0
 * @param also what else was
 */
record PagesIncrement(PDDocument pdf, Set<Integer> pages, Set<COSBase> also) {
  /**
   * @param file that it was read from
   * @param fresh what came into it
   */
  void write(Path file, List<COSObject> fresh, OutputStream out) throws IOException {
    Set<COSBase> all = Collections.newSetFromMap(new IdentityHashMap<>());
    all.addAll(also);
    for (int k : pages) {
      PDPage p = pdf.getPage(k);
      all.add(p.getCOSObject());
      all.addAll(PageStreams.contentsOf(p));
      all.addAll(PageStreams.formsOf(p));
      NotesOnPage.annotations(p).forEach(a -> all.add(a.getCOSObject()));
    }
    var increment = new Increment(pdf.getDocument());
    increment.change(all);
    fresh.forEach(increment::add);
    try (var in = Files.newInputStream(file)) {
      increment.write(in, out);
    }
  }
}
