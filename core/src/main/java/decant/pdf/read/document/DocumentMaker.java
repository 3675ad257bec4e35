package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.pdf.read.beside.BoxedNotes;
import decant.pdf.read.beside.FloatedPictures;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.beside.RunningTitles;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.lines.ApartText;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.lines.TextColumns;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Ground;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.RuledLine;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.reading.TakenIn;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Blocks into the document: looks against a body style, heading styles, lists, sections, running
 * texts.
 */
public final class DocumentMaker {
  private final List<ScannedPage> pages;
  private final BoxedNotes boxedNotes;
  private final RunningTitles titles;
  private final List<Detected> found;
  private final List<DetectedNote> notes;
  private final RunningTexts.Result running;
  private final Dehyphenator joiner;
  private final Metadata metadata;
  private final Map<NodeId, Finding.SourcePlace> places = new LinkedHashMap<>();
  private final List<TakenIn.PageBreak> breaks = new ArrayList<>();
  private final FoundLists lists = new FoundLists();
  private final Map<NodeId, String> markers = new LinkedHashMap<>();
  private final StyleMaker styles;
  private final PaperMaker paper;
  private final ParagraphLooks looks;
  private final TableMaker tables;
  private final NoteMaker noteMaker;
  private final FigureMaker figures = new FigureMaker();
  private final SettingMaker setting = new SettingMaker();
  private final Map<Integer, List<Paragraph>> runningLines = new LinkedHashMap<>();
  private final List<Story> runningStories = new ArrayList<>();
  private final ApartStories apart;

  /** The pictures that stand beside a paragraph, and all of them. */
  private final Map<Detected.Text, List<Detected.Figure>> floats;

  private final Set<Detected.Figure> floating = Collections.newSetFromMap(new IdentityHashMap<>());

  public DocumentMaker(
      List<ScannedPage> pages,
      List<Detected> found,
      List<DetectedNote> notes,
      List<ApartText> apart,
      RunningTexts.Result running,
      Map<Integer, List<Ground>> grounds,
      Dehyphenator joiner,
      Metadata metadata) {
    this.pages = pages;
    this.found = found;
    this.boxedNotes = new BoxedNotes(pages, found);
    this.floats = FloatedPictures.anchored(found);
    floats.values().forEach(floating::addAll);
    this.titles = new RunningTitles(StyleMaker.stylesOfHeadings(found));
    this.notes = notes;
    this.running = running;
    this.joiner = joiner;
    this.metadata = metadata;
    this.styles = new StyleMaker(found);
    this.apart =
        new ApartStories(apart, styles.bodyText(), new RunningBars(pages, running, grounds));
    this.paper = new PaperMaker(pages, running);
    this.looks = new ParagraphLooks(styles, lists, found);
    this.noteMaker = new NoteMaker(styles, joiner, places);
    this.tables = new TableMaker(pages, styles, joiner, noteMaker);
  }

  public Map<NodeId, Finding.SourcePlace> places() {
    return places;
  }

  /** A document that was made here, with where its blocks and their lines stood. */
  public Document withSetting(Document d) {
    Map<NodeId, SetBlock> blocks = new LinkedHashMap<>();
    setting.blocks().forEach((id, b) -> d.block(id).ifPresent(now -> blocks.put(id, b.as(now))));
    Map<NodeId, Story> stories = new LinkedHashMap<>();
    for (Section s : d.sections()) {
      s.running().values().forEach(r -> stories.put(r.id(), r));
    }
    runningLines
        .values()
        .forEach(
            lines -> lines.forEach(p -> setting.of(p.id()).ifPresent(b -> blocks.put(p.id(), b))));
    return d.withSetting(
        new SourceSetting(
            d.styles(),
            blocks,
            new SourceSetting.Running(pages.size(), runningLines, stories, noteRules())));
  }

