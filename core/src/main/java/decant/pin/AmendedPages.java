package decant.pin;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.walk.Walk;
import decant.pdf.amend.Amended;
import decant.pdf.amend.PageLine;
import decant.pdf.amend.PageParts;
import decant.pdf.amend.PdfAmender;
import decant.pdf.amend.Replacement;
import decant.pdf.amend.WholeWords;
import decant.pdf.amend.setting.ChangedWords;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Pinned pages whose lines are changed where they stand; all else of them stays. */
public final class AmendedPages {
  private static final Words WORDS = Words.of(AmendedPages.class);

  private AmendedPages() {}

  /**
   * What became of a change.
   *
   * @param revision with the change, or as it was if it could not be made
   * @param amended what is to be told of it
   */
  public record Result(Revision revision, Amended amended) {}

  /**
   * The lines and pictures of a pinned page.
   *
   * @throws ReadProblem if its file cannot be read
   */
  public static PageParts parts(Pinned pinned) throws ReadProblem {
    return PdfAmender.in(pinned.file().bytes(), pdf -> pdf.parts(pinned.page()));
  }

  /**
   * Makes a line of a pinned page say something else, as one act that can be undone.
   *
   * @param pinned as it stands in the revision
   * @param line one of its {@link #parts}
   * @param text what it is to say; empty to take it away
   * @throws ReadProblem if the page's file cannot be read
   */
  public static Result change(Revision r, Pinned pinned, PageLine line, String text)
      throws ReadProblem {
    PageFile.Changed<Amended> changed =
        PageFile.changed(
            pinned, pdf -> pdf.change(pinned.page(), line.index(), text), a -> a.changed() > 0);
    Amended amended = changed.result();
    if (changed.page().isEmpty()) {
      return new Result(r, amended);
    }
    Pinned now = changed.requirePage();
    Optional<Document> read = reading(r.document(), pinned, line, text.strip());
    var told = new ArrayList<>(amended.told());
    if (read.isEmpty()) {
      told.add(WORDS.say("amended-pages.not-read"));
    }
    Document d = with(read.orElse(r.document()), pinned, now);
    Revision next = changed(r, WORDS.say("amended-pages.change"), d);
    return new Result(next, new Amended(amended.changed(), amended.left(), told));
  }

  /**
   * A document in which words were replaced on its pinned pages.
   *
   * @param replaced at how many places
   */
  public record Replaced(Document document, int replaced) {}

  /**
   * Replaces words, in exact case and whole, on the pinned pages of a document.
   *
   * @throws ReadProblem if a page's file cannot be read
   */
  public static Replaced replaced(Document document, String words, String with) throws ReadProblem {
    Document d = document;
    int all = 0;
    for (Section s : document.sections()) {
      Pinned pinned = s.pinned().orElse(null);
      if (pinned == null) {
        continue;
      }
      PageFile.Changed<Amended> changed =
          PageFile.changed(
              pinned,
              pdf -> pdf.replace(List.of(new Replacement(words, with)), List.of(pinned.page())),
              a -> a.changed() > 0);
      if (changed.page().isPresent()) {
        all += changed.result().changed();
        d = with(d, pinned, changed.requirePage());
        d = read(d, s.blocks(), words, with);
      }
    }
    return new Replaced(d, all);
  }

  /** What was read from a page says the new words too. */
  private static Document read(Document d, List<Block> blocks, String words, String with) {
    Document out = d;
    Pattern whole = WholeWords.of(words);
    for (Paragraph p : Walk.paragraphs(blocks)) {
      for (MatchResult m : whole.matcher(p.text()).results().toList().reversed()) {
        List<Inline> text =
            with.isEmpty() ? List.of() : List.of(new Inline.Text(with, p.lookAt(m.start() + 1)));
        out = new Step.ReplaceText(p.id(), m.start(), m.end(), text).apply(out).document();
      }
    }
    return out;
  }

  /** The same as one act that can be undone; the revision as it was if nothing is replaced. */
  public static Revision replaced(Revision r, Replaced pages) {
    return pages.replaced() == 0
        ? r
        : changed(r, WORDS.say("amended-pages.replace"), pages.document());
  }

  /** Another document in the place of a revision's, with the same blocks, as one act. */
  public static Revision changed(Revision r, String name, Document d) {
    Selection s = r.selection();
    return r.apply(
        Edit.of(name, Step.Resection.to(d)), new Selection(in(d, s.anchor()), in(d, s.caret())));
  }

  /** A place that is still there: what was read from the page may be shorter now. */
  private static Position in(Document d, Position at) {
    return d.paragraph(at.paragraph())
        .map(p -> new Position(p.id(), Math.min(at.offset(), p.length())))
        .orElse(at);
  }

  /** The document with another in the place of a pinned page. */
  static Document with(Document d, Pinned was, Pinned now) {
    return PageFile.with(d, was, s -> s.withPinned(now));
  }

  /**
   * What was read from the page says the same as the line, for bookmarks and searching; empty if
   * the line is not found in it.
   */
  private static Optional<Document> reading(Document d, Pinned pinned, PageLine line, String text) {
    List<String> was = ChangedWords.of(line.text());
    ChangedWords change = ChangedWords.between(was, ChangedWords.of(text)).orElseThrow();
    for (Section s : d.sections()) {
      if (!s.is(pinned)) {
        continue;
      }
      for (Block b : s.blocks()) {
        Box place = pinned.places().get(b.id());
        if (place != null && !meets(place, line.box())) {
          continue;
        }
        for (Paragraph p : Walk.paragraphs(List.of(b))) {
          Optional<int[]> at = place(p.text(), was);
          if (at.isPresent()) {
            int from = at.get()[2 * change.from()];
            int to = at.get()[2 * change.to() - 1];
            List<Inline> with =
                change.with().isEmpty()
                    ? List.of()
                    : List.of(new Inline.Text(change.text(), p.lookAt(from + 1)));
            return Optional.of(new Step.ReplaceText(p.id(), from, to, with).apply(d).document());
          }
        }
      }
    }
    return Optional.empty();
  }

  private static boolean meets(Box a, Box b) {
    double middle = b.y() + b.height() / 2;
    return middle >= a.y() - 2 && middle <= a.bottom() + 2;
  }

  /** Where words stand in a text one after the other: from and to of each. */
  private static Optional<int[]> place(String text, List<String> words) {
    int at = text.indexOf(words.getFirst());
    while (at >= 0) {
      int[] out = new int[2 * words.size()];
      int k = at;
      boolean all = true;
      for (int w = 0; w < words.size() && all; w++) {
        while (k < text.length() && Character.isWhitespace(text.charAt(k))) {
          k++;
        }
        all = text.startsWith(words.get(w), k);
        out[2 * w] = k;
        k += words.get(w).length();
        out[2 * w + 1] = k;
      }
      if (all) {
        return Optional.of(out);
      }
      at = text.indexOf(words.getFirst(), at + 1);
    }
    return Optional.empty();
  }
}
