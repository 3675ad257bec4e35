package decant.convert;

import decant.format.Format;
import decant.format.Formats;
import decant.format.Intake;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.finding.Finding;
import decant.pdf.choices.Passwords;
import decant.pdf.kept.KeptPages;
import decant.pin.PinnedPages;
import decant.preview.LeftOut;
import decant.proof.OffSheet;
import decant.publication.Publication;
import decant.publish.Exposure;
import decant.publish.Losses;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.reading.ActiveContent;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.recipe.Details;
import decant.recipe.Output;
import decant.recipe.PagesKept;
import decant.recipe.Plan;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.words.Words;
import decant.work.Cancelled;
import decant.work.Deadline;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A file that was taken in and laid out as a recipe asks, and waits to be published.
 *
 * @param recipe for what the file turned out to be
 * @param findings what did not carry over, and what is in doubt
 * @param told what else is to be said of it
 * @param sourcePages how many pages the file has or says it has; 0 if unknown
 * @param replaced how often a text was replaced
 */
public record Conversion(
    Publication publication,
    Recipe recipe,
    List<Finding> findings,
    List<String> told,
    int sourcePages,
    int replaced,
    Duration reading,
    Duration layout) {
  private static final Words WORDS = Words.of(Conversion.class);

  /**
   * What is asked for.
   *
   * @param pagesKept whether somebody asked for just these pages to be kept, which holds for
   *     whatever the file is; what a recipe says of it holds for PDFs
   */
  public record Order(ReadRequest request, Recipe recipe, boolean pagesKept, Changes changes) {}

  public Conversion {
    findings = List.copyOf(findings);
    told = List.copyOf(told);
  }

  /**
   * Takes a file in and makes it ready.
   *
   * @throws ReadProblem if it cannot be taken in, or not within its time
   * @throws PublishProblem if choices cannot be obeyed for it
   */
  public static Conversion of(Order order, Deadline deadline)
      throws ReadProblem, PublishProblem, IOException {
    long start = System.nanoTime();
    ReadRequest request = order.request().by(deadline);
    TakenIn read = Intake.take(request);
    Optional<Format> format = Formats.of(read.origin().format());
    Recipe recipe = saying(order.recipe().forSource(format), order.changes().particulars());
    boolean paged = Formats.hasPages(read.origin().format());
    var told = new ArrayList<String>();
    TakenIn taken =
        paged && recipe.pagesKept() == PagesKept.AUTO ? Judging.of(request, read, deadline) : read;
    int pinned = PinnedPages.numbers(taken.document()).size();
    if (pinned > 0 && Plan.meetsStandard(recipe)) {
      told.add(WORDS.count("conversion.pinned-as-pictures", pinned));
    }
    long taking = System.nanoTime();
    boolean all = recipe.pagesKept() == PagesKept.ALL;
    if (all && !paged && order.pagesKept()) {
      throw new PublishProblem(WORDS.say("conversion.only-pages-of-pdf-are-kept"));
    }
    Publication publication;
    List<Finding> findings;
    int replaced = 0;
    if (all && paged) {
      Changes.Changed changed = order.changes().in(taken.document());
      if (changed.replaced() + changed.left() > 0) {
        told.add(WORDS.count("conversion.not-replaced", changed.replaced() + changed.left()));
      }
      KeptPages kept =
          KeptPages.of(
              request.file(),
              request.password().orElse(""),
              ActiveContent.without(taken.document()),
              taken.origin().places());
      told.addAll(kept.leftOut());
      if (makesPicturesSmaller(recipe)) {
        told.add(WORDS.say("conversion.kept-pictures"));
      }
      publication = kept;
      findings = Losses.ofKeptPages(taken.findings());
    } else {
      Changes.Changed changed = order.changes().in(taken.document());
      replaced = changed.replaced();
      if (changed.left() > 0) {
        told.add(WORDS.count("conversion.not-replaced", changed.left()));
      }
      Document document = changed.document();
      Layout layout = Pages.of(document, deadline);
      publication = layout;
      findings = new ArrayList<>(LeftOut.findings(document, recipe));
      findings.addAll(
          taken.withFindings(OffSheet.findings(layout, taken.origin().places())).findings());
    }
    Exposure.ofSource(recipe, taken.findings()).ifPresent(told::add);
    return new Conversion(
        publication,
        recipe,
        findings.stream().distinct().toList(),
        told,
        taken.origin().pages(),
        replaced,
        Duration.ofNanos(taking - start),
        Duration.ofNanos(System.nanoTime() - taking));
  }

  /** A recipe whose PDFs say of themselves what is set for every file. */
  private static Recipe saying(Recipe recipe, Metadata set) {
    if (set.equals(Metadata.NONE)) {
      return recipe;
    }
    var outputs = new ArrayList<Output>();
    for (Output o : recipe.outputs()) {
      outputs.add(o instanceof Output.Pdf p ? p.with(over(p.details(), set)) : o);
    }
    return recipe.withOutputs(outputs);
  }

  private static Details over(Details own, Metadata set) {
    return new Details(
        own.from(),
        Changes.or(set.title(), own.title()),
        Changes.or(set.subject(), own.subject()),
        Changes.or(set.author(), own.author()),
        Changes.or(set.keywords(), own.keywords()),
        Changes.or(set.language(), own.language()));
  }

  private static boolean makesPicturesSmaller(Recipe recipe) {
    return recipe.outputs().stream()
        .anyMatch(o ->
            o instanceof Output.Pdf p
                && (p.settings().compression().resolution() > 0
                    || p.settings().compression().photographQuality() > 0));
  }

  /** What of the file is not in what is published of it. */
  public List<Finding> losses() {
    return Losses.of(recipe, findings);
  }

  /**
   * The names of the files that would be made under a stem.
   *
   * @throws PublishProblem if choices cannot be obeyed
   */
  public List<String> names(String stem, Path source, Passwords passwords) throws PublishProblem {
    return Plan.of(recipe, publication, stem, source, passwords, LocalDate.now()).items().stream()
        .map(Plan.Item::name)
        .toList();
  }

  /**
   * Where the files go.
   *
   * @param stem the name that they share
   * @param source the file that all came from
   */
  public record Place(
      Path folder, String stem, Path source, boolean overwrite, Untouchable untouchable) {}

  /**
   * Publishes it.
   *
   * @throws PublishProblem if choices cannot be obeyed; nothing was written
   * @throws WriteProblem if a file cannot be written; then nothing has changed
   * @throws ReadProblem if the deadline was over before all was written; then no file is left
   */
  public Receipt publish(Place to, Passwords passwords, Deadline deadline)
      throws PublishProblem, WriteProblem, ReadProblem {
    try {
      Receipt made =
          Publisher.publish(
              new Publisher.Order(
                  publication,
                  recipe,
                  to.folder(),
                  to.stem(),
                  to.source(),
                  to.overwrite(),
                  passwords,
                  to.untouchable()),
              (name, done) -> {},
              deadline::isOver);
      return made.lacking(losses());
    } catch (Cancelled e) {
      throw ReadProblem.tooSlow(deadline.allowed());
    }
  }
}
