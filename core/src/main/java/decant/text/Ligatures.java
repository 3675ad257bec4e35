package decant.text;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The table "GSUB" with one thing in it: characters that are joined into one glyph (feature "liga",
 * lookup type 4), for every script.
 */
final class Ligatures {
  private record Joined(int[] parts, int glyph) {}

  private Ligatures() {}

  /**
   * @param ligatures which glyph shows several characters
   * @param codes which glyph shows one
   */
  static byte[] table(Map<String, Integer> ligatures, SortedMap<Integer, Integer> codes) {
    var sets = new TreeMap<Integer, List<Joined>>();
    ligatures.forEach((s, glyph) -> {
      int[] parts = s.codePoints().map(codes::get).toArray();
      sets.computeIfAbsent(parts[0], k -> new ArrayList<>()).add(new Joined(parts, glyph));
    });
    // The longest is looked for first.
    sets.values().forEach(l -> l.sort(Comparator.comparingInt(j -> -j.parts().length)));
    byte[] lookup = lookup(sets);
    ByteBuffer b = ByteBuffer.allocate(10 + 26 + 14 + 4 + lookup.length);
    b.putInt(0x00010000).putShort((short) 10).putShort((short) 36).putShort((short) 50);
    // Two scripts with one table.
    b.putShort((short) 2);
    b.put(tag("DFLT")).putShort((short) 14).put(tag("latn")).putShort((short) 14);
    b.putShort((short) 4).putShort((short) 0);
    b.putShort((short) 0).putShort((short) 0xFFFF).putShort((short) 1).putShort((short) 0);
    b.putShort((short) 1).put(tag("liga")).putShort((short) 8);
    b.putShort((short) 0).putShort((short) 1).putShort((short) 0);
    b.putShort((short) 1).putShort((short) 4);
    return b.put(lookup).array();
  }

  private static byte[] tag(String s) {
    return s.getBytes(java.nio.charset.StandardCharsets.US_ASCII);
  }

  private static byte[] lookup(SortedMap<Integer, List<Joined>> sets) {
    var bodies = new ByteArrayOutputStream();
    int n = sets.size();
    int coverage = 6 + 2 * n;
    ByteBuffer head = ByteBuffer.allocate(coverage + 4 + 2 * n);
    head.putShort((short) 1).putShort((short) coverage).putShort((short) n);
    for (List<Joined> set : sets.values()) {
      head.putShort((short) (head.capacity() + bodies.size()));
      bodies.writeBytes(set(set));
    }
    head.putShort((short) 1).putShort((short) n);
    sets.keySet().forEach(g -> head.putShort(g.shortValue()));
    ByteBuffer b = ByteBuffer.allocate(8 + head.capacity() + bodies.size());
    b.putShort((short) 4).putShort((short) 0).putShort((short) 1).putShort((short) 8);
    return b.put(head.array()).put(bodies.toByteArray()).array();
  }

  private static byte[] set(List<Joined> set) {
    var bodies = new ByteArrayOutputStream();
    ByteBuffer head = ByteBuffer.allocate(2 + 2 * set.size());
    head.putShort((short) set.size());
    for (Joined j : set) {
      head.putShort((short) (head.capacity() + bodies.size()));
      ByteBuffer one = ByteBuffer.allocate(4 + 2 * (j.parts().length - 1));
      one.putShort((short) j.glyph()).putShort((short) j.parts().length);
      for (int k = 1; k < j.parts().length; k++) {
        one.putShort((short) j.parts()[k]);
      }
      bodies.writeBytes(one.array());
    }
    ByteBuffer b = ByteBuffer.allocate(head.capacity() + bodies.size());
    return b.put(head.array()).put(bodies.toByteArray()).array();
  }
}
