package decant.layout.label;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The labels of list items, counted through the document in reading order. */
public final class ListLabels implements Walk.Visitor {
  /** No item of the level was counted yet. */
  private static final int UNSET = Integer.MIN_VALUE;

  private final Styles styles;
  private final Map<String, int[]> counters = new HashMap<>();
  private final Map<NodeId, String> labels = new HashMap<>();
  private final Map<NodeId, Integer> numbers = new HashMap<>();
  private final Set<String> started = new HashSet<>();

  private ListLabels(Styles styles) {
    this.styles = styles;
  }

  /** The label of each list item, wherever it stands. */
  public static Map<NodeId, String> of(Document d) {
    return of(d, new Styles(d.styles(), d.lists(), decant.text.FontBook.shipped()));
  }

  /** The number of each list item on its own level, wherever it stands and whatever shows of it. */
  public static Map<NodeId, Integer> numbers(Document d) {
    return counted(d, new Styles(d.styles(), d.lists(), decant.text.FontBook.shipped())).numbers;
  }

  static Map<NodeId, String> of(Document d, Styles styles) {
    return counted(d, styles).labels;
  }

  private static ListLabels counted(Document d, Styles styles) {
    var l = new ListLabels(styles);
    if (!d.lists().isEmpty()) {
      Walk.through(d, Part.ALL, l);
    }
    return l;
  }

  /** The flow, and apart from it all boxes, each note and each header number by themselves. */
  @Override
  public void begin(Part part) {
    if (part != Part.BOXES || !boxes) {
      counters.clear();
      started.clear();
    }
    boxes = part == Part.BOXES;
  }

  private boolean boxes;

  @Override
  public void paragraph(Paragraph p) {
    ListMembership member = styles.paragraphLook(p).value(ParagraphTraits.LIST);
    ListDefinition list = styles.lists().get(member.list());
    if (list == null) {
      return;
    }
    int depth = Math.clamp(member.depth(), 0, list.levels().size() - 1);
    int[] n = counters.computeIfAbsent(list.series(), k -> unset());
    if (started.add(list.id() + ' ' + depth) && ownStart(list, depth)) {
      n[depth] = UNSET; // this list begins anew, whatever its series has come to
    }
    n[depth] = n[depth] == UNSET ? list.level(depth).start() : n[depth] + 1;
    for (int k = 0; k < depth; k++) {
      if (n[k] == UNSET) {
        n[k] = list.level(k).start();
      }
    }
    for (int k = depth + 1; k < n.length; k++) {
      int after = k < list.levels().size() ? list.level(k).restartAfter() : k;
      if (after == ListDefinition.USUAL_RESTART || depth < after) {
        n[k] = UNSET;
      }
    }
    numbers.put(p.id(), n[depth]);
    labels.put(p.id(), label(list, depth, n));
  }

  private static int[] unset() {
    int[] n = new int[9];
    java.util.Arrays.fill(n, UNSET);
    return n;
  }

  private static boolean ownStart(ListDefinition list, int depth) {
    return !list.series().equals(list.id()) && list.restarts().contains(depth);
  }

  private static String label(ListDefinition list, int depth, int[] n) {
    ListDefinition.Level level = list.level(depth);
    String label = level.pattern();
    if (level.format() == ListDefinition.NumberFormat.BULLET) {
      return label;
    }
    for (int k = 0; k <= depth && k < 9; k++) {
      String mark = "%" + (k + 1);
      if (label.contains(mark)) {
        ListDefinition.NumberFormat own = list.level(k).format();
        boolean plain = level.legal() && own != ListDefinition.NumberFormat.NONE;
        label =
            label.replace(mark, number(plain ? ListDefinition.NumberFormat.DECIMAL : own, n[k]));
      }
    }
    return label;
  }

  public static String number(ListDefinition.NumberFormat format, int n) {
    return switch (format) {
      case DECIMAL, BULLET -> Integer.toString(n);
      case TWO_DIGITS -> n >= 0 && n < 10 ? "0" + n : Integer.toString(n);
      case ORDINAL -> n + ordinalEnding(n);
      case NONE -> "";
      case LOWER_LETTER -> letters(n);
      case UPPER_LETTER -> letters(n).toUpperCase(Locale.ROOT);
      case LOWER_ROMAN -> roman(n);
      case UPPER_ROMAN -> roman(n).toUpperCase(Locale.ROOT);
    };
  }

  private static String ordinalEnding(int n) {
    boolean teen = n % 100 > 10 && n % 100 < 14;
    return teen ? "th" : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th";
  }

  /** a to z, then aa to zz, as ISO/IEC 29500-1 §17.18.59 has it. */
  private static String letters(int n) {
    if (n < 1) {
      return Integer.toString(n);
    }
    return String.valueOf((char) ('a' + (n - 1) % 26)).repeat(Math.min(20, (n - 1) / 26 + 1));
  }

  private static String roman(int n) {
    if (n < 1 || n > 3999) {
      return Integer.toString(n);
    }
    int[] values = {1000, 900, 500, 400, 100, 90, 50, 40, 10, 9, 5, 4, 1};
    String[] signs = {"m", "cm", "d", "cd", "c", "xc", "l", "xl", "x", "ix", "v", "iv", "i"};
    var b = new StringBuilder();
    int left = n;
    for (int k = 0; k < values.length; k++) {
      while (left >= values[k]) {
        b.append(signs[k]);
        left -= values[k];
      }
    }
    return b.toString();
  }
}
