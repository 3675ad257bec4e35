package decant.publish;

import decant.format.Format;
import decant.format.FormatService;
import decant.format.Formats;
import decant.format.Written;
import decant.io.AtomicFile;
import decant.io.FileHash;
import decant.io.Untouchable;
import decant.io.WriteProblem;
import decant.layout.Layouter;
import decant.model.Content;
import decant.model.Document;
import decant.pdf.choices.Navigation.Addresses;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfSettings;
import decant.pdf.file.Encryption;
import decant.pdf.write.Attachment;
import decant.pdf.write.PdfWriter;
import decant.pin.PinnedPictures;
import decant.pin.Pinning;
import decant.publication.Publication;
import decant.reading.Active;
import decant.reading.ActiveContent;
import decant.recipe.Output;
import decant.recipe.PagesKept;
import decant.recipe.Plan;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.text.FontBook;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import decant.words.Words;
import decant.work.Cancelled;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;

/**
 * Publishes documents: writes every file of a recipe beside its name, reads it back, verifies it,
 * and only then moves all of them to their names.
 */
public final class Publisher {
  private static final Words WORDS = Words.of(Publisher.class);

  /**
   * What to publish.
   *
   * @param publication the whole of it
   * @param folder where the files go
   * @param stem the name that they share
   * @param source the file the document came from
   * @param untouchable the files of the call that are never written over, the source among them
   */
  public record Order(
      Publication publication,
      Recipe recipe,
      Path folder,
      String stem,
      Path source,
      boolean overwrite,
      Passwords passwords,
      Untouchable untouchable) {}

  /** Told how far a publish is. */
  @FunctionalInterface
  public interface Progress {
    /**
     * @param file the name of the file that is being made
     * @param done the share of all work, 0 to 1
     */
    void at(String file, double done);
  }

  private static final double WRITING = 0.7; // the rest of a file's time goes into checking it

  private Publisher() {}

  /**
   * Follows a recipe.
   *
   * @throws PublishProblem if choices cannot be obeyed for this document; nothing was written
   * @throws WriteProblem if a file cannot be written; then nothing has changed
   * @throws Cancelled if the person cancelled; then no file is left
   */
  public static Receipt publish(Order order, Progress progress, BooleanSupplier cancelled)
      throws PublishProblem, WriteProblem {
    Instant start = Instant.now();
    Plan plan =
        Plan.of(
            order.recipe(),
            order.publication(),
            order.stem(),
            order.source(),
            order.passwords(),
            LocalDate.now());
    Active active = order.recipe().active();
    var publications = new HashMap<GoingOut, Publication>();
    var pending = new ArrayList<AtomicFile.Pending>();
    var made = new ArrayList<Draft>();
    for (Plan.Item item : plan.items()) {
      refuseUntouchable(order.folder().resolve(item.name()), order.untouchable());
    }
    try {
      int n = 0;
      for (Plan.Item item : plan.items()) {
        double from = (double) n++ / plan.items().size();
        double share = 1.0 / plan.items().size();
        Path target = order.folder().resolve(item.name());
        made.add(
            switch (item) {
              case Plan.Item.Pdf p ->
                  pdf(
                      p,
                      publications.computeIfAbsent(
                          GoingOut.by(order.recipe(), p.choices().settings()),
                          g -> goingOut(order.publication(), g)),
                      order,
                      target,
                      pending,
                      d -> progress.at(p.name(), from + share * d),
                      cancelled);
              case Plan.Item.Office d ->
                  office(
                      d.output(),
                      PinnedPictures.in(carried(order.publication().content(), active)),
                      order,
                      target,
                      pending);
            });
        if (cancelled.getAsBoolean()) {
          throw new Cancelled();
        }
      }
      var files = new ArrayList<Receipt.Made>();
      for (int k = 0; k < made.size(); k++) {
        Receipt.Made file = commit(made.get(k), pending.get(k));
        order.untouchable().made(file.file());
        files.add(file);
      }
      return new Receipt(
          order.recipe().name(),
          order.source(),
          Instant.now(),
          files,
          Duration.between(start, Instant.now()),
          made.stream().map(Draft::verifying).reduce(Duration.ZERO, Duration::plus),
          Optional.empty());
    } finally {
      pending.forEach(AtomicFile.Pending::discard);
    }
  }

