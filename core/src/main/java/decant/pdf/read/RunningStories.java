package decant.pdf.read;

import decant.model.Block;
import decant.model.Box;
import decant.model.Inline;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.ParagraphTraits.Alignment;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Running texts into headers and footers, with the page's number as a field. */
final class RunningStories {
  private final RunningTexts.Result running;
  private final Look bodyText;

  RunningStories(RunningTexts.Result running, Look bodyText) {
    this.running = running;
    this.bodyText = bodyText;
  }

  Map<Section.Running, Story> of(int from, int to, PageSetup setup) {
    var out = new LinkedHashMap<Section.Running, Story>();
    for (boolean header : new boolean[] {true, false}) {
      var paragraphs = new ArrayList<Block>();
      List<RunningTexts.RunningText> here =
          running.texts().stream()
              .filter(r -> r.header() == header)
              .filter(r -> r.lines().stream().anyMatch(l -> l.page() >= from && l.page() < to))
              .sorted(java.util.Comparator.comparingDouble(r -> r.lines().getFirst().baseline()))
              .toList();
      int k = 0;
      while (k < here.size()) {
        int end = k + 1;
        while (end < here.size() && baseline(here.get(end)) - baseline(here.get(k)) < 2) {
          end++;
        }
        paragraphs.add(runningLine(here.subList(k, end), setup));
        k = end;
      }
      if (!paragraphs.isEmpty()) {
        out.put(
            header ? Section.Running.HEADER : Section.Running.FOOTER,
            new Story(NodeId.fresh(), Story.Kind.RUNNING, paragraphs));
      }
    }
    return out;
  }

  private Paragraph runningParagraph(RunningTexts.RunningText r, PageSetup setup) {
    TextLine l = r.lines().getFirst();
    List<Inline> inlines = new ArrayList<>();
    for (Inline i : LookMaker.inlines(l.glyphs(), bodyText, l.size())) {
      inlines.addAll(
          r.pageNumber() && i instanceof Inline.Text t ? withPageNumber(t, r) : List.of(i));
    }
    Alignment alignment = Alignment.START;
    double centre = l.box().x() + l.box().width() / 2 - (setup.left() + setup.textWidth() / 2);
    boolean wide = l.text().contains("\t");
    Look look = Look.PLAIN;
    if (wide) {
      look =
          look.with(
              ParagraphTraits.TABS,
              List.of(
                  new ParagraphTraits.TabStop(
                      setup.textWidth(),
                      ParagraphTraits.TabStop.Kind.RIGHT,
                      ParagraphTraits.TabStop.Leader.NONE)));
    } else if (Math.abs(centre) < 12) {
      alignment = Alignment.CENTRE;
    } else if (l.box().x() > setup.left() + setup.textWidth() / 2) {
      alignment = Alignment.END;
    }
    look = look.with(ParagraphTraits.ALIGNMENT, alignment);
    return new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines);
  }

  private static double baseline(RunningTexts.RunningText r) {
    return r.lines().getFirst().baseline();
  }

  /** Running texts on one height: each at its own place on the line. */
  private Paragraph runningLine(List<RunningTexts.RunningText> texts, PageSetup setup) {
    if (texts.size() == 1) {
      return runningParagraph(texts.getFirst(), setup);
    }
    var inlines = new ArrayList<Inline>();
    var stops = new ArrayList<ParagraphTraits.TabStop>();
    List<RunningTexts.RunningText> sorted = new ArrayList<>(texts);
    sorted.sort(java.util.Comparator.comparingDouble(r -> r.lines().getFirst().box().x()));
    for (RunningTexts.RunningText r : sorted) {
      Box box = r.lines().getFirst().box();
      double middle = box.x() + box.width() / 2 - setup.left();
      if (!inlines.isEmpty() || middle > setup.textWidth() / 3) {
        boolean right = middle > setup.textWidth() * 0.62;
        double at = right ? setup.textWidth() : setup.textWidth() / 2;
        stops.add(
            new ParagraphTraits.TabStop(
                at,
                right ? ParagraphTraits.TabStop.Kind.RIGHT : ParagraphTraits.TabStop.Kind.CENTRE,
                ParagraphTraits.TabStop.Leader.NONE));
        inlines.add(new Inline.Text("\t", Look.PLAIN));
      }
      inlines.addAll(runningParagraph(r, setup).inlines());
    }
    return new Paragraph(
        NodeId.fresh(), Look.of(ParagraphTraits.TABS, List.copyOf(stops)), Look.PLAIN, inlines);
  }

  /** The digits that go up with the pages become a field. */
  private static List<Inline> withPageNumber(Inline.Text t, RunningTexts.RunningText r) {
    var m = java.util.regex.Pattern.compile("\\d+").matcher(t.text());
    var out = new ArrayList<Inline>();
    int at = 0;
    while (m.find()) {
      boolean moves =
          r.lines().size() > 1 && r.lines().stream().map(TextLine::text).distinct().count() > 1;
      if (!moves) {
        break;
      }
      if (m.start() > at) {
        out.add(new Inline.Text(t.text().substring(at, m.start()), t.look()));
      }
      out.add(new Inline.Field(Inline.Field.Kind.PAGE, m.group(), t.look()));
      at = m.end();
      break;
    }
    if (at < t.text().length()) {
      out.add(new Inline.Text(t.text().substring(at), t.look()));
    }
    return out;
  }
}
