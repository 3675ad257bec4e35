package decant.verify.pdf;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Rule;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.InFields;
import decant.pdf.write.PaintedDrawings;
import decant.pdf.write.PdfOutline;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import decant.text.FontFace;
import java.awt.geom.Rectangle2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;

/** What a file must have, worked out from the pages and the choices alone. */
final class Expected {
  /** The characters of a page without spaces. */
  record PageText(String text, boolean rightToLeft) {}

  /**
   * A bookmark.
   *
   * @param depth how many stand above it in the outline
   * @param page from 0, in the file
   * @param top where it leads, from the page's lower edge
   */
  record Bookmark(String title, int depth, int page, double top) {
    boolean leadsAs(Bookmark o) {
      return title.equals(o.title)
          && depth == o.depth
          && page == o.page
          && Math.abs(top - o.top) < 1;
    }
  }

  private final Publication publication;
  private final PdfChoices choices;
  private final Map<Integer, Integer> pageInFile = new HashMap<>();
  private final Set<Integer> turnedPages = new HashSet<>();
  private final Set<FontFace> faces = new LinkedHashSet<>();
  private final List<ExpectedPictures> pictures = new ArrayList<>();
  private final List<LinkCheck.Area> links = new ArrayList<>();
  private final Map<Integer, PageText> texts = new HashMap<>();
  private final Map<MediaId, Boolean> painted = new HashMap<>();

  /** A place to fill in, with the text on it. */
  record Filled(FormField field, String text) {
    Filled and(Filled more) {
      return new Filled(field, text + more.text);
    }
  }

  private final Map<String, Filled> fields = new LinkedHashMap<>();
  private final Set<Comment> comments = new LinkedHashSet<>();

  /** Places to fill in, page by page, by what tells them apart. */
  Map<String, Filled> fields() {
    return fields;
  }

  /** What was noted about the text of the pages. */
  Set<Comment> comments() {
    return comments;
  }

  /**
   * @param pdf the file, of which only is asked which pages are shown turned
   */
  Expected(Publication publication, PdfChoices choices, PDDocument pdf) {
    for (int k = 0; k < pdf.getNumberOfPages(); k++) {
      if (pdf.getPage(k).getRotation() != 0) {
        turnedPages.add(k);
      }
    }
    this.publication = publication;
    this.choices = choices;
    for (int k = 0; k < choices.pages().size(); k++) {
      pageInFile.put(choices.pages().get(k), k);
    }
    Map<String, NodeId> targets = publication.bookmarks();
    for (int k = 0; k < choices.pages().size(); k++) {
      walk(publication.pages().get(choices.pages().get(k)), k, targets);
    }
  }

  /** Asked for each place of a drawing, and looked up in the drawing once. */
  private boolean isPainted(Media drawing) {
    return painted.computeIfAbsent(
        drawing.id(), k -> PaintedDrawings.has(choices.settings().conformance(), drawing));
  }

  private void walk(PublishedPage page, int inFile, Map<String, NodeId> targets) {
    var b = new StringBuilder();
    boolean[] rightToLeft = {false};
    var areas = new ArrayList<LinkArea>();
    boolean[] joins = {false};
    int[] turned = {0};
    var shown = new ExpectedPictures(publication.media(), this::isPainted);
    pictures.add(shown);
    var inFields = new InFields(choices.settings().conformance().takesFields());
    publication.walk(
        page,
        new PageSink() {
          @Override
          public void glyphs(Item.GlyphRun run, double x, double y) {
            if (run.placed().glyphs().length > 0) {
              // Words between two links to one place keep them apart, however close they stand.
              joins[0] &= run.meaning().link().isPresent();
              b.append(
                  run.shown().kind() == Item.Shown.Kind.HYPHEN
                          || inFields.takes(run)
                          || inFields.leavesBlank(run)
                      ? ""
                      : run.shown().text());
              rightToLeft[0] |= run.placed().rightToLeft();
              faces.add(run.face());
            }
          }

          @Override
          public void begin(NodeId block, PageSink.Role role) {
            joins[0] = false;
            inFields.begin(role);
          }

          @Override
          public void end() {
            joins[0] = false;
            inFields.end();
          }

          @Override
          public void turn(double degrees, double x, double y) {
            turned[0]++;
            inFields.turn();
            shown.turn(degrees, x, y);
          }

          @Override
          public void turnBack() {
            turned[0]--;
            inFields.turnBack();
            shown.turnBack();
          }

          @Override
          public void field(FormField field, Item.GlyphRun run, Box box) {
            if (inFields.here() && run.placed().glyphs().length > 0) {
              String text = run.shown().kind() == Item.Shown.Kind.HYPHEN ? "" : run.shown().text();
              fields.merge(inFile + " " + field.id(), new Filled(field, text), Filled::and);
            }
          }

          @Override
          public void comment(Comment comment, Box box) {
            if (choices.settings().conformance().takesComments() && inFields.inText()) {
              comments.add(comment);
            }
          }

          @Override
          public void fill(Box box, Colour colour) {
            shown.fill(box);
          }

          @Override
          public void picture(Item.PictureBox picture, Box box) {
            shown.picture(picture, box);
          }

          @Override
          public void shape(
              Inline.Geometry geometry, Box box, Optional<Colour> fill, Optional<Rule> line) {
            shown.shape();
          }

          @Override
          public void link(Link link, Box placed) {
            // Where turned text stands is not worked out; of its links only where they lead is
            // held.
            Box box = turned[0] > 0 ? new Box(placed.x(), placed.y(), 0, 0) : placed;
            if (joins[0] && !areas.isEmpty() && areas.getLast().goesOn(link, box)) {
              areas.set(areas.size() - 1, new LinkArea(link, areas.getLast().box().union(box)));
            } else {
              areas.add(new LinkArea(link, box));
            }
            joins[0] = true;
          }
        });
    texts.put(page.number(), new PageText(bare(b.toString()), rightToLeft[0]));
    if (choices.settings().navigation().links()) {
      for (LinkArea a : areas) {
        switch (a.link()) {
          case Link.External e -> links.add(area(inFile, e.uri(), a.box()));
          case Link.Internal i ->
              place(targets.get(i.bookmark()))
                  .ifPresent(p ->
                      links.add(area(inFile, "page " + pageInFile.get(pageIndex(p)), a.box())));
        }
      }
    }
  }

