package decant.pdf.write.fonts;

import decant.pdf.choices.FontEmbedding.Embedding;
import decant.text.EmbeddingRights;
import decant.text.FontFace;

/** What becomes of the choice to embed as the licence permits. */
public final class LicensedEmbedding {
  private LicensedEmbedding() {}

  /** What the licence of a face permits is settled; all other choices are as they were. */
  public static Embedding of(Embedding chosen, FontFace face) {
    if (chosen != Embedding.LICENSED) {
      return chosen;
    }
    EmbeddingRights rights = EmbeddingRights.of(face);
    return !rights.mayEmbed()
        ? Embedding.LEFT_OUT
        : rights.maySubset() ? Embedding.USED : Embedding.WHOLE;
  }
}
