package decant.bench;

import decant.format.Intake;
import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.LayoutChange;
import decant.layout.Layouter;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.edit.Search;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.paint.PagePainter;
import decant.pdf.choices.Passwords;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.RecipeBook;
import decant.text.FontBook;
import decant.text.JdkShaper;
import decant.text.Joins;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;

/**
 * What a person waits for in a long document: the first page, all pages, a keystroke, a published
 * file.
 */
final class Scale {
  private static final double SCALE = 96 / 72.0;
  private static final int KEYSTROKES = 1000;

  private Scale() {}

  public static void main(String[] args) throws Exception {
    java.util.logging.LogManager.getLogManager().reset();
    int pages = args.length > 0 ? Integer.parseInt(args[0]) : 300;
    Path folder = Files.createTempDirectory("decant-bench");
    Path docx = folder.resolve("long.docx");
    Path pdf = folder.resolve("long.pdf");
    Document made = LongDocument.of(pages);
    Publisher.workingCopy(made, docx, false, Untouchable.inputs(List.of()));
    publish(new Layouter(FontBook.shipped()).layout(made), pdf);
    for (Path file : new Path[] {docx, pdf}) {
      // Twice: the first time the classes and the fonts are cold, as in a program just started.
      for (String when : new String[] {"cold", "warm"}) {
        opened(file, when);
      }
    }
    Document d = Intake.take(ReadRequest.of(docx)).document();
    floor(d);
    for (double share : new double[] {0, 0.5, 0.95}) {
      List<Paragraph> all = d.paragraphs();
      int k = (int) (share * (all.size() - 1));
      while (all.get(k).length() < 100) {
        k++;
      }
      typed(d, all.get(k), "at %.0f %%".formatted(share * 100));
    }
    typed(
        d,
        d.paragraphs().stream().max(Comparator.comparingInt(Paragraph::length)).orElseThrow(),
        "in the longest paragraph");
    typed(d, inTable(d), "in a table");
    typed(
        d,
        d.paragraphs().stream()
            .filter(p -> p.look().sets(ParagraphTraits.LIST))
            .skip(200)
            .findFirst()
            .orElseThrow(),
        "in a list");
    Story note = d.stories().values().stream().skip(100).findFirst().orElseThrow();
    typed(d, (Paragraph) note.blocks().getFirst(), "in a note");
    Story header = d.sections().getFirst().running().values().iterator().next();
    typed(d, (Paragraph) header.blocks().getFirst(), "in a header");
    inOneGo(d);
    restyled(d);
    Layout all = new Layouter(FontBook.shipped()).layout(d);
    for (String when : new String[] {"cold", "warm"}) {
      long start = System.nanoTime();
      Receipt r = publish(all, folder.resolve(when + ".pdf"));
      double seconds = (System.nanoTime() - start) / 1e9;
      print(
          "publish and verify %d pages, %s: %.2f s, %.0f pages a second, %d bytes, verified %s",
          r.pages(), when, seconds, r.pages() / seconds, r.bytes(), r.verified());
    }
    System.gc();
    long used = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    print("heap in use after collection: %d MiB", used >> 20);
  }

  private static Receipt publish(Layout layout, Path to) throws Exception {
    String name = to.getFileName().toString();
    var order =
        new Publisher.Order(
            layout,
            RecipeBook.counterCopy(),
            AtomicFile.folderOf(to),
            name.substring(0, name.lastIndexOf('.')),
            to.resolveSibling("none"),
            true,
            Passwords.NONE,
            Untouchable.inputs(List.of(to.resolveSibling("none"))));
    return Publisher.publish(order, (file, done) -> {}, () -> false);
  }

  private static void opened(Path file, String when) throws Exception {
    long start = System.nanoTime();
    TakenIn taken = Intake.take(ReadRequest.of(file));
    long read = System.nanoTime();
    long[] first = new long[1];
    var painter = new PagePainter();
    Layout l =
        new Layouter(FontBook.shipped())
            .layout(
                taken.document(),
                () -> false,
                4,
                part -> {
                  if (first[0] == 0) {
                    painter.paint(part, part.pages().getFirst(), SCALE);
                    first[0] = System.nanoTime();
                  }
                });
    long end = System.nanoTime();
    print(
        "%s, %s: read %.2f s, first page painted after %.2f s, all %d pages after %.2f s",
        file.getFileName(),
        when,
        (read - start) / 1e9,
        (first[0] - start) / 1e9,
        l.pages().size(),
        (end - start) / 1e9);
  }

  private static Paragraph inTable(Document d) {
    for (Block b : d.sections().getFirst().blocks()) {
      if (b instanceof Table t) {
        return (Paragraph) t.rows().get(3).cells().get(1).blocks().getFirst();
      }
    }
    throw new IllegalStateException("no table");
  }

  /** Layout from scratch beside the floor: shaping the same text and nothing else, uncached. */
  private static void floor(Document d) {
    var fonts = FontBook.shipped();
    double[] shaping = new double[9];
    double[] layout = new double[9];
    for (int k = 0; k < shaping.length; k++) {
      long start = System.nanoTime();
      var shaper = new JdkShaper();
      long glyphs = 0;
      for (Paragraph p : d.paragraphs()) {
        Look base = d.styles().textBase(p.look());
        for (Inline i : p.inlines()) {
          if (i instanceof Inline.Text t) {
            Look look = d.styles().textLook(base, t.look());
            var face =
                fonts
                    .serve(
                        look.value(TextTraits.FAMILY),
                        look.value(TextTraits.BOLD),
                        look.value(TextTraits.ITALIC))
                    .face();
            glyphs += shaper.shape(face, t.text(), false, Joins.ALL).ids().length;
          }
        }
      }
      shaping[k] = (System.nanoTime() - start) / 1e6;
      start = System.nanoTime();
      new Layouter(fonts).layout(d);
      layout[k] = (System.nanoTime() - start) / 1e6;
      if (glyphs == 0) {
        throw new IllegalStateException("nothing was shaped");
      }
    }
    Arrays.sort(shaping);
    Arrays.sort(layout);
    print(
        "layout from scratch %.0f ms, bare shaping of the same text %.0f ms (medians): %.2f times",
        layout[4], shaping[4], layout[4] / shaping[4]);
  }

