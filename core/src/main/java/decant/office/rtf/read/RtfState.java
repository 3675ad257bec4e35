package decant.office.rtf.read;

import decant.model.look.Look;
import decant.model.look.TextTraits;

/**
 * What a group of RTF hands on to those within it (Rich Text Format 1.9.1, “Formal Syntax”).
 *
 * @param goal where its characters go
 * @param letters what its characters are like
 * @param place what the paragraph is like that ends in it
 * @param dropped whether its characters are worked out anew, so that they are not needed
 */
record RtfState(Goal goal, Letters letters, Place place, boolean dropped) {
  /** Where characters go. */
  enum Goal {
    TEXT,
    FONTS,
    COLOURS,
    LABEL,
    INSTRUCTION,
    STYLES,
    LISTS,
    /** Who made changes. */
    AUTHORS,
    PICTURE,
    SAID,
    SHAPE,
    BLANK,
    ROW,
    SKIPPED
  }

  static final RtfState FIRST =
      new RtfState(Goal.TEXT, Letters.plain(Look.PLAIN), Place.BARE, false);

  /**
   * A change that is not accepted yet.
   *
   * @param is whether there is one
   * @param author by its number in the file
   * @param time when it was made, as one number
   */
  record Change(boolean is, int author, int time) {
    static final Change NONE = new Change(false, 0, 0);

    Change is(boolean now) {
      return new Change(now, author, time);
    }

    Change by(int number) {
      return new Change(is, number, time);
    }

    Change at(int number) {
      return new Change(is, author, number);
    }
  }

  /**
   * Characters.
   *
   * @param look of those of most scripts
   * @param complex what is said again for scripts that are shaped, or run from right to left
   * @param inComplex whether those that come are of such a script
   * @param putIn the change by which they were put in, if it is not accepted yet
   * @param deleted the change by which they were taken out, if it is not accepted yet
   */
  record Letters(Look look, Look complex, boolean inComplex, Change putIn, Change deleted) {
    static Letters plain(Look look) {
      return new Letters(look, Look.PLAIN, false, Change.NONE, Change.NONE);
    }

    Letters with(Look other) {
      return new Letters(other, complex, inComplex, putIn, deleted);
    }

    Letters withComplex(Look other) {
      return new Letters(look, other, inComplex, putIn, deleted);
    }

    Letters inComplex(boolean is) {
      return new Letters(look, complex, is, putIn, deleted);
    }

    Letters putIn(Change by) {
      return new Letters(look, complex, inComplex, by, deleted);
    }

    Letters deleted(Change by) {
      return new Letters(look, complex, inComplex, putIn, by);
    }

    /** The look of those that come. */
    Look inForce() {
      return inComplex ? complex.over(look) : look;
    }

    boolean hidden() {
      return look.value(TextTraits.HIDDEN);
    }
  }

  /**
   * A paragraph.
   *
   * @param style the number of its style
   * @param list the number of the list that it is an item of; 0 for none
   * @param depth how deep in that list
   * @param table how deep it stands in tables; 0 for in none
   * @param level of a heading, from 1; 0 for body text; below nothing where nothing is said
   */
  record Place(Look look, int style, int list, int depth, int table, int level) {
    static final Place BARE = new Place(Look.PLAIN, 0, 0, 0, 0, -1);

    Place with(Look other) {
      return new Place(other, style, list, depth, table, level);
    }

    Place styled(int number) {
      return new Place(look, number, list, depth, table, level);
    }

    Place listed(int number, int at) {
      return new Place(look, style, number, at, table, level);
    }

    Place inTable(int deep) {
      return new Place(look, style, list, depth, deep, level);
    }

    Place levelled(int heading) {
      return new Place(look, style, list, depth, table, heading);
    }
  }

  RtfState to(Goal other) {
    return new RtfState(other, letters, place, dropped);
  }

  RtfState with(Letters other) {
    return new RtfState(goal, other, place, dropped);
  }

  RtfState with(Place other) {
    return new RtfState(goal, letters, other, dropped);
  }

  RtfState dropping(boolean is) {
    return new RtfState(goal, letters, place, is);
  }

  /** The look of characters that come. */
  Look text() {
    return letters.inForce();
  }

  /** This for text of its own, of which nothing is said yet. */
  RtfState bare() {
    return new RtfState(goal, Letters.plain(Look.PLAIN), Place.BARE, dropped);
  }
}
