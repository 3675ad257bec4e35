package decant.office.doc.write;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * One of the seven parts that the characters of a file are in ([MS-DOC] 2.3): the text, notes,
 * headers and so on, with what is said of its characters and paragraphs. Characters are counted
 * from the beginning of the part.
 */
final class TextPart {
  /** What is said of characters, or of a paragraph, up to an end. */
  record Said(int end, byte[] properties) {}

  private final StringBuilder text = new StringBuilder();
  private final List<Said> runs = new ArrayList<>();
  private final List<Said> paragraphs = new ArrayList<>();
  private final Plc fields = new Plc();

  int length() {
    return text.length();
  }

  CharSequence text() {
    return text;
  }

  List<Said> runs() {
    return runs;
  }

  List<Said> paragraphs() {
    return paragraphs;
  }

  /** The marks of fields (Plcfld, §2.8.25). */
  Plc fields() {
    return fields;
  }

  void add(CharSequence characters, byte[] properties) {
    if (characters.isEmpty()) {
      return;
    }
    text.append(characters);
    if (!runs.isEmpty() && Arrays.equals(runs.getLast().properties, properties)) {
      runs.removeLast();
    }
    runs.add(new Said(text.length(), properties));
  }

  /**
   * Ends a paragraph.
   *
   * @param mark that it ends with
   * @param ofMark properties of the mark
   * @param properties of the paragraph: the number of its style, then the others
   */
  void end(char mark, byte[] ofMark, byte[] properties) {
    add(String.valueOf(mark), ofMark);
    paragraphs.add(new Said(text.length(), properties));
  }

  /** Whether a paragraph was begun and not ended. */
  boolean isOpen() {
    return !text.isEmpty() && (paragraphs.isEmpty() || paragraphs.getLast().end < text.length());
  }
}
