package decant.verify.office;

import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.CharacterProperties;

/** Changes that wait to be accepted in a DOC file ([MS-DOC] 2.6.1). */
final class DocChanges {
  private DocChanges() {}

  /** Tells of what a run is of. @return whether a change took its text out */
  static boolean told(HWPFDocument file, CharacterProperties how, String text, Digest.Builder out) {
    if (how.isFRMarkDel()) {
      out.takenAway(author(file, how.getIbstRMarkDel()), text.replaceAll("\\p{Cntrl}", ""));
      return true;
    }
    if (how.isFRMark()) {
      out.putIn(author(file, how.getIbstRMark()));
    } else {
      out.putInEnds();
    }
    return false;
  }

  private static String author(HWPFDocument file, int number) {
    var all = file.getRevisionMarkAuthorTable();
    return all == null || number <= 0 || number >= all.getSize() ? "" : all.getAuthor(number);
  }
}
