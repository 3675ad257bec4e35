package decant.pdf.read.fonts;

import decant.pdf.read.page.SourceFace;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;

/**
 * What is known of the fonts of one file: their faces, and the text of each code that was shown.
 */
public final class FileFonts {
  private final Map<PDFont, SourceFace> faces = new LinkedHashMap<>();
  private final Map<PDFont, FontTexts> texts = new LinkedHashMap<>();
  private final List<ShownLetters> letters = new ArrayList<>();
  private final Map<SourceFace, Strokes> strokes = new HashMap<>();
  private final boolean believing;

  public FileFonts() {
    this(false);
  }

  private FileFonts(boolean believing) {
    this.believing = believing;
  }

  /**
   * Fonts that are believed what they say of their letters, as programs do that search: nothing is
   * held against what letters look like, which takes time.
   */
  public static FileFonts believing() {
    return new FileFonts(true);
  }

  /** Takes over what is known of the fonts of later pages. */
  public void add(FileFonts later) {
    faces.putAll(later.faces);
    texts.putAll(later.texts);
    letters.addAll(later.letters);
    later.strokes.forEach((face, s) -> strokes.merge(face, s, Strokes::and));
  }

  /** Takes some faces for others. */
  public void replace(Map<SourceFace, SourceFace> others) {
    faces.replaceAll((font, f) -> others.getOrDefault(f, f));
    letters.replaceAll(l -> l.of(others.getOrDefault(l.face(), l.face())));
  }

  public SourceFace face(PDFont font) {
    return faces.computeIfAbsent(font, SourceFace::of);
  }

  /** The text of a code; empty if nothing tells. */
  public String text(PDFont font, int code) {
    return texts.computeIfAbsent(font, f -> new FontTexts(f, believing)).of(code);
  }

  /** The names of fonts whose characters had to be told otherwise than the file says. */
  List<String> repaired() {
    return texts.entrySet().stream()
        .filter(e -> e.getValue().repaired())
        .map(e -> face(e.getKey()).name())
        .distinct()
        .sorted()
        .toList();
  }

  /** Takes the outlines of what was shown out of the file, while it is open. */
  public void gather() {
    texts.forEach((font, t) -> {
      SourceFace face = face(font);
      Optional<ShownLetters> shown = ShownLetters.of(font, face, t);
      shown.ifPresent(letters::add);
      Optional<Strokes> measured =
          shown.isEmpty() && font instanceof PDType3Font small
              ? Strokes.of(small, t)
              : shown.flatMap(l -> Strokes.of(l.letters()));
      measured.ifPresent(m -> strokes.merge(face, m, Strokes::and));
    });
  }

  /** The strokes of a face, if it has letters that tell. */
  Optional<Strokes> strokes(SourceFace face) {
    return Optional.ofNullable(strokes.get(face));
  }

  List<ShownLetters> letters() {
    return letters;
  }

  public Collection<SourceFace> faces() {
    return faces.values();
  }
}
