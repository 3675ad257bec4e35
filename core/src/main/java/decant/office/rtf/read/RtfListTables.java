package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Follow;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.office.emit.NumberCodes;
import decant.office.symbol.Symbols;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * The tables of lists (Rich Text Format 1.9.1, “List Tables”): how the levels of lists are
 * numbered, and what those that items name say otherwise.
 */
final class RtfListTables {
  private static final int LEVELS = 9;
  private static final int MOST = 10_000; // lists of a file

  /** What is told of a level. */
  private static final class LevelTold {
    int format;
    int side;
    int follow;
    int start = 1;
    boolean legal;
    boolean neverRestarts;
    final StringBuilder text = new StringBuilder();
    Look letters = Look.PLAIN;
    Look paragraph = Look.PLAIN;
  }

  /** A list as items name it. */
  private static final class Named {
    int list;
    int level = -1;
    boolean starts;
    final Map<Integer, LevelTold> levels = new TreeMap<>();
    final Map<Integer, Integer> from = new TreeMap<>();
  }

  private final Map<Integer, List<LevelTold>> lists = new HashMap<>();
  private final Map<Integer, Named> named = new HashMap<>();
  private List<LevelTold> list = new ArrayList<>();
  private @Nullable Named name;
  private @Nullable LevelTold level;
  private boolean inText;

  /** A command of the tables. @return whether it is one, and not about looks */
  boolean takes(Command c, int value) {
    switch (c) {
      case list -> {
        list = new ArrayList<>();
        level = null;
        name = null;
      }
      case listoverride -> {
        name = new Named();
        level = null;
      }
      case listlevel -> begins();
      case lfolevel -> {
        level = null;
        if (name != null) {
          name.level++;
          name.starts = false;
        }
      }
      case listid -> identified(value);
      case ls -> {
        if (name != null && named.size() < MOST) {
          named.put(value, name);
        }
      }
      case listoverridestartat -> {
        if (name != null) {
          name.starts = true;
        }
      }
      case leveltext -> inText = true;
      default -> {
        return level == null ? starts(c, value) : takes(level, c, value);
      }
    }
    return true;
  }

  private void begins() {
    level = new LevelTold();
    if (name != null) {
      if (name.level >= 0) {
        name.levels.put(name.level, level);
      }
    } else if (list.size() < LEVELS) {
      list.add(level);
    }
  }

  private void identified(int value) {
    if (name != null) {
      name.list = value;
    } else if (lists.size() < MOST) {
      lists.put(value, list);
    }
  }

  /** Where a level of a named list begins to count. */
  private boolean starts(Command c, int value) {
    if (name == null || c != Command.levelstartat) {
      return false;
    }
    if (name.starts && name.level >= 0) {
      name.from.put(name.level, value);
    }
    return true;
  }

  private static boolean takes(LevelTold l, Command c, int value) {
    switch (c) {
      case levelnfc, levelnfcn -> l.format = value;
      case leveljc, leveljcn -> l.side = value;
      case levelfollow -> l.follow = value;
      case levelstartat -> l.start = value;
      case levellegal -> l.legal = value != 0;
      case levelnorestart -> l.neverRestarts = value != 0;
      default -> {
        return false;
      }
    }
    return true;
  }

  /** What the labels and the items of the level look like that is told of. */
  void look(RtfState state) {
    if (level != null) {
      level.letters = state.letters().look();
      level.paragraph = state.place().look();
    }
  }

  void text(String s) {
    if (inText && level != null) {
      level.text.append(s);
    }
  }

  /** A group ends. */
  void ends() {
    inText = false;
  }

  /** The list that items name by a number; empty if the tables have none. */
  Optional<ListDefinition> list(int number, String id) {
    Named n = named.get(number);
    List<LevelTold> of = n == null ? null : lists.get(n.list);
    if (n == null || of == null || of.isEmpty()) {
      return Optional.empty();
    }
    var levels = new ArrayList<Level>();
    Set<Integer> restarts = new HashSet<>(n.from.keySet());
    restarts.removeIf(k -> k >= LEVELS);
    for (int k = 0; k < LEVELS; k++) {
      LevelTold own = n.levels.getOrDefault(k, k < of.size() ? of.get(k) : null);
      Level l =
          own == null ? new Level(NumberFormat.NONE, "", 1, Look.PLAIN, Look.PLAIN) : level(own);
      levels.add(n.from.containsKey(k) ? l.from(Math.max(0, n.from.get(k))) : l);
    }
    return Optional.of(new ListDefinition(id, "rtf-series-" + n.list, restarts, levels));
  }

  private static Level level(LevelTold l) {
    NumberFormat f = NumberCodes.format(l.format);
    String family = l.letters.value(TextTraits.FAMILY);
    boolean symbols = l.letters.sets(TextTraits.FAMILY) && Symbols.isSymbolFont(family);
    Look paragraph = Look.PLAIN;
    for (var t : List.of(ParagraphTraits.INDENT_START, ParagraphTraits.FIRST_LINE)) {
      paragraph = paragraph.with(t, l.paragraph.value(t));
    }
    return new Level(
        f,
        pattern(l.text, f, l.letters.sets(TextTraits.FAMILY) ? family : ""),
        Math.max(0, l.start),
        paragraph,
        symbols ? l.letters.without(TextTraits.FAMILY) : l.letters,
        l.follow == 1 ? Follow.SPACE : l.follow == 2 ? Follow.NOTHING : Follow.TAB,
        l.side == 1 ? Alignment.CENTRE : l.side == 2 ? Alignment.END : Alignment.START,
        l.neverRestarts ? 0 : ListDefinition.USUAL_RESTART,
        l.legal);
  }

  /**
   * The text begins with how many characters it has; the numbers of levels stand for themselves.
   */
  private static String pattern(CharSequence told, NumberFormat f, String family) {
    var out = new StringBuilder();
    int count = told.isEmpty() ? 0 : told.charAt(0);
    for (int k = 1; k < told.length() && k <= count; k++) {
      char c = told.charAt(k);
      if (c < LEVELS) {
        out.append('%').append(c + 1);
      } else {
        out.append(f == NumberFormat.BULLET ? Symbols.bullet(c, family) : String.valueOf(c));
      }
    }
    return out.toString();
  }
}
