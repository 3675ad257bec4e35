package decant.verify.office;

/** What of an office document is compared, in the order in which a receipt tells of it. */
public enum Aspect {
  /** Paragraphs with characters in them, those of cells among them; fields by their kind. */
  TEXT,
  /** Level and words. */
  HEADINGS,
  /** Labels of list items, with the words that they stand before. */
  LISTS,
  /** Stretches of text with their font, size, weight, slant, lines and colour. */
  LOOKS,
  /** Rows and cells of tables, with the cells that are merged. */
  TABLES,
  /** What stands in text boxes. */
  BOXES,
  NOTES,
  /** Headers and footers, section by section. */
  RUNNING,
  /** The paper, wherever it becomes another. */
  SHEETS,
  LINKS,
  /** Pictures by their bytes, with their size where the format says it plainly. */
  PICTURES,
  /** What is computed: page numbers, dates, texts of headings. */
  FIELDS,
  COMMENTS,
  /** What waits to be accepted: who put in which words, or took them away. */
  CHANGES;

  /** The name of its sentence. */
  String key() {
    return name().toLowerCase(java.util.Locale.ROOT);
  }
}
