package decant.pdf.read.tagged;

import java.util.Set;

/** The standard types of structure elements (ISO 32000-1 §14.8.4) that the reading tells apart. */
final class Roles {
  private Roles() {}

  /** What stands on a page one below the other, or holds what does. */
  static final Set<String> BLOCKS =
      Set.of(
          "P",
          "H",
          "H1",
          "H2",
          "H3",
          "H4",
          "H5",
          "H6",
          "L",
          "LI",
          "Table",
          "Sect",
          "Div",
          "Part",
          "Art",
          "BlockQuote",
          "TOC",
          "TOCI",
          "Figure",
          "Caption",
          "Title");

  /** What stands in lines (ISO 32000-1 §14.8.4.4): blocks in it are no blocks of the page. */
  static final Set<String> INLINE =
      Set.of(
          "Span",
          "Quote",
          "Note",
          "FENote",
          "Reference",
          "BibEntry",
          "Code",
          "Link",
          "Annot",
          "Ruby",
          "RB",
          "RT",
          "RP",
          "Warichu",
          "WT",
          "WP",
          "Em",
          "Strong",
          "Sub",
          "Lbl",
          "Form",
          "Formula");
}
