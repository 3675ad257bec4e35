package decant.office.docx.write;

import decant.model.Columns;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Borders;
import decant.office.docx.markup.Out;
import java.util.ArrayList;
import java.util.List;

/** The properties of sections (§17.6), in the order of the schema, after their running texts. */
final class SectionsWriter {
  private SectionsWriter() {}

  static void properties(Out o, Section s) {
    switch (s.start()) {
      case NEW_PAGE -> {}
      case CONTINUOUS -> o.empty("w:type", "w:val", "continuous");
      case ODD_PAGE -> o.empty("w:type", "w:val", "oddPage");
      case EVEN_PAGE -> o.empty("w:type", "w:val", "evenPage");
    }
    PageSetup p = s.page();
    var size = new ArrayList<>(List.of("w:w", Out.twips(p.width()), "w:h", Out.twips(p.height())));
    if (p.width() > p.height()) {
      size.addAll(List.of("w:orient", "landscape"));
    }
    o.empty("w:pgSz", size.toArray(String[]::new));
    o.empty(
        "w:pgMar",
        "w:top",
        Out.twips(p.margins().top()),
        "w:right",
        Out.twips(p.margins().right()),
        "w:bottom",
        Out.twips(p.margins().bottom()),
        "w:left",
        Out.twips(p.margins().left()),
        "w:header",
        Out.twips(p.margins().header()),
        "w:footer",
        Out.twips(p.margins().footer()),
        "w:gutter",
        "0");
    if (p.borders().rules().isDrawn()) {
      o.raw("<w:pgBorders w:offsetFrom=\"" + (p.borders().fromEdge() ? "page" : "text") + "\">");
      Borders.write(o, "w:top", p.borders().rules().top());
      Borders.write(o, "w:left", p.borders().rules().start());
      Borders.write(o, "w:bottom", p.borders().rules().bottom());
      Borders.write(o, "w:right", p.borders().rules().end());
      o.raw("</w:pgBorders>");
    }
    numbers(o, p);
    columns(o, p.columns());
    if (p.alignment() != VerticalAlignment.TOP) {
      o.empty("w:vAlign", "w:val", p.alignment() == VerticalAlignment.CENTRE ? "center" : "bottom");
    }
    if (s.running().containsKey(Section.Running.HEADER_FIRST)
        || s.running().containsKey(Section.Running.FOOTER_FIRST)) {
      o.raw("<w:titlePg/>");
    }
    if (p.grid() > 0) {
      o.empty("w:docGrid", "w:type", "lines", "w:linePitch", Out.twips(p.grid()));
    }
  }

  private static void numbers(Out o, PageSetup p) {
    var a = new ArrayList<String>();
    if (p.numbers().format() != NumberFormat.DECIMAL) {
      a.addAll(List.of("w:fmt", Numbering.format(p.numbers().format())));
    }
    p.numbers().start().ifPresent(n -> a.addAll(List.of("w:start", Integer.toString(n))));
    if (!a.isEmpty()) {
      o.empty("w:pgNumType", a.toArray(String[]::new));
    }
  }

  private static void columns(Out o, Columns c) {
    if (c.count() == 1) {
      return;
    }
    String rule = c.rule() ? " w:sep=\"1\"" : "";
    if (c.widths().isEmpty()) {
      String gap = c.gaps().isEmpty() ? "720" : Out.twips(c.gaps().getFirst());
      o.raw("<w:cols w:num=\"" + c.count() + "\"" + rule + " w:space=\"" + gap + "\"/>");
      return;
    }
    o.raw("<w:cols w:num=\"" + c.count() + "\"" + rule + " w:equalWidth=\"0\">");
    for (int k = 0; k < c.widths().size(); k++) {
      String gap = k < c.gaps().size() ? Out.twips(c.gaps().get(k)) : "0";
      o.empty("w:col", "w:w", Out.twips(c.widths().get(k)), "w:space", gap);
    }
    o.raw("</w:cols>");
  }
}