  /** The lines that are drawn just above the notes of pages. */
  private Map<Integer, Box> noteRules() {
    Map<Integer, Box> firsts = new LinkedHashMap<>();
    for (DetectedNote n : notes) {
      Box box = n.lines().getFirst().box();
      firsts.merge(n.page(), box, (a, b) -> a.y() < b.y() ? a : b);
    }
    Map<Integer, Box> out = new LinkedHashMap<>();
    firsts.forEach((page, note) -> {
      for (RuledLine r : pages.get(page).rules()) {
        double thick = r.look().width();
        var line = new Box(r.x1(), r.middle() - thick / 2, r.x2() - r.x1(), thick);
        if (r.lying() && DrawnShapes.separates(line, note)) {
          out.merge(page, line, (a, b) -> a.y() > b.y() ? a : b);
        }
      }
    });
    return out;
  }

  /** What stands apart from the text. */
  public ApartStories apart() {
    return apart;
  }

  /** What stood before each item of a list. */
  public Map<NodeId, String> markers() {
    return markers;
  }

  /** Where pages begin within blocks. */
  public List<TakenIn.PageBreak> breaks() {
    return breaks;
  }

  public Document make() {
    notes.forEach(noteMaker::note);
    List<Section> sections = withUnmarkedNotes(sections());
    Map<NodeId, Story> stories = new LinkedHashMap<>(noteMaker.stories());
    stories.putAll(apart.stories());
    noteMaker.unmarked().forEach(m -> stories.remove(m.note()));
    Document d =
        Document.of(
            metadata,
            styles.sheet(metadata, joiner.divided() >= DocumentThresholds.DocumentMaker.DIVIDED),
            lists.definitions(),
            sections,
            stories,
            figures.media(),
            List.of());
    Document out = noteMaker.labelled(d);
    Block last = sections.getLast().blocks().getLast();
    for (NoteMaker.Made m : noteMaker.made()) {
      Story s = out.stories().get(m.note());
      if (s != null && s.kind() == Story.Kind.ENDNOTE) {
        setting.follows(m.paragraph(), last);
        last = m.paragraph();
      }
    }
    return out;
  }

  /** Notes that no mark leads to stand where they stood: at the end of their page, as text. */
  private List<Section> withUnmarkedNotes(List<Section> sections) {
    var out = new ArrayList<>(sections);
    for (NoteMaker.Made m : noteMaker.unmarked()) {
      int section = 0;
      int after = -1;
      for (int s = 0; s < out.size(); s++) {
        List<Block> blocks = out.get(s).blocks();
        for (int b = 0; b < blocks.size(); b++) {
          if (setting.endsBy(blocks.get(b), m.found().page())) {
            section = s;
            after = b;
          }
        }
      }
      Section s = out.get(section);
      var blocks = new ArrayList<>(s.blocks());
      Paragraph p = m.asText();
      blocks.add(after + 1, p);
      out.set(section, s.withBlocks(blocks));
      Optional<Block> before = after < 0 ? Optional.empty() : Optional.of(blocks.get(after));
      setting.unmarked(p, m.found(), joiner.joined(m.found().lines()), s.page(), before);
      if (after + 2 < blocks.size()) {
        setting.follows(blocks.get(after + 2), p);
      }
    }
    return out;
  }

  private List<Section> sections() {
    var out = new ArrayList<Section>();
    int from = 0;
    while (from < pages.size()) {
      int to = from + 1;
      while (to < pages.size() && PaperMaker.sameSheet(pages.get(from), pages.get(to))) {
        to++;
      }
      out.addAll(sections(from, to));
      from = to;
    }
    return out;
  }

