package decant.office.doc.write;

import decant.model.Columns;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.office.emit.NumberCodes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Sections: the paper that the text up to a place is on (PlcfSed, [MS-DOC] 2.8.26). */
final class Sections {
  private static final int LONGEST_SIDE = 31_680; // twips
  private static final int SIDES = 4;

  private record Ended(int end, byte[] properties) {}

  private final List<Ended> all = new ArrayList<>();

  void add(Section s, int end) {
    all.add(new Ended(end, properties(s)));
  }

  /**
   * The table of sections; what is said of each is put at the end of the stream of the text.
   *
   * @param length of the text with all parts; the last section ends with it
   */
  Bytes table(Bytes stream, int length) {
    var out = new Plc();
    int from = 0;
    for (Ended s : all) {
      stream.align(2);
      // A Sed (§2.9.243): where what is said of the section stands.
      out.add(from, new Bytes().u16(0).u32(stream.size()).u16(0).u32(-1));
      stream.u16(s.properties().length).add(s.properties());
      from = s.end();
    }
    return out.end(length);
  }

  private static byte[] properties(Section s) {
    PageSetup p = s.page();
    var out = new Properties();
    out.add(
        Sprm.S_START,
        switch (s.start()) {
          case CONTINUOUS -> 0;
          case NEW_PAGE -> 2;
          case EVEN_PAGE -> 3;
          case ODD_PAGE -> 4;
        });
    out.flag(
        Sprm.S_FIRST_PAGE,
        s.running().containsKey(Running.HEADER_FIRST)
            || s.running().containsKey(Running.FOOTER_FIRST));
    out.add(Sprm.S_WIDTH, side(p.width())).add(Sprm.S_HEIGHT, side(p.height()));
    out.add(Sprm.S_ORIENTATION, p.width() > p.height() ? 2 : 1);
    out.add(Sprm.S_LEFT, Units.twips(p.margins().left()));
    out.add(Sprm.S_RIGHT, Units.twips(p.margins().right()));
    out.add(Sprm.S_TOP, Units.twips(p.margins().top()));
    out.add(Sprm.S_BOTTOM, Units.twips(p.margins().bottom()));
    out.add(Sprm.S_HEADER, Units.twips(p.margins().header()));
    out.add(Sprm.S_FOOTER, Units.twips(p.margins().footer()));
    columns(out, p.columns(), p.textWidth());
    out.add(Sprm.S_NUMBER_FORMAT, NumberCodes.of(p.numbers().format()));
    p.numbers()
        .start()
        .ifPresent(n ->
            out.flag(Sprm.S_NUMBER_RESTART, true)
                .add(Sprm.S_NUMBER_START, Math.clamp(n, 0, 32_766)));
    out.add(
        Sprm.S_VERTICAL,
        switch (p.alignment()) {
          case TOP -> 0;
          case CENTRE -> 1;
          case BOTTOM -> 3;
        });
    if (p.grid() > 0) {
      out.add(Sprm.S_GRID, 2).add(Sprm.S_LINE_PITCH, Units.twips(p.grid()));
    }
    if (p.borders().rules().isDrawn()) {
      borders(out, p.borders());
    }
    return out.array();
  }

  private static int side(double points) {
    return Math.clamp(Math.round(points * 20), 144, LONGEST_SIDE);
  }

  private static void columns(Properties out, Columns c, double room) {
    out.add(Sprm.S_COLUMNS, c.count() - 1L);
    double gap = c.gaps().isEmpty() ? 36 : c.gaps().getFirst();
    out.add(Sprm.S_COLUMN_GAP, Units.twips(gap));
    if (c.count() > 1) {
      out.flag(Sprm.S_COLUMN_RULE, c.rule());
    }
    out.flag(Sprm.S_COLUMNS_EQUAL, c.widths().isEmpty());
    for (int k = 0; k < c.widths().size(); k++) {
      out.add(Sprm.S_COLUMN_WIDTH, k | (long) Units.twips(c.width(k, room)) << 8);
      if (k < c.gaps().size()) {
        out.add(Sprm.S_COLUMN_SPACING, k | (long) Units.twips(c.gaps().get(k)) << 8);
      }
    }
  }

  private static void borders(Properties out, PageSetup.Borders b) {
    Rules r = b.rules();
    List<Optional<Rule>> sides = List.of(r.top(), r.start(), r.bottom(), r.end());
    for (int k = 0; k < SIDES; k++) {
      out.add(Sprm.S_RULES_80[k], Units.rule80(sides.get(k)));
      out.add(Sprm.S_RULES[k], Units.rule(sides.get(k)));
    }
    // What the lines are measured from is the fifth bit on (SPgbPropOperand, §2.9.251).
    out.add(Sprm.S_BORDER_OPTIONS, b.fromEdge() ? 1 << 5 : 0);
  }
}
