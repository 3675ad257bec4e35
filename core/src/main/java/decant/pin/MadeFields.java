package decant.pin;

import decant.blanks.Blank;
import decant.blanks.Blanks;
import decant.blanks.TypedBlanks;
import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.pdf.amend.NewField;
import decant.pdf.amend.PdfFields;
import decant.pdf.read.form.FlatBlank;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Makes fields of the lines and boxes to fill in that a document has: of signs in its text, and on
 * pinned pages of what is typed or drawn there.
 */
public final class MadeFields {
  private static final Words WORDS = Words.of(MadeFields.class);

  private final Set<String> taken = new HashSet<>();
  private final List<String> made = new ArrayList<>();

  private MadeFields(Document d) {
    Blanks.of(d).stream().map(Blank::name).forEach(taken::add);
  }

  /**
   * @param names of the fields that were made, in the order of the document
   */
  public record Result(Revision revision, List<String> names) {
    public Result {
      names = List.copyOf(names);
    }
  }

  /**
   * Makes them, as one act that can be undone.
   *
   * @throws ReadProblem if the file of a pinned page cannot be read
   */
  public static Result make(Revision r) throws ReadProblem {
    var making = new MadeFields(r.document());
    Document d = r.document();
    for (Section s : r.document().sections()) {
      Pinned page = s.pinned().orElse(null);
      d = page == null ? making.typed(d, s.blocks()) : making.onPage(d, s, page);
    }
    return new Result(
        making.made.isEmpty() ? r : AmendedPages.changed(r, WORDS.say("made-fields.make"), d),
        making.made);
  }

  /**
   * Whether it is worth looking: the text has signs that are no fields, or taking in told of some.
   */
  public static boolean isWorth(Document d, List<Finding> findings) {
    return d.sections().stream().anyMatch(s -> TypedBlanks.any(s.blocks()))
        || Blanks.of(d).isEmpty() && findings.stream().anyMatch(f -> f.kind() == Finding.Kind.FORM);
  }

  /** Fields of the signs in a text that flows. */
  private Document typed(Document d, List<Block> blocks) {
    Map<TypedBlanks.Spot, String> names = new LinkedHashMap<>();
    for (TypedBlanks.Spot s : TypedBlanks.in(blocks)) {
      String name = TypedBlanks.free(s.label(), taken);
      names.put(s, name);
      made.add(name);
    }
    return signed(d, names);
  }

  /** The document with fields on signs of its text. */
  private static Document signed(Document d, Map<TypedBlanks.Spot, String> names) {
    // From the end, so that places before a change stay.
    List<TypedBlanks.Spot> spots =
        names.keySet().stream()
            .sorted(Comparator.comparingInt(TypedBlanks.Spot::from).reversed())
            .toList();
    Document out = d;
    for (TypedBlanks.Spot s : spots) {
      Paragraph p = out.requireParagraph(s.paragraph());
      out = TypedBlanks.field(p, s, names.getOrDefault(s, s.label())).apply(out).document();
    }
    return out;
  }

  private Document onPage(Document d, Section s, Pinned page) throws ReadProblem {
    Map<TypedBlanks.Spot, String> names = new LinkedHashMap<>();
    var unsaid = new ArrayList<NewField>();
    Optional<byte[]> file =
        PdfFields.make(
            page.file().bytes(), page.page(), looked -> chosen(s, looked, names, unsaid));
    if (file.isEmpty()) {
      return d;
    }
    Media media = Media.of(PageFile.PDF, file.get());
    return PageFile.with(signed(d, names), page, x -> with(x, page, media, unsaid));
  }

  /**
   * The fields that a page is to have.
   *
   * @param names takes those that the page's text has signs for, and
   * @param unsaid the others
   */
  private List<NewField> chosen(
      Section s,
      PdfFields.Looked looked,
      Map<TypedBlanks.Spot, String> names,
      List<NewField> unsaid) {
    taken.addAll(looked.names());
    var spots = new ArrayList<>(TypedBlanks.in(s.blocks()));
    var fields = new ArrayList<NewField>();
    for (FlatBlank b : looked.blanks()) {
      var f = new NewField(TypedBlanks.free(b.label(), taken), b.kind(), b.area(), b.size());
      fields.add(f);
      made.add(f.name());
      Optional<TypedBlanks.Spot> spot =
          spots.stream().filter(x -> alike(x.label(), b.label())).findFirst();
      spot.ifPresentOrElse(
          x -> {
            spots.remove(x);
            names.put(x, f.name());
          },
          () -> unsaid.add(f));
    }
    return fields;
  }

  private static boolean alike(String a, String b) {
    return letters(a).equals(letters(b));
  }

  private static String letters(String s) {
    return s.replaceAll("[^\\p{L}\\p{N}]+", "").toLowerCase(Locale.ROOT);
  }

  /** A page with its file as it is now, and with fields in its text that it has no signs for. */
  private static Section with(Section s, Pinned page, Media file, List<NewField> unsaid) {
    Map<NodeId, Box> places = new HashMap<>(page.places());
    var blocks = new ArrayList<>(s.blocks());
    for (NewField f : unsaid) {
      Paragraph p = alone(f);
      blocks.add(PageTexts.after(blocks, places, f.area()), p);
      places.put(p.id(), f.area());
    }
    return s.withBlocks(blocks).withPinned(page.in(file, places));
  }

  /** A field in a line of its own. */
  private static Paragraph alone(NewField f) {
    FormField field = TypedBlanks.made(f.name(), f.kind(), FormField.HELD_OPEN);
    return Paragraph.of(Look.PLAIN, "")
        .withInlines(
            List.of(new Inline.Text(Blanks.empty(field), Look.of(TextTraits.FIELD, field))));
  }
}
