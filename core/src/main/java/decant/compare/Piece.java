package decant.compare;

import decant.model.look.Media;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A part of a version that is one thing to a reader. */
sealed interface Piece {
  /** The page that it begins on, from 1. */
  int page();

  /** What it says, by which it is known again. */
  List<Word> words();

  /**
   * A paragraph.
   *
   * @param level of its heading; 0 if it is none
   * @param label what it is counted by, which is no part of its words
   * @param begins whether a page begins with it because the document says so
   * @param look how it stands; nothing where only pages tell
   */
  record Text(
      int page,
      int level,
      Optional<Label> label,
      boolean begins,
      List<Word> words,
      Optional<ParagraphLook> look)
      implements Piece {
    public Text {
      words = List.copyOf(words);
    }

    Text withLevel(int other) {
      return new Text(page, other, label, begins, words, look);
    }

    /** What it says, with its label. */
    String labelled() {
      return label.map(l -> l.text() + ' ').orElse("") + Word.join(words);
    }
  }

  /** A table. */
  record Grid(int page, List<Row> rows) implements Piece {
    /**
     * A row.
     *
     * @param cells the words of each
     * @param looks those of its cells; none where only pages tell
     */
    record Row(List<List<Word>> cells, List<CellLook> looks) {
      Row {
        cells = List.copyOf(cells);
        looks = List.copyOf(looks);
      }

      String text() {
        return String.join(" | ", cells.stream().map(Word::join).toList());
      }
    }

    public Grid {
      rows = List.copyOf(rows);
    }

    @Override
    public List<Word> words() {
      var all = new ArrayList<Word>();
      rows.forEach(r -> r.cells().forEach(all::addAll));
      return all;
    }
  }

  /**
   * A picture.
   *
   * @param width as shown, in points
   * @param look how it stands; nothing where only pages tell
   */
  record Image(
      int page, Media media, double width, double height, String alt, Optional<PictureLook> look)
      implements Piece {
    @Override
    public List<Word> words() {
      return List.of();
    }
  }
}
