package decant.pdf.write.fonts;

import decant.pdf.choices.Conformance;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.text.FontFace;
import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.cos.COSDictionary;

/** One face in one file. */
public interface FontInFile extends GlyphEncoder {
  /** Font dictionaries by the names that pages know them by. */
  Map<String, COSDictionary> dictionaries();

  /**
   * A font with codes for all that is used of it.
   *
   * @param name that pages know it by
   * @param level of the compression
   */
  static FontInFile of(
      FontFace face,
      GlyphTable used,
      String name,
      FontChoice choice,
      Conformance conformance,
      int level)
      throws IOException {
    Embedding how = LicensedEmbedding.of(choice.embedding(), face);
    return how == Embedding.LEFT_OUT
        ? new LeftOutFont(face, used, name, choice.substitute(), level)
        : new EmbeddedProgram(face, used, name, how == Embedding.WHOLE, conformance, level);
  }
}
