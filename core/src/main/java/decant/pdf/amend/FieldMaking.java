package decant.pdf.amend;

import decant.model.look.FormField;
import decant.pdf.amend.page.FreshObject;
import decant.pdf.content.PageSpace;
import decant.pdf.file.Deflated;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Fields put on a page (ISO 32000-2 §12.7): each a widget that shows nothing until it is filled.
 */
final class FieldMaking {
  private static final String FONT = "Helv";
  private static final int SEVERAL_LINES = 1 << 12;
  private static final int PRINTED = 4;
  private static final int LEVEL = 6;

  private final PDDocument pdf;
  private final PDPage page;

  private FieldMaking(PDDocument pdf, PDPage page) {
    this.pdf = pdf;
    this.page = page;
  }

  static void on(PDDocument pdf, PDPage page, List<NewField> fields) throws IOException {
    var making = new FieldMaking(pdf, page);
    COSArray all = making.array(making.form(), COSName.FIELDS);
    COSArray notes = making.array(page.getCOSObject(), COSName.ANNOTS);
    for (NewField f : fields) {
      COSBase widget = FreshObject.of(pdf.getDocument(), making.widget(f));
      all.add(widget);
      notes.add(widget);
    }
  }

  private COSArray array(COSDictionary of, COSName key) {
    COSArray known = of.getCOSArray(key);
    if (known != null) {
      return known;
    }
    var fresh = new COSArray();
    of.setItem(key, fresh);
    return fresh;
  }

  /** The form of the file, with a font for what is filled in. */
  private COSDictionary form() {
    COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
    COSDictionary form = below(catalog, COSName.ACRO_FORM);
    COSDictionary fonts = below(below(form, COSName.DR), COSName.FONT);
    COSName name = COSName.getPDFName(FONT);
    if (!fonts.containsKey(name)) {
      var font = new COSDictionary();
      font.setItem(COSName.TYPE, COSName.FONT);
      font.setItem(COSName.SUBTYPE, COSName.TYPE1);
      font.setItem(COSName.BASE_FONT, COSName.getPDFName("Helvetica"));
      font.setItem(COSName.ENCODING, COSName.WIN_ANSI_ENCODING);
      fonts.setItem(name, FreshObject.of(pdf.getDocument(), font));
    }
    if (!form.containsKey(COSName.DA)) {
      form.setItem(COSName.DA, new COSString("/" + FONT + " 0 Tf 0 g"));
    }
    return form;
  }

  private static COSDictionary below(COSDictionary d, COSName key) {
    COSDictionary known = d.getCOSDictionary(key);
    if (known != null) {
      return known;
    }
    var fresh = new COSDictionary();
    d.setItem(key, fresh);
    return fresh;
  }

  private COSDictionary widget(NewField f) throws IOException {
    Rectangle2D r =
        PageSpace.unshown(
            page,
            new Rectangle2D.Double(
                f.area().x(), f.area().y(), f.area().width(), f.area().height()));
    var d = new COSDictionary();
    d.setItem(COSName.TYPE, COSName.ANNOT);
    d.setItem(COSName.SUBTYPE, COSName.getPDFName("Widget"));
    var rectangle =
        new PDRectangle(
            (float) r.getX(), (float) r.getY(), (float) r.getWidth(), (float) r.getHeight());
    d.setItem(COSName.RECT, rectangle.getCOSArray());
    d.setItem(COSName.P, page.getCOSObject());
    d.setInt(COSName.F, PRINTED);
    d.setItem(COSName.T, new COSString(f.name()));
    d.setItem(COSName.TU, new COSString(f.name())); // what is read aloud
    if (page.getRotation() != 0) {
      below(d, COSName.MK).setInt(COSName.R, page.getRotation());
    }
    if (f.kind() == FormField.Kind.TICK) {
      tick(d, rectangle);
    } else {
      d.setItem(COSName.FT, COSName.getPDFName("Tx"));
      d.setInt(COSName.FF, f.kind() == FormField.Kind.LINES ? SEVERAL_LINES : 0);
      String size = String.format(Locale.ROOT, "%.1f", f.size());
      d.setItem(COSName.DA, new COSString("/" + FONT + " " + size + " Tf 0 g"));
    }
    return d;
  }

  /** A box that the page has already: what is drawn is the tick alone. */
  private void tick(COSDictionary d, PDRectangle r) throws IOException {
    d.setItem(COSName.FT, COSName.getPDFName("Btn"));
    d.setInt(COSName.FF, 0);
    d.setItem(COSName.V, COSName.Off);
    d.setItem(COSName.AS, COSName.Off);
    double w = r.getWidth();
    double h = r.getHeight();
    String drawn =
        String.format(
            Locale.ROOT,
            "0 G 1.2 w %.2f %.2f m %.2f %.2f l %.2f %.2f l S",
            w * 0.2,
            h * 0.5,
            w * 0.42,
            h * 0.22,
            w * 0.82,
            h * 0.82);
    var states = new COSDictionary();
    states.setItem(COSName.YES, FreshObject.of(pdf.getDocument(), shown(drawn, r)));
    states.setItem(COSName.Off, FreshObject.of(pdf.getDocument(), shown("", r)));
    below(d, COSName.AP).setItem(COSName.N, states);
  }

  private COSStream shown(String drawn, PDRectangle r) throws IOException {
    COSStream s = Deflated.stream(drawn.getBytes(StandardCharsets.US_ASCII), LEVEL);
    s.setItem(COSName.TYPE, COSName.XOBJECT);
    s.setItem(COSName.SUBTYPE, COSName.FORM);
    s.setItem(COSName.BBOX, new PDRectangle(r.getWidth(), r.getHeight()).getCOSArray());
    if (page.getRotation() != 0) {
      s.setItem(COSName.MATRIX, upright(r));
    }
    s.setItem(COSName.RESOURCES, new COSDictionary());
    return s;
  }

  /** Turns what is drawn with the page. */
  private COSArray upright(PDRectangle r) {
    float w = r.getWidth();
    float h = r.getHeight();
    float[] m =
        switch (Math.floorMod(page.getRotation(), 360)) {
          case 90 -> new float[] {0, 1, -1, 0, w, 0};
          case 180 -> new float[] {-1, 0, 0, -1, w, h};
          case 270 -> new float[] {0, -1, 1, 0, 0, h};
          default -> new float[] {1, 0, 0, 1, 0, 0};
        };
    var out = new COSArray();
    out.setFloatArray(m);
    return out;
  }
}
