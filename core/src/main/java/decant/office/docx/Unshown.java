package decant.office.docx;

import decant.model.Finding;
import decant.model.Kept;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.ParagraphTraits;
import decant.model.TableTraits;
import decant.model.TextTraits;
import java.util.List;
import java.util.Map;

/** Says what is kept of a file but does not show on its pages yet. */
final class Unshown {
  /** Properties that change what a page looks like, in a person's words. */
  private static final Map<String, String> LOOKS =
      Map.ofEntries(
          Map.entry("w:bdr", "A border around words"),
          Map.entry("w:w", "Text drawn wider or narrower"),
          Map.entry("w:em", "Emphasis marks over characters"),
          Map.entry("w:outline", "Outlined text"),
          Map.entry("w:shadow", "Shadowed text"),
          Map.entry("w:emboss", "Embossed text"),
          Map.entry("w:imprint", "Engraved text"),
          Map.entry("w:fitText", "Text fitted to a width"),
          Map.entry("w:effect", "Moving text"),
          Map.entry("w:eastAsianLayout", "Two lines in one"),
          Map.entry("w:textDirection", "Text that runs down the page"),
          Map.entry("w:tcFitText", "Text fitted to its cell"),
          Map.entry("w:tblCellSpacing", "Space between the cells of a table"),
          Map.entry("w:textAlignment", "Letters aligned otherwise than on their line"),
          Map.entry("w:hidden", "A hidden row"));

  private Unshown() {}

  static void report(DocxBody.Shared shared, Look look, NodeId at) {
    report(shared, look.value(TextTraits.KEPT), at);
    report(shared, look.value(ParagraphTraits.KEPT), at);
    report(shared, look.value(TableTraits.KEPT), at);
  }

  private static void report(DocxBody.Shared shared, List<Kept> kept, NodeId at) {
    for (Kept k : kept) {
      String name = k.source().substring(1).split("[\\s/>]", 2)[0];
      String what = LOOKS.get(name);
      if (what != null) {
        shared.find(
            Finding.Kind.LAYOUT_SIMPLIFIED,
            Finding.Severity.NOTE,
            what + " does not show yet; it goes back into a DOCX.",
            at);
      }
    }
  }
}
