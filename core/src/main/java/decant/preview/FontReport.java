package decant.preview;

import decant.layout.item.Item;
import decant.layout.label.DocumentFonts;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.text.EmbeddingRights;
import decant.text.FontBook;
import decant.text.FontFace;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** The fonts that pages are set in: what was asked for, what serves it and why, and how much. */
public final class FontReport {
  /**
   * One face.
   *
   * @param asked the fonts that it serves, each with the reason
   * @param characters how many different ones are shown in it
   * @param sample the first of its text
   * @param wholeBytes of its file
   */
  public record Row(
      FontFace face,
      Map<String, FontBook.Reason> asked,
      EmbeddingRights rights,
      int characters,
      String sample,
      int wholeBytes) {}

  private static final int SAMPLE = 40;

  private FontReport() {}

  /** The faces of some pages, in the order in which they come. */
  public static List<Row> of(Publication publication, List<Integer> pages) {
    var characters = new LinkedHashMap<FontFace, Set<Integer>>();
    var samples = new LinkedHashMap<FontFace, StringBuilder>();
    for (int p : pages) {
      publication.walk(
          publication.pages().get(p),
          new PageSink() {
            @Override
            public void glyphs(Item.GlyphRun run, double x, double y) {
              Set<Integer> seen =
                  characters.computeIfAbsent(run.face(), f -> new LinkedHashSet<>());
              run.shown().text().codePoints().forEach(seen::add);
              StringBuilder s = samples.computeIfAbsent(run.face(), f -> new StringBuilder());
              if (s.length() < SAMPLE) {
                s.append(run.shown().text());
              }
            }

            @Override
            public void fill(Box box, Colour colour) {}

            @Override
            public void picture(Item.PictureBox picture, Box box) {}
          });
    }
    Map<FontFace, Map<String, FontBook.Reason>> asked =
        switch (publication.content()) {
          case Document d -> asked(d);
        };
    var out = new ArrayList<Row>();
    characters.forEach((face, seen) ->
        out.add(
            new Row(
                face,
                asked.getOrDefault(face, Map.of()),
                EmbeddingRights.of(face),
                seen.size(),
                samples.getOrDefault(face, new StringBuilder()).toString().strip(),
                face.bytes().length)));
    return out;
  }

  private static Map<FontFace, Map<String, FontBook.Reason>> asked(Document d) {
    FontBook book = DocumentFonts.of(d);
    var out = new LinkedHashMap<FontFace, Map<String, FontBook.Reason>>();
    var seen = new HashSet<Look>();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      Look base = d.styles().textBase(p.look());
      for (Inline i : p.inlines()) {
        Look look = d.styles().textLook(base, i.look());
        if (seen.add(look)) {
          FontBook.Served s =
              book.serve(
                  look.value(TextTraits.FAMILY),
                  look.value(TextTraits.BOLD),
                  look.value(TextTraits.ITALIC));
          out.computeIfAbsent(s.face(), f -> new TreeMap<>()).put(s.asked(), s.reason());
        }
      }
    }
    return out;
  }
}
