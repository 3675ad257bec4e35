package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.Columns;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.look.Colour;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Rules;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import decant.office.emit.Languages;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Paper and what else holds for a section or the whole (Rich Text Format 1.9.1, “Document
 * Formatting Properties” and “Section Formatting Properties”).
 */
final class RtfPaper {
  private static final double TWIPS = 20;
  private static final double SMALLEST = 100;
  private static final double LARGEST = 1584;
  private static final int MOST_COLUMNS = 45;
  private static final int USUAL_GAP = 720; // twips between columns
  private static final int FROM_EDGE = 32; // of what is said of lines around pages

  /** What is said of paper where nothing else is: Letter, with margins as the format has them. */
  private final Map<Command, Integer> ofDocument = new EnumMap<>(Command.class);

  private Map<Command, Integer> ofSection = new EnumMap<>(Command.class);

  // Of words that exclude one another the last, by the one that stands for all.
  private final Map<Command, Command> lastOfDocument = new EnumMap<>(Command.class);
  private Map<Command, Command> lastOfSection = new EnumMap<>(Command.class);

  // Columns of their own width, by their number: how wide, and how far the next.
  private Map<Integer, Integer> wide = new TreeMap<>();
  private Map<Integer, Integer> gaps = new TreeMap<>();
  private Rules rules = Rules.UNSAID;

  RtfPaper() {
    ofDocument.put(Command.paperw, 12240);
    ofDocument.put(Command.paperh, 15840);
    ofDocument.put(Command.margl, 1800);
    ofDocument.put(Command.margr, 1800);
    ofDocument.put(Command.margt, 1440);
    ofDocument.put(Command.margb, 1440);
    ofDocument.put(Command.headery, 720);
    ofDocument.put(Command.footery, 720);
    ofDocument.put(Command.deftab, 720);
    ofDocument.put(Command.deff, 0);
  }

  /** A word about paper, sections or the whole. */
  void command(Command c, int value, boolean hasValue) {
    boolean on = !hasValue || value != 0;
    switch (c) {
      case paperw, paperh, margl, margr, margt, margb, gutter, deff, deftab, deflang ->
          ofDocument.put(c, value);
      case facingp, widowctrl, expshrtn -> ofDocument.put(c, 1);
      case hyphauto -> ofDocument.put(c, on ? 1 : 0);
      case ftnnar, ftnnalc, ftnnauc, ftnnrlc, ftnnruc -> lastOfDocument.put(Command.ftnnar, c);
      case aftnnar, aftnnalc, aftnnauc, aftnnrlc, aftnnruc ->
          lastOfDocument.put(Command.aftnnar, c);
      case sectd -> {
        ofSection = new EnumMap<>(Command.class);
        lastOfSection = new EnumMap<>(Command.class);
        wide = new TreeMap<>();
        gaps = new TreeMap<>();
        rules = Rules.UNSAID;
      }
      case colwN -> wide.put(ofSection.getOrDefault(Command.colnoN, 1), value);
      case colsrN -> gaps.put(ofSection.getOrDefault(Command.colnoN, 1), value);
      case sbknone, sbkpage, sbkcol, sbkodd, sbkeven -> lastOfSection.put(Command.sbkpage, c);
      case pgndec, pgnucrm, pgnlcrm, pgnucltr, pgnlcltr -> lastOfSection.put(Command.pgndec, c);
      case vertalt, vertalc, vertalb, vertalj -> lastOfSection.put(Command.vertalt, c);
      case pgwsxn,
          pghsxn,
          marglsxn,
          margrsxn,
          margtsxn,
          margbsxn,
          guttersxn,
          headery,
          footery,
          cols,
          colsx,
          colnoN,
          titlepg,
          pgnrestart,
          pgnstarts,
          pgbrdropt,
          linebetcol ->
          ofSection.put(c, value);
      default -> {}
    }
  }

  /** A line around the pages was told of. */
  void ruled(RtfRules said) {
    said.side().ifPresent(s -> rules = RtfRules.with(rules, s, said.rule()));
  }

  /** The number of the font of text that names none. */
  int font() {
    return ofDocument.getOrDefault(Command.deff, 0);
  }

  /** Whether lines of paragraphs that say nothing of it do not stand alone on pages. */
  boolean keepsWidows() {
    return ofDocument.containsKey(Command.widowctrl);
  }

  /** Whether pages on the left and on the right have running texts of their own. */
  boolean facing() {
    return ofDocument.containsKey(Command.facingp);
  }

  /** The language that text has where nothing else is said; empty if that is not said either. */
  String language() {
    return Languages.tag(ofDocument.getOrDefault(Command.deflang, 0)).orElse("");
  }

