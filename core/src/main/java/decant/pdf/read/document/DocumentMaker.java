package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Box;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Finding;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Rules;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.pdf.read.beside.BoxedNotes;
import decant.pdf.read.beside.Floats;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.beside.RunningTitles;
import decant.pdf.read.blocks.DetectedLists;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.lines.TextArea;
import decant.pdf.read.lines.TextColumns;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.text.FontBook;
import decant.text.FontFace;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Blocks into the document: looks against a body style, heading styles, lists, sections, running
 * texts.
 */
public final class DocumentMaker {
  private static final String BODY = "Body";

  private static final double MOST_CELL_PADDING = 12;

  /** A heading needs so much room below it, in points, to stand on a page. */
  private static final double ROOM_BELOW_HEADING = 60;

  /** So much of a page is left empty before a heading or a text that begins a page on purpose. */
  private static final double LEFT_BY_HEADING = 0.12;

  private static final double LEFT_BY_TEXT = 0.4;

  /** A text of which so many words were divided is to be hyphenated. */
  private static final int DIVIDED = 3;

  /** What the styles of entries of contents are called, with their level. */
  static final String ENTRY_STYLE = "TOC";

  private static final double CELL_PADDING = 4;

  /** How much wider a line may become in the font that serves it. */
  private static final double WIDER = 1.16;

  private final List<ScannedPage> pages;
  private final BoxedNotes boxedNotes;
  private final boolean justified;
  private final RunningTitles titles;
  private final List<Detected> found;
  private final List<DetectedNote> notes;
  private final Map<NodeId, Story> stories = new LinkedHashMap<>();
  private final Map<Integer, Map<String, NodeId>> noteMarks = new HashMap<>();
  private final RunningTexts.Result running;
  private final Dehyphenator joiner;
  private final Metadata particulars;
  private final Map<NodeId, Finding.SourcePlace> places = new LinkedHashMap<>();
  private final Map<MediaId, Media> media = new LinkedHashMap<>();
  private final DetectedLists lists = new DetectedLists();
  private Look bodyText = Look.PLAIN;
  private final Map<Integer, Look> headingTexts = new HashMap<>();

  /** The pictures that stand beside a paragraph, and all of them. */
  private final Map<Detected.Text, List<Detected.Figure>> floats;

  private final Set<Detected.Figure> floating = Collections.newSetFromMap(new IdentityHashMap<>());

  /** What the entries of contents share, by level. */
  private final Map<Integer, Look> entries = new TreeMap<>();

  private final Map<Integer, Look> entryTexts = new HashMap<>();
  private double bodyPitch = 1;

  public DocumentMaker(
      List<ScannedPage> pages,
      List<Detected> found,
      List<DetectedNote> notes,
      RunningTexts.Result running,
      Dehyphenator joiner,
      Metadata particulars) {
    this.pages = pages;
    this.found = found;
    this.boxedNotes = new BoxedNotes(pages, found);
    this.floats = Floats.anchored(found);
    floats.values().forEach(floating::addAll);
    this.justified = isJustified(found);
    this.titles = new RunningTitles(stylesOfHeadings(found));
    this.notes = notes;
    this.running = running;
    this.joiner = joiner;
    this.particulars = particulars;
  }

  public Map<NodeId, Finding.SourcePlace> places() {
    return places;
  }

  public Document make() {
    bodyText =
        commonLook(Detected.Kind.PARAGRAPH, 0)
            .orElseGet(
                () -> commonLook(Detected.Kind.ITEM, 1).orElse(Look.of(TextTraits.SIZE, 11.0)));
    bodyPitch = commonPitch();
    notes.forEach(this::note);
    List<Section> sections = sections();
    return Document.of(
        particulars, styles(), lists.definitions(), sections, stories, media, List.of());
  }

  private record Key(
      String family, double size, boolean bold, boolean italic, decant.model.look.Colour colour) {}

