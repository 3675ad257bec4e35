package decant.office.doc.write;

import decant.model.Document;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import java.util.EnumMap;

/** The part of headers and footers ([MS-DOC] 2.3.3), section by section. */
final class RunningWriter {
  private static final Running[] ORDER = {
    Running.HEADER_EVEN,
    Running.HEADER,
    Running.FOOTER_EVEN,
    Running.FOOTER,
    Running.HEADER_FIRST,
    Running.FOOTER_FIRST
  };

  /** So many texts about notes come before them. */
  private static final int BEFORE = 6;

  /** Writes one text, with the mark that ends it. */
  interface Texts {
    void write(Story story);
  }

  private RunningWriter() {}

  /**
   * Writes them; one that goes on from the section before is not said again.
   *
   * @return where each begins, and the last ends; nothing where there are none
   */
  static Plc write(Document document, TextPart to, Texts texts) {
    var running = new Plc();
    boolean facing = Particulars.facing(document);
    if (document.sections().stream().allMatch(s -> s.running().isEmpty())) {
      return running;
    }
    for (int k = 0; k < BEFORE; k++) {
      running.add(0);
    }
    var before = new EnumMap<Running, Story>(Running.class);
    for (Section s : document.sections()) {
      boolean first =
          s.running().containsKey(Running.HEADER_FIRST)
              || s.running().containsKey(Running.FOOTER_FIRST);
      for (Running r : ORDER) {
        running.add(to.length());
        boolean ofFirst = r == Running.HEADER_FIRST || r == Running.FOOTER_FIRST;
        boolean ofEven = r == Running.HEADER_EVEN || r == Running.FOOTER_EVEN;
        if (ofFirst && !first || ofEven && !facing) {
          continue;
        }
        Running usual = r.isHeader() ? Running.HEADER : Running.FOOTER;
        Story story = s.running().get(r);
        if (story == null && ofEven) {
          story = s.running().get(usual); // one text for all pages stands on both sides
        }
        if (story == before.get(r)) {
          continue;
        }
        if (story == null) {
          before.remove(r);
          to.end(Mark.PARAGRAPH, new byte[0], new byte[2]);
        } else {
          before.put(r, story);
          texts.write(story);
        }
        to.end(
            Mark.PARAGRAPH, new byte[0], new byte[2]); // each text has a mark of its own after it
      }
    }
    return running.add(to.length());
  }
}
