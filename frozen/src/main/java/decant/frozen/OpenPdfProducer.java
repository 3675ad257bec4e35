package decant.frozen;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.FontFactory;
import com.lowagie.text.HeaderFooter;
import com.lowagie.text.ListItem;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** By the calls of OpenPDF. */
final class OpenPdfProducer implements Make.Producer {
  @Override
  public boolean hasNotes() {
    return false;
  }

  @Override
  public void make(Doc d, Path file) throws Exception {
    Doc.Setting s = d.setting();
    String family = s.serif() ? FontFactory.TIMES : FontFactory.HELVETICA;
    String boldFamily = s.serif() ? FontFactory.TIMES_BOLD : FontFactory.HELVETICA_BOLD;
    Font plain = FontFactory.getFont(family, s.size());
    Font bold = FontFactory.getFont(boldFamily, s.size());
    Font small = FontFactory.getFont(family, 8);
    var pdf = new Document(PageSize.A4, 64, 64, 72, 64);
    try (var out = Files.newOutputStream(file)) {
      PdfWriter.getInstance(pdf, out);
      pdf.addTitle(d.title());
      if (s.running()) {
        var head = new HeaderFooter(new Phrase("Saltmarsh Quay harbour office", small), false);
        head.setBorder(0);
        pdf.setHeader(head);
        var foot = new HeaderFooter(new Phrase("Page ", small), true);
        foot.setBorder(0);
        foot.setAlignment(Element.ALIGN_CENTER);
        pdf.setFooter(foot);
      }
      pdf.open();
      com.lowagie.text.List list = null;
      for (Doc.Block x : d.blocks()) {
        if (x instanceof Doc.Block.Item i) {
          if (list == null) {
            list = new com.lowagie.text.List(i.ordered(), 16);
            if (!i.ordered()) {
              list.setListSymbol("\u2022");
            }
          }
          list.add(new ListItem(i.text(), plain));
          continue;
        }
        if (list != null) {
          pdf.add(list);
          list = null;
        }
        switch (x) {
          case Doc.Block.Heading h -> {
            float size = s.size() * (h.level() == 1 ? 1.8f : h.level() == 2 ? 1.35f : 1.1f);
            var p = new Paragraph(h.text(), FontFactory.getFont(boldFamily, size));
            p.setSpacingBefore(10);
            p.setSpacingAfter(5);
            pdf.add(p);
          }
          case Doc.Block.Paragraph t -> {
            pdf.add(paragraph(t.text(), plain, s));
            if (!t.note().isEmpty()) {
              pdf.add(paragraph(t.note(), plain, s)); // this maker has no footnotes
            }
          }
          case Doc.Block.Table t -> pdf.add(table(t, s, plain, bold));
          case Doc.Block.Item i -> throw new AssertionError(i);
        }
      }
      if (list != null) {
        pdf.add(list);
      }
      pdf.close();
    }
  }

  private static Paragraph paragraph(String text, Font font, Doc.Setting s) {
    var p = new Paragraph(text, font);
    p.setAlignment(s.justified() ? Element.ALIGN_JUSTIFIED : Element.ALIGN_LEFT);
    if (s.indented()) {
      p.setFirstLineIndent(14);
    } else {
      p.setSpacingAfter(6);
    }
    return p;
  }

  private static PdfPTable table(Doc.Block.Table t, Doc.Setting s, Font plain, Font bold) {
    var out = new PdfPTable(new float[] {18, 18, 22, 42});
    out.setWidthPercentage(100);
    out.setSpacingBefore(6);
    out.setSpacingAfter(8);
    boolean head = true;
    for (List<String> r : t.rows()) {
      for (String c : r) {
        var cell = new PdfPCell(new Phrase(c, head ? bold : plain));
        if (!s.ruled()) {
          cell.setBorder(0);
        }
        out.addCell(cell);
      }
      head = false;
    }
    return out;
  }
}
