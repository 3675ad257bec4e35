package decant.verify.office;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Placement;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Looks for every word of a document in a file of plain text, as often as it stands there. */
public final class TextVerifier {
  private static final Words WORDS = Words.of(TextVerifier.class);

  private TextVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    String text;
    try {
      text = Files.readString(file, StandardCharsets.UTF_8);
    } catch (IOException e) {
      return DigestCheck.unread(e);
    }
    return words(text, d);
  }

  /** Looks for every word in a text. */
  static List<Check> words(String text, Document d) {
    Map<String, Integer> there = new HashMap<>();
    for (String w : words(text)) {
      there.merge(w, 1, Integer::sum);
    }
    int wanted = 0;
    var missing = new ArrayList<String>();
    for (Paragraph p : Reached.paragraphs(d)) {
      var own = new StringBuilder();
      for (Inline i : p.inlines()) {
        own.append(
            switch (i) {
              case Inline.Text t -> t.text().replace("\u00AD", "");
              // One that stands beside the text parts no word.
              case Inline.Shape x when x.placement() instanceof Placement.Floating -> "";
              case Inline x -> " ";
            });
      }
      for (String w : words(own.toString())) {
        wanted++;
        if (there.merge(w, -1, Integer::sum) < 0) {
          missing.add(w);
        }
      }
    }
    return List.of(
        Check.of(
            WORDS.say("text-verifier.words"),
            missing.isEmpty(),
            WORDS.count("text-verifier.all", wanted),
            WORDS.count("text-verifier.missing", missing.size())
                + (missing.isEmpty() ? "" : " “" + missing.getFirst() + "”")));
  }

  /** Runs of letters and digits: what stands beside them may be a mark of a note or a label. */
  private static List<String> words(String s) {
    return List.of(s.split("[^\\p{L}\\p{N}\\p{M}]+")).stream().filter(w -> !w.isEmpty()).toList();
  }
}
