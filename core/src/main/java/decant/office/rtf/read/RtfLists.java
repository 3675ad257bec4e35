package decant.office.rtf.read;

import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Trait;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Lists of a whole file: as the tables of lists have them, or, where those are missing or say other
 * than what was seen, by the labels that stand beside items for readers that do not number
 * themselves.
 */
final class RtfLists {
  private static final int LEVELS = 9;
  private static final Pattern PARTS = Pattern.compile("[0-9]+|[A-Za-z]+");

  private static final class Known {
    String id = "";
    final int[] numbers = new int[LEVELS];
    final boolean[] met = new boolean[LEVELS];
  }

  private final Map<Integer, Known> known = new HashMap<>();
  private final Map<String, ListDefinition> lists;
  private final RtfListTables tables;
  private final Map<NodeId, Seen> seen = new LinkedHashMap<>();

  /** An item of a list of the tables, and what it is by its label. */
  private record Seen(String label, Look look) {}

  RtfLists(Map<String, ListDefinition> lists, RtfListTables tables) {
    this.lists = lists;
    this.tables = tables;
  }

  /**
   * The look of a paragraph as an item.
   *
   * @param number of the list as items name it; 0 if it has only a label
   * @param look what it says besides
   * @param whole all that holds for it
   */
  Look item(NodeId id, int number, int depth, String label, Look look, Look whole) {
    String name = "rtf-table-" + number;
    Optional<ListDefinition> list =
        Optional.ofNullable(lists.get(name))
            .or(() -> number > 0 ? tables.list(number, name) : Optional.empty());
    Look byLabel =
        list.isPresent() && label.isBlank()
            ? look
            : look.with(ParagraphTraits.LIST, item(number, depth, label));
    if (list.isEmpty()) {
      return byLabel;
    }
    lists.put(name, list.get());
    seen.put(id, new Seen(label.strip(), byLabel));
    Look level = list.get().level(depth).paragraph();
    Look out = look.with(ParagraphTraits.LIST, new ListMembership(name, depth));
    for (Trait<Double> t : List.of(ParagraphTraits.INDENT_START, ParagraphTraits.FIRST_LINE)) {
      // The level comes before the style: where that is not meant, the item says so.
      out = whole.value(t).equals(level.value(t)) ? out.without(t) : out.with(t, whole.value(t));
    }
    return out;
  }

  /**
   * The document with its lists settled: those whose numbers come out other than the labels that
   * stand beside their items are taken from the labels.
   */
  Document settled(Document d) {
    Map<NodeId, String> labels = ListLabels.of(d);
    var other = new HashSet<String>();
    seen.forEach((id, s) -> {
      Optional<ListMembership> item = item(d, id);
      Optional<ListDefinition> list = item.map(i -> lists.get(i.list()));
      boolean counts = list.isPresent() && list.get().level(item.get().depth()).ordered();
      if (counts && !s.label.isEmpty() && !labels.getOrDefault(id, "").strip().equals(s.label)) {
        other.add(list.get().series());
      }
    });
    var changed = new HashMap<NodeId, Paragraph>();
    seen.forEach((id, s) -> {
      Optional<ListDefinition> list = item(d, id).map(i -> lists.get(i.list()));
      if (list.isPresent() && other.contains(list.get().series())) {
        Paragraph p = d.requireParagraph(id);
        changed.put(id, p.withLook(s.look));
      }
    });
    Document settled = changed.isEmpty() ? d : d.withParagraphs(changed);
    var used = new HashSet<String>();
    for (Paragraph p : Walk.paragraphs(settled, Part.ALL)) {
      used.add(p.look().value(ParagraphTraits.LIST).list());
    }
    var kept = new LinkedHashMap<>(lists);
    kept.keySet().retainAll(used);
    return settled.withLists(kept);
  }

  private static Optional<ListMembership> item(Document d, NodeId id) {
    return d.paragraph(id).map(p -> p.look().value(ParagraphTraits.LIST));
  }