  /** A file that was written and read back, before it has its name. */
  private record Draft(
      Path target,
      String format,
      int pages,
      List<Check> checks,
      Duration verifying,
      Written written) {

    /** Reads a file back, and notes how long that takes. */
    static Draft checked(
        Path target, String format, int pages, Supplier<List<Check>> checking, Written written) {
      Instant start = Instant.now();
      List<Check> checks = checking.get();
      return new Draft(
          target, format, pages, checks, Duration.between(start, Instant.now()), written);
    }
  }

  /** A document in an office format, in a file that does not have its name yet. */
  private record Prepared(
      Document document, Format format, Path target, AtomicFile.Pending file, Written written) {
    static Prepared by(
        FormatService.Writer writer, Document d, Format format, Path target, boolean overwrite)
        throws WriteProblem {
      var written = new AtomicReference<>(Written.WHOLE);
      AtomicFile.Pending file =
          AtomicFile.prepare(target, overwrite, out -> written.set(writer.write(d, out)));
      return new Prepared(d, format, target, file, Objects.requireNonNull(written.get()));
    }

    Draft checked(FormatService.Verifier verifier) {
      return Draft.checked(
          target, format.id(), 0, () -> verifier.verify(file.file(), document), written);
    }
  }

  /**
   * What of the choices changes the pages as they go out.
   *
   * @param standard whether a standard is asked for, which pages that stay as they were may not
   *     meet: they become pictures
   */
  public record GoingOut(
      Active active, PagesKept pagesKept, Addresses addresses, boolean standard) {
    public static GoingOut by(Recipe recipe, PdfSettings settings) {
      return new GoingOut(
          recipe.active(),
          recipe.pagesKept(),
          settings.navigation().addresses(),
          Plan.meetsStandard(settings.conformance()));
    }
  }

  /**
   * The pages as they go out: without what acts by itself unless that is asked for, and with their
   * addresses as links if that is chosen; the same pages where neither changes anything.
   */
  public static Publication goingOut(Publication is, GoingOut how) {
    if (is.keepsAll()) {
      return is; // they bring nothing that acts, and their words are not gone through
    }
    return switch (is.content()) {
      case Document d -> {
        Document out = carried(d, how.active());
        out = how.pagesKept() == PagesKept.NONE ? Pinning.releaseAll(out) : out;
        out = how.standard() ? PinnedPictures.overText(out) : out;
        out = how.addresses().linked() ? AddressLinks.in(out, how.addresses()) : out;
        yield out == d ? is : new Layouter(FontBook.shipped()).layout(out);
      }
    };
  }

  private static Document carried(Content content, Active active) {
    return switch (content) {
      case Document d -> active == Active.KEEP ? d : ActiveContent.without(d);
    };
  }

  private static Draft pdf(
      Plan.Item.Pdf item,
      Publication publication,
      Order order,
      Path target,
      List<AtomicFile.Pending> pending,
      java.util.function.DoubleConsumer progress,
      BooleanSupplier cancelled)
      throws PublishProblem, WriteProblem {
    Optional<Attachment> attachment =
        item.choices().settings().conformance().enclosures().source()
            ? Optional.of(attachment(order.source()))
            : Optional.empty();
    var problem = new ArrayList<Encryption.Problem>();
    int all = item.choices().pages().size();
    AtomicFile.Pending p =
        AtomicFile.prepare(
            target,
            order.overwrite(),
            out -> {
              try {
                PdfWriter.write(
                    publication,
                    item.choices(),
                    attachment,
                    out,
                    n -> progress.accept(WRITING * n / all),
                    cancelled);
              } catch (Encryption.Problem e) {
                problem.add(e);
              }
            });
    pending.add(p);
    if (!problem.isEmpty()) {
      throw new PublishProblem(problem.getFirst().getMessage(), problem.getFirst());
    }
    Draft draft =
        Draft.checked(
            target,
            Formats.pages().id(),
            all,
            () -> PdfVerifier.verify(p.file(), publication, item.choices()),
            Written.WHOLE);
    progress.accept(1);
    return draft;
  }

