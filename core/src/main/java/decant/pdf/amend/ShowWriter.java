package decant.pdf.amend;

import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.LettersOfFont;
import decant.pdf.amend.line.Show;
import decant.pdf.amend.setting.Setting;
import decant.pdf.amend.setting.SubstituteFont;
import decant.pdf.content.Instruction;
import decant.pdf.file.ObjectText;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;

/**
 * Writes an operator that shows text anew: letters that stay in their new places, words that come,
 * and at the end a move to where it ended before, so that nothing after it knows of it.
 */
final class ShowWriter {
  /** Moves of less than this many thousandths of the size are left out. */
  private static final double SEEN = 0.5;

  private static final HexFormat HEX = HexFormat.of().withUpperCase();

  private final Show show;
  private final Map<SubstituteFont, String> names;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final StringBuilder array = new StringBuilder();
  private final StringBuilder string = new StringBuilder();
  private double pen;
  private double size;
  private Optional<SubstituteFont> font = Optional.empty();

  private ShowWriter(Show show, Map<SubstituteFont, String> names) {
    this.show = show;
    this.names = names;
    this.size = show.state.size();
  }

  /**
   * @param settings the lines that letters of it stand in
   * @param names of fonts that are brought, among the resources of its content
   */
  static byte[] of(Show show, List<Setting> settings, Map<SubstituteFont, String> names) {
    var w = new ShowWriter(show, names);
    w.write(settings);
    return w.out.toByteArray();
  }

  private void write(List<Setting> settings) {
    opened();
    for (Letter l : show.letters) {
      Setting in = settings.stream().filter(s -> s.holds(l)).findFirst().orElse(null);
      if (in == null && l.isSpace()) {
        silent(l);
        continue;
      }
      if (in == null) {
        letter(l, l.u, 1);
        continue;
      }
      for (Setting.Placed p : in.words()) {
        if (p.before() == l) {
          word(p, in);
        }
      }
      if (!in.gone().contains(l)) {
        Double u = in.places().get(l);
        if (u == null) {
          silent(l);
        } else {
          letter(l, u, in.scale());
        }
      }
    }
    look(Optional.empty(), show.state.size());
    moveTo(show.end);
    flush();
  }

  /** What the operator does before it shows anything. */
  private void opened() {
    Instruction.ShowText s = show.operator;
    List<COSBase> o = s.raw().operands();
    if (s.raw().operator().equals("\"")) {
      ascii(number(((COSNumber) o.get(0)).floatValue()) + " Tw ");
      ascii(number(((COSNumber) o.get(1)).floatValue()) + " Tc ");
    }
    if (s.onNextLine()) {
      ascii("T* ");
    }
  }

  private double along(double u) {
    Letter any = show.letters.getFirst();
    return any.start + show.sign() * (u - any.u) / show.scale();
  }

  private void letter(Letter l, double u, double scale) {
    look(Optional.empty(), show.state.size() * scale);
    moveTo(along(u));
    bytes(bytesOf(l));
    pen += l.advance + l.width * (scale - 1);
  }

  /** A letter without a place of its own, a space, goes where the text before it ended. */
  private void silent(Letter l) {
    look(Optional.empty(), size);
    bytes(bytesOf(l));
    pen += l.advance - l.width + l.width * size / show.state.size();
  }

  private void word(Setting.Placed p, Setting in) {
    look(p.word().brought(), show.state.size() * in.scale());
    double t = along(p.u());
    double stretch = show.state.stretch();
    for (LettersOfFont.Code c : p.word().codes()) {
      moveTo(t);
      bytes(c.bytes());
      double width = c.width() * size * stretch;
      pen += width + (show.state.letters() + (c.isWordSpace() ? show.state.words() : 0)) * stretch;
      t +=
          width
              + show.state.letters() * stretch * in.scale()
              - show.sign() * in.nearer() / show.scale();
    }
  }

  private byte[] bytesOf(Letter l) {
    COSString s = (COSString) show.operator.pieces().get(l.piece);
    return java.util.Arrays.copyOfRange(s.getBytes(), l.from, l.to);
  }

  private void bytes(byte[] code) {
    string.append(HEX.formatHex(code));
  }

  private void moveTo(double t) {
    double n = -(t - pen) * 1000 / (size * show.state.stretch());
    if (Math.abs(n) < SEEN && array.isEmpty() && string.isEmpty()) {
      return;
    }
    if (Math.abs(n) >= SEEN) {
      closeString();
      array.append(number(n));
      pen = t;
    }
  }

  private void look(Optional<SubstituteFont> wanted, double wantedSize) {
    if (wanted.equals(font) && Math.abs(wantedSize - size) < 1e-9) {
      return;
    }
    flush();
    font = wanted;
    size = wantedSize;
    String name = wanted.map(names::get).or(show.state::name).orElseThrow();
    out.writeBytes(ObjectText.direct(COSName.getPDFName(name)));
    ascii(" " + number(size) + " Tf ");
  }

  private void closeString() {
    if (!string.isEmpty()) {
      array.append('<').append(string).append('>');
      string.setLength(0);
    }
  }

  private void flush() {
    closeString();
    if (!array.isEmpty()) {
      ascii("[" + array + "] TJ ");
      array.setLength(0);
    }
  }

  private void ascii(String s) {
    out.writeBytes(s.getBytes(StandardCharsets.ISO_8859_1));
  }

  private static String number(double n) {
    return new BigDecimal(n).setScale(4, RoundingMode.HALF_UP).stripTrailingZeros().toPlainString();
  }
}
