package decant.text;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Remembers how words were shaped. Not safe for use by several threads at once: one cache a layout.
 */
public final class WordCache implements Shaper {
  private static final int WORDS = 40_000;
  private static final int LONGEST = 40;

  /** The words of one face in one way, found by nothing but their letters. */
  private static final class Words {
    private final Map<String, Glyphs> known = new HashMap<>();
  }

  private final Shaper shaper;
  private final Map<FontFace, @Nullable Words[]> faces = new IdentityHashMap<>();
  private @Nullable FontFace lastFace;
  private @Nullable Words[] last = {};
  private int size;

  public WordCache(Shaper shaper) {
    this.shaper = shaper;
  }

  @Override
  public Glyphs shape(FontFace face, String text, boolean rightToLeft, Joins joins) {
    if (text.length() > LONGEST) {
      return shaper.shape(face, text, rightToLeft, joins);
    }
    Map<String, Glyphs> known = words(face, rightToLeft, joins).known;
    Glyphs g = known.get(text);
    if (g == null) {
      g = shaper.shape(face, text, rightToLeft, joins);
      if (++size > WORDS) {
        forget();
      } else {
        known.put(text, g);
      }
    }
    return g;
  }

  /** Most words stand beside others of their face. */
  private Words words(FontFace face, boolean rightToLeft, Joins joins) {
    if (face != lastFace) {
      lastFace = face;
      last = faces.computeIfAbsent(face, f -> new @Nullable Words[2 * Joins.values().length]);
    }
    int way = 2 * joins.ordinal() + (rightToLeft ? 1 : 0);
    Words w = last[way];
    if (w == null) {
      w = new Words();
      last[way] = w;
    }
    return w;
  }

  private void forget() {
    faces.clear();
    lastFace = null;
    size = 0;
  }
}
