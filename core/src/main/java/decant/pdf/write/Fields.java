package decant.pdf.write;

import decant.model.Box;
import decant.model.look.FormField;
import decant.pdf.file.Deflated;
import decant.pdf.file.FilePart;
import decant.pdf.file.PdfFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * The form of a file (ISO 32000-2 §12.7): a field for each name, a widget for each place. What a
 * widget shows is drawn in the page's own measure, so that it stands where the page would show it.
 */
final class Fields {
  /** What a field's value is set in where a reader sets it anew. */
  private static final String FONT = "Helv";

  private static final int LINES = 1 << 12;
  private static final int ROUND = 1 << 15;
  private static final int NO_TOGGLE_TO_OFF = 1 << 14;
  private static final int COMBO = 1 << 17;
  private static final int EDIT = 1 << 18;
  private static final double CIRCLE = 0.5523; // of a quarter circle's control points

  /** A field, or a part of the name of several. */
  private static final class Node {
    private final COSDictionary dictionary = new COSDictionary();
    private final COSArray kids = new COSArray();
    private final Map<String, Node> below = new LinkedHashMap<>();
    private int switches;
  }

  private final Node root = new Node();
  private final PdfFile file;
  private final int level;
  private final Map<String, String> holds = new HashMap<>();
  private int unnamed;

  Fields(PdfFile file, int level) {
    this.file = file;
    this.level = level;
  }

  boolean isEmpty() {
    return root.below.isEmpty();
  }

  /**
   * A widget, to be listed with the annotations of its page.
   *
   * @param rectangle where it stands, in the page's own measure
   * @param fonts those that what is drawn uses
   */
  COSDictionary widget(
      PageContent.FieldArea area, COSDictionary page, COSArray rectangle, COSDictionary fonts) {
    FormField b = area.field();
    Node field = field(b, b.value(area.value()));
    COSDictionary w = new COSDictionary();
    w.setItem(COSName.TYPE, COSName.ANNOT);
    w.setItem(COSName.SUBTYPE, COSName.getPDFName("Widget"));
    w.setItem(COSName.RECT, rectangle);
    w.setItem(COSName.P, page);
    w.setInt(COSName.F, 4); // printed as it is shown
    w.setItem(COSName.PARENT, field.dictionary);
    field.kids.add(w);
    COSDictionary d = field.dictionary;
    switch (b.kind()) {
      case TEXT, LINES, CHOICE, CHOICE_OR_TEXT -> {
        text(b, area, d);
        COSDictionary appearance = new COSDictionary();
        appearance.setItem(COSName.N, form(shown(area), rectangle, fonts));
        w.setItem(COSName.AP, appearance);
      }
      case TICK, ONE_OF -> onOff(b, b.holds(area.value()), field, w, rectangle);
    }
    file.part(w, FilePart.FIELDS);
    return w;
  }

  private static byte[] shown(PageContent.FieldArea area) {
    byte[] drawn = area.drawn().map(ContentStream::bytes).orElse(new byte[0]);
    String whole = "/Tx BMC q " + new String(drawn, StandardCharsets.ISO_8859_1) + " Q EMC";
    return whole.getBytes(StandardCharsets.ISO_8859_1);
  }

  private void text(FormField b, PageContent.FieldArea area, COSDictionary d) {
    boolean choice = b.kind() == FormField.Kind.CHOICE || b.kind() == FormField.Kind.CHOICE_OR_TEXT;
    d.setItem(COSName.FT, choice ? COSName.getPDFName("Ch") : COSName.getPDFName("Tx"));
    int flags = b.kind() == FormField.Kind.LINES || area.lines() > 1 && !choice ? LINES : 0;
    if (choice) {
      flags = COMBO | (b.kind() == FormField.Kind.CHOICE_OR_TEXT ? EDIT : 0);
      COSArray options = new COSArray();
      b.options().forEach(o -> options.add(new COSString(o)));
      d.setItem(COSName.OPT, options);
    }
    d.setInt(COSName.FF, flags);
    if (b.rule().most() > 0 && !choice) {
      d.setInt(COSName.MAX_LEN, b.rule().most());
    }
    String size = String.format(Locale.ROOT, "%.1f", area.size());
    d.setItem(COSName.DA, new COSString("/" + FONT + " " + size + " Tf 0 g"));
    if (!d.containsKey(COSName.V)) {
      d.setItem(COSName.V, new COSString(b.value(area.value())));
    }
  }

  private void onOff(FormField b, boolean isOn, Node field, COSDictionary w, COSArray rectangle) {
    boolean round = b.kind() == FormField.Kind.ONE_OF;
    COSDictionary d = field.dictionary;
    d.setItem(COSName.FT, COSName.getPDFName("Btn"));
    d.setInt(COSName.FF, round ? ROUND | NO_TOGGLE_TO_OFF : 0);
    field.switches++;
    String given = b.options().isEmpty() ? "" : b.options().getFirst();
    COSName on =
        COSName.getPDFName(!given.isBlank() ? given : round ? "choice" + field.switches : "Yes");
    COSName now = isOn ? on : COSName.Off;
    if (isOn || !d.containsKey(COSName.V)) {
      d.setItem(COSName.V, now);
    }
    w.setItem(COSName.AS, now);
    COSDictionary states = new COSDictionary();
    states.setItem(on, form(sign(round, true, rectangle), rectangle, new COSDictionary()));
    states.setItem(
        COSName.Off, form(sign(round, false, rectangle), rectangle, new COSDictionary()));
    COSDictionary appearance = new COSDictionary();
    appearance.setItem(COSName.N, states);
    w.setItem(COSName.AP, appearance);
  }

