package decant.office.doc.write;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;

/** Records of what is drawn ([MS-ODRAW] 2.2.1): a version and instance, a kind, a length. */
final class ArtRecord {
  static final int DRAWINGS = 0xF000; // OfficeArtDggContainer
  static final int BLIPS = 0xF001; // OfficeArtBStoreContainer
  static final int DRAWING = 0xF002; // OfficeArtDgContainer
  static final int GROUP = 0xF003; // OfficeArtSpgrContainer
  static final int SHAPE = 0xF004; // OfficeArtSpContainer
  static final int COUNTS = 0xF006; // OfficeArtFDGGBlock
  static final int BLIP_ENTRY = 0xF007; // OfficeArtFBSE
  static final int DRAWING_COUNTS = 0xF008; // OfficeArtFDG
  static final int GROUP_BOX = 0xF009; // OfficeArtFSPGR
  static final int SHAPE_HEAD = 0xF00A; // OfficeArtFSP
  static final int OPTIONS = 0xF00B; // OfficeArtFOPT
  static final int TEXT_BOX = 0xF00D; // OfficeArtClientTextbox
  static final int ANCHOR = 0xF010; // OfficeArtClientAnchor
  static final int DATA = 0xF011; // OfficeArtClientData
  static final int MORE_OPTIONS = 0xF122; // OfficeArtTertiaryFOPT

  private static final int CONTAINER = 0xF;
  private static final int OPTIONS_VERSION = 3;
  private static final int OF_BLIP = 0x4000;
  private static final int COMPLEX = 0x8000;

  private ArtRecord() {}

  static Bytes of(int version, int instance, int kind, Bytes body) {
    return new Bytes().u16(version | instance << 4).u16(kind).u32(body.size()).add(body.array());
  }

  static Bytes container(int instance, int kind, Bytes body) {
    return of(CONTAINER, instance, kind, body);
  }

  /** Options of a shape by their numbers (§2.2.9), in whose order they are written. */
  static final class Options {
    private final TreeMap<Integer, Long> values = new TreeMap<>();
    private final TreeMap<Integer, byte[]> texts = new TreeMap<>();

    Options add(int option, long value) {
      values.put(option, value & 0xFFFFFFFFL);
      return this;
    }

    /** The number of a picture. */
    Options blip(int option, int number) {
      values.put(option | OF_BLIP, (long) number);
      return this;
    }

    Options text(int option, String s) {
      if (!s.isEmpty()) {
        byte[] b = (s + "\0").getBytes(StandardCharsets.UTF_16LE);
        values.put(option | COMPLEX, (long) b.length);
        texts.put(option | COMPLEX, b);
      }
      return this;
    }

    /** The record; nothing if there are no options. */
    Bytes record(int kind) {
      if (values.isEmpty()) {
        return new Bytes();
      }
      var body = new Bytes();
      var order = new TreeMap<Integer, Integer>(); // by the number alone, without what it is of
      values.keySet().forEach(k -> order.put(k & 0x3FFF, k));
      for (int k : order.values()) {
        body.u16(k).u32(values.getOrDefault(k, 0L));
      }
      for (Map.Entry<Integer, Integer> e : order.entrySet()) {
        byte[] more = texts.get(e.getValue());
        if (more != null) {
          body.add(more);
        }
      }
      return of(OPTIONS_VERSION, values.size(), kind, body);
    }
  }
}
