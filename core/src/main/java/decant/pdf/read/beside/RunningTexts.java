package decant.pdf.read.beside;

import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.LongStream;

/** What repeats at the head and the foot of pages. */
public final class RunningTexts {
  /**
   * A running text.
   *
   * @param counter the number of its page, if it shows it
   */
  public record RunningText(
      boolean header, String text, List<TextLine> lines, Optional<Counter> counter) {}

  /**
   * The page's number within a running text.
   *
   * @param group which of the text's numbers it is, from 0
   * @param offset what to add to a page's index to have its number
   */
  public record Counter(int group, int offset) {}

  /** The running texts, and the lines they are made of. */
  public record Result(List<RunningText> texts, Set<TextLine> lines) {
    /** A block by what of it is running text and what is not; either may be missing. */
    public record Parted(Optional<Detected.Text> running, Optional<Detected> rest) {}

    /** Parts blocks: tags may put running texts into one with others, or those of all pages. */
    public Function<Detected, Parted> parting() {
      Map<String, List<TextLine>> known = new HashMap<>();
      lines.forEach(l -> known.computeIfAbsent(place(l), k -> new ArrayList<>()).add(l));
      return f -> {
        if (!(f instanceof Detected.Text t)) {
          return new Parted(Optional.empty(), Optional.of(f));
        }
        Map<Boolean, List<TextLine>> by =
            t.lines().stream()
                .collect(
                    Collectors.partitioningBy(l ->
                        known.getOrDefault(place(l), List.of()).stream()
                            .anyMatch(r -> r.box().sharedWidth(l.box()) > 0)));
        return new Parted(
            kept(t, by.getOrDefault(true, List.of())),
            kept(t, by.getOrDefault(false, List.of())).map(Function.identity()));
      };
    }

    private static Optional<Detected.Text> kept(Detected.Text t, List<TextLine> lines) {
      return lines.isEmpty() ? Optional.empty() : Optional.of(t.with(lines));
    }

    private static String height(TextLine l) {
      return l.page() + " " + Math.round(l.baseline() / 3);
    }

    /**
     * These without the heads of tables, which tags put apart where they repeat on later pages: the
     * table repeats them itself.
     */
    public Result withoutTableHeads(List<Detected> found) {
      Map<String, Detected.Grid> heads = new HashMap<>();
      for (Detected f : found) {
        if (f instanceof Detected.Grid g && !g.rows().isEmpty()) {
          var row = new StringBuilder();
          g.rows().getFirst().stream()
              .flatMap(c -> c.lines().stream())
              .forEach(l -> row.append(' ').append(l.text()));
          heads.putIfAbsent(" " + Folding.fold(row.toString()) + " ", g);
        }
      }
      return new Result(texts.stream().filter(t -> !TablesAtEdges.isOf(heads, t)).toList(), lines);
    }

    /** These running texts and what stands in blocks that hold them. */
    public Result with(List<Detected.Text> blocks, List<ScannedPage> pages) {
      var all = new ArrayList<>(texts);
      Set<String> said = new HashSet<>();
      Set<String> places = new HashSet<>();
      texts.forEach(t -> {
        said.add(mask(t.text()));
        t.lines().forEach(l -> places.add(height(l)));
      });
      for (Detected.Text f : blocks) {
        for (TextLine l : f.lines()) {
          if (!places.contains(height(l)) && said.add(mask(l.text()))) {
            all.add(
                new RunningText(
                    l.box().y() < pages.get(l.page()).height() / 2,
                    l.text(),
                    List.of(l),
                    Optional.empty()));
          }
        }
      }
      return new Result(all, lines);
    }

    private static String place(TextLine l) {
      return l.page() + " " + Math.round(l.baseline() / 2);
    }
  }

  private record Key(boolean header, String masked, long height) {}

  public static final Pattern NUMBER = Pattern.compile("\\d{1,6}");

  private RunningTexts() {}

