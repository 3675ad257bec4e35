package decant.pdf.amend;

import decant.model.Box;
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
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceEntry;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;

/** Fields on a page of a PDF, filled in where they stand. */
public final class PdfFields {
  private PdfFields() {}

  /** Where fields of a form stand on a page, from its top to its foot. */
  static List<PageParts.Field> on(PDDocument pdf, PDPage page) {
    PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
    if (form == null) {
      return List.of();
    }
    Set<COSDictionary> here = NotesOnPage.objects(page);
    var out = new ArrayList<PageParts.Field>();
    for (PDField f : form.getFieldTree()) {
      if (!(f instanceof PDTerminalField t) || f.isReadOnly()) {
        continue;
      }
      for (PDAnnotationWidget w : t.getWidgets()) {
        if (here.contains(w.getCOSObject()) && w.getRectangle() != null && !w.isHidden()) {
          Rectangle2D r = PageSpace.shown(page, w.getRectangle());
          var box = new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
          out.add(new PageParts.Field(f.getFullyQualifiedName(), box, onState(f, w)));
        }
      }
    }
    out.sort(
        Comparator.comparingDouble((PageParts.Field x) -> Math.round(x.box().y() / ROW))
            .thenComparingDouble(x -> x.box().x()));
    return out;
  }

  /** Fields on one height stand in one row, in points. */
  private static final double ROW = 6;

  /** What the state of a switch is called that is on (ISO 32000-2 §12.7.5.2.3). */
  private static String onState(PDField f, PDAnnotationWidget w) {
    PDAppearanceDictionary looks = f instanceof PDButton ? w.getAppearance() : null;
    PDAppearanceEntry normal = looks == null ? null : looks.getNormalAppearance();
    return normal == null || !normal.isSubDictionary()
        ? ""
        : normal.getSubDictionary().keySet().stream()
            .map(COSName::getName)
            .filter(n -> !n.equals("Off"))
            .findFirst()
            .orElse("");
  }

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
    return new Filled(Optional.of(alone(pdf, page)), left);
  }

  /** A page with places that could be fields, and the names that fields of its file have. */
  public record Looked(List<FlatBlank> blanks, Set<String> names) {}

  /**
   * Puts fields on a page where it has lines and boxes to fill in that are none.
   *
   * @param pdf needs no password
   * @param page from 0
   * @param choose which fields these become; none to leave the page as it is
   * @return the file with what stands on that page alone; empty if no field was made
   * @throws ReadProblem if the file cannot be read
   */
  public static Optional<byte[]> make(byte[] pdf, int page, Function<Looked, List<NewField>> choose)
      throws ReadProblem {
    return OpenedPdf.in(
        pdf,
        d -> {
          PDPage p = d.getPage(page);
          List<NewField> fields = choose.apply(look(d, page));
          if (fields.isEmpty()) {
            return Optional.empty();
          }
          FieldMaking.on(d, p, fields);
          return Optional.of(alone(d, page));
        });
  }

  private static Looked look(PDDocument d, int page) throws IOException {
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
  }

  private static byte[] alone(PDDocument pdf, int page) throws IOException {
    OnePage.leave(pdf, page);
    var out = new ByteArrayOutputStream();
    Rewritten.write(pdf, out);
    return out.toByteArray();
  }
}
