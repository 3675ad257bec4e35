package decant.office.docx;

import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Says what is kept of a file but does not show on its pages yet. */
final class Unshown {
  /** Marks for programs; nothing on the page depends on them. */
  static final Set<String> PASSED_OVER =
      Set.of(
          "w:proofErr",
          "w:lastRenderedPageBreak",
          "w:bookmarkEnd",
          "w:permStart",
          "w:permEnd",
          "w:rPr",
          "w:pPr",
          "w:tcPr",
          "w:separator",
          "w:continuationSeparator",
          "w:annotationRef",
          "w:softHyphen",
          "w:sdtPr",
          "w:sdtEndPr",
          "w:moveFromRangeStart",
          "w:moveFromRangeEnd",
          "w:moveToRangeStart",
          "w:moveToRangeEnd");

  private static final Words WORDS = Words.of(Unshown.class);

  /** Properties that change what a page looks like, in a person's words. */
  private static final Map<String, String> LOOKS =
      Map.ofEntries(
          Map.entry("w:bdr", WORDS.say("unshown.a-border-around-words")),
          Map.entry("w:w", WORDS.say("unshown.text-drawn-wider-or-narrower")),
          Map.entry("w:em", WORDS.say("unshown.emphasis-marks-over-characters")),
          Map.entry("w:outline", WORDS.say("unshown.outlined-text")),
          Map.entry("w:shadow", WORDS.say("unshown.shadowed-text")),
          Map.entry("w:emboss", WORDS.say("unshown.embossed-text")),
          Map.entry("w:imprint", WORDS.say("unshown.engraved-text")),
          Map.entry("w:fitText", WORDS.say("unshown.text-fitted-to-a-width")),
          Map.entry("w:effect", WORDS.say("unshown.moving-text")),
          Map.entry("w:eastAsianLayout", WORDS.say("unshown.two-lines-in-one")),
          Map.entry("w:textDirection", WORDS.say("unshown.text-that-runs-down-the")),
          Map.entry("w:tcFitText", WORDS.say("unshown.text-fitted-to-its-cell")),
          Map.entry("w:tblCellSpacing", WORDS.say("unshown.space-between-the-cells-of")),
          Map.entry("w:textAlignment", WORDS.say("unshown.letters-aligned-otherwise-than-on")),
          Map.entry("w:hidden", WORDS.say("unshown.a-hidden-row")));

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
            WORDS.say("unshown.does-not-show-yet-it", what),
            at);
      }
    }
  }
}