  public static Result of(List<ScannedPage> pages, List<List<TextLine>> linesByPage) {
    Map<Key, List<TextLine>> groups = new HashMap<>();
    Set<TextLine> heads = TablesAtEdges.repeatedHeads(pages, linesByPage);
    for (int p = 0; p < pages.size(); p++) {
      double h = pages.get(p).height();
      for (TextLine l : linesByPage.get(p)) {
        boolean header = isNear(l, linesByPage.get(p), h, true);
        boolean footer = isNear(l, linesByPage.get(p), h, false);
        if ((header || footer) && !heads.contains(l)) {
          groups
              .computeIfAbsent(
                  new Key(header, mask(l.text()), Math.round(l.baseline() / 4)),
                  k -> new ArrayList<>())
              .add(l);
        }
      }
    }
    var texts = new ArrayList<RunningText>();
    // By identity: lines are long to compare.
    Set<TextLine> taken = Collections.newSetFromMap(new IdentityHashMap<>());
    int min = Math.max(2, (int) Math.ceil(pages.size() * BesideThresholds.RunningTexts.ON_PAGES));
    Set<TextLine> repeated = Collections.newSetFromMap(new IdentityHashMap<>());
    groups.values().stream()
        .filter(g -> g.stream().map(TextLine::page).distinct().count() >= min)
        .filter(g -> areSame(g) || counter(g).isPresent())
        .forEach(repeated::addAll);
    groups.forEach((key, lines) -> {
      long onPages = lines.stream().map(TextLine::page).distinct().count();
      Optional<Counter> number = counter(lines);
      boolean repeats = onPages >= min && (pages.size() > 2 || onPages == pages.size());
      boolean edge =
          lines.stream().allMatch(l -> isOutermost(l, linesByPage.get(l.page()), key.header()));
      // Titles of chapters stand on few pages each: at the very edge, and well apart from the text.
      boolean chapter =
          onPages >= 2
              && pages.size() >= 4
              && lines.stream()
                  .allMatch(l -> standsApart(l, linesByPage.get(l.page()), key.header()));
      // The head of a table that goes on repeats too, but the table follows right below.
      boolean often =
          (onPages > BesideThresholds.RunningTexts.ON_MOST * pages.size() || pages.size() < 4)
                  && lines.stream()
                      .anyMatch(
                          l -> standsOff(l, linesByPage.get(l.page()), key.header(), repeated))
              || chapter;
      boolean runs =
          isBareNumber(key.masked())
              ? number.isPresent() && onPages >= 2
              // Numbers that differ but do not count the pages are those of a table's rows.
              : (repeats && often || chapter) && (number.isPresent() || areSame(lines));
      if (edge && runs) {
        texts.add(new RunningText(key.header(), lines.getFirst().text(), lines, number));
        taken.addAll(lines);
      }
    });
    changing(pages, linesByPage, texts, taken);
    beside(linesByPage, texts, taken);
    lonely(pages, linesByPage, texts, taken);
    withoutText(pages, linesByPage, texts, taken);
    return new Result(texts, taken);
  }

  /** What stands on pages that hold nothing else is their text, however often it repeats. */
  private static void withoutText(
      List<ScannedPage> pages,
      List<List<TextLine>> linesByPage,
      List<RunningText> texts,
      Set<TextLine> taken) {
    var held = new HashSet<Integer>();
    for (int p = 0; p < pages.size(); p++) {
      boolean shows = !pages.get(p).pictures().isEmpty() || !pages.get(p).shapes().isEmpty();
      if (shows || linesByPage.get(p).stream().anyMatch(l -> !taken.contains(l))) {
        held.add(p);
      }
    }
    texts.removeIf(t -> {
      boolean alone = t.lines().stream().noneMatch(l -> held.contains(l.page()));
      if (alone) {
        t.lines().forEach(taken::remove);
      }
      return alone;
    });
  }

  /** Whether a line is near enough to the head or the foot of its page to be looked at. */
  private static boolean isNear(TextLine l, List<TextLine> page, double height, boolean header) {
    double edge = header ? l.box().bottom() : height - l.box().y();
    return edge < height * BesideThresholds.RunningTexts.ZONE
        || edge < height * BesideThresholds.RunningTexts.FARTHER && standsApart(l, page, header);
  }

  /** Whether a line stands away from all on its page that does not repeat as it does. */
  private static boolean standsOff(
      TextLine l, List<TextLine> page, boolean header, Set<TextLine> repeated) {
    return page.stream()
        .filter(o -> !repeated.contains(o))
        .noneMatch(o -> {
          double away = header ? o.baseline() - l.baseline() : l.baseline() - o.baseline();
          return away < BesideThresholds.RunningTexts.OFF * l.size();
        });
  }

  private static boolean areSame(List<TextLine> lines) {
    return lines.stream().map(l -> l.text().strip()).distinct().count() <= 1;
  }

  private record Place(boolean header, long height, long size, boolean odd) {}

