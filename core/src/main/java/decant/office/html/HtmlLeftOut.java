package decant.office.html;

import decant.clip.HtmlReader;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.office.source.TextTaken;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;

/** What of a page is not in the document that was made of it, or not as it is. */
final class HtmlLeftOut {
  private static final Words WORDS = Words.of(HtmlLeftOut.class);

  /** What plays, or is drawn by a script, or stands in another file. */
  private static final String OTHERS = "video, audio, iframe, object, embed, applet, canvas";

  /** What holds no text of the page: what is told above, and what a field proposes. */
  private static final String NO_TEXT = OTHERS + ", datalist, style";

  private final Document page;
  private final int others;
  private final String frames;
  private final List<String> hidden = new ArrayList<>();
  private int generated;
  private int grounds;

  /**
   * @param page before anything is taken out of it
   */
  HtmlLeftOut(Document page) {
    this.page = page;
    this.others = page.select(OTHERS).size();
    this.frames =
        page.select("frameset frame[src]").stream()
            .map(f -> f.attr("src"))
            .collect(Collectors.joining(", "));
    page.select("script, template").remove();
  }

  /**
   * @param places that show something which style sheets count, or fetch
   */
  void generated(int places) {
    generated = places;
    grounds = page.select("[style~=(?i)background[^;]*url\\(], [background]").size();
  }

  /** Takes out what the page hides. */
  void hidden() {
    for (Element e : page.body().select("*")) {
      boolean there = e.ownerDocument() == page; // else it is within what was taken out before
      if (there && e != page.body() && HtmlReader.hides(e)) {
        if (e.hasText()) {
          hidden.add(e.text().strip());
        }
        e.remove();
      }
    }
  }

  /**
   * @param missing pictures that are not beside the page
   */
  List<Finding> findings(HtmlReader.Page read, int missing, TextTaken taken) {
    var out = new ArrayList<Finding>();
    if (!frames.isEmpty()) {
      String said = WORDS.say("html-left-out.frames", frames);
      out.add(Finding.general(Kind.CONTENT_LEFT_OUT, Severity.LOSS, said));
    }
    add(out, Kind.PICTURE_MISSING, Severity.LOSS, "html-left-out.pictures", missing);
    add(out, Kind.PICTURE_MISSING, Severity.LOSS, "html-left-out.unread", read.lostPictures());
    add(out, Kind.CONTENT_LEFT_OUT, Severity.LOSS, "html-left-out.others", others);
    add(out, Kind.LAYOUT_SIMPLIFIED, Severity.DOUBT, "html-left-out.equations", read.equations());
    add(out, Kind.FORM, Severity.NOTE, "html-left-out.fields", read.fields());
    add(out, Kind.CONTENT_LEFT_OUT, Severity.DOUBT, "html-left-out.generated", generated);
    add(out, Kind.PICTURE_MISSING, Severity.DOUBT, "html-left-out.grounds", grounds);
    int files = page.select("input[type=file]").size();
    add(out, Kind.FORM, Severity.LOSS, "html-left-out.uploads", files);
    if (!read.lostLinks().isEmpty()) {
      int n = read.lostLinks().size();
      String said =
          WORDS.count("html-left-out.links", n, TextTaken.some(read.lostLinks().getFirst()));
      out.add(Finding.general(Kind.CONTENT_LEFT_OUT, Severity.LOSS, said));
    }
    if (!hidden.isEmpty()) {
      String said =
          WORDS.count("html-left-out.hidden", hidden.size(), TextTaken.some(hidden.getFirst()));
      out.add(Finding.general(Kind.CONTENT_LEFT_OUT, Severity.DOUBT, said));
    }
    page.body()
        .nodeStream(TextNode.class)
        .filter(t -> !(t.parent() instanceof Element p && p.closest(NO_TEXT) != null))
        .forEach(t -> taken.after(t, t.text()));
    taken.finding().ifPresent(out::add);
    return out;
  }

  private static void add(List<Finding> to, Kind kind, Severity severity, String key, int n) {
    if (n > 0) {
      to.add(Finding.general(kind, severity, WORDS.count(key, n)));
    }
  }
}
