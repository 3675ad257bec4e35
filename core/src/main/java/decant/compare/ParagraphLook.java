package decant.compare;

import decant.layout.item.ParagraphStyle;
import decant.model.look.ParagraphTraits.TabStop;
import java.util.List;
import java.util.Set;

/**
 * How a paragraph stands and what is drawn around it.
 *
 * @param tabs those that its text needs; none where it has no tabs
 */
record ParagraphLook(ParagraphStyle style, List<TabStop> tabs) {
  ParagraphLook {
    tabs = List.copyOf(tabs);
  }

  static ParagraphLook of(ParagraphStyle style, String text) {
    return new ParagraphLook(style, text.indexOf('\t') < 0 ? List.of() : style.lines().tabs());
  }

  Set<About> differing(ParagraphLook o) {
    ParagraphStyle a = style;
    ParagraphStyle b = o.style;
    return new About.Found()
        .add(a.lines().alignment() == b.lines().alignment(), About.ALIGNMENT)
        .add(a.lines().rightToLeft() == b.lines().rightToLeft(), About.DIRECTION)
        .add(likeIndents(a, b), About.INDENTS)
        .add(likeSpace(a, b), About.SPACE)
        .add(Near.pitches(a.lines().pitch(), b.lines().pitch()), About.LINE_SPACING)
        .add(likeTabs(o), About.TABS)
        .add(Near.colours(a.area().shading(), b.area().shading()), About.BACKGROUND)
        .add(likeRules(a, b), About.RULES)
        .all();
  }

  private static boolean likeIndents(ParagraphStyle a, ParagraphStyle b) {
    return Near.lengths(a.indents().start(), b.indents().start())
        && Near.lengths(a.indents().end(), b.indents().end())
        && Near.lengths(a.indents().firstLine(), b.indents().firstLine());
  }

  private static boolean likeSpace(ParagraphStyle a, ParagraphStyle b) {
    return a.space().autoBefore() == b.space().autoBefore()
        && a.space().autoAfter() == b.space().autoAfter()
        && Near.lengths(a.space().before(), b.space().before())
        && Near.lengths(a.space().after(), b.space().after());
  }

  private static boolean likeRules(ParagraphStyle a, ParagraphStyle b) {
    var x = a.area().rules();
    var y = b.area().rules();
    return Near.rules(x.top(), y.top())
        && Near.rules(x.end(), y.end())
        && Near.rules(x.bottom(), y.bottom())
        && Near.rules(x.start(), y.start());
  }

  private boolean likeTabs(ParagraphLook o) {
    if (tabs.size() != o.tabs.size()) {
      return false;
    }
    for (int k = 0; k < tabs.size(); k++) {
      TabStop x = tabs.get(k);
      TabStop y = o.tabs.get(k);
      if (x.kind() != y.kind() || x.leader() != y.leader() || !Near.lengths(x.at(), y.at())) {
        return false;
      }
    }
    return true;
  }
}
