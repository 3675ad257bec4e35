package decant.office.rtf;

import decant.model.Document;
import decant.model.look.Colour;
import decant.model.look.ListDefinition;
import decant.model.look.NamedStyle;
import decant.office.pending.Authors;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The numbers by which text refers to fonts, colours, styles and lists. */
final class Registers {
  private final Map<String, Integer> fonts = new LinkedHashMap<>();
  private final Map<Colour, Integer> colours = new LinkedHashMap<>();
  private final Map<String, Integer> styles = new HashMap<>();
  private final Map<String, Integer> lists = new LinkedHashMap<>();
  private final Map<String, Integer> series = new LinkedHashMap<>();
  private final Authors authors = new Authors();

  Registers(Document d) {
    styles.put(d.styles().defaultStyle(), 0);
    for (NamedStyle s : d.styles().styles().values()) {
      if (s.kind() != NamedStyle.Kind.TABLE) {
        styles.putIfAbsent(s.id(), styles.size());
      }
    }
    for (ListDefinition l : d.lists().values()) {
      lists.put(l.id(), lists.size() + 1);
      series.computeIfAbsent(l.series(), k -> series.size() + 1);
    }
  }

  int font(String family) {
    return fonts.computeIfAbsent(family, k -> fonts.size());
  }

  /** 0 stands for the reader's own choice. */
  int colour(Colour c) {
    return colours.computeIfAbsent(c, k -> colours.size() + 1);
  }

  /** Those who made changes. */
  Authors authors() {
    return authors;
  }

  int style(String id) {
    return styles.getOrDefault(id, 0);
  }

  int list(String id) {
    return lists.getOrDefault(id, 0);
  }

  int series(String id) {
    return series.getOrDefault(id, 0);
  }

  List<String> fonts() {
    return new ArrayList<>(fonts.keySet());
  }

  List<Colour> colours() {
    return new ArrayList<>(colours.keySet());
  }
}
