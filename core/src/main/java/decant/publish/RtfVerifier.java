package decant.publish;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Link;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.TextTraits;
import decant.office.rtf.RtfContent;
import decant.pdf.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Reads a saved RTF back with a parser of other makers and compares it with the document. */
final class RtfVerifier {
  private static final Words WORDS = Words.of(RtfVerifier.class);

  private RtfVerifier() {}

  static List<Check> verify(Path file, Document d) {
    try {
      RtfContent got = RtfContent.read(file);
      var wanted = new Wanted(d);
      return List.of(
          TextCheck.of(wanted.paragraphs, got.paragraphs()),
          count(WORDS.say("rtf-verifier.table-rows"), wanted.rows, got.rows()),
          count(WORDS.say("rtf-verifier.notes"), wanted.notes, got.notes()),
          Check.of(
              WORDS.say("rtf-verifier.links"),
              wanted.links.equals(got.links()),
              WORDS.say("rtf-verifier.lead-where-the-documents-do", wanted.links.size()),
              WORDS.say(
                  "rtf-verifier.instead-of-or-elsewhere",
                  got.links().size(),
                  wanted.links.size())));
    } catch (IOException e) {
      return List.of(Check.of(WORDS.say("rtf-verifier.opens"), false, "", e.getMessage()));
    }
  }

  private static Check count(String name, int wanted, int got) {
    return Check.of(
        name,
        wanted == got,
        WORDS.say("rtf-verifier.as-in-the-document", wanted),
        WORDS.say("rtf-verifier.instead-of", got, wanted));
  }

  /** What the text of a document holds. */
  private static final class Wanted {
    private final Document document;
    private final List<String> paragraphs = new ArrayList<>();
    private final List<String> links = new ArrayList<>();
    private int rows;
    private int notes;

    Wanted(Document d) {
      document = d;
      for (Section s : d.sections()) {
        blocks(s.blocks());
      }
    }

    private void blocks(List<Block> blocks) {
      for (Block b : blocks) {
        switch (b) {
          case Paragraph p -> paragraph(p);
          case Table t -> {
            rows += t.rows().size();
            t.rows().forEach(r -> r.cells().forEach(c -> blocks(c.blocks())));
          }
          case KeptBlock k -> {}
        }
      }
    }

    private void paragraph(Paragraph p) {
      var text = new StringBuilder();
      Link open = null;
      for (Inline i : p.inlines()) {
        Link link = i.look().get(TextTraits.LINK).orElse(null);
        if (link != null && !link.equals(open)) {
          links.add(link.target().replace("\"", "%22"));
        }
        open = link;
        switch (i) {
          case Inline.Text t -> text.append(t.text());
          case Inline.Field f -> text.append(shown(f));
          case Inline.KeptInline k -> text.append(k.shown());
          case Inline.NoteMark n -> {
            Story s = document.stories().get(n.note());
            notes += s == null ? 0 : 1;
          }
          case Inline.Picture pic -> {}
          case Inline.Shape s -> {}
        }
      }
      String s = text.toString().replaceAll("[\\x00-\\x08\\x0E-\\x1F\\r\\x7F]", "");
      if (!s.isBlank()) {
        paragraphs.add(s);
      }
    }

    private static String shown(Inline.Field f) {
      return f.shown().isEmpty() && f.kind() != Inline.Field.Kind.OTHER ? "1" : f.shown();
    }
  }
}
