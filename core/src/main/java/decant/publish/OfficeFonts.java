package decant.publish;

import decant.format.Format;
import decant.layout.label.DocumentFonts;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.EmbeddedFont;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.recipe.FontsInside;
import decant.recipe.Output;
import decant.text.EmbeddingRights;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.words.Words;
import decant.work.Faults;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Fonts that go into editable documents (ISO/IEC 29500-1 §17.8.1; ODF 1.3 §16.23), only as their
 * licences permit (OpenType 1.9, OS/2, fsType): the recipient is to edit the text in them.
 */
public final class OfficeFonts {
  private static final Words WORDS = Words.of(OfficeFonts.class);

  /** The tables that a font is used with; those that name glyphs by number would lie in a part. */
  private static final List<String> NEEDED =
      List.of(
          "head", "hhea", "hmtx", "maxp", "name", "OS/2", "post", "cmap", "glyf", "loca", "cvt ",
          "fpgm", "prep", "gasp");

  /** A face as text asks for it. */
  private record Asked(String family, boolean bold, boolean italic) {
    @Override
    public String toString() {
      return family + (bold ? " Bold" : "") + (italic ? " Italic" : "");
    }
  }

  /**
   * A font that is put in.
   *
   * @param bytes that it adds, before the file is packed
   */
  public record Put(String name, long bytes) {}

  /**
   * A document with fonts in it.
   *
   * @param put what was put in
   * @param leftOut what could not be, each with the reason in plain words
   */
  public record Result(Document document, List<Put> put, List<String> leftOut) {}

  private OfficeFonts() {}

  /** Puts in what an output asks for. */
  public static Result in(Document d, Output.Office output) {
    boolean room = output.format().holds().contains(Format.Holding.FONTS);
    return room && output.fonts() != FontsInside.NONE
        ? in(d, output.fonts())
        : new Result(d, List.of(), List.of());
  }

  private static Result in(Document d, FontsInside how) {
    List<EmbeddedFont> brought = d.styles().typesetting().fonts();
    FontBook book = DocumentFonts.of(d);
    var all = new ArrayList<>(brought);
    var put = new ArrayList<Put>();
    var leftOut = new ArrayList<String>();
    used(d)
        .forEach((asked, characters) -> {
          boolean there =
              brought.stream()
                  .anyMatch(f ->
                      f.family().equals(asked.family())
                          && f.bold() == asked.bold()
                          && f.italic() == asked.italic());
          if (there) {
            return;
          }
          FontFace face = book.serve(asked.family(), asked.bold(), asked.italic()).face();
          Optional<String> problem = problem(asked, face);
          if (problem.isPresent()) {
            leftOut.add(problem.get());
            return;
          }
          byte[] file = how == FontsInside.USED ? part(face, characters) : face.bytes();
          put.add(new Put(asked.toString(), file.length));
          all.add(
              new EmbeddedFont(
                  asked.family(), asked.bold(), asked.italic(), Media.of("font/ttf", file)));
        });
    Document with =
        put.isEmpty()
            ? d
            : d.withStyles(d.styles().withTypesetting(d.styles().typesetting().withFonts(all)));
    return new Result(with, List.copyOf(put), leftOut.stream().distinct().toList());
  }

  private static Optional<String> problem(Asked asked, FontFace face) {
    boolean other =
        !face.family().equalsIgnoreCase(asked.family())
            || face.bold() != asked.bold()
            || face.italic() != asked.italic();
    if (other) {
      return Optional.of(WORDS.say("office-fonts.is-not-here", asked.family()));
    }
    return EmbeddingRights.of(face).mayEdit()
        ? Optional.empty()
        : Optional.of(WORDS.say("office-fonts.may-not-be-embedded", asked.family()));
  }

  /** The characters that text has in each face, those of labels among them. */
  private static Map<Asked, TreeSet<Integer>> used(Document d) {
    var out = new TreeMap<Asked, TreeSet<Integer>>(Comparator.comparing(Asked::toString));
    var labels = ListLabels.of(d);
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      Look base = d.styles().textBase(p.look());
      for (Inline i : p.inlines()) {
        String text =
            switch (i) {
              case Inline.Text t -> t.text();
              case Inline.Field f -> f.shown() + "0123456789";
              case Inline.NoteMark n -> "0123456789ivx*";
              case Inline.KeptInline k -> k.shown();
              case Inline.Picture x -> "";
              case Inline.Shape x -> "";
            };
        add(out, d.styles().textLook(base, i.look()), text);
      }
      String label = labels.getOrDefault(p.id(), "");
      if (!label.isEmpty()) {
        ListMembership m =
            d.styles().paragraphLook(p.look(), Look.PLAIN, d.lists()).value(ParagraphTraits.LIST);
        ListDefinition list = d.lists().get(m.list());
        Look look = list == null ? base : list.level(m.depth()).label().over(base);
        add(out, look, label + "0123456789");
      }
    }
    return out;
  }

  private static void add(Map<Asked, TreeSet<Integer>> out, Look look, String text) {
    if (!text.isEmpty()) {
      var asked =
          new Asked(
              look.value(TextTraits.FAMILY),
              look.value(TextTraits.BOLD),
              look.value(TextTraits.ITALIC));
      TreeSet<Integer> all = out.computeIfAbsent(asked, k -> new TreeSet<>());
      boolean capitals = look.value(TextTraits.ALL_CAPS) || look.value(TextTraits.SMALL_CAPS);
      text.codePoints().filter(c -> c >= ' ').forEach(all::add);
      if (capitals) {
        text.toUpperCase(java.util.Locale.ROOT)
            .codePoints()
            .filter(c -> c >= ' ')
            .forEach(all::add);
      }
    }
  }

  /**
   * The characters that are used; the whole where the licence asks for that, or none can be cut.
   */
  private static byte[] part(FontFace face, TreeSet<Integer> characters) {
    if (!EmbeddingRights.of(face).maySubset()) {
      return face.bytes();
    }
    try (TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(face.bytes()))) {
      if (!font.getTableMap().containsKey("glyf")) {
        return face.bytes();
      }
      var subset = new TTFSubsetter(font, NEEDED);
      subset.addAll(characters);
      subset.add(' ');
      var out = new ByteArrayOutputStream();
      subset.writeToStream(out);
      return out.toByteArray();
    } catch (IOException | RuntimeException e) {
      Faults.mended("cutting a font to the characters that are used", e);
      return face.bytes();
    }
  }
}