  /** Whether the first page of the section has running texts of its own. */
  boolean ownFirst() {
    return ofSection.containsKey(Command.titlepg);
  }

  Typesetting typesetting() {
    return new Typesetting(
        Math.clamp(ofDocument.getOrDefault(Command.deftab, 720) / TWIPS, 1, LARGEST),
        ofDocument.getOrDefault(Command.hyphauto, 0) == 1,
        true, // tables reach so far into the margin that their text stands at it
        ofDocument.containsKey(Command.expshrtn),
        switch (lastOfDocument.getOrDefault(Command.ftnnar, Command.rtf)) {
          case ftnnalc -> NumberFormat.LOWER_LETTER;
          case ftnnauc -> NumberFormat.UPPER_LETTER;
          case ftnnrlc -> NumberFormat.LOWER_ROMAN;
          case ftnnruc -> NumberFormat.UPPER_ROMAN;
          default -> NumberFormat.DECIMAL;
        },
        switch (lastOfDocument.getOrDefault(Command.aftnnar, Command.rtf)) {
          case aftnnar -> NumberFormat.DECIMAL;
          case aftnnalc -> NumberFormat.LOWER_LETTER;
          case aftnnauc -> NumberFormat.UPPER_LETTER;
          case aftnnruc -> NumberFormat.UPPER_ROMAN;
          default -> NumberFormat.LOWER_ROMAN;
        },
        List.of());
  }

  Section.Start start() {
    return switch (lastOfSection.getOrDefault(Command.sbkpage, Command.rtf)) {
      case sbknone -> Section.Start.CONTINUOUS;
      case sbkodd -> Section.Start.ODD_PAGE;
      case sbkeven -> Section.Start.EVEN_PAGE;
      default -> Section.Start.NEW_PAGE;
    };
  }

  private double points(Command own, Command whole) {
    return ofSection.getOrDefault(own, ofDocument.getOrDefault(whole, 0)) / TWIPS;
  }

  /** The paper of the section. */
  PageSetup page() {
    VerticalAlignment alignment =
        switch (lastOfSection.getOrDefault(Command.vertalt, Command.rtf)) {
          case vertalc -> VerticalAlignment.CENTRE;
          case vertalb -> VerticalAlignment.BOTTOM;
          default -> VerticalAlignment.TOP;
        };
    double gutter = points(Command.guttersxn, Command.gutter);
    return new PageSetup(
        Math.clamp(points(Command.pgwsxn, Command.paperw), SMALLEST, LARGEST),
        Math.clamp(points(Command.pghsxn, Command.paperh), SMALLEST, LARGEST),
        new PageSetup.Margins(
            Math.abs(points(Command.margtsxn, Command.margt)),
            points(Command.margrsxn, Command.margr),
            Math.abs(points(Command.margbsxn, Command.margb)),
            points(Command.marglsxn, Command.margl) + gutter,
            points(Command.headery, Command.headery),
            points(Command.footery, Command.footery)),
        columns(),
        numbers(),
        new PageSetup.Borders(
            rules, (ofSection.getOrDefault(Command.pgbrdropt, 0) & FROM_EDGE) != 0),
        Colour.WHITE,
        alignment,
        0);
  }

  private Columns columns() {
    int count = Math.clamp(ofSection.getOrDefault(Command.cols, 1), 1, MOST_COLUMNS);
    boolean rule = ofSection.containsKey(Command.linebetcol);
    boolean own = count > 1;
    for (int k = 1; k <= count; k++) {
      own &= wide.getOrDefault(k, 0) > 0;
    }
    int gap = ofSection.getOrDefault(Command.colsx, USUAL_GAP);
    if (!own) {
      return Columns.equal(count, gap / TWIPS, rule);
    }
    List<Double> widths = new ArrayList<>();
    List<Double> between = new ArrayList<>();
    for (int k = 1; k <= count; k++) {
      widths.add(wide.getOrDefault(k, 0) / TWIPS);
      if (k < count) {
        between.add(gaps.getOrDefault(k, gap) / TWIPS);
      }
    }
    return new Columns(count, widths, between, rule);
  }

  private PageNumbers numbers() {
    return new PageNumbers(
        ofSection.containsKey(Command.pgnrestart)
            ? Optional.of(ofSection.getOrDefault(Command.pgnstarts, 1))
            : Optional.empty(),
        switch (lastOfSection.getOrDefault(Command.pgndec, Command.rtf)) {
          case pgnucrm -> NumberFormat.UPPER_ROMAN;
          case pgnlcrm -> NumberFormat.LOWER_ROMAN;
          case pgnucltr -> NumberFormat.UPPER_LETTER;
          case pgnlcltr -> NumberFormat.LOWER_LETTER;
          default -> NumberFormat.DECIMAL;
        });
  }
}