  private static void typed(Document d, Paragraph p, String where) {
    var layouter = new Layouter(FontBook.shipped());
    Layout l = layouter.layout(d);
    var painter = new PagePainter();
    Revision r = Revision.of(d).withSelection(Selection.at(new Position(p.id(), p.length() / 2)));
    double[] millis = new double[KEYSTROKES];
    double[] layouts = new double[KEYSTROKES];
    var image =
        new BufferedImage(
            (int) (l.pages().getFirst().setup().width() * SCALE),
            (int) (l.pages().getFirst().setup().height() * SCALE),
            BufferedImage.TYPE_INT_ARGB_PRE);
    Layout shown = null;
    int near = l.pages().size() / 2;
    for (int key = 0; key < KEYSTROKES; key++) {
      long start = System.nanoTime();
      r = Commands.insert(r, key % 6 == 5 ? " " : "a");
      l = layouter.layout(r.document());
      double laid = (System.nanoTime() - start) / 1e6;
      layouts[key] = laid;
      CaretPlace c = l.caret(r.selection().caret(), near).orElseThrow();
      Page page = c.page();
      // As the window does it: the picture of the page is kept, and what changed painted over.
      if (shown != null && near == page.number() - 1) {
        Layout now = l;
        LayoutChange.onPage(shown, l, near)
            .ifPresent(c2 -> painter.repaint(now, page, image, SCALE, 0, c2));
      } else {
        painter.paint(l, page, image, SCALE);
      }
      shown = l;
      near = page.number() - 1;
      millis[key] = (System.nanoTime() - start) / 1e6;
    }
    double[] settled = Arrays.copyOfRange(millis, 100, KEYSTROKES);
    Arrays.sort(settled);
    double[] laid = Arrays.copyOfRange(layouts, 100, KEYSTROKES);
    Arrays.sort(laid);
    print(
        "keystroke to painted page, %s (%d pages): median %.1f ms, 99th percentile %.1f ms (layout alone %.1f, %.1f)",
        where,
        l.pages().size(),
        settled[settled.length / 2],
        settled[(int) (settled.length * 0.99)],
        laid[laid.length / 2],
        laid[(int) (laid.length * 0.99)]);
  }

  /** Acts that change much, or the number of blocks, from the act to pages laid out. */
  private static void inOneGo(Document d) {
    NodeId middle = d.index().order().get(d.index().order().size() / 2);
    Revision there = Revision.of(d).withSelection(Selection.at(new Position(middle, 0)));
    var query = new Search.Query("the ", true);
    int hits = Search.all(d, query).size();
    String lines = "A line of the register of berths\n".repeat(200);
    inOneGo("a paragraph begun", there, Commands::newParagraph);
    inOneGo("200 lines pasted", there, r -> Commands.insert(r, lines));
    inOneGo(hits + " hits replaced", there, r -> Search.replaceAll(r, query, "each "));
  }

  private static void inOneGo(String what, Revision r, UnaryOperator<Revision> act) {
    double[] changed = new double[21];
    double[] laid = new double[21];
    for (int k = 0; k < changed.length; k++) {
      var layouter = new Layouter(FontBook.shipped());
      Layout shown = layouter.layout(r.document());
      int page = shown.pagesOf(r.selection().caret().paragraph()).getFirst().number() - 1;
      long start = System.nanoTime();
      Revision after = act.apply(r);
      changed[k] = (System.nanoTime() - start) / 1e6;
      layouter.inSight(after.document(), shown, page, 2);
      laid[k] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(changed);
    Arrays.sort(laid);
    print(
        "%s (%d paragraphs): median %.1f ms, with the pages in sight %.1f ms",
        what, r.document().index().order().size(), changed[10], laid[10]);
  }

  /** Another size of all text, seen in the middle: the pages in sight, then all of them. */
  private static void restyled(Document d) {
    var layouter = new Layouter(FontBook.shipped());
    Layout shown = layouter.layout(d);
    var painter = new PagePainter();
    for (double size : new double[] {12.5, 9.5, 11.5}) {
      StyleSheet s = d.styles();
      Document next =
          d.withStyles(
              new StyleSheet(
                  s.paragraphDefaults(),
                  s.textDefaults().with(TextTraits.SIZE, size),
                  s.defaultStyle(),
                  s.styles(),
                  s.typesetting()));
      int middle = shown.pages().size() / 2;
      long start = System.nanoTime();
      Layout seen = layouter.inSight(next, shown, middle, 2);
      painter.paint(seen, seen.pages().get(middle), SCALE);
      double first = (System.nanoTime() - start) / 1e6;
      shown = layouter.layout(next);
      print(
          "another size of all text: the page in sight painted after %.0f ms, all %d pages after %.0f ms",
          first, shown.pages().size(), (System.nanoTime() - start) / 1e6);
    }
  }

  private static void print(String format, Object... args) {
    System.out.println(String.format(Locale.ROOT, format, args));
  }
}
