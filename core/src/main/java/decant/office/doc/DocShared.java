package decant.office.doc;

import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.Notes;

/** What is gathered while a file is read, from its text, its headers and its notes alike. */
final class DocShared {
  private static final int PLACES = 20; // the first few places stand for the rest

  final HWPFDocument file;
  final DocChanges changes;
  final DocLooks looks;
  final DocStyles styles;
  final DocLists lists = new DocLists();
  final List<Finding> findings = new ArrayList<>();
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final Map<NodeId, Story> stories = new LinkedHashMap<>();

  /** Names of places by the character that they begin at. */
  final TreeMap<Integer, List<String>> bookmarks = new TreeMap<>();

  final DocParagraphs paragraphs;
  final DocComments comments;
  final DocDrawings drawings;
  final DocFieldEnds fieldEnds;

  /** The characters that mark notes by signs of their own, rather than by a number. */
  final Set<Integer> signed = new HashSet<>();

  /** The signs of notes that have their own. */
  final Map<NodeId, String> signs = new HashMap<>();

  /** Where the words of boxes begin that stand somewhere already. */
  final Set<Integer> boxesTold = new HashSet<>();

  private final Map<String, Integer> counted = new HashMap<>();

  /** How many places to fill in were met. */
  int blanks;

  DocShared(HWPFDocument file, DocHead head, DocLooks looks, DocStyles styles) {
    this.file = file;
    this.changes = new DocChanges(file);
    this.looks = looks;
    this.styles = styles;
    this.paragraphs = new DocParagraphs(file, head);
    this.comments = new DocComments(file, head);
    this.drawings = new DocDrawings(file, head);
    this.fieldEnds = new DocFieldEnds(file.getText());
    for (Notes notes : List.of(file.getFootnotes(), file.getEndnotes())) {
      for (int k = 0; k < notes.getNotesCount(); k++) {
        int at = notes.getNoteAnchorPosition(k);
        if (at < file.getText().length() && file.getText().charAt(at) > ' ') {
          signed.add(at);
        }
      }
    }
  }

  /**
   * Whether a character ends a page, rather than a section, which ends with the same character and
   * is known by its own table.
   */
  boolean isPageBreak(int at) {
    return at >= 0
        && at < file.getText().length()
        && file.getText().charAt(at) == '\f'
        && file.getSectionTable().getSections().stream().noneMatch(s -> s.getEnd() == at + 1);
  }

  /** A part of the file that is damaged, so that the work goes on without it: logged, and told. */
  void lost(String doing, Throwable thrown, Finding.Kind kind, String message, NodeId at) {
    Faults.mended(doing, thrown);
    find(kind, Finding.Severity.LOSS, message, at);
  }

  void find(Finding.Kind kind, Finding.Severity severity, String message, NodeId at) {
    if (counted.merge(message, 1, Integer::sum) <= PLACES) {
      findings.add(Finding.of(kind, severity, message, at));
    }
  }
}
