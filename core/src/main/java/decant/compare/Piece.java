package decant.compare;

import decant.model.look.Media;
import java.util.ArrayList;
import java.util.List;

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
   * @param item whether it is an item of a list, whose label is no part of its words
   * @param begins whether a page begins with it because the document says so
   */
  record Text(int page, int level, boolean item, boolean begins, List<Word> words)
      implements Piece {
    public Text {
      words = List.copyOf(words);
    }

    Text withLevel(int other) {
      return new Text(page, other, item, begins, words);
    }
  }

  /** A table. */
  record Grid(int page, List<Row> rows) implements Piece {
    /** The words of the cells of a row. */
    record Row(List<List<Word>> cells) {
      Row {
        cells = List.copyOf(cells);
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
   */
  record Image(int page, Media media, double width, double height, String alt) implements Piece {
    @Override
    public List<Word> words() {
      return List.of();
    }
  }
}
