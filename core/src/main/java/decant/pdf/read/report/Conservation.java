package decant.pdf.read.report;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.MediaId;
import decant.model.look.TableTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Holds what was made of a file against its pages: every word and every picture that stood on one
 * is in the document, or is left out by a rule that has a name here, or is told with its place. It
 * knows nothing of the stages between.
 *
 * <p>The rules: a running text stands once for all its pages, and one that shows the heading of its
 * page says that of each; the heads of a table that goes on stand once; the label of a list item is
 * said by the list; a mark of a note is said by the note; letters that are drawn twice for weight
 * count once; labels in a drawing are in its picture.
 */
public final class Conservation {
  private static final Words WORDS = Words.of(Conservation.class);

  /** Told one by one up to this many a page; the rest of it as one. */
  private static final int MAX_ON_PAGE = 5;

  private static final int LONGEST = 60;

  /** Counting goes through the whole text each time. */
  private static final int MAX_COUNTED = 2000;

  /** How many lines on the one that follows may stand, beside other columns. */
  private static final int AHEAD = 4;

  /** Fewer letters than this may stand anywhere by chance. */
  private static final int STRETCH = 8;

  private final Document document;
  private final Letters body = new Letters();
  private final Letters running = new Letters();
  private final Letters source = new Letters();
  private int counted;

  /** Whether running texts show the headings of their pages. */
  private boolean titles;

  private final Letters heads = new Letters();
  private final Set<MediaId> pictures = new HashSet<>();
  private final List<Finding> findings = new ArrayList<>();

  /** Pages with running texts that the document has only as they were found. */
  private final Set<Integer> asFound = new HashSet<>();

  private Conservation(Document document) {
    this.document = document;
  }

  /**
   * What is not in the document.
   *
   * @param lines of each page
   */
  public static List<Finding> of(
      List<ScannedPage> pages,
      List<List<TextLine>> lines,
      RunningTexts.Result running,
      Document document) {
    var c = new Conservation(document);
    c.read();
    // Whole lines first: what a line is made of must not be taken for a word elsewhere.
    var open = new ArrayList<TextLine>();
    for (int p = 0; p < pages.size(); p++) {
      var all = new ArrayList<>(lines.get(p));
      all.addAll(loose(pages.get(p), lines.get(p)));
      List<String> letters = all.stream().map(l -> Letters.of(l.text())).toList();
      letters.forEach(c.source::add);
      for (int k = 0; k < all.size(); k++) {
        List<String> next = letters.subList(k + 1, Math.min(all.size(), k + 1 + AHEAD));
        if (!c.isThere(all.get(k), letters.get(k), next, running)) {
          open.add(all.get(k));
        }
      }
    }
    c.source.close();
    c.words(open, running);
    c.asFound();
    c.pictures(pages);
    return c.findings;
  }

  // What the document holds.

  private void read() {
    Walk.through(
        document,
        Part.ALL,
        new Walk.Visitor() {
          private Letters into = body;

          @Override
          public void begin(Part part) {
            into = part == Part.RUNNING ? running : body;
          }

          @Override
          public void paragraph(Paragraph p) {
            into.add(text(p));
          }

          @Override
          public void row(Table.Row r) {
            head(r);
          }
        });
    body.close();
    running.close();
    heads.close();
  }

  private void head(Table.Row r) {
    if (r.look().value(TableTraits.HEADER_ROW)) {
      heads.add(
          r.cells().stream()
              .flatMap(c -> Walk.paragraphs(c.blocks()).stream())
              .map(this::text)
              .collect(Collectors.joining()));
    }
  }

