package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Box;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.beside.RunningTexts.RunningText;
import decant.pdf.read.beside.RunningTitles;
import decant.pdf.read.beside.RunningTitles.Title;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;

/** Running texts into headers and footers, with the page's number as a field. */
final class RunningStories {
  private final RunningTexts.Result running;
  private final Look bodyText;
  private final int pages;
  private final RunningTitles titles;
  private final List<Story> made;

  /**
   * @param pages how many the file has
   * @param made those of the sections before, to which those of these are added
   */
  RunningStories(
      RunningTexts.Result running,
      Look bodyText,
      int pages,
      RunningTitles titles,
      List<Story> made) {
    this.titles = titles;
    this.made = made;
    this.running = running;
    this.pages = pages;
    this.bodyText = bodyText;
  }

  /** The stories of a section that holds the pages from one up to another. */
  Map<Section.Running, Story> of(int from, int to, PageSetup setup) {
    var out = new LinkedHashMap<Section.Running, Story>();
    List<RunningText> here = within(running.texts(), p -> p >= from && p < to);
    if (here.isEmpty()) {
      return out;
    }
    int offset = offset(here);
    List<RunningText> later = within(here, p -> p > from);
    boolean sides = haveSides(later, offset);
    boolean first = to - from > 2 && isBare(here, later, from);
    for (boolean header : new boolean[] {true, false}) {
      Section.Running usual = header ? Section.Running.HEADER : Section.Running.FOOTER;
      if (first) {
        var which = header ? Section.Running.HEADER_FIRST : Section.Running.FOOTER_FIRST;
        put(out, which, within(here, p -> p == from), setup);
      }
      if (sides) {
        put(out, usual, within(later, p -> (p + offset) % 2 != 0), setup);
        var which = header ? Section.Running.HEADER_EVEN : Section.Running.FOOTER_EVEN;
        put(out, which, within(later, p -> (p + offset) % 2 == 0), setup);
      } else {
        put(out, usual, here, setup);
      }
    }
    return out;
  }