  /** A box or a circle, with a tick or a dot in it where it is on. */
  private static byte[] sign(boolean round, boolean on, COSArray r) {
    float[] f = r.toFloatArray();
    double x = f[0];
    double y = f[1];
    double s = Math.min(f[2] - f[0], f[3] - f[1]);
    var o = new StringBuilder("0 G 0 g 0.8 w ");
    if (round) {
      circle(o, x + s / 2, y + s / 2, s / 2 - 0.5).append("S ");
      if (on) {
        circle(o, x + s / 2, y + s / 2, s / 4).append("f ");
      }
    } else {
      o.append(n(x + 0.5, y + 0.5, s - 1, s - 1)).append("re S ");
      if (on) {
        o.append("1.2 w ").append(n(x + s * 0.22, y + s * 0.5)).append("m ");
        o.append(n(x + s * 0.42, y + s * 0.25)).append("l ");
        o.append(n(x + s * 0.8, y + s * 0.78)).append("l S ");
      }
    }
    return o.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private static StringBuilder circle(StringBuilder o, double x, double y, double r) {
    double c = r * CIRCLE;
    return o.append(n(x + r, y))
        .append("m ")
        .append(n(x + r, y + c, x + c, y + r, x, y + r))
        .append("c ")
        .append(n(x - c, y + r, x - r, y + c, x - r, y))
        .append("c ")
        .append(n(x - r, y - c, x - c, y - r, x, y - r))
        .append("c ")
        .append(n(x + c, y - r, x + r, y - c, x + r, y))
        .append("c h ");
  }

  private static String n(double... values) {
    var b = new StringBuilder();
    for (double v : values) {
      b.append(String.format(Locale.ROOT, "%.2f ", v));
    }
    return b.toString();
  }

  private COSStream form(byte[] content, COSArray rectangle, COSDictionary fonts) {
    try {
      COSStream s = Deflated.stream(content, level);
      s.setItem(COSName.TYPE, COSName.XOBJECT);
      s.setItem(COSName.SUBTYPE, COSName.FORM);
      s.setItem(COSName.BBOX, rectangle);
      COSDictionary resources = new COSDictionary();
      if (fonts.size() > 0) {
        resources.setItem(COSName.FONT, fonts);
      }
      s.setItem(COSName.RESOURCES, resources);
      file.part(s, FilePart.FIELDS);
      return s;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * The field of a name. All places of one name hold the same (§12.7.4.2); what holds something
   * else has a number added to its name.
   */
  private Node field(FormField b, String value) {
    String name = b.name().isBlank() ? "blank " + ++unnamed : b.name();
    String free = name;
    String held = b.isSwitch() ? b.kind().name() : b.kind() + " " + value;
    for (int k = 2; !holds.computeIfAbsent(free, n -> held).equals(held); k++) {
      free = name + " " + k;
    }
    return named(free);
  }

  /** Parts of names are between full stops. */
  private Node named(String name) {
    Node at = root;
    for (String part : name.split("\\.")) {
      Node above = at;
      String own = part.isBlank() ? "-" : part;
      at =
          above.below.computeIfAbsent(
              own,
              k -> {
                var made = new Node();
                made.dictionary.setItem(COSName.T, new COSString(k));
                if (above != root) {
                  made.dictionary.setItem(COSName.PARENT, above.dictionary);
                }
                return made;
              });
    }
    return at;
  }

  /** Enters the form into the catalog. */
  void write(COSDictionary catalog) {
    if (isEmpty()) {
      return;
    }
    COSDictionary font = new COSDictionary();
    font.setItem(COSName.TYPE, COSName.FONT);
    font.setItem(COSName.SUBTYPE, COSName.TYPE1);
    font.setItem(COSName.BASE_FONT, COSName.getPDFName("Helvetica"));
    font.setItem(COSName.ENCODING, COSName.WIN_ANSI_ENCODING);
    COSDictionary fonts = new COSDictionary();
    fonts.setItem(COSName.getPDFName(FONT), font);
    COSDictionary resources = new COSDictionary();
    resources.setItem(COSName.FONT, fonts);
    COSDictionary form = new COSDictionary();
    form.setItem(COSName.FIELDS, listed(root));
    form.setItem(COSName.DR, resources);
    form.setItem(COSName.DA, new COSString("/" + FONT + " 0 Tf 0 g"));
    file.part(form, FilePart.FIELDS);
    catalog.setItem(COSName.ACRO_FORM, form);
  }

  private static COSArray listed(Node node) {
    COSArray all = node.kids;
    for (Node n : node.below.values()) {
      COSArray kids = listed(n);
      n.dictionary.setItem(COSName.KIDS, kids);
      all.add(n.dictionary);
    }
    return all;
  }

  /** The square that a switch stands in. */
  static Box square(Box line, double size) {
    double s = Math.min(Math.max(6, size * 0.85), line.height());
    return new Box(line.x() + (line.width() - s) / 2, line.y() + (line.height() - s) / 2, s, s);
  }
}
