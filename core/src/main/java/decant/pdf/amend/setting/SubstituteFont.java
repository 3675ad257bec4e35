package decant.pdf.amend.setting;

import decant.pdf.amend.line.LettersOfFont.Code;
import decant.pdf.amend.page.FreshObject;
import decant.pdf.read.page.SourceFace;
import decant.pdf.write.fonts.LetterFont;
import decant.text.FontBook;
import decant.text.FontFace;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.jspecify.annotations.Nullable;

/**
 * A font that ships, with the letters that a font of the file lacks. One for each face of a file.
 */
public final class SubstituteFont {
  private final LetterFont font;
  private @Nullable COSObject made;

  private SubstituteFont(LetterFont font) {
    this.font = font;
  }

  /** Those of one file. */
  public static final class All {
    private final Map<FontFace, SubstituteFont> fonts = new HashMap<>();

    /** The one that is closest to a font of the file and has all letters of a text. */
    public Optional<SubstituteFont> closest(SourceFace face, String text) {
      FontBook book = FontBook.shipped();
      FontFace served = book.serve(face.family(), face.bold(), face.italic()).face();
      for (int c : text.codePoints().toArray()) {
        if (!served.covers(c)) {
          served = book.stepIn(served, c);
        }
      }
      FontFace all = served;
      return text.codePoints().allMatch(all::covers) ? Optional.of(of(all)) : Optional.empty();
    }

    public SubstituteFont of(FontFace face) {
      return fonts.computeIfAbsent(face, f -> new SubstituteFont(new LetterFont(f)));
    }
  }

  public String family() {
    return font.face().toString();
  }

  /** Codes of letters it has. */
  public List<Code> of(String text) {
    var out = new ArrayList<Code>();
    text.codePoints()
        .forEach(c -> {
          LetterFont.Letter l = font.letter(c).orElseThrow();
          byte[] bytes = {(byte) (l.code() >> 8), (byte) l.code()};
          out.add(new Code(bytes, Character.toString(c), l.width()));
        });
    return out;
  }

  /**
   * The font as an object of a file, asked for when all letters are known.
   *
   * @param parts told of each object that came into the file
   */
  public COSObject in(COSDocument file, Consumer<COSObject> parts) throws IOException {
    COSObject known = made;
    if (known == null) {
      COSDictionary d = font.dictionary();
      if (d.getDictionaryObject(COSName.DESCENDANT_FONTS) instanceof COSArray a
          && a.getObject(0) instanceof COSDictionary letters) {
        COSDictionary descriptor = letters.getCOSDictionary(COSName.FONT_DESC);
        letters.setItem(COSName.FONT_DESC, apart(file, descriptor, parts)); // table 115
        a.set(0, apart(file, letters, parts));
      }
      known = apart(file, d, parts);
      made = known;
    }
    return known;
  }

  private static COSObject apart(COSDocument file, COSDictionary d, Consumer<COSObject> parts) {
    COSObject o = FreshObject.of(file, d);
    parts.accept(o);
    return o;
  }
}
