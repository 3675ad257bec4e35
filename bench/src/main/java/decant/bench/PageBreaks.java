package decant.bench;

import decant.format.Intake;
import decant.io.AtomicFile;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Places;
import decant.layout.Places.PlacedLine;
import decant.layout.pages.Page;
import decant.model.NodeId;
import decant.model.Position;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Holds our pages against those that office documents record of themselves: how many there were
 * ({@code Pages} of the extended properties) and where they broke ({@code w:lastRenderedPageBreak},
 * ISO/IEC 29500-1 §17.3.3.13) when the file was last written.
 *
 * <p>Arguments: files, or folders whose DOCX files count.
 */
final class PageBreaks {
  private record Result(
      String name,
      int recorded,
      int ours,
      int breaks,
      int held,
      String fallback,
      List<String> off) {
    boolean servedByMetrics() {
      return fallback.isEmpty();
    }
  }

  private PageBreaks() {}

  public static void main(String[] args) throws IOException {
    java.util.logging.LogManager.getLogManager().reset();
    var results = new ArrayList<Result>();
    for (String arg : args) {
      for (Path file : files(Path.of(arg))) {
        measure(file).ifPresent(results::add);
      }
    }
    results.sort(Comparator.comparing(Result::name));
    for (Result r : results) {
      boolean differs = r.recorded != r.ours && r.recorded > 0 || r.held < r.breaks;
      System.out.printf(
          Locale.ROOT,
          "%s %-60s pages %3d ours %3d  breaks %3d held %3d %s%n",
          differs ? "-" : " ",
          r.name,
          r.recorded,
          r.ours,
          r.breaks,
          r.held,
          r.fallback);
      r.off.forEach(o -> System.out.println("      " + o));
    }
    sum("fonts served by metrics", results.stream().filter(Result::servedByMetrics).toList());
    sum("all", results);
  }

  private static List<Path> files(Path path) throws IOException {
    if (Files.isRegularFile(path)) {
      return List.of(path);
    }
    try (Stream<Path> s = Files.walk(path)) {
      return s.filter(p -> p.toString().endsWith(".docx")).sorted().toList();
    }
  }

  private static void sum(String what, List<Result> results) {
    long counted = results.stream().filter(r -> r.recorded > 0).count();
    long equal = results.stream().filter(r -> r.recorded > 0 && r.recorded == r.ours).count();
    int breaks = results.stream().mapToInt(Result::breaks).sum();
    int held = results.stream().mapToInt(Result::held).sum();
    // A file of many pages would outweigh all others: the mean share by file says more.
    double byFile =
        results.stream()
            .filter(r -> r.breaks > 0)
            .mapToDouble(r -> r.held / (double) r.breaks)
            .average()
            .orElse(1);
    System.out.printf(
        Locale.ROOT,
        "%s: page count equal in %d of %d files (%.1f %%), breaks within a line %d of %d (%.1f %%), by file %.1f %%%n",
        what,
        equal,
        counted,
        100.0 * equal / Math.max(1, counted),
        held,
        breaks,
        100.0 * held / Math.max(1, breaks),
        100 * byFile);
  }

  private static Optional<Result> measure(Path file) {
    String name = AtomicFile.folderOf(file).getFileName() + "/" + file.getFileName();
    try {
      TakenIn t = Intake.take(ReadRequest.of(file));
      Layout layout = new Layouter(FontBook.shipped()).layout(t.document());
      String fallback =
          t.origin().fonts().stream()
              .filter(f -> f.reason().equals(FontBook.Reason.FALLBACK.label()))
              .map(TakenIn.SourceFont::name)
              .toList()
              .toString();
      var off = new ArrayList<String>();
      int[] counts =
          holds(layout, t.origin().breaks().stream().map(TakenIn.PageBreak::at).toList(), off);
      return Optional.of(
          new Result(
              name,
              t.origin().pages(),
              layout.pages().size(),
              counts[0],
              counts[1],
              fallback.equals("[]") ? "" : fallback,
              off));
    } catch (ReadProblem e) {
      return Optional.empty();
    }
  }

  /** How many recorded breaks there are, and how many are within a line of one of ours. */
  private static int[] holds(Layout layout, List<Position> breaks, List<String> off) {
    // Lines by the paragraph they belong to; whether a page begins within a line of them.
    Map<NodeId, List<PlacedLine>> lines = new HashMap<>();
    Map<PlacedLine, String> where = new HashMap<>();
    Set<PlacedLine> near = new HashSet<>();
    for (Page page : layout.pages()) {
      List<PlacedLine> onPage = Places.lines(page);
      double top = onPage.stream().mapToDouble(PlacedLine::top).min().orElse(0);
      double bottom = onPage.stream().mapToDouble(PlacedLine::bottom).max().orElse(0);
      boolean first = page.number() == 1;
      boolean last = page.number() == layout.pages().size();
      for (PlacedLine l : onPage) {
        lines.computeIfAbsent(l.paragraph().source().id(), k -> new ArrayList<>()).add(l);
        double height = l.line().height();
        boolean atTop = !first && l.top() < top + 1.5 * height;
        boolean atBottom = !last && l.bottom() > bottom - 0.5 * height;
        if (atTop || atBottom) {
          near.add(l);
        }
        where.put(l, "page %d, %.0f of %.0f".formatted(page.number(), l.top(), bottom));
      }
    }
    int n = 0;
    int held = 0;
    for (Position p : breaks) {
      List<PlacedLine> of = lines.get(p.paragraph());
      if (of == null) {
        continue;
      }
      n++;
      PlacedLine at =
          of.stream()
              .filter(l -> p.offset() >= l.line().from() && p.offset() < l.line().to())
              .findFirst()
              .orElse(of.getLast());
      if (near.contains(at)) {
        held++;
      } else {
        String text = at.paragraph().source().text();
        int from = Math.min(p.offset(), text.length());
        off.add(
            where.get(at)
                + ": "
                + text.substring(from, Math.min(text.length(), from + 50)).replaceAll("\\s", " "));
      }
    }
    return new int[] {n, held};
  }
}
