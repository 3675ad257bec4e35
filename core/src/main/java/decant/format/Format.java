package decant.format;

import java.util.List;
import java.util.Set;

/**
 * A kind of files.
 *
 * @param id as recipes and the command line name it; also its usual extension
 * @param name as a person calls it
 * @param mediaType as IANA has it registered
 * @param extensions of its files, in small letters and without the dot, the usual one first
 * @param sniffer tells its files by what they hold
 * @param holds what of a document its files have room for, besides the text and its looks
 */
public record Format(
    String id,
    String name,
    Family family,
    String mediaType,
    List<String> extensions,
    Sniffer sniffer,
    Set<Holding> holds) {
  /** What files of a kind are for. */
  public enum Family {
    /** Pages as they are to look. */
    PAGES,
    /** Text documents that are edited. */
    TEXT,
    SHEETS,
    SLIDES,
    PICTURE,
    /** Anything else, known so that it can be named. */
    OTHER
  }

  /** What only some formats have room for. */
  public enum Holding {
    /** Fonts, sizes, colours, places: how anything looks. */
    LOOKS,
    /** Columns, and what stands at a place of the page. */
    PLACES,
    PICTURES,
    /** Headers and footers. */
    RUNNING_TEXTS,
    /** Comments on the running text. */
    COMMENTS,
    /** Comments on notes, and on texts in shapes. */
    COMMENTS_BESIDE,
    /** Comments on headers and footers. */
    COMMENTS_ON_RUNNING_TEXTS,
    /** Changes that wait to be accepted. */
    PENDING_CHANGES,
    ATTACHED_FILES,
    FORM_FIELDS,
    /** Fields of which choosing one lets go of the others. */
    ONE_OF_FIELDS,
    /** What fields ask of what is filled in. */
    FIELD_RULES,
    FONTS,
    /** Text that does not show. */
    HIDDEN_TEXT,
    /** What a reader of the same format kept without understanding it. */
    KEPT_PARTS
  }

  /** Tells files of one kind from all others. */
  @FunctionalInterface
  public interface Sniffer {
    /** Whether a file is of this kind. */
    boolean knows(FileContent content);
  }

  public Format {
    extensions = List.copyOf(extensions);
    holds = Set.copyOf(holds);
    if (extensions.isEmpty()) {
      throw new IllegalArgumentException("a format has an extension");
    }
  }

  /** The usual extension of its files, without the dot. */
  public String extension() {
    return extensions.getFirst();
  }

  /** Whether files of another kind are like its own, but for being documents or templates. */
  public boolean isKinOf(Format other) {
    return kind().equals(other.kind());
  }

  private String kind() {
    return mediaType.replaceAll("[.-](document|template)$", "");
  }

  @Override
  public String toString() {
    return id;
  }
}
