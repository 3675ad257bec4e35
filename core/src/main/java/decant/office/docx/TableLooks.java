package decant.office.docx;

import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.docx.markup.Borders;
import decant.office.docx.markup.DocxLooks;
import decant.office.docx.markup.Frames;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Table, row and cell properties (§17.4) into looks. */
final class TableLooks {
  /** Understood elsewhere, or of no consequence. */
  private static final Set<String> PASSED_OVER =
      Set.of(
          "w:gridSpan",
          "w:vMerge",
          "w:hMerge",
          "w:cnfStyle",
          "w:gridBefore",
          "w:gridAfter",
          "w:wBefore",
          "w:wAfter");

  private TableLooks() {}

  static Look table(Element tblPr) {
    Look look = Look.PLAIN;
    var kept = new ArrayList<Kept>();
    for (Element e : tblPr.elements()) {
      look =
          switch (e.name()) {
            case "w:tblStyle" -> look.with(TableTraits.STYLE, e.attribute("w:val").orElse(""));
            case "w:tblpPr" -> look.with(TableTraits.PLACEMENT, Frames.table(e));
            case "w:bidiVisual" -> look.with(TableTraits.RIGHT_TO_LEFT, DocxLooks.on(e));
            case "w:tblW" -> look.with(TableTraits.WIDTH, extent(e));
            case "w:jc" -> look.with(TableTraits.ALIGNMENT, alignment(e));
            case "w:tblInd" ->
                look.with(
                    TableTraits.INDENT,
                    Math.clamp(DocxLooks.twips(e.attribute("w:w")).orElse(0.0), -400, 400));
            case "w:tblBorders" -> look.with(TableTraits.RULES, Borders.box(e));
            case "w:tblLayout" ->
                look.with(
                    TableTraits.FIXED_COLUMNS, e.attribute("w:type").orElse("").equals("fixed"));
            case "w:tblCellMar" ->
                look.with(TableTraits.CELL_PADDING, insets(e, TableTraits.CELL_PADDING.initial()));
            case "w:shd" -> shading(e, look);
            default -> keep(e, kept, look);
          };
    }
    return kept.isEmpty() ? look : look.with(TableTraits.KEPT, List.copyOf(kept));
  }

  static Look row(Element trPr) {
    Look look = Look.PLAIN;
    var kept = new ArrayList<Kept>();
    for (Element e : trPr.elements()) {
      look =
          switch (e.name()) {
            case "w:tblHeader" -> look.with(TableTraits.HEADER_ROW, DocxLooks.on(e));
            case "w:cantSplit" -> look.with(TableTraits.ROW_SPLITS, !DocxLooks.on(e));
            case "w:trHeight" -> {
              double h = Math.clamp(DocxLooks.twips(e.attribute("w:val")).orElse(0.0), 0, 1600);
              boolean exact = e.attribute("w:hRule").orElse("").equals("exact");
              yield look.with(TableTraits.ROW_HEIGHT, h).with(TableTraits.ROW_EXACT, exact);
            }
            default -> keep(e, kept, look);
          };
    }
    return kept.isEmpty() ? look : look.with(TableTraits.KEPT, List.copyOf(kept));
  }

  static Look cell(Element tcPr) {
    Look look = Look.PLAIN;
    var kept = new ArrayList<Kept>();
    for (Element e : tcPr.elements()) {
      look =
          switch (e.name()) {
            case "w:tcW" -> look.with(TableTraits.WIDTH, extent(e));
            case "w:tcBorders" -> look.with(TableTraits.RULES, Borders.box(e));
            case "w:shd" -> shading(e, look);
            case "w:noWrap" -> look.with(TableTraits.NO_WRAP, DocxLooks.on(e));
            case "w:tcMar" ->
                look.with(TableTraits.CELL_PADDING, insets(e, TableTraits.CELL_PADDING.initial()));
            case "w:vAlign" ->
                look.with(
                    TableTraits.VERTICAL_ALIGNMENT, vertical(e.attribute("w:val").orElse("")));
            default -> keep(e, kept, look);
          };
    }
    return kept.isEmpty() ? look : look.with(TableTraits.KEPT, List.copyOf(kept));
  }

  static VerticalAlignment vertical(String v) {
    return switch (v) {
      case "center" -> VerticalAlignment.CENTRE;
      case "bottom" -> VerticalAlignment.BOTTOM;
      default -> VerticalAlignment.TOP;
    };
  }

  private static Look keep(Element e, List<Kept> kept, Look look) {
    if (!PASSED_OVER.contains(e.name())) {
      kept.add(new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
    }
    return look;
  }

  private static Look shading(Element e, Look look) {
    return DocxLooks.fill(e).map(c -> look.with(TableTraits.SHADING, c)).orElse(look);
  }

  /** §17.4.87: twentieths of a point, fiftieths of a percent, or none. */
  static Extent extent(Element e) {
    String type = e.attribute("w:type").orElse("dxa");
    String w = e.attribute("w:w").orElse("");
    if (w.endsWith("%")) {
      return DocxLooks.number(Optional.of(w.substring(0, w.length() - 1)))
          .<Extent>map(v -> new Extent.Share(v / 100))
          .orElse(Extent.AUTO);
    }
    Optional<Double> v = DocxLooks.number(Optional.of(w)).filter(x -> x > 0);
    return switch (type) {
      case "dxa" -> v.<Extent>map(x -> new Extent.Points(x / 20)).orElse(Extent.AUTO);
      case "pct" -> v.<Extent>map(x -> new Extent.Share(x / 5000)).orElse(Extent.AUTO);
      default -> Extent.AUTO;
    };
  }

  private static Alignment alignment(Element e) {
    return switch (e.attribute("w:val").orElse("")) {
      case "center" -> Alignment.CENTRE;
      case "right", "end" -> Alignment.END;
      default -> Alignment.START;
    };
  }

  /** The distances that are given, the others as they are. */
  static Insets insets(Element e, Insets base) {
    return new Insets(
        side(e, "w:top", base.top()),
        e.child("w:end").isPresent()
            ? side(e, "w:end", base.right())
            : side(e, "w:right", base.right()),
        side(e, "w:bottom", base.bottom()),
        e.child("w:start").isPresent()
            ? side(e, "w:start", base.left())
            : side(e, "w:left", base.left()));
  }

  private static double side(Element e, String name, double otherwise) {
    return e.child(name)
        .flatMap(s -> DocxLooks.twips(s.attribute("w:w")))
        .map(v -> Math.clamp(v, 0, 200))
        .orElse(otherwise);
  }
}
