package decant.office.docx.weave;

import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** In which order the properties of an element stand (ISO/IEC 29500-1, Annex A, wml.xsd). */
final class Properties {
  private static final Map<String, List<String>> ORDER =
      Map.of(
          "style",
          names(
              "name aliases basedOn next link autoRedefine hidden uiPriority semiHidden"
                  + " unhideWhenUsed qFormat locked personal personalCompose personalReply rsid"
                  + " pPr rPr tblPr trPr tcPr tblStylePr"),
          "docDefaults",
          names("rPrDefault pPrDefault"),
          "rPrDefault",
          names("rPr"),
          "pPrDefault",
          names("pPr"),
          "pPr",
          names(
              "pStyle keepNext keepLines pageBreakBefore framePr widowControl numPr"
                  + " suppressLineNumbers pBdr shd tabs suppressAutoHyphens kinsoku wordWrap"
                  + " overflowPunct topLinePunct autoSpaceDE autoSpaceDN bidi adjustRightInd"
                  + " snapToGrid spacing ind contextualSpacing mirrorIndents suppressOverlap jc"
                  + " textDirection textAlignment textboxTightWrap outlineLvl divId cnfStyle rPr"
                  + " sectPr pPrChange"),
          "rPr",
          names(
              "ins del moveFrom moveTo rStyle rFonts b bCs i iCs caps smallCaps strike dstrike"
                  + " outline shadow emboss imprint noProof snapToGrid vanish webHidden color"
                  + " spacing w kern position sz szCs highlight u effect bdr shd fitText vertAlign"
                  + " rtl cs em lang eastAsianLayout specVanish oMath rPrChange"),
          "tblPr",
          names(
              "tblStyle tblpPr tblOverlap bidiVisual tblStyleRowBandSize tblStyleColBandSize tblW"
                  + " jc tblCellSpacing tblInd tblBorders shd tblLayout tblCellMar tblLook"
                  + " tblCaption tblDescription tblPrChange"),
          "tcPr",
          names(
              "cnfStyle tcW gridSpan hMerge vMerge tcBorders shd noWrap tcMar textDirection"
                  + " tcFitText vAlign hideMark headers cellIns cellDel cellMerge tcPrChange"),
          "sectPr",
          names(
              "headerReference footerReference footnotePr endnotePr type pgSz pgMar paperSrc"
                  + " pgBorders lnNumType pgNumType cols formProt vAlign noEndnote titlePg"
                  + " textDirection bidi rtlGutter docGrid printerSettings sectPrChange"),
          // The properties of rows may stand in any order (CT_TrPrBase).
          "trPr",
          List.of());

  private Properties() {}

  private static List<String> names(String all) {
    return List.of(all.split(" "));
  }

  static boolean isOne(Element e) {
    return ORDER.containsKey(Markup.local(e));
  }

  /** All names that stand in either. */
  static Set<String> names(Element one, Element other) {
    Set<String> out = new LinkedHashSet<>();
    one.elements().forEach(e -> out.add(Markup.local(e)));
    other.elements().forEach(e -> out.add(Markup.local(e)));
    return out;
  }

  /** The children of a name. */
  static List<Element> named(Element parent, String name) {
    return parent.elements().stream().filter(e -> Markup.local(e).equals(name)).toList();
  }

  /** Puts properties of one name in the place of those that are there, or where they belong. */
  static void put(String parent, List<Object> children, String name, List<Element> with) {
    int at = -1;
    for (int k = children.size() - 1; k >= 0; k--) {
      if (children.get(k) instanceof Element e && Markup.local(e).equals(name)) {
        children.remove(k);
        at = k;
      }
    }
    children.addAll(at >= 0 ? at : place(parent, children, name), new ArrayList<>(with));
  }

  private static int place(String parent, List<Object> children, String name) {
    List<String> order = ORDER.getOrDefault(parent, List.of());
    int rank = order.indexOf(name);
    int at = 0;
    for (int k = 0; k < children.size(); k++) {
      if (children.get(k) instanceof Element e) {
        int other = order.indexOf(Markup.local(e));
        // What the order does not name comes after all that it does.
        if (rank < 0 || other >= 0 && other <= rank) {
          at = k + 1;
        }
      }
    }
    return at;
  }
}
