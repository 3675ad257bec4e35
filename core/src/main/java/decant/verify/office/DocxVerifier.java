package decant.verify.office;

import decant.model.Document;
import decant.model.Inline;
import decant.model.look.Kept;
import decant.model.walk.Part;
import decant.verify.Check;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jsoup.parser.Parser;

/** Takes the digest of a saved DOCX and compares it with that of the document. */
public final class DocxVerifier {
  private DocxVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    try {
      Digest wanted = DocumentDigest.of(d, new Room());
      Digest got = DocxDigest.open(file).digest();
      return DigestCheck.of(wanted, keepsComments(d) ? got.only(wanted, Aspect.COMMENTS) : got);
    } catch (IOException | RuntimeException | StackOverflowError e) {
      return DigestCheck.unread(e);
    }
  }

  /** Comments with more than words go back as they came, those that stand nowhere among them. */
  private static boolean keepsComments(Document d) {
    return d.keptParts().stream().anyMatch(k -> k.name().equals("word/comments.xml"));
  }

  private static final class Room implements DocumentDigest.Room {
    @Override
    public boolean holdsComments(Part part) {
      return part != Part.RUNNING;
    }

    /** The characters of a formula, which go back each in its place. */
    private static final Pattern FORMULA = Pattern.compile("<m:t(?:\\s[^>]*)?>([^<]*)</m:t>");

    /**
     * Formulas (§22.1) and whatever else is kept have looks of their own. What is shown of them may
     * be written otherwise than in the file, and fields that draw themselves have no text there.
     */
    @Override
    public void kept(Kept kept, String shown, TextLook look, Digest.Builder into) {
      String there = shown;
      if (kept.format().equals("docx") && kept.source().contains("<w:fldChar")) {
        there = "";
      } else if (kept.format().equals("docx") && kept.source().contains("<m:t")) {
        there =
            FORMULA
                .matcher(kept.source())
                .results()
                .map(m -> Parser.unescapeEntities(m.group(1), false))
                .collect(Collectors.joining());
      }
      if (!there.isEmpty()) {
        into.text(there, TextLook.NONE, "");
      }
    }

    /** Its extent in units of 1/12700 point, where the drawing says it (§20.4.2.7). */
    @Override
    public String size(Inline.Picture p) {
      boolean said =
          p.kept()
              .filter(k -> k.format().equals("docx"))
              .map(k -> k.source().contains("<wp:extent"))
              .orElse(true);
      return said
          ? " " + Math.round(p.width() * 12_700) + "×" + Math.round(p.height() * 12_700)
          : "";
    }
  }
}