  /** Sections for like pages: one, or one for each stretch with its own columns. */
  private List<Section> sections(int from, int to) {
    List<Detected> here = found.stream().filter(f -> f.page() >= from && f.page() < to).toList();
    var heads =
        new RunningStories(running, styles.bodyText(), pages.size(), titles, runningStories);
    ApartStories.OnPages onAll = apart.take(from, to);
    PageSetup sheet = paper.setup(from, to, here);
    var out = new ArrayList<Section>();
    Detected before = null;
    for (TextColumns.Stretch stretch : TextColumns.of(here, to - from)) {
      PageSetup setup = sheet.withColumns(stretch.columns());
      Optional<Integer> start = out.isEmpty() ? heads.start(from, to) : Optional.empty();
      if (start.isPresent()) {
        setup = setup.withNumbers(new PageNumbers(start, ListDefinition.NumberFormat.DECIMAL));
      }
      if (out.isEmpty()) {
        runningLines(from, to, setup);
        notesAsFound(from, to, setup);
      }
      var blocks = new ArrayList<Block>();
      for (Detected f : stretch.blocks()) {
        if (f instanceof Detected.Figure picture && floating.contains(picture)) {
          continue; // it stands in its paragraph
        }
        Block b = block(f, setup, before);
        blocks.add(b);
        setting.block(b, f, setup);
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
              RunningStories.with(onAll, heads.of(from, to, setup)),
              blocks));
    }
    return out;
  }

  /** The lines of running texts as they stood. */
  private void runningLines(int from, int to, PageSetup setup) {
    Map<Integer, List<Paragraph>> lines = new LinkedHashMap<>();
    for (int page = from; page < to; page++) {
      lines.put(page, new ArrayList<>());
    }
    // What is found by identity has no order of its own.
    List<TextLine> here =
        running.lines().stream()
            .filter(l -> l.page() >= from && l.page() < to && !l.glyphs().isEmpty())
            .sorted(TextLine.DOWN)
            .toList();
    for (TextLine l : here) {
      var p =
          new Paragraph(
              NodeId.fresh(),
              Look.PLAIN,
              Look.PLAIN,
              LookMaker.inlines(l.glyphs(), styles.bodyText(), l.size()));
      setting.line(p, l, joiner.joined(List.of(l)), 0, setup);
      lines.computeIfAbsent(l.page(), k -> new ArrayList<>()).add(p);
    }
    // A page some line of which is not known as it stood gets the running texts of the document.
    lines.forEach((page, some) -> {
      if (some.stream().allMatch(p -> setting.of(p.id()).isPresent())) {
        runningLines.put(page, some);
      }
    });
  }

  private void notesAsFound(int from, int to, PageSetup setup) {
    for (NoteMaker.Made m : noteMaker.made()) {
      if (m.found().page() >= from && m.found().page() < to) {
        setting.note(m.paragraph(), m.found(), joiner.joined(m.found().lines()), setup);
      }
    }
  }

  private Block block(Detected f, PageSetup setup, @Nullable Detected before) {
    Block b =
        switch (f) {
          case Detected.Text t -> paragraph(t, setup, before);
          case Detected.Grid g -> {
            Table t = tables.table(g, setup);
            breaks(g, t);
            setting.cells(t, g, joiner, setup);
            cellPlaces(t, g);
            yield t;
          }
          case Detected.Figure p -> figures.figure(p, setup);
        };
    places.put(b.id(), new Finding.SourcePlace(f.page(), f.box()));
    return b;
  }

  private void cellPlaces(Table t, Detected.Grid g) {
    for (int r = 0; r < g.rows().size(); r++) {
      for (int k = 0; k < g.rows().get(r).size(); k++) {
        List<Block> cell = t.rows().get(r).cells().get(k).blocks();
        int at = 0;
        for (List<TextLine> of : g.rows().get(r).get(k).paragraphs()) {
          NodeId id = cell.get(at++).id();
          of.stream()
              .map(TextLine::box)
              .reduce(Box::union)
              .ifPresent(b -> places.put(id, new Finding.SourcePlace(of.getFirst().page(), b)));
        }
      }
    }
  }

  private Paragraph paragraph(Detected.Text t, PageSetup setup, @Nullable Detected before) {
    boolean heading = t.kind() == Detected.Kind.HEADING;
    Look base = styles.bodyText();
    Look look = Look.PLAIN;
    if (heading) {
      base = styles.headingText(t.level());
      look = look.with(ParagraphTraits.STYLE, StyleMaker.headingStyle(t.level()));
    }
    boolean entry = t.kind() == Detected.Kind.ENTRY;
    if (entry) {
      base = styles.entryText(t.level());
      look = look.with(ParagraphTraits.STYLE, StyleMaker.ENTRY_STYLE + t.level());
    }
    double space = looks.spaceBefore(t, before);
    if (space > DocumentThresholds.DocumentMaker.MIN_SPACE * t.size()) {
      look = look.with(ParagraphTraits.SPACE_BEFORE, LookMaker.halves(space));
    }
    if (looks.beginsPage(t, before, setup)) {
      look = look.with(ParagraphTraits.PAGE_BREAK_BEFORE, true);
    }
    List<Glyph> glyphs = joiner.join(t.lines());
    Dehyphenator.Joined joined = joiner.joined(t.lines());
    boolean rightToLeft = Directions.beginsRightToLeft(glyphs);
    Edges edges = Edges.of(t, setup, rightToLeft);
    List<TextLine> clear = floating.isEmpty() ? t.lines() : FloatedPictures.clear(t, floating);
    if (entry) {
      look = styles.entry(t, look, edges);
    } else if (!clear.isEmpty()) {
      look = looks.alignment(t.with(clear), look, edges, setup);
    }
    if (t.kind() == Detected.Kind.ITEM) {
      look = looks.item(t, look, edges);
    }
    look = ParagraphLooks.tabbed(t, look, edges);
    look = boxedNotes.with(look, t, edges);
    if (rightToLeft) {
      look = look.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT);
    }
    var inlines = new ArrayList<Inline>();
    floats.getOrDefault(t, List.of()).forEach(f -> inlines.add(figures.floating(f, t, setup)));
    int floated = inlines.size();
    inlines.addAll(noteMaker.marked(LookMaker.inlines(glyphs, base, t.size()), t.lines()));
    var p = new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines);
    if (t.kind() == Detected.Kind.ITEM) {
      markers.put(p.id(), t.marker());
    }
    setting.lines(p, t, joined, floated, setup);
    for (int k = 1; k < t.lines().size(); k++) {
      if (t.lines().get(k).page() > t.lines().get(k - 1).page()) {
        List<Inline> ahead =
            noteMaker.marked(
                LookMaker.inlines(glyphs.subList(0, joined.begins()[k]), base, t.size()),
                t.lines());
        int at = floated + ahead.stream().mapToInt(Inline::length).sum();
        breaks.add(
            new TakenIn.PageBreak(
                t.lines().get(k).page(), new Position(p.id(), Math.min(at, p.length()))));
      }
    }
    return p;
  }

  /** Where pages begin within a table: at its first row that stands wholly on the page. */
  private void breaks(Detected.Grid g, Table t) {
    int page = g.page();
    for (int r = 0; r < g.rows().size(); r++) {
      int first =
          g.rows().get(r).stream()
              .flatMap(c -> c.lines().stream())
              .mapToInt(TextLine::page)
              .min()
              .orElse(page);
      if (first > page) {
        page = first;
        int at = first;
        t.rows().get(r).cells().stream()
            .flatMap(c -> c.blocks().stream())
            .findFirst()
            .ifPresent(b -> breaks.add(new TakenIn.PageBreak(at, new Position(b.id(), 0))));
      }
    }
  }

  /** Gives names to the paragraphs that links lead to, and leads the links there. */
  public static Document withLinks(Document d, Map<String, NodeId> targets) {
    Map<NodeId, Paragraph> named = new LinkedHashMap<>();
    Map<NodeId, List<String>> names = new LinkedHashMap<>();
    targets.forEach((name, id) -> names.computeIfAbsent(id, k -> new ArrayList<>()).add(name));
    for (Map.Entry<NodeId, List<String>> e : names.entrySet()) {
      Paragraph p = d.requireParagraph(e.getKey());
      named.put(
          p.id(), p.withLook(p.look().with(ParagraphTraits.BOOKMARKS, List.copyOf(e.getValue()))));
    }
    return d.withParagraphs(named);
  }
}