  private static LinkCheck.Area area(int inFile, String to, Box box) {
    return new LinkCheck.Area(
        inFile, to, new Rectangle2D.Double(box.x(), box.y(), box.width(), box.height()));
  }

  private record LinkArea(Link link, Box box) {
    boolean goesOn(Link other, Box next) {
      return link.equals(other)
          && Math.abs(box.y() - next.y()) < 0.01
          && next.x() - box.right() < 1;
    }
  }

  private static int pageIndex(Publication.Place p) {
    return p.page().number() - 1;
  }

  /** Where a paragraph begins, if that page is in the file. */
  private Optional<Publication.Place> place(@org.jspecify.annotations.Nullable NodeId paragraph) {
    return paragraph == null
        ? Optional.empty()
        : publication.place(paragraph).filter(p -> pageInFile.containsKey(pageIndex(p)));
  }

  /** Whether a page of the file, from 0, is to be as it was in another one. */
  boolean keeps(int inFile) {
    return inFile >= 0
        && inFile < choices.pages().size()
        && publication.kept(publication.pages().get(choices.pages().get(inFile))).isPresent();
  }

  /** The pages of the file, from 0, that were made of what they show. */
  List<Integer> made(PDDocument pdf) {
    return IntStream.range(0, pdf.getNumberOfPages()).filter(k -> !keeps(k)).boxed().toList();
  }

  PageText text(PublishedPage page) {
    return texts.getOrDefault(page.number(), new PageText("", false));
  }

  Set<FontFace> faces() {
    return faces;
  }

  PdfChoices choices() {
    return choices;
  }

  /** The pictures of a page of the file, from 0. */
  ExpectedPictures pictures(int inFile) {
    return pictures.get(inFile);
  }

  List<LinkCheck.Area> links() {
    return links;
  }

  /** A heading above others; one on a page that is not in the file does not show. */
  private record Above(int level, boolean shown) {}

  List<Bookmark> bookmarks() {
    var out = new ArrayList<Bookmark>();
    if (!choices.settings().navigation().bookmarks()) {
      return out;
    }
    Map<NodeId, String> labels =
        choices.settings().navigation().numbered() ? publication.labels() : Map.of();
    var above = new ArrayDeque<Above>();
    for (Outline.Heading h : publication.headings()) {
      while (!above.isEmpty() && above.peek().level() >= h.level()) {
        above.pop();
      }
      int depth = (int) above.stream().filter(Above::shown).count();
      Optional<Publication.Place> place =
          h.level() > choices.settings().navigation().bookmarkLevels()
              ? Optional.empty()
              : place(h.paragraph());
      above.push(new Above(h.level(), place.isPresent()));
      place.ifPresent(p ->
          out.add(
              new Bookmark(
                  PdfOutline.title(h.text(), labels.getOrDefault(h.paragraph(), "")),
                  depth,
                  pageInFile.getOrDefault(pageIndex(p), -1),
                  height(p))));
    }
    return out;
  }

  /** From the lower edge of the page. On one that is turned it is left open. */
  private double height(Publication.Place p) {
    return publication.kept(p.page()).isPresent() && turned(p) ? 0 : p.page().height() - p.top();
  }

  private boolean turned(Publication.Place p) {
    return turnedPages.contains(pageInFile.getOrDefault(pageIndex(p), -1));
  }

  static String bare(String s) {
    var b = new StringBuilder(s.length());
    s.codePoints()
        .filter(c -> {
          boolean blank =
              c <= ' '
                  || c == 0xA0
                  || c == 0xAD
                  || c >= 0x2000 && c <= 0x200F
                  || c >= 0x2028 && c <= 0x202F
                  || c == 0x2060
                  || c >= 0x2066 && c <= 0x2069
                  || c == 0x3000
                  || c == 0xFEFF
                  || Character.isWhitespace(c);
          return !blank;
        })
        .forEach(b::appendCodePoint);
    return b.toString();
  }

  static String sorted(String s) {
    int[] points = s.codePoints().toArray();
    Arrays.sort(points);
    return new String(points, 0, points.length);
  }
}
