package decant.pdf.amend;

import decant.pdf.content.PageSpace;
import decant.pdf.file.Rewritten;
import decant.pdf.read.OpenedPdf;
import decant.pdf.read.form.FlatBlank;
import decant.pdf.read.form.FlatBlanks;
import decant.pdf.read.scan.PageScans;
import decant.reading.ReadProblem;
import decant.work.Faults;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;

/** Fields on a page of a PDF, filled in where they stand. */
public final class PdfFields {
  private PdfFields() {}

  /**
   * A page with fields filled in.
   *
   * @param file with what stands on that page alone; empty if nothing was changed
   * @param left the names of fields that do not take their value
   */
  public record Filled(Optional<byte[]> file, List<String> left) {
    public Filled {
      left = List.copyOf(left);
    }
  }

  /**
   * Fills fields in.
   *
   * @param pdf needs no password
   * @param page from 0
   * @param values by the full names of fields; others stay
   * @throws ReadProblem if the file cannot be read
   */
  public static Filled fill(byte[] pdf, int page, Map<String, String> values) throws ReadProblem {
    return OpenedPdf.in(pdf, d -> fill(d, page, values));
  }

  private static Filled fill(PDDocument pdf, int page, Map<String, String> values)
      throws IOException {
    PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
    if (form == null) {
      return new Filled(Optional.empty(), List.of());
    }
    Set<COSDictionary> here = NotesOnPage.objects(pdf.getPage(page));
    var left = new ArrayList<String>();
    boolean changed = false;
    for (PDField f : form.getFieldTree()) {
      String value = values.get(f.getFullyQualifiedName());
      boolean stands =
          f instanceof PDTerminalField t
              && t.getWidgets().stream().anyMatch(w -> here.contains(w.getCOSObject()));
      if (value == null || !stands) {
        continue;
      }
      try {
        boolean off = f instanceof PDButton && value.isBlank();
        f.setValue(off ? "Off" : value.replace('\n', '\r'));
        changed = true;
      } catch (IOException | RuntimeException e) {
        // No such option, or a font without the letters.
        Faults.mended("filling in a field", e);
        left.add(f.getFullyQualifiedName());
      }
    }
    if (!changed) {
      return new Filled(Optional.empty(), left);
    }
    OnePage.leave(pdf, page);
    var out = new ByteArrayOutputStream();
    Rewritten.write(pdf, out);
    return new Filled(Optional.of(out.toByteArray()), left);
  }

  /** A page with places that could be fields, and the names that fields of its file have. */
  public record Looked(List<FlatBlank> blanks, Set<String> names) {}

  /**
   * Looks for lines and boxes to fill in that are no fields.
   *
   * @param pdf needs no password
   * @param page from 0
   * @throws ReadProblem if the file cannot be read
   */
  public static Looked look(byte[] pdf, int page) throws ReadProblem {
    return OpenedPdf.in(
        pdf,
        d -> {
          PDPage p = d.getPage(page);
          List<Rectangle2D> fields =
              NotesOnPage.annotations(p).stream()
                  .filter(a -> "Widget".equals(a.getSubtype()) && a.getRectangle() != null)
                  .map(a -> PageSpace.shown(p, a.getRectangle()))
                  .toList();
          List<FlatBlank> blanks =
              FlatBlanks.of(PageScans.one(d, page)).stream()
                  .filter(b ->
                      fields.stream()
                          .noneMatch(f ->
                              f.intersects(
                                  b.area().x(), b.area().y(), b.area().width(), b.area().height())))
                  .toList();
          var names = new TreeSet<String>();
          PDAcroForm form = d.getDocumentCatalog().getAcroForm();
          if (form != null) {
            form.getFieldTree().forEach(f -> names.add(f.getFullyQualifiedName()));
          }
          return new Looked(blanks, names);
        });
  }

  /**
   * Puts fields on a page.
   *
   * @param pdf needs no password
   * @param page from 0
   * @return the file with what stands on that page alone
   * @throws ReadProblem if the file cannot be read
   */
  public static byte[] make(byte[] pdf, int page, List<NewField> fields) throws ReadProblem {
    return OpenedPdf.in(
        pdf,
        d -> {
          FieldMaking.on(d, d.getPage(page), fields);
          OnePage.leave(d, page);
          var out = new ByteArrayOutputStream();
          Rewritten.write(d, out);
          return out.toByteArray();
        });
  }
}