  private String text(Paragraph p) {
    var text = new StringBuilder();
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t -> text.append(t.text());
        case Inline.Field f -> {
          titles |= f.kind() == Inline.Field.Kind.STYLED_TEXT;
          text.append(f.shown());
        }
        case Inline.KeptInline k -> text.append(k.shown());
        case Inline.Picture pic -> pictures.add(pic.media());
        case Inline.NoteMark n -> {}
        case Inline.Shape s -> {}
      }
    }
    return text.toString();
  }

  // Words.

  private boolean isThere(
      TextLine l, String letters, List<String> next, RunningTexts.Result known) {
    boolean repeats = known.lines().contains(l);
    return letters.isEmpty()
        || repeats
            && (running.hasMasked(letters) // a heading, or its own text
                || body.has(letters)
                || isAsFound(l, letters))
        || letters.length() >= STRETCH && body.take(letters, next)
        || heads.has(letters);
  }

  /** Whether a running text is set as it was, though the document has another for its pages. */
  private boolean isAsFound(TextLine l, String letters) {
    boolean found =
        document.setting().running().lines().getOrDefault(l.page(), List.of()).stream()
            .anyMatch(p -> Letters.of(text(p)).equals(letters));
    if (found) {
      asFound.add(l.page());
    }
    return found;
  }

  /** Such texts go with the pages: when those change, the document's own take their place. */
  private void asFound() {
    if (!asFound.isEmpty()) {
      findings.add(
          Finding.general(
              Finding.Kind.LAYOUT_SIMPLIFIED,
              Finding.Severity.DOUBT,
              WORDS.count("conservation.as-found", asFound.size())));
    }
  }

  /** A word of a line that is not there as a whole. */
  private static final class Word {
    private final TextLine line;
    private final String text;
    private final boolean first;
    private final boolean titles;
    private boolean there;

    /**
     * @param first whether it begins its line
     * @param titles whether its line says the heading of its page
     */
    Word(TextLine line, String text, boolean first, boolean titles) {
      this.line = line;
      this.text = text;
      this.first = first;
      this.titles = titles;
    }
  }

  private void words(List<TextLine> open, RunningTexts.Result known) {
    var words = new ArrayList<Word>();
    for (TextLine l : open) {
      String[] some = l.text().strip().split("\\s+");
      int k = 0;
      while (k < some.length) {
        int end = stretch(some, k);
        if (end == k) {
          words.add(new Word(l, some[k], k == 0, titles && known.lines().contains(l)));
        }
        k = Math.max(k + 1, end);
      }
    }
    // Long words first: short ones are found within them too.
    words.stream()
        .sorted(Comparator.comparingInt((Word w) -> -w.text.length()))
        .forEach(w -> w.there = isThere(w));
    Map<String, List<TextLine>> missing = new LinkedHashMap<>();
    var lost = new StringBuilder();
    for (int k = 0; k < words.size(); k++) {
      Word w = words.get(k);
      if (!w.there) {
        lost.append(lost.isEmpty() ? "" : " ").append(w.text);
      }
      boolean ends = k == words.size() - 1 || words.get(k + 1).line != w.line;
      if (ends && Letters.of(lost.toString()).length() > ReportThresholds.Conservation.BY_CHANCE) {
        missing.computeIfAbsent(lost.toString(), x -> new ArrayList<>()).add(w.line);
      }
      if (ends) {
        lost.setLength(0);
      }
    }
    tell(missing);
  }

  /** Where the longest stretch of words ends that is there as a whole; the same place for none. */
  private int stretch(String[] words, int from) {
    var letters = new String[words.length - from + 1];
    letters[0] = "";
    for (int k = from; k < words.length; k++) {
      letters[k - from + 1] = letters[k - from] + Letters.of(words[k]);
    }
    for (int end = words.length; end > from; end--) {
      String some = letters[end - from];
      if (some.length() < STRETCH) {
        return from;
      }
      if (body.take(some)) {
        return end;
      }
    }
    return from;
  }

  private boolean isThere(Word w) {
    String letters = Letters.of(w.text);
    // The number of a note at a word's end, within it, or at its beginning.
    String bare = Letters.of(MARK.matcher(w.text).replaceAll(""));
    return bare.isEmpty()
        || body.take(letters)
        || running.has(letters)
        || heads.has(letters)
        || w.first && w.text.length() <= 8 && LABEL.matcher(w.text).matches()
        || w.titles && body.has(letters)
        || body.take(bare)
        || isThereAsOften(letters)
        || isThereAsOften(bare);
  }

  /**
   * Text that says the same again and again can be taken apart in the wrong places: what the
   * document has as often as the pages is not missing, be it parted among cells.
   */
  private boolean isThereAsOften(String letters) {
    if (counted++ >= MAX_COUNTED) {
      return false;
    }
    int wanted = source.count(letters);
    return body.count(letters) >= wanted
        || letters.length() >= STRETCH && body.countAcross(letters) >= wanted;
  }

  /** The label of a list item, which its list says. */
  private static final Pattern LABEL =
      Pattern.compile("[(\\[]?([0-9]{1,3}|\\p{L}|[ivxlcIVXLC]{1,6})(\\.[0-9]{1,3})*[.)\\]:]{0,2}");

  private static final Pattern MARK =
      Pattern.compile(
          "^[0-9*†‡§]{1,3}|[0-9*†‡§]{1,3}(?=\\p{P}*$)|(?<=\\p{L})[0-9]{1,2}(?=[\\p{L}\\p{P}])");

  /** Glyphs that stand on no line of the page, but for those that only add weight to another. */
  private static List<TextLine> loose(ScannedPage page, List<TextLine> lines) {
    long ink = page.glyphs().stream().filter(g -> !g.isSpace()).count();
    long lined = lines.stream().flatMap(l -> l.glyphs().stream()).filter(g -> !g.isSpace()).count();
    if (ink == lined) {
      return List.of(); // lines hold nothing but glyphs of their page
    }
    Map<String, List<Glyph>> known = new HashMap<>();
    for (TextLine l : lines) {
      l.glyphs().forEach(g -> known.computeIfAbsent(g.text(), k -> new ArrayList<>()).add(g));
    }
    var rest = new ArrayList<Glyph>();
    for (int quarter = 0; quarter < 4; quarter++) {
      for (Glyph g : Lines.standing(page, quarter)) {
        if (!Letters.of(g.text()).isEmpty()
            && known.getOrDefault(g.text(), List.of()).stream().noneMatch(o -> stands(g, o))) {
          rest.add(g);
        }
      }
    }
    return rest.isEmpty() ? List.of() : Lines.of(page.only(rest));
  }

  /** Whether a glyph is one that a line holds, or adds weight to it. */
  private static boolean stands(Glyph g, Glyph o) {
    return g.equals(o)
        || Math.abs(g.baseline() - o.baseline()) < g.size() * ReportThresholds.Conservation.SAME_ROW
            && Lines.doubles(g, o);
  }

  private void tell(Map<String, List<TextLine>> missing) {
    Map<Integer, Integer> told = new HashMap<>();
    for (Map.Entry<String, List<TextLine>> e : missing.entrySet()) {
      TextLine l = e.getValue().getFirst();
      int n = told.merge(l.page(), 1, Integer::sum);
      if (n <= MAX_ON_PAGE) {
        String words = e.getKey();
        String shown = words.length() > LONGEST ? words.substring(0, LONGEST - 1) + "…" : words;
        long pages = e.getValue().stream().map(TextLine::page).distinct().count();
        find(
            pages == 1
                ? WORDS.say("conservation.words", shown, l.page() + 1)
                : WORDS.count("conservation.words-on-pages", pages, shown),
            l);
      }
    }
    told.forEach((page, n) -> {
      if (n > MAX_ON_PAGE) {
        missing.values().stream()
            .map(List::getFirst)
            .filter(l -> l.page() == page)
            .skip(MAX_ON_PAGE)
            .findFirst()
            .ifPresent(l -> find(WORDS.count("conservation.more", n - MAX_ON_PAGE, page + 1), l));
      }
    });
  }

  private void find(String message, TextLine at) {
    findings.add(
        Finding.general(Finding.Kind.CONTENT_LEFT_OUT, Finding.Severity.LOSS, message)
            .from(at.page(), at.box()));
  }

  // Pictures.

  private void pictures(List<ScannedPage> pages) {
    for (ScannedPage p : pages) {
      for (Placed x : p.pictures()) {
        if (!pictures.contains(x.media().id())) {
          findings.add(
              Finding.general(
                      Finding.Kind.PICTURE_MISSING,
                      Finding.Severity.LOSS,
                      WORDS.say("conservation.picture", p.number() + 1))
                  .from(p.number(), x.box()));
        }
      }
    }
  }
}