  /** The stories with what stands on every page, in whatever header it has. */
  static Map<Section.Running, Story> with(
      ApartStories.OnPages boxes, Map<Section.Running, Story> stories) {
    if (boxes.all().isEmpty() && boxes.butFirst().isEmpty()) {
      return stories;
    }
    var out = new LinkedHashMap<>(stories);
    Look low = Look.of(ParagraphTraits.LINE_PITCH, new LinePitch.Exactly(1));
    out.putIfAbsent(
        Section.Running.HEADER,
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Paragraph.of(low, ""))));
    out.replaceAll((which, story) -> {
      if (!which.isHeader() || !(story.blocks().getFirst() instanceof Paragraph p)) {
        return story;
      }
      var inlines = new ArrayList<Inline>(boxes.all());
      if (which != Section.Running.HEADER_FIRST) {
        inlines.addAll(boxes.butFirst());
      }
      inlines.addAll(p.inlines());
      // It is another story than that of sections without them, and its paragraphs are others.
      var blocks = new ArrayList<Block>();
      blocks.add(new Paragraph(NodeId.fresh(), p.look(), p.endLook(), inlines));
      for (Block b : story.blocks().subList(1, story.blocks().size())) {
        blocks.add(
            b instanceof Paragraph q
                ? new Paragraph(NodeId.fresh(), q.look(), q.endLook(), q.inlines())
                : b);
      }
      return new Story(NodeId.fresh(), Story.Kind.RUNNING, blocks);
    });
    return out;
  }

  /** What to add to the index of a page to have its number. */
  private static int offset(List<RunningText> texts) {
    return texts.stream()
        .flatMap(t -> t.counter().stream())
        .map(RunningTexts.Counter::offset)
        .findFirst()
        .orElse(1);
  }

  /** The first number of a section's pages, where it is not what it would be anyway. */
  Optional<Integer> start(int from, int to) {
    List<RunningText> here = within(running.texts(), p -> p >= from && p < to);
    int first = from + offset(here);
    boolean goesOn =
        from == 0 ? first == 1 : first == from + offset(within(running.texts(), p -> p < from));
    return goesOn || first < 1 ? Optional.empty() : Optional.of(first);
  }

  private static List<RunningText> within(List<RunningText> texts, IntPredicate pages) {
    var out = new ArrayList<RunningText>();
    for (RunningText t : texts) {
      List<TextLine> lines = t.lines().stream().filter(l -> pages.test(l.page())).toList();
      if (!lines.isEmpty()) {
        out.add(new RunningText(t.header(), t.text(), lines, t.counter()));
      }
    }
    return out;
  }

  /** Whether left and right pages mirror one another: a text stands elsewhere on each. */
  private static boolean haveSides(List<RunningText> texts, int offset) {
    return texts.stream()
        .anyMatch(t -> {
          Set<Long> even = places(t, p -> (p + offset) % 2 == 0);
          Set<Long> odd = places(t, p -> (p + offset) % 2 != 0);
          return even.size() == 1 && odd.size() == 1 && !even.equals(odd);
        });
  }

  private static Set<Long> places(RunningText t, IntPredicate pages) {
    return t.lines().stream()
        .filter(l -> pages.test(l.page()))
        .map(l -> Math.round((l.box().x() + l.box().width() / 2) / 50))
        .collect(Collectors.toSet());
  }

  /** Whether the first page has none of what most others have above or below their text. */
  private static boolean isBare(List<RunningText> here, List<RunningText> later, int from) {
    for (boolean header : new boolean[] {true, false}) {
      boolean others = later.stream().anyMatch(t -> t.header() == header && t.lines().size() > 1);
      boolean own = within(here, p -> p == from).stream().anyMatch(t -> t.header() == header);
      if (others && !own) {
        return true;
      }
    }
    return false;
  }

  /** What stands on first or even pages stands there also where it is nothing. */
  private void put(
      Map<Section.Running, Story> out,
      Section.Running which,
      List<RunningText> texts,
      PageSetup setup) {
    List<Title> here =
        titles.of(texts.stream().filter(r -> r.header() == which.isHeader()).toList()).stream()
            .sorted(Comparator.comparingDouble(t -> baseline(t.usual())))
            .toList();
    var paragraphs = new ArrayList<Block>();
    int k = 0;
    while (k < here.size()) {
      int end = k + 1;
      while (end < here.size()
          && baseline(here.get(end).usual()) - baseline(here.get(k).usual())
              < DocumentThresholds.RunningStories.SAME_LINE
                  * here.get(k).usual().lines().getFirst().size()) {
        end++;
      }
      paragraphs.add(runningLine(here.subList(k, end), setup));
      k = end;
    }
    boolean usual = which == Section.Running.HEADER || which == Section.Running.FOOTER;
    if (paragraphs.isEmpty() && !usual) {
      paragraphs.add(Paragraph.of(Look.PLAIN, ""));
    }
    if (!paragraphs.isEmpty()) {
      out.put(which, shared(new Story(NodeId.fresh(), Story.Kind.RUNNING, paragraphs)));
    }
  }

  /** A story that says the same, if an earlier section has one: whoever changes it means all. */
  private Story shared(Story fresh) {
    for (Story known : made) {
      if (sameText(known.blocks(), fresh.blocks())) {
        return known;
      }
    }
    made.add(fresh);
    return fresh;
  }

  private static boolean sameText(List<Block> a, List<Block> b) {
    if (a.size() != b.size()) {
      return false;
    }
    for (int k = 0; k < a.size(); k++) {
      boolean same =
          a.get(k) instanceof Paragraph p
              && b.get(k) instanceof Paragraph q
              && p.look().equals(q.look())
              && p.inlines().equals(q.inlines());
      if (!same) {
        return false;
      }
    }
    return true;
  }

  private Paragraph runningParagraph(Title title, PageSetup setup) {
    RunningText r = title.usual();
    TextLine l = r.lines().getFirst();
    List<Inline> inlines = new ArrayList<>();
    for (Inline i : LookMaker.inlines(l.glyphs(), bodyText, l.size())) {
      if (title.style().isPresent()) {
        inlines.add(
            new Inline.Field(
                Inline.Field.Kind.STYLED_TEXT, title.style().get(), r.text().strip(), i.look()));
        break;
      }
      inlines.addAll(
          r.counter().isPresent() && i instanceof Inline.Text t
              ? withFields(t, r.counter().get())
              : List.of(i));
    }
    // Their lines stand where they were found, not as those of the text do.
    Look look = SET;
    Alignment alignment = Alignment.START;
    double centre =
        l.box().x() + l.box().width() / 2 - (setup.margins().left() + setup.textWidth() / 2);
    boolean wide = l.text().contains("\t");
    if (wide) {
      look =
          look.with(
              ParagraphTraits.TABS,
              List.of(
                  new ParagraphTraits.TabStop(
                      setup.textWidth(),
                      ParagraphTraits.TabStop.Kind.RIGHT,
                      ParagraphTraits.TabStop.Leader.NONE)));
    } else if (Math.abs(centre) < DocumentThresholds.RunningStories.CENTRED * setup.textWidth()) {
      alignment = Alignment.CENTRE;
    } else if (l.box().x() > setup.margins().left() + setup.textWidth() / 2) {
      alignment = Alignment.END;
    }
    look = look.with(ParagraphTraits.ALIGNMENT, alignment);
    look =
        switch (alignment) {
          case START ->
              indented(look, ParagraphTraits.INDENT_START, l.box().x() - setup.margins().left());
          case END ->
              indented(
                  look,
                  ParagraphTraits.INDENT_END,
                  setup.margins().left() + setup.textWidth() - l.box().right());
          case CENTRE, JUSTIFIED -> look;
        };
    return new Paragraph(NodeId.fresh(), look, markOf(inlines), inlines);
  }

  private static final Look SET =
      Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE)
          .with(ParagraphTraits.SPACE_BEFORE, 0.0)
          .with(ParagraphTraits.SPACE_AFTER, 0.0);

  /** The mark of a paragraph is as high as its words, or it would make the line higher. */
  private static Look markOf(List<Inline> inlines) {
    return inlines.isEmpty() ? Look.PLAIN : inlines.getLast().look().without(TextTraits.LINK);
  }

  private static Look indented(Look look, Trait<Double> side, double by) {
    return Math.abs(by) < DocumentThresholds.RunningStories.INDENT ? look : look.with(side, by);
  }

  private static double baseline(RunningText r) {
    return r.lines().getFirst().baseline();
  }

  /** Running texts on one height: each at its own place on the line. */
  private Paragraph runningLine(List<Title> texts, PageSetup setup) {
    if (texts.size() == 1) {
      return runningParagraph(texts.getFirst(), setup);
    }
    var inlines = new ArrayList<Inline>();
    var stops = new ArrayList<ParagraphTraits.TabStop>();
    List<Title> sorted = new ArrayList<>(texts);
    sorted.sort(Comparator.comparingDouble(t -> t.usual().lines().getFirst().box().x()));
    for (Title t : sorted) {
      Box box = t.usual().lines().getFirst().box();
      double middle = box.x() + box.width() / 2 - setup.margins().left();
      List<Inline> words = runningParagraph(t, setup).inlines();
      if (!inlines.isEmpty() || middle > setup.textWidth() / 3) {
        boolean right = middle > setup.textWidth() * DocumentThresholds.RunningStories.AT_RIGHT;
        double at = right ? box.right() - setup.margins().left() : middle;
        stops.add(
            new ParagraphTraits.TabStop(
                at,
                right ? ParagraphTraits.TabStop.Kind.RIGHT : ParagraphTraits.TabStop.Kind.CENTRE,
                ParagraphTraits.TabStop.Leader.NONE));
        // As high as the words, or it would make the line higher.
        inlines.add(new Inline.Text("\t", words.isEmpty() ? Look.PLAIN : words.getFirst().look()));
      }
      inlines.addAll(words);
    }
    Look look = SET.with(ParagraphTraits.TABS, List.copyOf(stops));
    double left = sorted.getFirst().usual().lines().getFirst().box().x() - setup.margins().left();
    boolean begins = !(inlines.getFirst() instanceof Inline.Text t && t.text().equals("\t"));
    return new Paragraph(
        NodeId.fresh(),
        begins ? indented(look, ParagraphTraits.INDENT_START, left) : look,
        markOf(inlines),
        inlines);
  }

  /** The number that goes up with the pages becomes a field, and that of all pages after it. */
  private List<Inline> withFields(Inline.Text t, RunningTexts.Counter counter) {
    var m = RunningTexts.NUMBER.matcher(t.text());
    var out = new ArrayList<Inline>();
    int at = 0;
    for (int group = 0; m.find(); group++) {
      boolean page = group == counter.group();
      boolean all = group > counter.group() && Integer.parseInt(m.group()) == pages;
      if (!page && !all) {
        continue;
      }
      if (m.start() > at) {
        out.add(new Inline.Text(t.text().substring(at, m.start()), t.look()));
      }
      out.add(
          new Inline.Field(
              page ? Inline.Field.Kind.PAGE : Inline.Field.Kind.PAGES, m.group(), t.look()));
      at = m.end();
    }
    if (at < t.text().length()) {
      out.add(new Inline.Text(t.text().substring(at), t.look()));
    }
    return out;
  }
}
