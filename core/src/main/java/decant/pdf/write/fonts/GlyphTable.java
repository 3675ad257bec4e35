package decant.pdf.write.fonts;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Pairs of a glyph and the text it shows, numbered in the order in which they come. Nearly all show
 * one character or none; these are looked up without making an object.
 */
final class GlyphTable {
  private record Pair(int glyph, String text) {}

  private static final int LONG = -1;

  private long[] keys = new long[256];
  private int[] places = new int[256]; // the number of each key, from 1
  private final Map<Pair, Integer> longer = new HashMap<>();
  private int[] glyphs = new int[64];
  private String[] texts = new String[64];
  private int size;

  int size() {
    return size;
  }

  int glyph(int number) {
    return glyphs[number];
  }

  String text(int number) {
    return texts[number];
  }

  /** The number of a pair, from 0; a new one if it has none. */
  int add(int glyph, String text) {
    int known = find(glyph, text);
    if (known >= 0) {
      return known;
    }
    if (size == glyphs.length) {
      glyphs = Arrays.copyOf(glyphs, size * 2);
      texts = Arrays.copyOf(texts, size * 2);
    }
    glyphs[size] = glyph;
    texts[size] = text;
    long key = key(glyph, text);
    if (key == LONG) {
      longer.put(new Pair(glyph, text), size);
    } else {
      if (size * 2 > keys.length) {
        grow();
      }
      put(key, size + 1);
    }
    return size++;
  }

  /** The number of a pair; negative if it has none. */
  int find(int glyph, String text) {
    long key = key(glyph, text);
    if (key == LONG) {
      return longer.getOrDefault(new Pair(glyph, text), -1);
    }
    int mask = keys.length - 1;
    int at = slot(key, mask);
    while (places[at] != 0) {
      if (keys[at] == key) {
        return places[at] - 1;
      }
      at = at + 1 & mask;
    }
    return -1;
  }

  private void put(long key, int place) {
    int mask = keys.length - 1;
    int at = slot(key, mask);
    while (places[at] != 0) {
      at = at + 1 & mask;
    }
    keys[at] = key;
    places[at] = place;
  }

  private void grow() {
    long[] oldKeys = keys;
    int[] oldPlaces = places;
    keys = new long[oldKeys.length * 2];
    places = new int[oldKeys.length * 2];
    for (int k = 0; k < oldKeys.length; k++) {
      if (oldPlaces[k] != 0) {
        put(oldKeys[k], oldPlaces[k]);
      }
    }
  }

  /** The glyph, whether there is a character, and which. */
  private static long key(int glyph, String text) {
    return switch (text.length()) {
      case 0 -> (long) (glyph + 1) << 17;
      case 1 -> (long) (glyph + 1) << 17 | 1 << 16 | text.charAt(0);
      default -> LONG;
    };
  }

  private static int slot(long key, int mask) {
    long h = key * 0x9E3779B97F4A7C15L;
    return (int) (h >>> 40) & mask;
  }
}
