package decant.office.doc;

import decant.model.NodeId;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Comment;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.poi.hwpf.HWPFDocument;

/** What is gathered while a file is read, from its text, its headers and its notes alike. */
final class DocShared {
  private static final int PLACES = 20; // the first few places stand for the rest

  final HWPFDocument file;
  final DocLooks looks;
  final DocStyles styles;
  final DocLists lists = new DocLists();
  final List<Finding> findings = new ArrayList<>();
  final Map<MediaId, Media> media = new LinkedHashMap<>();
  final Map<NodeId, Story> stories = new LinkedHashMap<>();

  /** Names of places by the character that they begin at. */
  final TreeMap<Integer, List<String>> bookmarks = new TreeMap<>();

  /** Comments in the order of their marks. */
  final List<Comment> comments = new ArrayList<>();

  int nextComment;
  boolean boxesTold;

  private final Map<String, Integer> counted = new HashMap<>();

  DocShared(HWPFDocument file, DocLooks looks, DocStyles styles) {
    this.file = file;
    this.looks = looks;
    this.styles = styles;
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
