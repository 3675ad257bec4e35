package decant.text;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Remembers how words were shaped. Not safe for use by several threads at once: one cache a layout.
 */
public final class WordCache implements Shaper {
  private static final int WORDS = 40_000;
  private static final int LONGEST = 40;

  private record Key(FontFace face, String text, boolean rightToLeft, Joins joins) {
    @Override
    public int hashCode() {
      return text.hashCode() * 31 + System.identityHashCode(face) + joins.ordinal();
    }

    @Override
    public boolean equals(Object o) {
      return o instanceof Key k
          && k.face == face
          && k.rightToLeft == rightToLeft
          && k.joins == joins
          && k.text.equals(text);
    }
  }

  private final Shaper shaper;
  private final Map<Key, Glyphs> known =
      new LinkedHashMap<>(1024) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Glyphs> eldest) {
          return size() > WORDS;
        }
      };

  public WordCache(Shaper shaper) {
    this.shaper = shaper;
  }

  @Override
  public Glyphs shape(FontFace face, String text, boolean rightToLeft, Joins joins) {
    if (text.length() > LONGEST) {
      return shaper.shape(face, text, rightToLeft, joins);
    }
    var key = new Key(face, text, rightToLeft, joins);
    Glyphs g = known.get(key);
    if (g == null) {
      g = shaper.shape(face, text, rightToLeft, joins);
      known.put(key, g);
    }
    return g;
  }
}
