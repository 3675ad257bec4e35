package decant.frozen;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;

/** Word by word at places of our own, as converters draw their pages; by PDFBox. */
final class DrawnProducer implements Make.Producer {
  private static final float LEFT = 64;
  private static final float TOP = 770;
  private static final float FOOT = 80;

  private PDDocument pdf = new PDDocument();
  private PDPageContentStream out;
  private Doc.Setting s;
  private PDType1Font plain;
  private PDType1Font bold;
  private final List<String> notes = new ArrayList<>();
  private float y;
  private float x;
  private float width;
  private int column;
  private int pages;
  private int marks;

  @Override
  public void make(Doc d, Path file) throws Exception {
    pdf = new PDDocument();
    s = d.setting();
    plain = s.serif() ? PDType1Font.TIMES_ROMAN : PDType1Font.HELVETICA;
    bold = s.serif() ? PDType1Font.TIMES_BOLD : PDType1Font.HELVETICA_BOLD;
    out = null;
    pages = 0;
    marks = 0;
    page();
    for (Doc.Block b : d.blocks()) {
      switch (b) {
        case Doc.Block.Heading h -> {
          float size = s.size() * (h.level() == 1 ? 1.8f : h.level() == 2 ? 1.35f : 1.1f);
          y -= size * 0.6f;
          room(size * 4);
          lines(h.text(), bold, size, 0, "", false);
          y -= 4;
        }
        case Doc.Block.Paragraph p -> {
          String mark = p.note().isEmpty() ? "" : String.valueOf(++marks);
          if (!mark.isEmpty()) {
            notes.add(mark + " " + p.note());
          }
          lines(p.text(), plain, s.size(), s.indented() ? 14 : 0, mark, s.justified());
          y -= s.indented() ? 0 : 6;
        }
        case Doc.Block.Item i -> {
          room(s.size() * 3f);
          word(i.ordered() ? i.number() + "." : "\u2022", plain, s.size(), x, y - s.size() * 1.3f);
          x += 16;
          width -= 16;
          lines(i.text(), plain, s.size(), 0, "", false);
          x -= 16;
          width += 16;
        }
        case Doc.Block.Table t -> table(t);
      }
    }
    end();
    pdf.save(file.toFile());
    pdf.close();
  }

  private void page() throws Exception {
    end();
    var p = new PDPage(PDRectangle.A4);
    pdf.addPage(p);
    pages++;
    out = new PDPageContentStream(pdf, p);
    column = 0;
    width = s.columns() > 1 ? 225 : 467;
    x = LEFT;
    y = TOP;
    if (s.running()) {
      word("Saltmarsh Quay harbour office", plain, 8, LEFT, 800);
      word("Page " + pages, plain, 8, 280, 40);
    }
  }

  private void end() throws Exception {
    if (out == null) {
      return;
    }
    float at = FOOT - 14;
    for (String n : notes) {
      word(n.length() > 105 ? n.substring(0, 105) : n, plain, 7, LEFT, at);
      at -= 8.5f;
    }
    notes.clear();
    out.close();
  }

  private void room(float height) throws Exception {
    if (y - height > FOOT) {
      return;
    }
    if (s.columns() > 1 && column == 0) {
      column = 1;
      x = LEFT + 242;
      y = TOP;
    } else {
      page();
    }
  }

  private void lines(
      String text, PDType1Font font, float size, float indent, String mark, boolean justified)
      throws Exception {
    var line = new ArrayList<String>();
    float used = indent;
    float space = font.getStringWidth(" ") / 1000 * size;
    float start = indent;
    for (String w : text.split(" ")) {
      float needed = font.getStringWidth(w) / 1000 * size;
      if (used + needed > width && !line.isEmpty()) {
        flush(line, font, size, start, justified ? width - used + space : 0);
        start = 0;
        used = 0;
      }
      line.add(w);
      used += needed + space;
    }
    float end = flush(line, font, size, start, 0);
    if (!mark.isEmpty()) {
      word(mark, plain, size * 0.65f, end, y + size * 0.35f);
    }
  }

  /** @return where the line ends */
  private float flush(List<String> line, PDType1Font font, float size, float start, float spare)
      throws Exception {
    room(size * 1.3f);
    y -= size * 1.3f;
    float at = x + start;
    float space = font.getStringWidth(" ") / 1000 * size;
    float more = line.size() > 1 ? spare / (line.size() - 1) : 0;
    for (String w : line) {
      word(w, font, size, at, y);
      at += font.getStringWidth(w) / 1000 * size + space + more;
    }
    line.clear();
    return at - space - more;
  }

  private void word(String s, PDType1Font font, float size, float atX, float atY) throws Exception {
    out.beginText();
    out.setFont(font, size);
    out.newLineAtOffset(atX, atY);
    out.showText(s);
    out.endText();
  }

  private void table(Doc.Block.Table t) throws Exception {
    float[] share = {0, 0.16f, 0.3f, 0.5f};
    float height = s.size() * 1.8f;
    boolean head = true;
    for (List<String> r : t.rows()) {
      boolean tall = share[3] * width + plain.getStringWidth(r.get(3)) / 1000 * s.size() > width;
      room(height * (tall ? 2 : 1));
      y -= height;
      for (int c = 0; c < 4; c++) {
        PDType1Font font = head ? bold : plain;
        String text = r.get(c);
        float room = (c == 3 ? 1 - share[3] : share[c + 1] - share[c]) * width - 6;
        float at = y + 4;
        while (!text.isEmpty()) {
          int n = text.length();
          while (font.getStringWidth(text.substring(0, n)) / 1000 * s.size() > room && text.lastIndexOf(' ', n - 1) > 0) {
            n = text.lastIndexOf(' ', n - 1);
          }
          word(text.substring(0, n), font, s.size(), x + share[c] * width + 3, at);
          text = text.substring(n).strip();
          at -= s.size() * 1.2f;
        }
      }
      float top = y + height - 2;
      if (tall) {
        y -= s.size() * 1.2f;
      }
      if (s.ruled()) {
        out.setLineWidth(0.5f);
        for (int c = 0; c <= 4; c++) {
          float cx = x + (c == 4 ? 1 : share[c]) * width;
          out.moveTo(cx, top);
          out.lineTo(cx, y - 2);
        }
        out.moveTo(x, top);
        out.lineTo(x + width, top);
        out.moveTo(x, y - 2);
        out.lineTo(x + width, y - 2);
        out.stroke();
      }
      head = false;
    }
    y -= 8;
  }
}
