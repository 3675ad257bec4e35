package decant.reading;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Finds links to places of the document that it does not have: nobody can follow them. */
final class DeadLinks {
  private static final Words WORDS = Words.of(DeadLinks.class);

  /** The top of a page, for which no place has to have a name (HTML Living Standard, §7.4.6.4). */
  private static final Set<String> TOP = Set.of("", "top", "_top");

  private DeadLinks() {}

  /** One finding for all of them, at the first; empty if there is none. */
  static List<Finding> of(Document d) {
    Set<String> places = d.bookmarks().keySet();
    Map<String, NodeId> dead = new LinkedHashMap<>();
    for (Paragraph p : d.paragraphs()) {
      for (Inline i : p.inlines()) {
        if (i.look().get(TextTraits.LINK).orElse(null) instanceof Link.Internal to
            && !TOP.contains(to.bookmark())
            && !places.contains(to.bookmark())) {
          dead.putIfAbsent(to.bookmark(), p.id());
        }
      }
    }
    return dead.entrySet().stream()
        .limit(1)
        .map(e ->
            Finding.of(
                Finding.Kind.REMARK,
                Finding.Severity.NOTE,
                WORDS.count("dead-links.places", dead.size(), e.getKey()),
                e.getValue()))
        .toList();
  }
}