  /**
   * Running texts that change from chapter to chapter: on most pages of one side a line in one size
   * stands at one height, at the very edge and well apart from the text.
   */
  private static void changing(
      List<ScannedPage> pages,
      List<List<TextLine>> linesByPage,
      List<RunningText> texts,
      Set<TextLine> taken) {
    Map<Place, List<TextLine>> places = new HashMap<>();
    Set<Long> ofText = new HashSet<>(); // heights where text that fills its page ends or begins
    double body = Lines.bodySize(linesByPage);
    for (int p = 0; p < pages.size(); p++) {
      double h = pages.get(p).height();
      List<TextLine> page = linesByPage.get(p).stream().filter(l -> !taken.contains(l)).toList();
      for (TextLine l : page) {
        boolean header = isNear(l, page, h, true);
        boolean footer = isNear(l, page, h, false);
        if (!header && !footer) {
          continue;
        }
        if (!standsApart(l, page, header)) {
          ofText.add(Math.round(l.baseline() / 2));
        } else if (l.size() < body * BesideThresholds.RunningTexts.LARGEST
            && l.text().length() < BesideThresholds.RunningTexts.LONGEST) {
          places
              .computeIfAbsent(
                  new Place(
                      header, Math.round(l.baseline() / 2), Math.round(l.size() * 2), p % 2 == 0),
                  k -> new ArrayList<>())
              .add(l);
        }
      }
    }
    places.forEach((place, lines) -> {
      long onPages = lines.stream().map(TextLine::page).distinct().count();
      int sides = (pages.size() + (place.odd() ? 1 : 0)) / 2;
      boolean text =
          LongStream.rangeClosed(place.height() - 1, place.height() + 1).anyMatch(ofText::contains);
      if (onPages >= 3 && onPages >= BesideThresholds.RunningTexts.ON_SIDES * sides && !text) {
        Map<String, List<TextLine>> byText = new java.util.LinkedHashMap<>();
        lines.forEach(l -> byText.computeIfAbsent(mask(l.text()), k -> new ArrayList<>()).add(l));
        byText
            .values()
            .forEach(same ->
                texts.add(
                    new RunningText(place.header(), same.getFirst().text(), same, counter(same))));
        taken.addAll(lines);
      }
    });
  }

  /** What stands on one height with a page number, and apart from the text, runs with it. */
  private static void beside(
      List<List<TextLine>> linesByPage, List<RunningText> texts, Set<TextLine> taken) {
    for (RunningText r : List.copyOf(texts)) {
      if (r.counter().isEmpty()) {
        continue;
      }
      for (TextLine number : r.lines()) {
        List<TextLine> page = linesByPage.get(number.page());
        for (TextLine l : page) {
          if (!taken.contains(l)
              && Math.abs(l.baseline() - number.baseline())
                  < BesideThresholds.RunningTexts.SAME_LINE * l.size()
              && l.text().length() < BesideThresholds.RunningTexts.LONGEST
              && standsApart(l, page, r.header())) {
            texts.add(new RunningText(r.header(), l.text(), List.of(l), Optional.empty()));
            taken.add(l);
          }
        }
      }
    }
  }

  private static final Pattern PAGE_LABEL =
      Pattern.compile("\\p{L}{0,12}\\.? ?#( ?[/|] ?#| \\p{L}{1,4} #)?");

  /** Whether a line says which page it stands on: "Page 1", "1/2", "p. 1 of 2". */
  private static boolean isPageLabel(TextLine l) {
    List<Integer> numbers = numbers(l.text());
    return PAGE_LABEL.matcher(mask(l.text())).matches()
        && !numbers.isEmpty()
        && numbers.getFirst() == l.page() + 1;
  }

  /** On one or two pages nothing repeats: a short line far below or above all text is running. */
  private static void lonely(
      List<ScannedPage> pages,
      List<List<TextLine>> linesByPage,
      List<RunningText> texts,
      Set<TextLine> taken) {
    if (pages.size() > 2) {
      return;
    }
    double body = Lines.bodySize(linesByPage);
    for (int p = 0; p < pages.size(); p++) {
      double h = pages.get(p).height();
      List<TextLine> page = linesByPage.get(p).stream().filter(l -> !taken.contains(l)).toList();
      for (TextLine l : page) {
        boolean header = l.box().bottom() < h * BesideThresholds.RunningTexts.LONELY;
        boolean footer = l.box().y() > h * (1 - BesideThresholds.RunningTexts.LONELY);
        boolean bare = isBareNumber(mask(l.text())) || isPageLabel(l);
        if ((header || footer)
            && l.text().length() < 80
            && Sizes.isNoLarger(l.size(), body)
            && page.size() > 3
            && !(header && p > 0 && TablesAtEdges.isRowOf(l, page, linesByPage.get(p - 1)))
            && gap(l, page, header)
                > (bare && !TablesAtEdges.isCell(l, page)
                        ? BesideThresholds.RunningTexts.APART
                        : BesideThresholds.RunningTexts.ALONE)
                    * l.size()) {
          texts.add(
              new RunningText(
                  header, l.text(), List.of(l), bare ? counter(List.of(l)) : Optional.empty()));
          taken.add(l);
        }
      }
    }
  }

