package decant.office.doc.write;

/** The parts of the text, in the order in which they follow one another ([MS-DOC] 2.3). */
enum Part {
  TEXT,
  FOOTNOTES,
  RUNNING,
  COMMENTS,
  ENDNOTES,
  BOXES,
  RUNNING_BOXES;

  /** Whether something may stand beside its lines. */
  boolean holdsDrawings() {
    return this == TEXT || this == RUNNING;
  }
}
