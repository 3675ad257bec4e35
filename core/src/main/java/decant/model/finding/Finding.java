package decant.model.finding;

import decant.model.Box;
import decant.model.NodeId;
import decant.words.Words;
import java.util.Optional;

/**
 * One thing a person should know about a document, anchored to a place.
 *
 * @param message in the person's words: what, and what it means for the result
 * @param source where it stood in the file it came from
 * @param node the node of the document that it concerns
 * @param remedy what puts it right in one act, if anything does
 */
public record Finding(
    Kind kind,
    Severity severity,
    String message,
    Optional<SourcePlace> source,
    Optional<NodeId> node,
    Optional<Remedy> remedy) {
  private static final Words WORDS = Words.of(Finding.class);

  /** What it is about. */
  public enum Kind {
    /** Something in the file could not be read, for it is damaged. */
    FILE_DAMAGED("finding.file-damaged"),
    FONT_REPLACED("finding.font-replaced"),
    CHARACTERS_UNKNOWN("finding.characters-unknown"),
    GLYPHS_MISSING("finding.no-font-shows-it"),
    HEADING_DOUBTFUL("finding.heading-in-doubt"),
    HEADING_SUSPECTED("finding.heading-suspected"),
    TABLE_DOUBTFUL("finding.table-in-doubt"),
    ORDER_DOUBTFUL("finding.order-in-doubt"),
    TEXT_OVERLAPS("finding.text-over-text"),
    PICTURE_COARSE("finding.picture-coarse"),
    PICTURE_CHANGED("finding.picture-changed"),
    PICTURE_MISSING("finding.picture-missing"),
    DRAWING_LEFT_OUT("finding.drawing-left-out"),
    CONTENT_LEFT_OUT("finding.left-out"),
    FORM("finding.form"),
    NOTE_MOVED("finding.note-moved"),
    WORDS_IN_PICTURE("finding.words-in-picture"),
    SCANNED_PAGE("finding.page-is-a-picture"),
    TEXT_RECOGNISED("finding.text-recognised"),
    LAYOUT_SIMPLIFIED("finding.layout-simplified"),
    REMARK("finding.remark"),
    CONTENT_KEPT_UNSHOWN("finding.kept-not-shown"),
    ACTIVE_CONTENT("finding.active-content"),
    SOURCE_LOCKED("finding.source-locked"),
    SOURCE_LIMITED("finding.source-limited"),
    RUNNING_TEXT_SET_APART("finding.running-text-set-apart"),
    PAGE_KEPT_WHOLE("finding.page-kept-whole"),
    PAGE_PINNED("finding.page-pinned");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** What can be done about a finding at its node. */
  public sealed interface Remedy {
    /** Makes its paragraph a heading of a level. */
    record MakeHeading(int level) implements Remedy {}

    /** Makes its table paragraphs. */
    record MakeText() implements Remedy {}

    /**
     * Keeps its page as it was.
     *
     * @param page of the source, from 0
     */
    record PinPage(int page) implements Remedy {}

    /**
     * Lets the text of its page flow.
     *
     * @param page of the source, from 0
     */
    record LetFlow(int page) implements Remedy {}
  }

  /** How much it matters. */
  public enum Severity {
    /** Something is gone. */
    LOSS("finding.lost"),
    /** Something may be wrong. */
    DOUBT("finding.doubtful"),
    /** Good to know. */
    NOTE("finding.note");

    private final String label;

    Severity(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** A page of the source, from 0, and a box on it in points from its top left corner. */
  public record SourcePlace(int page, Box box) {}

  public static Finding of(Kind kind, Severity severity, String message, NodeId node) {
    return new Finding(
        kind, severity, message, Optional.empty(), Optional.of(node), Optional.empty());
  }

  /** The same, of another severity. */
  public Finding as(Severity other) {
    return new Finding(kind, other, message, source, node, remedy);
  }

  public static Finding general(Kind kind, Severity severity, String message) {
    return new Finding(
        kind, severity, message, Optional.empty(), Optional.empty(), Optional.empty());
  }

  public Finding from(int page, Box box) {
    return new Finding(
        kind, severity, message, Optional.of(new SourcePlace(page, box)), node, remedy);
  }

  /** This finding at a node. */
  public Finding at(NodeId other) {
    return new Finding(kind, severity, message, source, Optional.of(other), remedy);
  }

  /** This finding with what puts it right. */
  public Finding with(Remedy other) {
    return new Finding(kind, severity, message, source, node, Optional.of(other));
  }
}
