package decant.layout;

import decant.layout.block.Floater;
import decant.layout.item.Fragment;
import decant.layout.item.ParagraphLayout;
import decant.layout.label.FieldValues;
import decant.layout.pages.Page;
import decant.model.Inline;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.SourceSetting;
import decant.model.Story;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Header and footer of one page. */
final class RunningOfPage {
  private final Layout layout;
  private final Layout.RunningTexts runningTexts;
  private final Page page;

  RunningOfPage(Layout layout, Layout.RunningTexts runningTexts, Page page) {
    this.layout = layout;
    this.runningTexts = runningTexts;
    this.page = page;
  }

  List<Fragment> set() {
    if (layout.pinned(page).isPresent()) {
      return List.of();
    }
    Section s = layout.document().sections().get(page.section());
    PageSetup setup = page.setup();
    FieldValues fields = fields();
    var out = new ArrayList<Fragment>();
    SourceSetting.Running found = layout.document().setting().running();
    boolean asFound =
        page.start().found() == page.number() - 1
            && layout.pages().size() == found.pages()
            && found.lines().containsKey(page.start().found())
            && found.unchanged(s);
    if (asFound) {
      for (Paragraph line : Objects.requireNonNull(found.lines().get(page.start().found()))) {
        out.addAll(lineAsFound(line, setup, fields));
      }
      if (floats(s)) {
        // What floats in them, as watermarks do, has its place by itself.
        running(s, setup, fields).stream()
            .filter(Fragment.Floated.class::isInstance)
            .forEach(out::add);
      }
      return out;
    }
    return running(s, setup, fields);
  }

  private static boolean floats(Section s) {
    return s.running().values().stream()
        .flatMap(r -> r.blocks().stream())
        .anyMatch(b -> b instanceof Paragraph p && Floater.anchors(p));
  }

  /** The running texts of the document on this page. */
  private List<Fragment> running(Section s, PageSetup setup, FieldValues fields) {
    var out = new ArrayList<Fragment>();
    s.runningFor(true, page.firstOfSection(), page.shown())
        .ifPresent(h -> {
          for (Fragment f : runningTexts.set(h, setup, setup.margins().header(), fields)) {
            out.add(f.moved(setup.margins().left(), setup.margins().header()));
          }
        });
    s.runningFor(false, page.firstOfSection(), page.shown())
        .ifPresent(f -> {
          // How high it is does not follow from where it stands, but what floats in it does.
          double height = Fragment.lowest(runningTexts.set(f, setup, 0, fields));
          double top = setup.height() - setup.margins().footer() - height;
          for (Fragment part : runningTexts.set(f, setup, top, fields)) {
            out.add(part.moved(setup.margins().left(), top));
          }
        });
    return out;
  }

  /** A line of a running text where the source had it. */
  private List<Fragment> lineAsFound(Paragraph line, PageSetup setup, FieldValues fields) {
    var story = new Story(line.id(), Story.Kind.RUNNING, List.of(line));
    var out = new ArrayList<Fragment>();
    for (Fragment f : runningTexts.set(story, setup, 0, fields)) {
      double baseline =
          layout
              .document()
              .setting()
              .block(line.id())
              .map(b -> b.lines().getFirst().baseline())
              .orElse(0.0);
      double own = f instanceof Fragment.Lines l ? l.layout().lines().getFirst().baseline() : 0;
      out.add(f.moved(setup.margins().left(), baseline - own - f.y()));
    }
    return out;
  }

  private FieldValues fields() {
    return new FieldValues(
        page.shown(),
        layout.document().sections().get(page.section()).page().numbers().format(),
        layout.pages().size(),
        layout.document().metadata().title(),
        Map.of(),
        Map.of(),
        this::styledText);
  }

  /** The first text on the page in a named style, or else the last before it (§17.16.5.59). */
  private String styledText(String style) {
    for (Fragment f : page.body()) {
      if (f instanceof Fragment.Lines l && l.from() == 0 && isIn(l.layout(), style)) {
        return plain(l.layout());
      }
    }
    for (int k = page.number() - 2; k >= 0; k--) {
      List<Fragment> body = layout.pages().get(k).body();
      for (int j = body.size() - 1; j >= 0; j--) {
        if (body.get(j) instanceof Fragment.Lines l && isIn(l.layout(), style)) {
          return plain(l.layout());
        }
      }
    }
    return "";
  }

  private static boolean isIn(ParagraphLayout p, String style) {
    return p.style().style().equals(style) && !p.source().inlines().isEmpty();
  }

  private static String plain(ParagraphLayout p) {
    return p.source().text().replace(Inline.OBJECT, ' ').replaceAll("\\s+", " ").strip();
  }
}
