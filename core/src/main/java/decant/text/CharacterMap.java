package decant.text;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;

/**
 * Which glyph shows a character: the table "cmap" with a map of format 4, and one of format 12
 * where characters lie beyond the first 65,536. Glyphs follow each other as their characters do.
 */
final class CharacterMap {
  /** Characters that follow each other, whose glyphs do too. */
  private record Run(int first, int last, int glyph) {}

  private final List<Run> runs = new ArrayList<>();

  CharacterMap(SortedMap<Integer, Integer> codes) {
    codes.forEach((c, g) -> {
      Run r = runs.isEmpty() ? null : runs.getLast();
      if (r != null && c == r.last() + 1 && g == r.glyph() + c - r.first() && c != 0x10000) {
        runs.set(runs.size() - 1, new Run(r.first(), c, r.glyph()));
      } else {
        runs.add(new Run(c, c, g));
      }
    });
  }

  byte[] table() {
    byte[] small = small();
    boolean all = runs.stream().allMatch(r -> r.last() < 0xFFFF);
    byte[] large = all ? new byte[0] : large();
    int maps = all ? 1 : 2;
    ByteBuffer b = ByteBuffer.allocate(4 + 8 * maps + small.length + large.length);
    b.putShort((short) 0).putShort((short) maps);
    b.putShort((short) 3).putShort((short) 1).putInt(4 + 8 * maps);
    if (!all) {
      b.putShort((short) 3).putShort((short) 10).putInt(4 + 8 * maps + small.length);
    }
    return b.put(small).put(large).array();
  }

  private byte[] small() {
    List<Run> in = new ArrayList<>(runs.stream().filter(r -> r.last() < 0xFFFF).toList());
    in.add(new Run(0xFFFF, 0xFFFF, 0));
    int n = in.size();
    int power = Integer.highestOneBit(n);
    ByteBuffer b = ByteBuffer.allocate(16 + 8 * n);
    b.putShort((short) 4).putShort((short) b.capacity()).putShort((short) 0);
    b.putShort((short) (2 * n)).putShort((short) (2 * power));
    b.putShort((short) Integer.numberOfTrailingZeros(power)).putShort((short) (2 * (n - power)));
    in.forEach(r -> b.putShort((short) r.last()));
    b.putShort((short) 0);
    in.forEach(r -> b.putShort((short) r.first()));
    in.forEach(r -> b.putShort((short) (r.glyph() - r.first())));
    in.forEach(r -> b.putShort((short) 0));
    return b.array();
  }

  private byte[] large() {
    ByteBuffer b = ByteBuffer.allocate(16 + 12 * runs.size());
    b.putShort((short) 12).putShort((short) 0).putInt(b.capacity()).putInt(0).putInt(runs.size());
    runs.forEach(r -> b.putInt(r.first()).putInt(r.last()).putInt(r.glyph()));
    return b.array();
  }
}
