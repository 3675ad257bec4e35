/**
 * From a PDF (ISO 32000) to a document, in stages that can each be made better on their own:
 *
 * <ol>
 *   <li>{@link decant.pdf.read.scan.PageScan}: content streams into glyphs, ruled lines, drawn
 *       shapes ({@link decant.pdf.read.scan.PaintedPaths}), pictures and link areas, several pages
 *       at a time ({@link decant.pdf.read.scan.PageScans}); accents with their letters ({@link
 *       decant.pdf.read.scan.Accents}); which text shows ({@link
 *       decant.pdf.read.scan.ShowingText}); what is typed, filled in and marked on them ({@link
 *       decant.pdf.read.scan.PageAnnotations}); which characters the glyphs are ({@link
 *       decant.pdf.read.fonts.FontTexts}) and what is drawn about them ({@link
 *       decant.pdf.read.scan.Decorations}, {@link decant.pdf.read.scan.RuledFields}), what was
 *       noted about them ({@link decant.pdf.read.scan.DetectedComments}); the letters that each
 *       font showed ({@link decant.pdf.read.fonts.ShownLetters});
 *   <li>{@link decant.pdf.read.scan.RecognisedPages}: pages that are pictures into glyphs, where
 *       that is asked for;
 *   <li>{@link decant.pdf.read.lines.DrawnMarks}: small shapes before lines into the marks of
 *       items;
 *   <li>{@link decant.pdf.read.drawings.DetectedDrawings}: shapes into charts and diagrams, with
 *       {@link decant.pdf.read.drawings.AxisLabels} what is written along them, cut out as vector
 *       pictures by {@link decant.pdf.read.drawings.DrawingCutter};
 *   <li>{@link decant.pdf.read.lines.Lines}: glyphs into lines of text; those that are turned by no
 *       whole quarters, such as stamps, stand apart as {@link decant.pdf.read.lines.ApartText};
 *   <li>{@link decant.pdf.read.beside.RunningTexts}: what repeats at the head and foot of pages;
 *   <li>{@link decant.pdf.read.beside.Footnotes}: notes at the foot of pages, and their marks;
 *   <li>{@link decant.pdf.read.tables.RuledTables}: ruled lines into tables with the text inside
 *       them;
 *   <li>{@link decant.pdf.read.lines.Stamps} that were put over text, and {@link
 *       decant.pdf.read.lines.MarginalNotes}, out of the text;
 *   <li>{@link decant.pdf.read.lines.PageColumns}: what is left into columns in reading order;
 *   <li>{@link decant.pdf.read.tables.SplitTables}: lines whose parts stand in columns into tables
 *       without a grid, those of all columns and pages together: the stretches of lines that agree
 *       ({@link decant.pdf.read.tables.AlignedTables}), their columns by the corridors that they
 *       leave white ({@link decant.pdf.read.tables.WhiteColumns}), their rows by what goes on in a
 *       cell ({@link decant.pdf.read.tables.LogicalRows});
 *   <li>{@link decant.pdf.read.blocks.Blocks}: lines into paragraphs, items and candidates for
 *       headings, {@link decant.pdf.read.lines.HardBreaks} kept;
 *   <li>{@link decant.pdf.read.blocks.Continuations}: blocks that go on on the next page or column;
 *   <li>{@link decant.pdf.read.blocks.ContentsPages}: the entries of contents; {@link
 *       decant.pdf.read.beside.FloatedPictures}: pictures that text runs beside;
 *   <li>{@link decant.pdf.read.blocks.Headings}: which candidates are headings, and of what level;
 *   <li>{@link decant.pdf.read.lines.TextColumns}, {@link decant.pdf.read.beside.BoxedNotes},
 *       {@link decant.pdf.read.document.RunningStories}: sections with columns, boxes around text,
 *       headers and footers of left, right and first pages;
 *   <li>{@link decant.pdf.read.document.DocumentMaker}: blocks into the document, with looks;
 *       {@link decant.pdf.read.document.LiveContents} makes page numbers of contents fields, {@link
 *       decant.pdf.read.fonts.BroughtFonts} fonts of the letters that were shown;
 *   <li>{@link decant.pdf.read.report.ConversionReport}: what did not carry over, and what is in
 *       doubt.
 * </ol>
 *
 * <p>{@link decant.pdf.read.PageAnalysis} goes through the stages from notes to blocks, on all
 * processors. A file with structure tags takes {@link decant.pdf.read.tagged.TaggedBlocks} in place
 * of the stages between. Where a stage fails on a page by a fault of ours, or a page's text lies in
 * more pieces than lines can be made of, {@link decant.pdf.read.WholePages} keeps the page whole:
 * no file is lost by one page. Places are in points from the top left of the page as it is shown, y
 * growing downwards.
 */
@org.jspecify.annotations.NullMarked
package decant.pdf.read;
