package decant.compare.sheet;

import decant.model.Box;
import decant.model.look.Media;
import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.Found;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.amend.line.Search;
import decant.pdf.content.PageSpace;
import decant.text.FontBook;
import java.awt.Color;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.util.Matrix;

/** A page as a picture, with numbered frames around what differs on it. */
final class MarkedPage {
  private static final Color FRAME = new Color(0x7B1E3A);
  private static final Color EDGE = new Color(0x8A8178);
  private static final float NUMBER = 9;

  /** Long texts are looked for by their first words. */
  private static final int MOST_WORDS = 8;

  /**
   * @param number of the difference, as it is listed
   * @param words that stand there; none where it is no text
   */
  record Mark(int number, String words) {}

  /**
   * @param picture a PDF of one page
   * @param width of the page as it is shown, in points
   */
  record Result(Media picture, double width, double height) {}

  private final PDDocument source;
  private final PDPage page;
  private final double width;
  private final double height;

  private MarkedPage(PDDocument source, int number) {
    this.source = source;
    this.page = source.getPage(number);
    boolean turned = page.getRotation() % 180 != 0;
    PDRectangle crop = page.getCropBox();
    this.width = turned ? crop.getHeight() : crop.getWidth();
    this.height = turned ? crop.getWidth() : crop.getHeight();
  }

  /**
   * @param number of the page, from 0
   */
  static Result of(PDDocument source, int number, List<Mark> marks) throws IOException {
    var p = new MarkedPage(source, number);
    return new Result(Media.of("application/pdf", p.drawn(marks, number)), p.width, p.height);
  }

  private byte[] drawn(List<Mark> marks, int number) throws IOException {
    List<Row> rows = Rows.of(PageLetters.of(page, new FontsOfFile()).letters());
    try (PDDocument out = new PDDocument()) {
      var sheet = new PDPage(new PDRectangle((float) width, (float) height));
      out.addPage(sheet);
      var form = new LayerUtility(out).importPageAsForm(source, number);
      PDFont font =
          PDType0Font.load(
              out,
              new ByteArrayInputStream(
                  FontBook.shipped().serve("Liberation Sans", true, false).face().bytes()));
      try (var c = new PDPageContentStream(out, sheet)) {
        c.saveGraphicsState();
        PDRectangle box = form.getBBox();
        var m = form.getMatrix().createAffineTransform();
        Rectangle2D there =
            m.createTransformedShape(
                    new Rectangle2D.Double(
                        box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight()))
                .getBounds2D();
        c.transform(Matrix.getTranslateInstance((float) -there.getX(), (float) -there.getY()));
        c.drawForm(form);
        c.restoreGraphicsState();
        c.setStrokingColor(EDGE);
        c.setLineWidth(0.8f);
        c.addRect(0.4f, 0.4f, (float) width - 0.8f, (float) height - 0.8f);
        c.stroke();
        c.setStrokingColor(FRAME);
        c.setLineWidth(1);
        Set<Letter> taken = new HashSet<>();
        int beside = 0;
        for (Mark mark : marks) {
          List<Box> boxes = places(rows, mark.words(), taken);
          for (Box b : boxes) {
            frame(c, b);
          }
          // What has no words to be found by has its number at the head of the page.
          Box at = boxes.isEmpty() ? new Box(6 + 18 * beside++, 14, 0, 0) : boxes.getFirst();
          number(c, font, mark.number(), at);
        }
      }
      var bytes = new ByteArrayOutputStream();
      out.save(bytes);
      return bytes.toByteArray();
    }
  }

  private void frame(PDPageContentStream c, Box b) throws IOException {
    c.addRect(
        (float) b.x() - 1.5f,
        (float) (height - b.bottom()) - 1,
        (float) b.width() + 3,
        (float) b.height() + 2);
    c.stroke();
  }

  private void number(PDPageContentStream c, PDFont font, int n, Box at) throws IOException {
    String text = Integer.toString(n);
    float w = font.getStringWidth(text) / 1000 * NUMBER + 4;
    float x = Math.max(1, (float) at.x() - 2);
    float y = (float) Math.min(height - NUMBER - 4, height - at.y() + 1);
    c.setNonStrokingColor(FRAME);
    c.addRect(x, y, w, NUMBER + 2);
    c.fill();
    c.setNonStrokingColor(Color.WHITE);
    c.beginText();
    c.setFont(font, NUMBER);
    c.newLineAtOffset(x + 2, y + 2);
    c.showText(text);
    c.endText();
  }

  /** Where words stand on the page, each time another place. */
  private List<Box> places(List<Row> rows, String words, Set<Letter> taken) {
    if (words.isBlank()) {
      return List.of();
    }
    List<String> all = List.of(words.strip().split("\\s+"));
    List<Found> found = Search.in(rows, words);
    if (found.isEmpty() && all.size() > MOST_WORDS) {
      found = Search.in(rows, String.join(" ", all.subList(0, MOST_WORDS)));
    }
    for (Found f : found) {
      List<Letter> letters = f.pieces().stream().flatMap(p -> p.letters().stream()).toList();
      if (letters.stream().noneMatch(taken::contains)) {
        taken.addAll(letters);
        var out = new ArrayList<Box>();
        for (Row row : f.pieces().stream().map(Found.Piece::row).distinct().toList()) {
          List<Found.Piece> on = f.pieces().stream().filter(p -> p.row() == row).toList();
          out.add(box(row, on.getFirst().from(), on.getLast().to()));
        }
        return out;
      }
    }
    return List.of();
  }

  private Box box(Row row, int from, int to) {
    Rectangle2D r = PageSpace.shown(page, row.area(from, to));
    return new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
  }
}
