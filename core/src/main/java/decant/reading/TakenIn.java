package decant.reading;

import decant.model.Content;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.finding.Finding;
import decant.model.finding.Finding.SourcePlace;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A file taken in.
 *
 * @param content what it became
 * @param findings what did not carry over cleanly, and what is in doubt
 * @param origin what is known of the file itself
 */
public record TakenIn(Content content, List<Finding> findings, Origin origin) {
  public TakenIn {
    findings = List.copyOf(findings);
  }

  public Document document() {
    return switch (content) {
      case Document d -> d;
    };
  }

  /** This with other things to tell. */
  public TakenIn with(List<Finding> others) {
    return new TakenIn(content, others, origin);
  }

  /** This with more to tell. */
  public TakenIn withFindings(List<Finding> more) {
    if (more.isEmpty()) {
      return this;
    }
    var all = new ArrayList<>(findings);
    all.addAll(more);
    return new TakenIn(content, all, origin);
  }

  /**
   * The file as it was.
   *
   * @param format such as {@code pdf}
   * @param pages how many pages it has or says it has; 0 if unknown
   * @param properties what it says of itself, by the names the format uses
   * @param fonts the fonts it asks for or brings
   * @param places where each block stood in it, if it has pages
   * @param breaks where its pages begin within blocks, so far as it says so
   */
  public record Origin(
      String format,
      int pages,
      Map<String, String> properties,
      List<SourceFont> fonts,
      Map<NodeId, SourcePlace> places,
      List<PageBreak> breaks) {
    public Origin {
      properties = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(properties));
      fonts = List.copyOf(fonts);
      places = Map.copyOf(places);
      breaks = List.copyOf(breaks);
    }
  }

  /**
   * Where a page of the file begins.
   *
   * @param page from 0
   * @param at its first character
   */
  public record PageBreak(int page, Position at) {}

  /** A font of the file: its name, whether the file brings it, and what serves in its place. */
  public record SourceFont(String name, boolean embedded, String servedBy, String reason) {}
}
