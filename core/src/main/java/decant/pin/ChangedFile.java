package decant.pin;

import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.Document;
import decant.model.Pinned;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.amend.PdfAmender;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The PDF that a document came from, with what was changed on its pinned pages: all else that it
 * holds, its bookmarks, tags, attached files and properties among it, stays as it is.
 */
public final class ChangedFile {
  private static final Words WORDS = Words.of(ChangedFile.class);

  private ChangedFile() {}

  /**
   * What was written.
   *
   * @param pages how many were changed
   * @param told what else is to be said of it
   */
  public record Written(Path file, int pages, List<String> told) {
    public Written {
      told = List.copyOf(told);
    }
  }

  /**
   * Why a document cannot be written so, in the person's words; empty if it can.
   *
   * @param pages how many its file has
   */
  public static Optional<String> hindrance(Document d, int pages) {
    if (!PageOrder.isFree(d)) {
      return Optional.of(WORDS.say("changed-file.flows"));
    }
    return !Pinned.areOrdered(d.sections())
            || new HashSet<>(order(d)).equals(new HashSet<>(numbers(pages)))
        ? Optional.empty()
        : Optional.of(WORDS.say("changed-file.other-pages"));
  }

  private static List<Integer> order(Document d) {
    return d.sections().stream().map(s -> s.pinned().orElseThrow().page()).toList();
  }

  private static List<Integer> numbers(int pages) {
    return IntStream.range(0, pages).boxed().toList();
  }

  /**
   * Writes it, reads it back and holds it against what it was made of.
   *
   * @param source the file that the document came from
   * @param old whether the edition before stays inside, byte by byte
   * @throws ReadProblem if a file cannot be read, or what was written is not as it should be
   * @throws WriteProblem if it cannot be written
   */
  public static Written write(
      Document d, KeptPage.InFile source, Path target, boolean overwrite, boolean old)
      throws ReadProblem, WriteProblem {
    ReadRequest plain = ReadRequest.of(source.file());
    ReadRequest request =
        source.password().isEmpty() ? plain : plain.withPassword(source.password());
    Prepared p = PdfAmender.in(request, pdf -> prepared(pdf, d, source, target, overwrite, old));
    boolean held = false;
    try {
      check(request.withFile(p.file.file()), source, d, p.order);
      held = true;
    } finally {
      if (!held) {
        p.file.discard();
      }
    }
    return new Written(p.file.commit(), p.changed, p.told);
  }

  private record Prepared(
      AtomicFile.Pending file, List<Integer> order, int changed, List<String> told) {}

  private static Prepared prepared(
      PdfAmender pdf,
      Document d,
      KeptPage.InFile source,
      Path target,
      boolean overwrite,
      boolean old)
      throws ReadProblem, IOException {
    if (hindrance(d, pdf.pages()).isPresent()) {
      throw new IllegalArgumentException("not all pages of the file");
    }
    if (old && !pdf.keepsVersions()) {
      throw new ReadProblem(ReadProblem.Kind.NOT_SERVED, WORDS.say("changed-file.keeps-none"));
    }
    MediaId own = Media.of(PageFile.PDF, Files.readAllBytes(source.file())).id();
    for (Map.Entry<Media, List<Integer>> e : copies(d).entrySet()) {
      if (!e.getKey().id().equals(own)) {
        pdf.takeBack(e.getKey().bytes(), e.getValue(), k -> k);
      }
    }
    int changed = pdf.touched().size();
    List<Integer> order = Pinned.areOrdered(d.sections()) ? order(d) : numbers(pdf.pages());
    pdf.order(order);
    try {
      AtomicFile.Pending file = AtomicFile.prepare(target, overwrite, to -> pdf.write(to, old));
      return new Prepared(file, order, changed, pdf.ofSignatures());
    } catch (WriteProblem e) {
      throw new ReadProblem(ReadProblem.Kind.UNREADABLE, e.getMessage(), e);
    }
  }

  /** The files that pages have, each with their numbers. */
  private static Map<Media, List<Integer>> copies(Document d) {
    Map<Media, List<Integer>> out = new LinkedHashMap<>();
    d.sections().stream()
        .map(s -> s.pinned().orElseThrow())
        .forEach(p -> out.computeIfAbsent(p.file(), k -> new ArrayList<>()).add(p.page()));
    return out;
  }

  /** Each page of what was written is as that of its copy, or of the source. */
  private static void check(
      ReadRequest written, KeptPage.InFile source, Document d, List<Integer> order)
      throws ReadProblem {
    Map<Media, List<Integer>> copies = new LinkedHashMap<>(copies(d));
    var rest = new ArrayList<>(numbers(order.size()));
    copies.values().forEach(rest::removeAll);
    if (!rest.isEmpty()) {
      try {
        copies.put(PinnedPages.unlocked(source), rest);
      } catch (IOException e) {
        throw new ReadProblem(ReadProblem.Kind.UNREADABLE, WORDS.say("changed-file.gone"), e);
      }
    }
    PdfAmender.in(
        written,
        pdf -> {
          for (Map.Entry<Media, List<Integer>> e : copies.entrySet()) {
            pdf.takeBack(e.getKey().bytes(), e.getValue(), order::indexOf);
          }
          if (!pdf.touched().isEmpty() || pdf.pages() != order.size()) {
            int page = pdf.touched().stream().findFirst().orElse(0) + 1;
            throw new ReadProblem(ReadProblem.Kind.FAULT, WORDS.say("changed-file.differs", page));
          }
          return pdf.touched();
        });
  }
}
