package decant.recipe;

import decant.format.Format;
import decant.format.Formats;
import decant.model.Content;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.Outline;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Security;
import decant.pdf.file.Encryption;
import decant.publication.Publication;
import decant.reading.Active;
import decant.words.Words;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** What a recipe comes to for one document: the files, by name, with all that is chosen of each. */
public record Plan(List<Item> items) {
  private static final Words WORDS = Words.of(Plan.class);

  /** One file to be made. */
  public sealed interface Item {
    /** Its name, with the extension. */
    String name();

    /** A PDF. */
    record Pdf(String name, Output.Pdf output, PdfChoices choices) implements Item {}

    /** A document. */
    record Office(String name, Output.Office output) implements Item {}
  }

  public Plan {
    items = List.copyOf(items);
  }

  /**
   * Plans for the pages of a document.
   *
   * @param stem the name that all files share
   * @param source the file it came from
   * @throws PublishProblem if choices cannot be obeyed
   */
  public static Plan of(
      Recipe recipe,
      Publication publication,
      String stem,
      Path source,
      Passwords passwords,
      LocalDate date)
      throws PublishProblem {
    var items = new ArrayList<Item>();
    Optional<Format> kind = Formats.byExtension(String.valueOf(source.getFileName()));
    for (Output o : recipe.forSource(kind).outputs()) {
      switch (o) {
        case Output.Office d -> {
          check(d, passwords);
          items.add(
              new Item.Office(
                  Naming.name(d.naming(), new Naming.Fill(stem, date, "", ""))
                      + "."
                      + extension(d.format(), publication.content(), recipe.active()),
                  d));
        }
        case Output.Pdf p -> items.addAll(pdf(p, publication, stem, source, passwords, date));
      }
    }
    List<String> names = Naming.distinct(items.stream().map(Item::name).toList());
    var named = new ArrayList<Item>();
    for (int k = 0; k < items.size(); k++) {
      named.add(
          switch (items.get(k)) {
            case Item.Pdf p -> new Item.Pdf(names.get(k), p.output(), p.choices());
            case Item.Office d -> new Item.Office(names.get(k), d.output());
          });
    }
    return new Plan(named);
  }

  /** What stands for the number of a part in names that are not known yet. */
  private static final String ANY = "\u2026";

  /**
   * The names that a recipe gives under a stem before the document is known. Where it splits a
   * document, and where a name has a heading in it, an ellipsis stands for what cannot be known.
   *
   * @param recipe for the kind of the source
   */
  public static List<String> names(Recipe recipe, String stem, LocalDate date) {
    return Naming.distinct(
        recipe.outputs().stream()
            .map(o ->
                Naming.name(
                        isSplit(o) ? Naming.telling(o.naming()) : o.naming(),
                        new Naming.Fill(stem, date, isSplit(o) ? ANY : "", ANY))
                    + "."
                    + o.extension())
            .toList());
  }

  private static boolean isSplit(Output o) {
    return o instanceof Output.Pdf p && p.pages().split() != PageChoice.Split.ONE_FILE;
  }

  /** Whether all names of a recipe are known before the document is. */
  public static boolean hasKnownNames(Recipe recipe) {
    return recipe.outputs().stream().noneMatch(o -> isSplit(o) || o.naming().contains("{heading}"));
  }

  /** Whether a recipe asks for a standard, which pages that stay as they were may not meet. */
  public static boolean meetsStandard(Recipe recipe) {
    return recipe.outputs().stream().anyMatch(o -> o instanceof Output.Pdf p && meetsStandard(p));
  }

  private static boolean meetsStandard(Output.Pdf o) {
    return meetsStandard(o.settings().conformance());
  }

  /** Whether a standard is asked for. */
  public static boolean meetsStandard(Conformance asked) {
    return asked.accessible() || asked.standard() != Conformance.Standard.NONE;
  }

  private record Piece(List<Integer> pages, String number, String heading) {}

  private static List<Item> pdf(
      Output.Pdf o,
      Publication publication,
      String stem,
      Path source,
      Passwords passwords,
      LocalDate date)
      throws PublishProblem {
    Conformance asked = o.settings().conformance();
    if (publication.keepsAll() && meetsStandard(o)) {
      throw new PublishProblem(
          WORDS.say(
              "plan.kept-pages-meet-no-standard",
              asked.accessible() ? "PDF/UA" : asked.standard().label()));
    }
    List<Integer> chosen = pages(o.pages(), publication);
    List<Piece> pieces = pieces(o, chosen, publication);
    String pattern = pieces.size() > 1 ? Naming.telling(o.naming()) : o.naming();
    var out = new ArrayList<Item>();
    Metadata p = metadata(o, publication, source);
    for (Piece piece : pieces) {
      var choices = new PdfChoices(piece.pages(), passwords, p, o.settings());
      List<Conflict> conflicts = Conflict.of(choices);
      if (!conflicts.isEmpty()) {
        throw new PublishProblem(conflicts);
      }
      check(o.settings().security(), passwords);
      String name =
          Naming.name(pattern, new Naming.Fill(stem, date, piece.number(), piece.heading()));
      out.add(new Item.Pdf(name + "." + o.extension(), o, choices));
    }
    return out;
  }

  private static String extension(Format format, Content content, Active active) {
    return switch (content) {
      case Document d -> Formats.extension(format, d, active);
    };
  }

