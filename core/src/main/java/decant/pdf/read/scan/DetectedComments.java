package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.model.look.Comment;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.NotedComment;
import decant.pdf.read.page.ScannedPage;
import decant.words.Words;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.Calendar;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationMarkup;

/**
 * What readers noted about a page (ISO 32000-2 §12.5.6): the words of notes, marks and drawings,
 * put to the text that they lie on, or to the word that is nearest.
 */
public final class DetectedComments {
  private static final Words WORDS = Words.of(DetectedComments.class);

  /** Kinds of annotations that are read otherwise, or whose words say nothing. */
  private static final Set<String> OTHERS =
      Set.of("Link", "Widget", "Popup", "PrinterMark", "TrapNet", "FreeText", "Watermark");

  /** Kinds that say nothing without words. */
  private static final Set<String> MARKS =
      Set.of(
          "Highlight",
          "Underline",
          "Squiggly",
          "StrikeOut",
          "Stamp",
          "FileAttachment",
          "Movie",
          "Screen",
          "Sound",
          "3D",
          "RichMedia",
          "Projection");

  /** Remarks on one page. */
  private static final int MAX = 500;

  private static final int LONGEST = 4000;

  private DetectedComments() {}

  static List<NotedComment> on(PDPage page, int number) {
    var out = new ArrayList<NotedComment>();
    try {
      int k = 0;
      for (PDAnnotation a : page.getAnnotations()) {
        k++;
        String kind = String.valueOf(a.getSubtype());
        String words = a.getContents() == null ? "" : a.getContents().strip();
        boolean silent = words.isEmpty() && MARKS.contains(kind);
        if (OTHERS.contains(kind) || silent || a.isHidden() || out.size() >= MAX) {
          continue;
        }
        out.add(noted(page, a, number + "." + k, words));
      }
    } catch (java.io.IOException | RuntimeException e) {
      Faults.mended("reading comments", e);
      return out; // the rest is damaged
    }
    return out;
  }

  private static NotedComment noted(PDPage page, PDAnnotation a, String id, String words) {
    String author = a instanceof PDAnnotationMarkup m ? text(m.getTitlePopup()) : "";
    String text = words.isEmpty() ? "(" + a.getSubtype() + ")" : words;
    String cut = text.length() > LONGEST ? text.substring(0, LONGEST) + "…" : text;
    var comment = new Comment(id, author, date(a), cut.replaceAll("\\r\\n?", "\n"), false);
    List<Box> quads = PageAnnotations.quads(page, a);
    PDRectangle r = a.getRectangle();
    if (!quads.isEmpty()) {
      return new NotedComment(comment, quads, true);
    }
    Box box = r == null ? new Box(0, 0, 0, 0) : PageScan.place(page, r);
    return new NotedComment(comment, List.of(box), false);
  }

  private static String text(@org.jspecify.annotations.Nullable String s) {
    return s == null ? "" : s.replaceAll("\\p{Cntrl}", " ").strip();
  }

  private static String date(PDAnnotation a) {
    try {
      Calendar c = a.getCOSObject().getDate(COSName.M);
      if (c == null && a instanceof PDAnnotationMarkup m) {
        c = m.getCreationDate();
      }
      return c == null
          ? ""
          : c.toInstant().truncatedTo(java.time.temporal.ChronoUnit.SECONDS).toString();
    } catch (RuntimeException e) {
      Faults.mended("reading comments", e);
      return "";
    }
  }

  /** Glyphs with the remarks that are about them. */
  static List<Glyph> put(List<NotedComment> comments, List<Glyph> glyphs) {
    if (comments.isEmpty() || glyphs.isEmpty()) {
      return glyphs;
    }
    List<Glyph> out = new ArrayList<>(glyphs);
    for (NotedComment n : comments) {
      boolean any = false;
      for (int k = 0; n.marks() && k < out.size(); k++) {
        Glyph g = out.get(k);
        if (g.quarter() == 0 && n.areas().stream().anyMatch(g::standsIn)) {
          out.set(k, g.withDecor(g.ink().decor().with(n.comment())));
          any = true;
        }
      }
      if (!any) {
        nearestWord(out, n);
      }
    }
    return out;
  }

  /** A note is about the word that it stands at. */
  private static void nearestWord(List<Glyph> glyphs, NotedComment n) {
    Box b = n.areas().getFirst();
    double x = b.x() + b.width() / 2;
    double y = b.y() + b.height() / 2;
    int best = -1;
    double min = Double.MAX_VALUE;
    for (int k = 0; k < glyphs.size(); k++) {
      Glyph g = glyphs.get(k);
      if (!g.isSpace() && !g.text().isEmpty() && g.quarter() == 0 && !g.marked().artifact()) {
        double dx = Math.max(0, Math.max(g.x() - x, x - g.right()));
        double dy =
            Math.max(0, Math.max(g.baseline() - g.size() * Anatomy.ASCENT - y, y - g.baseline()));
        double away = Math.hypot(dx, 2 * dy); // rather on the same line
        if (away < min) {
          min = away;
          best = k;
        }
      }
    }
    if (best < 0) {
      return;
    }
    int from = best;
    while (from > 0 && joined(glyphs.get(from - 1), glyphs.get(from))) {
      from--;
    }
    int to = best + 1;
    while (to < glyphs.size() && joined(glyphs.get(to - 1), glyphs.get(to))) {
      to++;
    }
    for (int k = from; k < to; k++) {
      Glyph g = glyphs.get(k);
      glyphs.set(k, g.withDecor(g.ink().decor().with(n.comment())));
    }
  }

  private static boolean joined(Glyph a, Glyph b) {
    return !a.isSpace()
        && !b.isSpace()
        && Math.abs(a.baseline() - b.baseline()) < 1
        && Math.abs(b.x() - a.right()) < ScanThresholds.DetectedComments.APART * a.size();
  }

  /** Says which remarks came along, and which found no text. */
  public static List<Finding> findings(List<ScannedPage> pages, Document d) {
    Map<String, NodeId> about = new HashMap<>();
    for (Paragraph p : Walk.paragraphs(d, Part.ONCE)) {
      for (Inline i : p.inlines()) {
        i.look().value(TextTraits.COMMENTS).forEach(r -> about.putIfAbsent(r.id(), p.id()));
      }
    }
    var out = new ArrayList<Finding>();
    for (ScannedPage page : pages) {
      for (NotedComment n : page.comments()) {
        NodeId node = about.get(n.comment().id());
        String who = n.comment().author().isEmpty() ? "" : n.comment().author() + ": ";
        Finding f =
            node == null
                ? Finding.general(
                    Kind.CONTENT_LEFT_OUT,
                    Severity.LOSS,
                    WORDS.say(
                        "detected-comments.a-remark-on-page-stands",
                        (page.number() + 1),
                        shortened(who + n.comment().text())))
                : Finding.of(Kind.REMARK, Severity.NOTE, shortened(who + n.comment().text()), node);
        out.add(f.from(page.number(), n.areas().getFirst()));
      }
    }
    return out;
  }

  private static String shortened(String s) {
    String line = s.replaceAll("\\s+", " ");
    return line.length() > 90 ? line.substring(0, 87) + "…" : line;
  }
}
