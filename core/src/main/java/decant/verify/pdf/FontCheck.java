package decant.verify.pdf;

import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.write.fonts.LicensedEmbedding;
import decant.text.FontFace;
import decant.verify.Check;
import decant.words.Words;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Whether each font is in the file as it was chosen. */
final class FontCheck {
  private static final Words WORDS = Words.of(FontCheck.class);

  private FontCheck() {}

  /** How a font is in a file. */
  private record Found(boolean program, boolean subset) {}

  static Check of(PDDocument pdf, Expected expected) {
    Map<String, Found> found = new HashMap<>();
    for (int k : expected.made(pdf)) {
      COSDictionary resources = pdf.getPage(k).getCOSObject().getCOSDictionary(COSName.RESOURCES);
      COSDictionary fonts = resources == null ? null : resources.getCOSDictionary(COSName.FONT);
      if (fonts != null) {
        for (COSName name : fonts.keySet()) {
          COSDictionary f = fonts.getCOSDictionary(name);
          if (f != null) {
            String base = f.getNameAsString(COSName.BASE_FONT);
            boolean subset = base.matches("[A-Z]{6}\\+.*");
            found.put(subset ? base.substring(7) : base, new Found(hasProgram(f), subset));
          }
        }
      }
    }
    int embedded = 0;
    int left = 0;
    for (FontFace face : expected.faces()) {
      var choice = expected.choices().settings().fonts().of(face.family());
      Embedding wanted = LicensedEmbedding.of(choice.embedding(), face);
      Found f = found.get(face.postScriptName());
      if (wanted == Embedding.LEFT_OUT) {
        left++;
        if (f != null && f.program()) {
          return Check.of(
              WORDS.say("font-check.fonts"),
              false,
              "",
              WORDS.say("font-check.is-embedded-though-it-was", face));
        }
      } else {
        embedded++;
        boolean as = f != null && f.program() && f.subset() == (wanted == Embedding.USED);
        if (!as) {
          return Check.of(
              WORDS.say("font-check.fonts"),
              false,
              "",
              WORDS.say(
                  "font-check.is-not-embedded",
                  face,
                  WORDS.say(
                      wanted == Embedding.USED
                          ? "font-check.with-used"
                          : "font-check.as-a-whole")));
        }
      }
    }
    return Check.of(
        WORDS.say("font-check.fonts"),
        true,
        WORDS.count("font-check.embedded", embedded)
            + (left == 0 ? "" : WORDS.count("font-check.left-out", left)),
        "");
  }

  private static boolean hasProgram(COSDictionary font) {
    COSDictionary holder = font;
    COSArray below = font.getCOSArray(COSName.DESCENDANT_FONTS);
    if (below != null && below.getObject(0) instanceof COSDictionary d) {
      holder = d;
    }
    COSDictionary descriptor = holder.getCOSDictionary(COSName.FONT_DESC);
    return descriptor != null
        && (descriptor.containsKey(COSName.FONT_FILE2)
            || descriptor.containsKey(COSName.FONT_FILE3));
  }
}