  private static Attachment attachment(Path source) throws PublishProblem {
    try {
      String name = source.getFileName().toString();
      String type = Formats.recognise(source).mediaType();
      return Attachment.source(
          name, type, Files.readAllBytes(source), Files.getLastModifiedTime(source));
    } catch (IOException e) {
      throw new PublishProblem(
          WORDS.say("publisher.the-source-cannot-be-read", source.getFileName()), e);
    }
  }

  private static Draft office(
      Output.Office output,
      Document whole,
      Order order,
      Path target,
      List<AtomicFile.Pending> pending)
      throws WriteProblem {
    Format format = output.format();
    Document d = OfficeFonts.in(whole, output).document();
    FormatService.Writer writer = Formats.writer(format);
    FormatService.Verifier verifier = Formats.verifier(format);
    if (output.password()) {
      var locked = new LockedOffice(format, order.passwords().open());
      writer = locked::write;
      verifier = locked::verify;
    }
    Prepared p = Prepared.by(writer, d, format, target, order.overwrite());
    pending.add(p.file());
    return p.checked(verifier);
  }

  /** A file that did not pass is kept under a name that says so. */
  private static Receipt.Made commit(Draft d, AtomicFile.Pending pending) throws WriteProblem {
    boolean passed = d.checks().stream().allMatch(Check::passed);
    Path file;
    if (passed) {
      file = pending.commit();
    } else {
      String name = d.target().getFileName().toString();
      int dot = name.lastIndexOf('.');
      Path beside =
          AtomicFile.freeName(
              d.target()
                  .toAbsolutePath()
                  .resolveSibling(
                      name.substring(0, dot) + " (not verified)" + name.substring(dot)));
      file = pending.commitAs(beside);
    }
    return made(file, d);
  }

  private static Receipt.Made made(Path file, Draft d) throws WriteProblem {
    try {
      return new Receipt.Made(
          file,
          d.format(),
          Files.size(file),
          FileHash.of(file),
          d.pages(),
          d.checks(),
          d.written());
    } catch (IOException e) {
      throw new WriteProblem(
          WriteProblem.Kind.OTHER, WORDS.say("publisher.the-file-was-written-but"), e);
    }
  }

  /**
   * Saves a working copy: writes beside the name, reads back, and moves to the name only what
   * passed. What did not is kept beside it under a name that says so, and what was there before
   * stays. What acts by itself is left out.
   *
   * @param target by whose name its format is told
   * @param untouchable what is not written over, whatever name leads to it
   * @throws WriteProblem if the file cannot be written; then nothing has changed
   */
  public static Receipt.Made workingCopy(
      Document whole, Path target, boolean overwrite, Untouchable untouchable) throws WriteProblem {
    refuseUntouchable(target, untouchable);
    Document document = PinnedPictures.in(carried(whole, Active.REMOVE));
    Format working = Formats.ofCopy(target);
    Prepared p = Prepared.by(Formats.writer(working), document, working, target, overwrite);
    try {
      return commit(p.checked(Formats.verifier(working)), p.file());
    } finally {
      p.file().discard();
    }
  }

  private static void refuseUntouchable(Path target, Untouchable files) throws WriteProblem {
    if (files.isInput(target)) {
      throw new WriteProblem(
          WriteProblem.Kind.IS_SOURCE,
          WORDS.say("publisher.is-the-original-which-stays", target.getFileName()));
    }
    if (files.isMade(target)) {
      throw new WriteProblem(
          WriteProblem.Kind.MADE_BEFORE, WORDS.say("publisher.made-before", target.getFileName()));
    }
  }
}