  /**
   * Running texts stand apart from the body: hardly anything but other running texts lies beyond
   * them.
   */
  private static boolean isOutermost(TextLine l, List<TextLine> page, boolean header) {
    long beyond =
        page.stream()
            .filter(o ->
                header ? o.box().bottom() < l.box().y() - 1 : o.box().y() > l.box().bottom() + 1)
            .count();
    return beyond <= 3;
  }

  /** Which of the numbers in lines goes up with the pages they stand on. */
  public static Optional<Counter> counter(List<TextLine> lines) {
    if (lines.size() == 1) {
      TextLine l = lines.getFirst();
      return numbers(l.text()).equals(List.of(l.page() + 1))
          ? Optional.of(new Counter(0, 1))
          : Optional.empty();
    }
    for (int group = 0; group < 4 && lines.size() > 1; group++) {
      Map<Integer, Integer> offsets = new HashMap<>();
      for (TextLine l : lines) {
        List<Integer> numbers = numbers(l.text());
        if (group < numbers.size()) {
          offsets.merge(numbers.get(group) - l.page(), 1, Integer::sum);
        }
      }
      var max = offsets.entrySet().stream().max(Map.Entry.comparingByValue());
      if (max.isPresent()
          && max.get().getValue() >= BesideThresholds.RunningTexts.COUNTS * lines.size()) {
        return Optional.of(new Counter(group, max.get().getKey()));
      }
    }
    return Optional.empty();
  }

  private static List<Integer> numbers(String text) {
    return NUMBER.matcher(text).results().map(m -> Integer.parseInt(m.group())).toList();
  }

  private static boolean isBareNumber(String masked) {
    return !masked.isBlank() && masked.replaceAll("[#\\s|/–-]", "").isEmpty();
  }

  /**
   * Whether nothing lies beyond a line but what is on its own height, and the text begins well away
   * from it.
   */
  private static boolean standsApart(TextLine l, List<TextLine> page, boolean header) {
    return gap(l, page, header) > BesideThresholds.RunningTexts.APART * l.size();
  }

  /** The distance to the text; negative if something lies beyond the line. */
  private static double gap(TextLine l, List<TextLine> page, boolean header) {
    double gap = Double.MAX_VALUE;
    for (TextLine o : page) {
      double away = header ? o.baseline() - l.baseline() : l.baseline() - o.baseline();
      if (away < -2) {
        return -1;
      }
      if (away > 2) {
        gap = Math.min(gap, away);
      }
    }
    return gap == Double.MAX_VALUE ? -1 : gap;
  }

  /** Artifacts and what repeats besides. */
  public static Result both(Result artifacts, Result repeating) {
    var texts = new ArrayList<>(artifacts.texts());
    Set<String> known = new HashSet<>();
    artifacts.texts().forEach(t -> known.add(mask(t.text())));
    repeating.texts().stream().filter(t -> known.add(mask(t.text()))).forEach(texts::add);
    var lines = new HashSet<>(repeating.lines());
    Map<Integer, List<TextLine>> there =
        repeating.lines().stream().collect(Collectors.groupingBy(TextLine::page));
    artifacts.lines().stream()
        .filter(l -> there.getOrDefault(l.page(), List.of()).stream().noneMatch(o -> isOver(l, o)))
        .forEach(lines::add);
    return new Result(texts, lines);
  }

  /** Of what is known from repeating too the lines stand once. */
  private static boolean isOver(TextLine a, TextLine b) {
    return Math.abs(a.baseline() - b.baseline()) < a.size() / 2 && a.box().sharedWidth(b.box()) > 0;
  }

  private static String mask(String text) {
    return text.replaceAll("\\d+", "#").replaceAll("\\s+", " ").strip();
  }
}
