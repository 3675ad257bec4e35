package decant.pdf.write;

import decant.model.look.Media;
import decant.pdf.choices.Conformance;
import decant.pdf.content.Blending;
import decant.work.Faults;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Drawings that become dots in a file that follows a standard. */
public final class PaintedDrawings {
  private PaintedDrawings() {}

  /**
   * Whether a drawing has to be painted: PDF/A-1 knows no transparency (ISO 19005-1 §6.4), which
   * all may have; and for other parts drawings are made anew, where colours that mix by a rule of
   * their own (ISO 32000-2 §11.3.5) can only be painted.
   */
  public static boolean has(Conformance conformance, Media m) {
    return conformance.standard().part() == 1 || conformance.isArchive() && mixes(m);
  }

  private static boolean mixes(Media m) {
    if (!m.type().equals("application/pdf")) {
      return false;
    }
    try (PDDocument drawing = Loader.loadPDF(m.bytes())) {
      return parts(drawing.getPage(0).getCOSObject()).stream()
          .anyMatch(o -> o instanceof COSDictionary d && Blending.mixes(d));
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a drawing", e);
      return false; // it is not drawn in either way, and told
    }
  }

  /** All that an object is made of, each once. */
  public static Set<COSBase> parts(COSBase of) {
    Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    var todo = new ArrayDeque<COSBase>();
    todo.add(of);
    while (!todo.isEmpty()) {
      COSBase given = todo.remove();
      COSBase o = given instanceof COSObject r ? r.getObject() : given;
      if (o == null || !seen.add(o)) {
        continue;
      }
      if (o instanceof COSDictionary d) {
        todo.addAll(d.getValues());
      } else if (o instanceof COSArray a) {
        a.forEach(todo::add);
      }
    }
    return seen;
  }
}
