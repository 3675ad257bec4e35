package decant.run;

import java.util.List;

/**
 * A file of a run, and what becomes of it.
 *
 * @param number its place in the plan, from 1
 * @param part which of the trees it is in, from 0
 * @param path from the source of its tree, with slashes
 * @param kind the id of its format; empty if it is not known
 * @param bytes its size
 * @param pages how many pages the source has; 0 if unknown
 */
public record Row(
    long number,
    int part,
    String path,
    String kind,
    long bytes,
    Fate fate,
    Named named,
    int pages,
    Work work) {

  /**
   * How far it is.
   *
   * @param why why it is left out or failed; {@link Why#NONE} otherwise
   * @param message the same in plain words
   */
  public record Fate(State state, Why why, String message) {
    static final Fate PLANNED = new Fate(State.PLANNED, Why.NONE, "");
  }

  /**
   * The files that are made of it.
   *
   * @param stem what they share as a name
   * @param overwrite whether they may take the place of what is there
   * @param results what is to be made, or was
   */
  public record Named(String stem, boolean overwrite, List<Result> results) {
    static final Named NOT_YET = new Named("", false, List.of());

    public Named {
      results = List.copyOf(results);
    }
  }

  /** How far it is. */
  public enum State {
    PLANNED("planned"),
    AT_WORK("at work"),
    DONE("done"),
    FAILED("failed"),
    LEFT_OUT("left out");

    private final String code;

    State(String code) {
      this.code = code;
    }

    /** As programs are told of it. */
    public String code() {
      return code;
    }
  }

  /** Why a file is left out, or failed. */
  public enum Why {
    NONE,
    /** A symbolic link, which is not followed. */
    LINK,
    PATTERN,
    OLDER,
    EMPTY,
    NO_DOCUMENT,
    OTHER_KIND,
    LOCKED,
    DONE_BEFORE,
    NAME_TAKEN,
    BY_PERSON,
    UNREADABLE,
    DAMAGED,
    TOO_LARGE,
    TOO_SLOW,
    CHOICES,
    NOT_WRITTEN,
    NOT_VERIFIED,
    FAULT
  }

  /**
   * A file that is made of it.
   *
   * @param file from the destination of its tree, with slashes
   * @param bytes 0 until it is made
   * @param sha256 in hexadecimal; empty until it is made
   * @param pages 0 for formats without, and until it is made
   */
  public record Result(String file, long bytes, String sha256, int pages, boolean verified) {
    static Result planned(String file) {
      return new Result(file, 0, "", 0, false);
    }
  }

  /**
   * What was done for it.
   *
   * @param findings what did not carry over or is in doubt; {@code losses} of them are losses
   * @param replaced how often a text was replaced
   */
  public record Work(int findings, int losses, int replaced, Times times) {
    public static final Work NONE = new Work(0, 0, 0, Times.NONE);
  }

  /** How long its parts took, in milliseconds. */
  public record Times(long all, long reading, long layout, long writing, long verifying) {
    public static final Times NONE = new Times(0, 0, 0, 0, 0);
  }

  public State state() {
    return fate.state();
  }

  public Why why() {
    return fate.why();
  }

  public String message() {
    return fate.message();
  }

  public List<Result> results() {
    return named.results();
  }

  /** A file that was met, of which no more is known. */
  static Row met(long number, int part, String path, long bytes) {
    return new Row(number, part, path, "", bytes, Fate.PLANNED, Named.NOT_YET, 0, Work.NONE);
  }

  Row withKind(String id) {
    return new Row(number, part, path, id, bytes, fate, named, pages, work);
  }

  Row with(State other, Why reason, String said) {
    var now = new Fate(other, reason, said);
    return new Row(number, part, path, kind, bytes, now, named, pages, work);
  }

  Row named(String name, boolean over, List<Result> files) {
    var now = new Named(name, over, files);
    return new Row(number, part, path, kind, bytes, fate, now, pages, work);
  }

  Row worked(int sourcePages, Work done) {
    return new Row(number, part, path, kind, bytes, fate, named, sourcePages, done);
  }

  /** How many pages it has, or else the longest of its results; 0 if that is not known. */
  public int pagesOrMade() {
    return pages > 0 ? pages : results().stream().mapToInt(Result::pages).max().orElse(0);
  }

  /** The folder that it is in, from the source of its tree; empty for that itself. */
  public String folder() {
    int slash = path.lastIndexOf('/');
    return slash < 0 ? "" : path.substring(0, slash);
  }
}