  /** The look that most letters of a kind of paragraph have. */
  private Optional<Look> commonLook(Detected.Kind kind, int level) {
    Map<Key, Integer> counts = new HashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t
          && t.kind() == kind
          && (kind != Detected.Kind.HEADING && kind != Detected.Kind.ENTRY || t.level() == level)) {
        for (TextLine l : t.lines()) {
          for (Glyph g : l.glyphs()) {
            if (!g.isSpace()) {
              counts.merge(
                  new Key(
                      g.face().family(),
                      LookMaker.rounded(g.size()),
                      g.face().bold(),
                      g.face().italic(),
                      g.colour()),
                  1,
                  Integer::sum);
            }
          }
        }
      }
    }
    return counts.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(e ->
            Look.of(TextTraits.FAMILY, e.getKey().family())
                .with(TextTraits.SIZE, e.getKey().size())
                .with(TextTraits.BOLD, e.getKey().bold())
                .with(TextTraits.ITALIC, e.getKey().italic())
                .with(TextTraits.COLOUR, e.getKey().colour()));
  }

  /** The usual distance of lines as a multiple of the served font's own. */
  private double commonPitch() {
    double[] pitches =
        found.stream()
            .filter(f ->
                f instanceof Detected.Text t
                    && t.kind() != Detected.Kind.HEADING
                    && t.lines().size() > 1)
            .mapToDouble(f -> ((Detected.Text) f).pitch())
            .sorted()
            .toArray();
    if (pitches.length == 0) {
      return 1;
    }
    double factor = pitches[pitches.length / 2] / naturalPitch(bodyText);
    return Math.round(Math.clamp(factor, 0.8, 2.5) * 100) / 100.0;
  }

  private static double naturalPitch(Look text) {
    FontFace face =
        FontBook.shipped()
            .serve(
                text.value(TextTraits.FAMILY),
                text.value(TextTraits.BOLD),
                text.value(TextTraits.ITALIC))
            .face();
    var t = face.tables();
    return (t.ascent() + t.descent() + t.lineGap()) * text.value(TextTraits.SIZE) / t.unitsPerEm();
  }

  private StyleSheet styles() {
    var styles = new LinkedHashMap<String, NamedStyle>();
    styles.put(
        BODY,
        new NamedStyle(
            BODY,
            "Body",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            Look.of(ParagraphTraits.LINE_PITCH, new LinePitch.Multiple(bodyPitch)),
            Look.PLAIN,
            List.of()));
    headingTexts.forEach((level, text) ->
        styles.put(
            headingStyle(level),
            new NamedStyle(
                headingStyle(level),
                "heading " + level,
                NamedStyle.Kind.PARAGRAPH,
                Optional.of(BODY),
                Look.of(ParagraphTraits.HEADING_LEVEL, level)
                    .with(ParagraphTraits.KEEP_WITH_NEXT, true)
                    .with(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE),
                text,
                List.of())));
    entries.forEach((level, look) ->
        styles.put(
            ENTRY_STYLE + level,
            new NamedStyle(
                ENTRY_STYLE + level,
                "toc " + level,
                NamedStyle.Kind.PARAGRAPH,
                Optional.of(BODY),
                look,
                entryTexts.get(level),
                List.of())));
    Look defaults = bodyText;
    if (!particulars.language().isEmpty()) {
      defaults = defaults.with(TextTraits.LANGUAGE, particulars.language());
    }
    var sheet = new StyleSheet(Look.PLAIN, defaults, BODY, styles);
    return joiner.divided() < DIVIDED
        ? sheet
        : sheet.withTypesetting(Typesetting.PLAIN.withHyphenation(true));
  }

  private static Map<String, String> stylesOfHeadings(List<Detected> found) {
    var out = new HashMap<String, String>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t && t.kind() == Detected.Kind.HEADING) {
        String text = Folding.fold(t.text());
        out.putIfAbsent(text, headingStyle(t.level()));
        // The number may stand elsewhere in the running title, or nowhere.
        out.putIfAbsent(text.replaceFirst("^(\\d+ )+", ""), headingStyle(t.level()));
      }
    }
    return out;
  }

  private static String headingStyle(int level) {
    return "Heading" + level;
  }

  private List<Section> sections() {
    var out = new ArrayList<Section>();
    int from = 0;
    while (from < pages.size()) {
      int to = from + 1;
      while (to < pages.size() && sameSheet(pages.get(from), pages.get(to))) {
        to++;
      }
      out.addAll(sections(from, to));
      from = to;
    }
    return out;
  }

  private static boolean sameSheet(ScannedPage a, ScannedPage b) {
    return Math.abs(a.width() - b.width()) < 2 && Math.abs(a.height() - b.height()) < 2;
  }

  /** Sections for like pages: one, or one for each stretch with its own columns. */
  private List<Section> sections(int from, int to) {
    List<Detected> here = found.stream().filter(f -> f.page() >= from && f.page() < to).toList();
    var heads = new RunningStories(running, bodyText, pages.size(), titles);
    PageSetup paper = setup(from, to, here);
    var out = new ArrayList<Section>();
    Detected before = null;
    for (TextColumns.Stretch stretch : TextColumns.of(here, to - from)) {
      PageSetup setup = paper.withColumns(stretch.columns());
      Optional<Integer> start = out.isEmpty() ? heads.start(from, to) : Optional.empty();
      if (start.isPresent()) {
        setup = setup.withNumbers(new PageNumbers(start, ListDefinition.NumberFormat.DECIMAL));
      }
      var blocks = new ArrayList<Block>();
      for (Detected f : stretch.blocks()) {
        if (f instanceof Detected.Figure picture && floating.contains(picture)) {
          continue; // it stands in its paragraph
        }
        blocks.add(block(f, setup, before));
        before = f;
      }
      if (blocks.stream().noneMatch(b -> b instanceof Paragraph)) {
        blocks.add(Paragraph.of(Look.PLAIN, ""));
      }
      out.add(
          new Section(
              NodeId.fresh(),
              setup,
              out.isEmpty() ? Section.Start.NEW_PAGE : Section.Start.CONTINUOUS,
              heads.of(from, to, setup),
              blocks));
    }
    return out;
  }

  private PageSetup setup(int from, int to, List<Detected> here) {
    ScannedPage p = pages.get(from);
    TextArea area = TextArea.of(here, p.width());
    double left = area.left();
    double right = area.right();
    double top = p.height();
    double bottom = 0;
    for (Detected f : here) {
      Box b = f.box();
      top = Math.min(top, b.y());
      bottom = Math.max(bottom, b.bottom());
    }
    if (here.isEmpty()) {
      return new PageSetup(p.width(), p.height(), 72, 72, 72, 72, 36, 36);
    }
    double header = 36;
    double footer = 36;
    for (RunningTexts.RunningText r : running.texts()) {
      TextLine l = r.lines().getFirst();
      if (r.header()) {
        header = Math.min(header, Math.max(12, l.box().y()));
      } else {
        footer = Math.min(footer, Math.max(12, p.height() - l.box().bottom()));
      }
    }
    // The lowest line of the fullest page stands a little above the margin; half a line more is
    // safe.
    double below = Math.max(18, p.height() - bottom - 8);
    return new PageSetup(
        p.width(),
        p.height(),
        margin(top, p.height()),
        margin(p.width() - right, p.width()),
        margin(below, p.height()),
        margin(left, p.width()),
        header,
        footer);
  }

  /** A margin of at least 12 points, but never more than a third of the page. */
  private static double margin(double found, double whole) {
    return Math.min(Math.max(found, 12), whole / 3);
  }

  private Block block(Detected f, PageSetup setup, @Nullable Detected before) {
    Block b =
        switch (f) {
          case Detected.Text t -> paragraph(t, setup, before);
          case Detected.Grid g -> table(g, setup.columns().width(0, setup.textWidth()));
          case Detected.Figure p -> figure(p, setup);
        };
    places.put(b.id(), new Finding.SourcePlace(f.page(), f.box()));
    return b;
  }

  private Paragraph paragraph(Detected.Text t, PageSetup setup, @Nullable Detected before) {
    boolean heading = t.kind() == Detected.Kind.HEADING;
    Look base = bodyText;
    Look look = Look.PLAIN;
    if (heading) {
      base =
          headingTexts.computeIfAbsent(
              t.level(), l -> commonLook(Detected.Kind.HEADING, l).orElse(bodyText));
      look = look.with(ParagraphTraits.STYLE, headingStyle(t.level()));
    }
    boolean entry = t.kind() == Detected.Kind.ENTRY;
    if (entry) {
      base =
          entryTexts.computeIfAbsent(
              t.level(), l -> commonLook(Detected.Kind.ENTRY, l).orElse(bodyText));
      look = look.with(ParagraphTraits.STYLE, ENTRY_STYLE + t.level());
    }
    double space = spaceBefore(t, before);
    if (space > 0.8) {
      look = look.with(ParagraphTraits.SPACE_BEFORE, LookMaker.halves(space));
    }
    if (beginsPage(t, before, setup)) {
      look = look.with(ParagraphTraits.PAGE_BREAK_BEFORE, true);
    }
    List<Glyph> glyphs = joiner.join(t.lines());
    boolean rightToLeft = Directions.beginsRightToLeft(glyphs);
    Edges edges = Edges.of(t, setup, rightToLeft);
    List<TextLine> clear = floating.isEmpty() ? t.lines() : Floats.clear(t, floating);
    if (entry) {
      look = entry(t, look, edges);
    } else if (!clear.isEmpty()) {
      look = alignment(t.with(clear), look, edges, setup);
    }
    if (t.kind() == Detected.Kind.ITEM) {
      look = item(t, look, edges);
    }
    look = tabbed(t, look, edges);
    look = boxedNotes.with(look, t, edges);
    if (rightToLeft) {
      look = look.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT);
    }
    var inlines = new ArrayList<Inline>();
    floats.getOrDefault(t, List.of()).forEach(f -> inlines.add(floating(f, t, setup)));
    inlines.addAll(marked(LookMaker.inlines(glyphs, base, t.size()), t.lines()));
    return new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines);
  }

  /** An entry of the contents: what it differs in from the first of its level. */
  private Look entry(Detected.Text t, Look before, Edges edges) {
    double indent = LookMaker.halves(Math.clamp(edges.indent(t.lines().getFirst()), 0, 250));
    TextLine last = t.lines().getLast();
    double at = edges.rightToLeft() ? last.box().x() : last.box().right();
    boolean dotted = last.glyphs().stream().anyMatch(g -> g.decor().leader());
    TabStop.Leader leader = dotted ? TabStop.Leader.DOT : TabStop.Leader.NONE;
    var stop = new TabStop(LookMaker.halves(edges.indentAt(at)), TabStop.Kind.RIGHT, leader);
    Look style =
        entries.computeIfAbsent(
            t.level(),
            l ->
                Look.of(ParagraphTraits.INDENT_START, indent)
                    .with(ParagraphTraits.TABS, List.of(stop)));
    TabStop usual = style.value(ParagraphTraits.TABS).getFirst();
    if (Math.abs(usual.at() - stop.at()) < 2 && usual.leader() == leader) {
      return before;
    }
    return before.with(
        ParagraphTraits.TABS, List.of(new TabStop(usual.at(), TabStop.Kind.RIGHT, leader)));
  }

  /**
   * What stands beyond gaps in a line keeps its place: blanks to fill in stand below each other.
   */
  private static Look tabbed(Detected.Text t, Look look, Edges edges) {
    if (t.lines().size() != 1 || t.kind() != Detected.Kind.PARAGRAPH || edges.rightToLeft()) {
      return look;
    }
    var stops = new ArrayList<TabStop>();
    List<Glyph> glyphs = t.lines().getFirst().glyphs();
    for (int k = 0; k + 1 < glyphs.size(); k++) {
      double at = edges.indentAt(glyphs.get(k + 1).x());
      if (glyphs.get(k).decor().leader()) {
        double end = edges.indentAt(t.lines().getFirst().box().right());
        stops.add(new TabStop(LookMaker.halves(end), TabStop.Kind.RIGHT, TabStop.Leader.DOT));
      } else if (glyphs.get(k).text().equals("\t") && at > 0) {
        stops.add(new TabStop(LookMaker.halves(at), TabStop.Kind.LEFT, TabStop.Leader.NONE));
      }
    }
    return stops.isEmpty() ? look : look.with(ParagraphTraits.TABS, List.copyOf(stops));
  }

  /**
   * Whether a page was ended on purpose before a block: there was room for it and more. A heading
   * that is kept with its text needs some room too.
   */
  private boolean beginsPage(Detected.Text t, @Nullable Detected before, PageSetup setup) {
    if (before == null || before.page() != t.page() - 1 || setup.columns().count() > 1) {
      return false;
    }
    double left = setup.height() - setup.bottom() - before.box().bottom();
    boolean heading = t.kind() == Detected.Kind.HEADING;
    double needed = t.box().height() + (heading ? ROOM_BELOW_HEADING : 0);
    return left > Math.max(needed, (heading ? LEFT_BY_HEADING : LEFT_BY_TEXT) * setup.textHeight());
  }

  /** How much farther apart single lines stand than the pitch that they are set in here. */
  private double stretched(Detected.Text t) {
    boolean single = t.lines().size() == 1 && t.kind() == Detected.Kind.PARAGRAPH;
    double set = bodyPitch * naturalPitch(bodyText) * t.size() / bodyText.value(TextTraits.SIZE);
    return single ? Math.max(0, t.pitch() - set) : 0;
  }

  /** The gap to the block before, where that stands above it; what suits its kind elsewhere. */
  private double spaceBefore(Detected.Text t, @Nullable Detected before) {
    boolean heading = t.kind() == Detected.Kind.HEADING;
    boolean below =
        before != null
            && before.page() == t.page()
            && before.box().y() < t.box().y()
            && before.box().x() < t.right()
            && before.box().right() > t.left();
    if (!below) {
      return heading && before != null ? Math.max(10, t.spaceBefore()) : t.spaceBefore();
    }
    return before instanceof Detected.Text
        ? Math.min(60, t.spaceBefore() + stretched(t))
        : Math.clamp(t.box().y() - before.box().bottom() - t.size() * 0.3, 4, 60);
  }

  /** A note as a story that begins with its label. */
  private void note(DetectedNote n) {
    NodeId id = NodeId.fresh();
    double size = n.lines().getFirst().size();
    var inlines = new ArrayList<Inline>();
    inlines.add(new Inline.NoteMark(id, Look.PLAIN));
    inlines.add(new Inline.Text(" ", Look.of(TextTraits.SIZE, LookMaker.rounded(size))));
    inlines.addAll(LookMaker.inlines(joiner.join(n.lines()), bodyText, size));
    var p =
        new Paragraph(
            NodeId.fresh(),
            Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE),
            Look.PLAIN,
            inlines);
    stories.put(id, new Story(id, Story.Kind.FOOTNOTE, List.of(p)));
    noteMarks.computeIfAbsent(n.page(), k -> new HashMap<>()).putIfAbsent(n.label(), id);
    places.put(p.id(), new Finding.SourcePlace(n.page(), n.lines().getFirst().box()));
  }

  /** Raised signs that are marks of notes on the pages of these lines become such marks. */
  private List<Inline> marked(List<Inline> inlines, List<TextLine> lines) {
    if (noteMarks.isEmpty()) {
      return inlines;
    }
    var out = new ArrayList<Inline>();
    for (Inline i : inlines) {
      boolean raised =
          i instanceof Inline.Text t
              && t.look().value(TextTraits.RAISE) == TextTraits.Raise.SUPERSCRIPT;
      NodeId note = null;
      if (raised && i instanceof Inline.Text t) {
        for (TextLine l : lines) {
          Map<String, NodeId> here = noteMarks.getOrDefault(l.page(), Map.of());
          note = note == null ? here.get(t.text().strip()) : note;
        }
      }
      out.add(note == null ? i : new Inline.NoteMark(note, i.look().without(TextTraits.RAISE)));
    }
    return out;
  }

  /** Whether most paragraphs with lines enough to tell end flush at both edges. */
  private static boolean isJustified(List<Detected> found) {
    int flush = 0;
    int all = 0;
    for (Detected f : found) {
      if (f instanceof Detected.Text t
          && t.kind() == Detected.Kind.PARAGRAPH
          && t.lines().size() > 3) {
        List<TextLine> whole = t.lines().subList(0, t.lines().size() - 1);
        double right = whole.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
        double left = whole.stream().mapToDouble(l -> l.box().right()).min().orElse(0);
        all++;
        flush += right - left < 1.2 ? 1 : 0;
      }
    }
    return flush * 2 > all;
  }

  private Look alignment(Detected.Text t, Look before, Edges edges, PageSetup setup) {
    Look look = before;
    List<TextLine> lines = t.lines();
    double size = t.size();
    TextLine first = lines.getFirst();
    boolean centred =
        lines.stream()
            .allMatch(l ->
                Math.abs(edges.start(l) - edges.end(l)) / 2 < Math.max(2, size * 0.3)
                    && edges.start(l) > size);
    if (centred && t.kind() != Detected.Kind.ITEM) {
      return look.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
    }
    boolean flushEnd =
        edges.start(first) > (t.right() - t.left()) * 0.4
            && lines.stream().allMatch(l -> Math.abs(edges.end(l)) < 3);
    if (flushEnd && t.kind() != Detected.Kind.ITEM) {
      double middle = setup.left() + setup.textWidth() / 2;
      boolean onPage =
          lines.stream()
              .allMatch(l ->
                  Math.abs(l.box().x() + l.box().width() / 2 - middle) < Math.max(2, size * 0.3));
      return look.with(ParagraphTraits.ALIGNMENT, onPage ? Alignment.CENTRE : Alignment.END);
    }
    long full =
        lines.stream().limit(lines.size() - 1L).filter(l -> Math.abs(edges.end(l)) < 1.2).count();
    if (lines.size() > (justified ? 1 : 2) && full == lines.size() - 1L) {
      look = look.with(ParagraphTraits.ALIGNMENT, Alignment.JUSTIFIED);
    }
    if (t.kind() == Detected.Kind.PARAGRAPH) {
      double rest = edges.indent(lines.get(lines.size() > 1 ? 1 : 0));
      double indent = rest > 3 && rest < 250 ? rest : 0;
      if (indent > 0) {
        look = look.with(ParagraphTraits.INDENT_START, LookMaker.halves(indent));
      }
      // A line may hang out of its paragraph, not out of the page.
      double firstLine = Math.max(edges.indent(first) - rest, -indent);
      if (Math.abs(firstLine) > 3 && lines.size() > 1 && firstLine < 250) {
        look = look.with(ParagraphTraits.FIRST_LINE, LookMaker.halves(firstLine));
      }
    }
    return look;
  }

  private Look item(Detected.Text t, Look look, Edges edges) {
    int depth = Math.max(0, t.level() - 1);
    double indent = Math.max(12, edges.indent(t.lines().getFirst()));
    String list = lists.idFor(t);
    return look.with(ParagraphTraits.LIST, new ListMembership(list, depth))
        .with(ParagraphTraits.INDENT_START, LookMaker.halves(Math.min(indent, 200)))
        .with(ParagraphTraits.FIRST_LINE, -Math.min(18.0, indent));
  }

  /**
   * The widths of a table's columns, with room for their longest lines: where nothing is ruled they
   * are found as wide as their letters, and the font that serves may be wider.
   */
  private static List<Double> columns(Detected.Grid g, double room) {
    double[] needed = new double[g.columns().size()];
    for (List<Detected.DetectedCell> row : g.rows()) {
      boolean whole =
          row.size() == needed.length && row.stream().allMatch(c -> c.columnSpan() == 1);
      for (int k = 0; whole && k < needed.length; k++) {
        for (TextLine l : row.get(k).lines()) {
          needed[k] = Math.max(needed[k], l.box().width() * WIDER + 2 * CELL_PADDING);
        }
      }
    }
    var out = new ArrayList<Double>();
    double found = 0;
    double sum = 0;
    for (int k = 0; k < needed.length; k++) {
      out.add(Math.max(g.columns().get(k), needed[k]));
      found += g.columns().get(k);
      sum += out.getLast();
    }
    return sum > Math.max(room, found) ? g.columns() : out;
  }

  private Table table(Detected.Grid g, double room) {
    var rows = new ArrayList<Table.Row>();
    for (List<Detected.DetectedCell> r : g.rows()) {
      Rules own = rows.isEmpty() ? g.ruling().ofHeader() : Rules.UNSAID;
      Look look = own.equals(Rules.UNSAID) ? Look.PLAIN : Look.of(TableTraits.RULES, own);
      var cells = new ArrayList<Cell>();
      boolean header = !r.isEmpty() && r.stream().allMatch(Detected.DetectedCell::header);
      for (Detected.DetectedCell c : r) {
        cells.add(new Cell(NodeId.fresh(), c.columnSpan(), c.rowSpan(), look, cellBlocks(c)));
      }
      rows.add(new Table.Row(header ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN, cells));
    }
    Rules rules = g.ruling().ofTable();
    Look whole = rules.equals(Rules.UNSAID) ? Look.PLAIN : Look.of(TableTraits.RULES, rules);
    return new Table(
        NodeId.fresh(),
        whole
            .with(TableTraits.CELL_PADDING, padding(g))
            .with(TableTraits.FIXED_COLUMNS, true)
            .with(TableTraits.RIGHT_TO_LEFT, g.rightToLeft()),
        columns(g, room),
        rows);
  }

  /** The space in cells: as much above and below their lines as the rows usually stand apart. */
  private Insets padding(Detected.Grid g) {
    var apart = new ArrayList<Double>();
    for (int k = 0; k + 1 < g.rows().size(); k++) {
      OptionalDouble here = firstBaseline(g.rows().get(k), g.page());
      OptionalDouble next = firstBaseline(g.rows().get(k + 1), g.page());
      double text = 0;
      for (Detected.DetectedCell c : g.rows().get(k)) {
        if (!c.lines().isEmpty() && c.rowSpan() == 1) {
          double size = c.lines().getFirst().size();
          double pitch = naturalPitch(bodyText) * size / bodyText.value(TextTraits.SIZE);
          text = Math.max(text, c.lines().size() * pitch);
        }
      }
      if (here.isPresent() && next.isPresent() && text > 0) {
        apart.add(next.getAsDouble() - here.getAsDouble() - text);
      }
    }
    apart.sort(null);
    double usual = apart.isEmpty() ? 0 : apart.get(apart.size() / 2);
    double each = LookMaker.halves(Math.clamp(usual / 2, 0, MOST_CELL_PADDING));
    return new Insets(each, CELL_PADDING, each, CELL_PADDING);
  }

  /** Where the first lines of a row stand, if they stand on a page. */
  private static OptionalDouble firstBaseline(List<Detected.DetectedCell> row, int page) {
    return row.stream()
        .filter(c -> !c.lines().isEmpty() && c.lines().getFirst().page() == page)
        .mapToDouble(c -> c.lines().getFirst().baseline())
        .min();
  }

  private List<Block> cellBlocks(Detected.DetectedCell c) {
    if (c.lines().isEmpty()) {
      return List.of(Paragraph.of(Look.PLAIN, ""));
    }
    List<Glyph> glyphs = joiner.join(c.lines());
    double size = c.lines().getFirst().size();
    Look look = Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE);
    return List.of(
        new Paragraph(NodeId.fresh(), look, Look.PLAIN, LookMaker.inlines(glyphs, bodyText, size)));
  }

  /** A picture that text runs beside, at its place from the paragraph that it belongs to. */
  private Inline floating(Detected.Figure f, Detected.Text beside, PageSetup setup) {
    Media m = f.placed().media();
    media.put(m.id(), m);
    Box b = f.box();
    double edge = setup.columns().count() == 1 ? setup.left() : beside.left();
    double first = beside.lines().getFirst().baseline() - 0.8 * beside.size();
    var place =
        new Placement.Floating(
            new Placement.Axis(
                Placement.Origin.COLUMN,
                Placement.Align.OFFSET,
                LookMaker.halves(Math.max(0, b.x() - edge))),
            new Placement.Axis(
                Placement.Origin.PARAGRAPH,
                Placement.Align.OFFSET,
                LookMaker.halves(Math.max(0, b.y() - first))),
            Placement.Wrap.AROUND,
            new Insets(3, 7, 3, 7),
            false);
    return new Inline.Picture(
        m.id(),
        b.width(),
        b.height(),
        f.alt(),
        place,
        Insets.NONE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  private Paragraph figure(Detected.Figure f, PageSetup setup) {
    Media m = f.placed().media();
    media.put(m.id(), m);
    double room = setup.columns().width(0, setup.textWidth());
    double scale = Math.min(1, room / f.box().width());
    scale = Math.min(scale, setup.textHeight() * 0.95 / f.box().height());
    var picture =
        new Inline.Picture(
            m.id(), f.box().width() * scale, f.box().height() * scale, f.alt(), Look.PLAIN);
    double left = setup.left();
    for (int k = 1; k < setup.columns().count(); k++) {
      double start = setup.left() + setup.columns().start(k, setup.textWidth());
      left = f.box().x() > start - 9 ? start : left;
    }
    double middle = f.box().x() + f.box().width() / 2;
    boolean centred = Math.abs(middle - (left + room / 2)) < 15 && f.box().x() > left + 8;
    Look look =
        Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE)
            .with(ParagraphTraits.SPACE_BEFORE, 6.0);
    if (centred) {
      look = look.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
    }
    return new Paragraph(NodeId.fresh(), look, Look.PLAIN, List.of(picture));
  }

  /** Gives names to the paragraphs that links lead to, and leads the links there. */
  public static Document withLinks(Document d, Map<String, NodeId> targets) {
    Document out = d;
    Map<NodeId, List<String>> names = new LinkedHashMap<>();
    targets.forEach((name, id) -> names.computeIfAbsent(id, k -> new ArrayList<>()).add(name));
    for (Map.Entry<NodeId, List<String>> e : names.entrySet()) {
      Paragraph p = out.requireParagraph(e.getKey());
      out =
          out.withParagraph(
              p.withLook(p.look().with(ParagraphTraits.BOOKMARKS, List.copyOf(e.getValue()))));
    }
    return out;
  }
}
