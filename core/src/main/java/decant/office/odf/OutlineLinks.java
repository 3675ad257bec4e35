package decant.office.odf;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.ParagraphTraits;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Links to headings by their number and words, {@code #1.2.Berth rules|outline}: their headings get
 * the name as that of a bookmark. The form is common practice; {@code text:a} of ODF 1.3 does not
 * say what follows the {@code #}.
 */
final class OutlineLinks {
  private static final Pattern NAME = Pattern.compile("((?:\\d+\\.)*)(.*)", Pattern.DOTALL);

  private OutlineLinks() {}

  /** The document with those names at the headings that they tell; others stay without a place. */
  static Document named(Document d, Set<String> names) {
    if (names.isEmpty()) {
      return d;
    }
    Map<String, List<Paragraph>> headings = new HashMap<>();
    for (Paragraph p : d.paragraphs()) {
      if (d.headingLevel(p) > 0) {
        headings.computeIfAbsent(words(p.text()), k -> new ArrayList<>()).add(p);
      }
    }
    Set<String> taken = d.bookmarks().keySet();
    Map<NodeId, Paragraph> changed = new LinkedHashMap<>();
    for (String name : names) {
      Matcher m = NAME.matcher(name);
      if (taken.contains(name) || !m.matches()) {
        continue;
      }
      int level = (int) m.group(1).chars().filter(c -> c == '.').count();
      List<Paragraph> alike = headings.getOrDefault(words(m.group(2)), List.of());
      alike.stream()
          .filter(p -> level == 0 || d.headingLevel(p) == level)
          .findFirst()
          .or(() -> alike.stream().findFirst())
          .ifPresent(p -> changed.put(p.id(), named(changed.getOrDefault(p.id(), p), name)));
    }
    return changed.isEmpty() ? d : d.withParagraphs(changed);
  }

  private static Paragraph named(Paragraph p, String name) {
    var names = new ArrayList<>(p.look().value(ParagraphTraits.BOOKMARKS));
    names.add(name);
    return p.withLook(p.look().with(ParagraphTraits.BOOKMARKS, List.copyOf(names)));
  }

  private static String words(String text) {
    return text.replaceAll("\\s+", " ").strip();
  }
}
