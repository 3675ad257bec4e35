package decant.office.docx.write;

import decant.model.look.Kept;
import decant.model.look.NamedStyle;
import decant.model.look.StyleSheet;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Out;
import decant.office.xml.Namespaces;
import java.util.List;

/** The styles part (§17.7). Children of a style stand in the order of CT_Style. */
final class StylesWriter {
  private static final List<String> BEFORE_LOOKS =
      List.of(
          "aliases",
          "link",
          "autoRedefine",
          "hidden",
          "uiPriority",
          "semiHidden",
          "unhideWhenUsed",
          "qFormat",
          "locked",
          "personal",
          "personalCompose",
          "personalReply",
          "rsid");

  private StylesWriter() {}

  static String part(StyleSheet sheet) {
    var o =
        new Out().raw(Out.HEAD).raw("<w:styles xmlns:w=\"" + Namespaces.W + "\"><w:docDefaults>");
    o.raw(
        "<w:rPrDefault><w:rPr>"
            + LooksWriter.text(sheet.textDefaults())
            + "</w:rPr></w:rPrDefault>");
    o.raw("<w:pPrDefault>");
    String p = LooksWriter.paragraph(sheet.paragraphDefaults(), "", "");
    if (!p.isEmpty()) {
      o.raw("<w:pPr>" + p + "</w:pPr>");
    }
    o.raw("</w:pPrDefault></w:docDefaults>");
    for (NamedStyle s : sheet.styles().values()) {
      style(o, s, s.id().equals(sheet.defaultStyle()));
    }
    return o.raw("</w:styles>").toString();
  }

  private static void style(Out o, NamedStyle s, boolean standard) {
    String type =
        switch (s.kind()) {
          case PARAGRAPH -> "paragraph";
          case CHARACTER -> "character";
          case TABLE -> "table";
        };
    o.raw(
            "<w:style w:type=\""
                + type
                + "\""
                + (standard ? " w:default=\"1\"" : "")
                + " w:styleId=\"")
        .text(s.id())
        .raw("\">");
    o.empty("w:name", "w:val", s.name());
    kept(o, s, "aliases");
    s.basedOn().ifPresent(b -> o.empty("w:basedOn", "w:val", b));
    s.next().ifPresent(n -> o.empty("w:next", "w:val", n));
    BEFORE_LOOKS.stream().filter(n -> !n.equals("aliases")).forEach(n -> kept(o, s, n));
    String p = LooksWriter.paragraph(s.paragraph(), "", "");
    if (!p.isEmpty()) {
      o.raw("<w:pPr>" + p + "</w:pPr>");
    }
    String r = LooksWriter.text(s.text());
    if (!r.isEmpty()) {
      o.raw("<w:rPr>" + r + "</w:rPr>");
    }
    List.of("tblPr", "trPr", "tcPr", "tblStylePr").forEach(n -> kept(o, s, n));
    o.raw("</w:style>");
  }

  private static void kept(Out o, NamedStyle s, String name) {
    for (Kept k : s.kept()) {
      if (k.format().equals(DocxLooks.FORMAT)
          && k.source().matches("(?s)<w:" + name + "[\\s/>].*")) {
        o.raw(k.source());
      }
    }
  }
}
