package decant.verify.office;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/**
 * Reads an HTML file by a parser of another maker, and holds its words, headings, links, pictures
 * and the rows of its tables against the document.
 */
public final class HtmlVerifier {
  private static final Words WORDS = Words.of(HtmlVerifier.class);

  private HtmlVerifier() {}

  /** Compares. A file that cannot be read fails one check. */
  public static List<Check> verify(Path file, Document d) {
    org.jsoup.nodes.Document page;
    try {
      page = Jsoup.parse(Files.readString(file, StandardCharsets.UTF_8));
    } catch (IOException e) {
      return DigestCheck.unread(e);
    }
    page.outputSettings().prettyPrint(false);
    page.select("a[role=doc-noteref]").forEach(a -> a.text(" ")); // no word of the document's
    page.select("br").append("\n");
    page.select("ul, ol, div, p, table").forEach(l -> l.before("\n"));
    page.select("p, li, td, th, h1, h2, h3, h4, h5, h6").append("\n");
    var headings = new ArrayList<String>();
    var links = new ArrayList<String>();
    int[] pictures = {0};
    for (Paragraph p : Reached.paragraphs(d)) {
      int level = d.styles().paragraphLook(p.look()).value(ParagraphTraits.HEADING_LEVEL);
      String words = plain(p);
      if (level > 0 && !words.isBlank()) {
        headings.add(Math.min(6, level) + " " + words);
      }
      String last = "";
      for (Inline i : p.inlines()) {
        pictures[0] += i instanceof Inline.Picture ? 1 : 0;
        String to = i.look().get(TextTraits.LINK).map(l -> l.target()).orElse("");
        if (!to.isEmpty()
            && !to.equals(last)
            && i instanceof Inline.Text t
            && !t.text().isBlank()) {
          links.add(to);
        }
        last = to;
      }
    }
    int rows = 0;
    for (Section s : d.sections()) {
      for (Block b : s.blocks()) {
        rows += b instanceof Table t ? t.rows().size() : 0;
      }
    }
    var got = new ArrayList<String>();
    for (Element h : page.select("h1, h2, h3, h4, h5, h6")) {
      got.add(h.tagName().charAt(1) + " " + squeezed(h.wholeText()));
    }
    var to = new ArrayList<String>();
    page.select("a[href]:not([role])").forEach(a -> to.add(a.attr("href")));
    var all =
        new ArrayList<Check>(TextVerifier.words(page.body().wholeText().replace("\u00AD", ""), d));
    all.add(same("html-verifier.headings", hasAll(got, headings), headings.size()));
    all.add(same("html-verifier.links", to.containsAll(links), links.size()));
    all.add(same("html-verifier.pictures", page.select("img").size() == pictures[0], pictures[0]));
    int topRows = page.select("body > table > tbody > tr").size();
    all.add(same("html-verifier.rows", topRows == rows, rows));
    return all;
  }

  /** Whether each heading is there, with its label before it or without. */
  private static boolean hasAll(List<String> got, List<String> headings) {
    var left = new ArrayList<>(got);
    for (String h : headings) {
      char level = h.charAt(0);
      String words = h.substring(1); // a space before them
      int at = left.indexOf(h);
      for (int k = 0; at < 0 && k < left.size(); k++) {
        at = left.get(k).charAt(0) == level && left.get(k).endsWith(words) ? k : -1;
      }
      if (at < 0) {
        return false;
      }
      left.remove(at);
    }
    return true;
  }

  private static Check same(String what, boolean same, int count) {
    return Check.of(
        WORDS.say(what),
        same,
        WORDS.count("html-verifier.alike", count),
        WORDS.say("html-verifier.differ"));
  }

  private static String plain(Paragraph p) {
    var b = new StringBuilder();
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t -> b.append(t.text());
        case Inline.Field f -> b.append(f.shown());
        default -> {}
      }
    }
    return squeezed(b.toString());
  }

  private static String squeezed(String s) {
    return s.replaceAll("[\\s\\u00A0\\u000B]+", " ").strip();
  }
}