  /**
   * @throws PublishProblem if a document is to be locked that cannot be, or with no password
   */
  private static void check(Output.Office o, Passwords passwords) throws PublishProblem {
    if (o.password() && Formats.locker(o.format()).isEmpty()) {
      throw new PublishProblem(cannotLock(o.format()));
    }
    if (o.password() && passwords.open().isEmpty()) {
      throw new PublishProblem(WORDS.say("plan.a-password-is-asked-for"));
    }
  }

  /** Why files of a format cannot be locked, and which can. */
  public static String cannotLock(Format f) {
    List<Format> others =
        Formats.written().stream().filter(o -> Formats.locker(o).isPresent()).toList();
    return WORDS.say("plan.cannot-lock", f.name(), Formats.names(others));
  }

  private static void check(Security r, Passwords passwords) throws PublishProblem {
    try {
      if (r.askToOpen()) {
        Encryption.check(r.protection(), passwords.open());
      }
      if (r.askToChange()) {
        Encryption.check(r.protection(), passwords.change());
      }
    } catch (Encryption.Problem e) {
      throw new PublishProblem(List.of(new Conflict(Conflict.Group.RIGHTS, e.getMessage())));
    }
  }

  /**
   * What the file will say of itself: a document without a title has that of its first heading, and
   * what standards ask for is found where it is not said.
   */
  public static Metadata metadata(Output.Pdf o, Publication publication, Path source) {
    Metadata p = o.details().over(publication.metadata()).clean();
    boolean needed =
        o.settings().conformance().accessible()
            || o.settings().conformance().standard().level().equals("A");
    String title = p.title();
    if (title.isBlank() && (needed || o.details().from() == Details.From.DOCUMENT)) {
      title =
          publication.headings().stream()
              .findFirst()
              .map(Outline.Heading::text)
              .orElse(needed ? source.getFileName().toString().replaceFirst("\\.[^.]+$", "") : "");
    }
    if (!needed) {
      return p.withTitle(title);
    }
    String language =
        p.language().isBlank() ? Language.of(publication.content()).orElse("en") : p.language();
    return new Metadata(title, p.subject(), p.author(), p.keywords(), language);
  }

  /**
   * The pages that are chosen, from 0.
   *
   * @throws PublishProblem if the range or a chapter cannot be found
   */
  public static List<Integer> pages(PageChoice c, Publication publication) throws PublishProblem {
    var out = new TreeSet<Integer>();
    try {
      if (!c.range().isBlank() || c.chapters().isEmpty()) {
        out.addAll(new PageRange(c.range()).select(publication.pages().size()));
      }
    } catch (PageRange.Problem e) {
      throw new PublishProblem(e.getMessage(), e);
    }
    if (!c.chapters().isEmpty()) {
      List<Chapters.Chapter> all = Chapters.of(publication);
      for (String wanted : c.chapters()) {
        List<Chapters.Chapter> found =
            all.stream().filter(x -> x.text().equalsIgnoreCase(wanted.strip())).toList();
        if (found.isEmpty()) {
          throw new PublishProblem(WORDS.say("plan.there-is-no-heading-in", wanted));
        }
        for (Chapters.Chapter x : found) {
          for (int k = x.from(); k <= x.to(); k++) {
            out.add(k);
          }
        }
      }
    }
    return List.copyOf(out);
  }

  private static List<Piece> pieces(Output.Pdf o, List<Integer> chosen, Publication publication)
      throws PublishProblem {
    // Finding chapters takes a while in a long document.
    List<Chapters.Chapter> all =
        o.naming().contains("{heading}") ? Chapters.of(publication) : List.of();
    switch (o.pages().split()) {
      case ONE_FILE -> {
        return List.of(new Piece(chosen, "", heading(all, chosen.getFirst())));
      }
      case EACH_PAGE -> {
        var out = new ArrayList<Piece>();
        for (int p : chosen) {
          out.add(
              new Piece(
                  List.of(p), Naming.padded(p + 1, publication.pages().size()), heading(all, p)));
        }
        return out;
      }
      case EACH_CHAPTER -> {
        List<Chapters.Chapter> chapters = Chapters.toSplit(publication);
        if (chapters.isEmpty()) {
          throw new PublishProblem(WORDS.say("plan.the-document-has-no-headings"));
        }
        var out = new ArrayList<Piece>();
        int n = 0;
        if (chapters.getFirst().from() > 0) {
          List<Integer> before =
              chosen.stream().filter(p -> p < chapters.getFirst().from()).toList();
          if (!before.isEmpty()) {
            out.add(
                new Piece(
                    before, Naming.padded(0, chapters.size()), WORDS.say("plan.front-pages")));
          }
        }
        for (Chapters.Chapter c : chapters) {
          n++;
          List<Integer> some = chosen.stream().filter(p -> p >= c.from() && p <= c.to()).toList();
          if (!some.isEmpty()) {
            out.add(new Piece(some, Naming.padded(n, chapters.size()), c.text()));
          }
        }
        return out;
      }
    }
    throw new AssertionError("every way to split was served");
  }

  /** The chapter that a page belongs to. */
  private static String heading(List<Chapters.Chapter> all, int page) {
    String last = "";
    for (Chapters.Chapter c : all) {
      if (c.from() > page) {
        break;
      }
      last = c.text();
    }
    return last;
  }
}