  /** The item that a paragraph is, of a list of a number, with a label beside it. */
  private ListMembership item(int number, int depth, String label) {
    Known k = known.computeIfAbsent(number, n -> new Known());
    String mark = label.strip();
    if (k.id.isEmpty()) {
      k.id = "rtf-" + number;
      lists.put(k.id, new ListDefinition(k.id, bare()));
    }
    ListDefinition now = java.util.Objects.requireNonNull(lists.get(k.id));
    if (!k.met[depth]) {
      boolean jumped = IntStream.range(depth + 1, LEVELS).anyMatch(d -> k.met[d]);
      k.met[depth] = true;
      Level first = level(mark, depth);
      // Items further in that came before any of this level have begun its counting.
      Level own = jumped && first.ordered() ? first.from(Math.max(0, first.start() - 1)) : first;
      now = new ListDefinition(k.id, now.series(), now.restarts(), now.with(depth, own));
      lists.put(k.id, now);
      k.numbers[depth] = first.start() - 1;
    }
    Level level = now.level(depth);
    if (level.ordered()) {
      int said = value(mark, level.format());
      if (said >= 0 && said != k.numbers[depth] + 1) {
        k.id = "rtf-" + (lists.size() + 1) + "-" + number;
        lists.put(
            k.id,
            new ListDefinition(
                k.id, now.series(), Set.of(depth), now.with(depth, level.from(said))));
      }
      k.numbers[depth] = said >= 0 ? said : k.numbers[depth] + 1;
    }
    for (int d = depth + 1; d < LEVELS; d++) {
      k.numbers[d] = now.level(d).start() - 1;
    }
    return new ListMembership(k.id, depth);
  }

  private static java.util.List<Level> bare() {
    return java.util.Collections.nCopies(
        LEVELS, new Level(NumberFormat.NONE, "", 1, Look.PLAIN, Look.PLAIN));
  }

  /** A level whose first item has this label. */
  private static Level level(String mark, int depth) {
    Matcher m = PARTS.matcher(mark);
    int parts = 0;
    int end = 0;
    String last = "";
    int first = -1;
    while (m.find()) {
      first = first < 0 ? m.start() : first;
      end = m.end();
      last = m.group();
      parts++;
    }
    NumberFormat format = format(last);
    boolean counts = parts == 1 || parts == depth + 1;
    if (parts == 0 || !counts || format == NumberFormat.NONE) {
      return new Level(NumberFormat.BULLET, mark.isEmpty() ? "•" : mark, 1, Look.PLAIN, Look.PLAIN);
    }
    var pattern = new StringBuilder();
    if (parts == 1) {
      pattern.append(mark, 0, first).append('%').append(depth + 1);
    } else {
      Matcher each = PARTS.matcher(mark);
      int at = 0;
      for (int k = 1; each.find(); k++) {
        pattern.append(mark, at, each.start()).append('%').append(k);
        at = each.end();
      }
    }
    pattern.append(mark.substring(end));
    return new Level(
        format, pattern.toString(), Math.max(0, value(mark, format)), Look.PLAIN, Look.PLAIN);
  }

  private static NumberFormat format(String first) {
    if (first.matches("0\\d")) {
      return NumberFormat.TWO_DIGITS;
    }
    if (first.matches("\\d{1,6}")) {
      return NumberFormat.DECIMAL;
    }
    if (first.matches("[ivxlc]{1,8}") && !first.matches("[vxlc]")) {
      return NumberFormat.LOWER_ROMAN;
    }
    if (first.matches("[IVXLC]{1,8}") && !first.matches("[VXLC]")) {
      return NumberFormat.UPPER_ROMAN;
    }
    return first.matches("[a-z]{1,2}")
        ? NumberFormat.LOWER_LETTER
        : first.matches("[A-Z]{1,2}") ? NumberFormat.UPPER_LETTER : NumberFormat.NONE;
  }

  /** The number that a label says of its own level; below nothing if it says none. */
  private static int value(String mark, NumberFormat format) {
    String last = "";
    Matcher m = PARTS.matcher(mark);
    while (m.find()) {
      last = m.group();
    }
    return format.read(last).orElse(-1);
  }
}
