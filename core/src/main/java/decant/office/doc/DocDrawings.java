package decant.office.doc;

import decant.work.Faults;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.poi.ddf.DefaultEscherRecordFactory;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherRecord;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.PlexOfCps;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.util.LittleEndian;
import org.jspecify.annotations.Nullable;

/**
 * What is drawn beside the text ([MS-DOC] 2.9.172 and 2.9.253, [MS-ODRAW]), which the library tells
 * of only in part: how text runs around it, its shape, and which words stand in it.
 */
final class DocDrawings {
  private static final int PLACE = 26; // bytes of a Spa
  private static final int BOX = 22; // bytes of an FTXBXS, §2.9.91
  private static final int BOX_SHAPE = 14; // where in it the number of the shape stands
  private static final int PLACES = 40; // PlcfSpaMom, §2.5.6
  private static final int RUNNING_PLACES = 41;
  private static final int GROUP = 0xF003; // OfficeArtSpgrContainer
  private static final int SHAPE = 0xF004; // OfficeArtSpContainer
  private static final int HEAD = 8; // bytes before the content of a record

  /** Characters of a part of the file. */
  record Words(int from, int to) {}

  /**
   * Something that is drawn.
   *
   * @param left in twips, from what its flags say
   * @param flags how it is placed and how text runs around it
   * @param shape empty where the file does not say
   * @param texts the words in it, or in what it groups
   * @param picture what the library knows of it
   */
  record Drawn(
      int left,
      int top,
      int right,
      int bottom,
      int flags,
      Optional<EscherContainerRecord> shape,
      List<Words> texts,
      @Nullable OfficeDrawing picture) {}

  private final HWPFDocument file;
  private final DocHead head;
  private final int mainEnd;
  private final Map<Integer, byte[]> places = new HashMap<>();
  private final Map<Integer, EscherContainerRecord> shapes = new HashMap<>();

  /** The shapes that a group consists of, by the number of the group's own. */
  private final Map<Integer, List<Integer>> groups = new HashMap<>();

  private final Map<Integer, Words> boxes = new HashMap<>();
  private final Map<Integer, Words> runningBoxes = new HashMap<>();

  DocDrawings(HWPFDocument file, DocHead head) {
    this.file = file;
    this.head = head;
    this.mainEnd = file.getRange().getEndOffset();
    try {
      places(PLACES, 0);
      places(RUNNING_PLACES, file.getHeaderStoryRange().getStartOffset());
      int start = file.getMainTextboxRange().getStartOffset();
      boxes(DocHead.BOX_TEXTS, start, boxes);
      boxes(DocHead.RUNNING_BOX_TEXTS, file.getMainTextboxRange().getEndOffset(), runningBoxes);
      shapes();
    } catch (RuntimeException e) {
      Faults.mended("reading the drawings of a binary office document", e);
    }
  }

  private void places(int table, int start) {
    if (head.has(file, table)) {
      PlexOfCps all = head.plex(file, table, PLACE);
      for (int k = 0; k < all.length(); k++) {
        places.put(start + all.getProperty(k).getStart(), all.getProperty(k).getBytes());
      }
    }
  }

  private void boxes(int table, int start, Map<Integer, Words> into) {
    if (head.has(file, table)) {
      PlexOfCps all = head.plex(file, table, BOX);
      for (int k = 0; k < all.length() - 1; k++) { // the last is none
        int shape = LittleEndian.getInt(all.getProperty(k).getBytes(), BOX_SHAPE);
        into.putIfAbsent(
            shape,
            new Words(start + all.getProperty(k).getStart(), start + all.getProperty(k).getEnd()));
      }
    }
  }

  private void shapes() {
    if (!head.has(file, DocHead.DRAWN)) {
      return;
    }
    byte[] b = file.getTableStream();
    int at = head.place(DocHead.DRAWN);
    int end = at + head.size(DocHead.DRAWN);
    at += HEAD + LittleEndian.getInt(b, at + 4); // the group of all drawings
    var factory = new DefaultEscherRecordFactory();
    while (at + 1 + HEAD < end) {
      at++; // whether the drawing is that of the text
      var drawing = new EscherContainerRecord();
      at += drawing.fillFields(b, at, factory);
      drawing.getChildContainers().forEach(c -> known(c, new ArrayList<>()));
    }
  }

  /** Notes the shapes in a container, and adds their numbers to those of the group around them. */
  private void known(EscherContainerRecord c, List<Integer> around) {
    if (c.getRecordId() == (short) SHAPE) {
      EscherSpRecord head = c.getChildById(EscherSpRecord.RECORD_ID);
      if (head != null) {
        shapes.put(head.getShapeId(), c);
        around.add(head.getShapeId());
      }
      return;
    }
    if (c.getRecordId() != (short) GROUP) {
      return;
    }
    var in = new ArrayList<Integer>();
    for (EscherRecord r : c) {
      if (r instanceof EscherContainerRecord inner) {
        known(inner, in);
      }
    }
    if (!in.isEmpty()) {
      groups.put(in.getFirst(), List.copyOf(in));
      around.addAll(in);
    }
  }

  /** The words of all boxes. */
  List<Words> words() {
    var out = new ArrayList<>(boxes.values());
    out.addAll(runningBoxes.values());
    return out;
  }

  /** What is drawn at a character; empty if nothing is. */
  Optional<Drawn> at(int character) {
    byte[] place = places.get(character);
    if (place == null) {
      return Optional.empty();
    }
    int id = LittleEndian.getInt(place, 0);
    boolean main = character < mainEnd;
    var texts = new ArrayList<Words>();
    for (int k : groups.getOrDefault(id, List.of(id))) {
      Words words = (main ? boxes : runningBoxes).get(k);
      if (words != null) {
        texts.add(words);
      }
    }
    return Optional.of(
        new Drawn(
            LittleEndian.getInt(place, 4),
            LittleEndian.getInt(place, 8),
            LittleEndian.getInt(place, 12),
            LittleEndian.getInt(place, 16),
            LittleEndian.getUShort(place, 20),
            Optional.ofNullable(shapes.get(id)),
            texts,
            main
                ? file.getOfficeDrawingsMain().getOfficeDrawingAt(character)
                : file.getOfficeDrawingsHeaders()
                    .getOfficeDrawingAt(character - file.getHeaderStoryRange().getStartOffset())));
  }
}
