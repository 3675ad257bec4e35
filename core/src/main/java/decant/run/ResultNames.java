package decant.run;

import com.ibm.icu.text.Normalizer2;
import decant.recipe.Naming;
import decant.recipe.Plan;
import decant.recipe.Recipe;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the results of a folder's files are called. Two files that would give one name get their own
 * ends in brackets, {@code a (doc).pdf} and {@code a (docx).pdf}; those that are alike still,
 * numbers. Names are alike if a system that knows no capitals, or only composed letters, would take
 * them so.
 */
final class ResultNames {
  /** What file systems take, less what is put before and after a name while it is written. */
  private static final int LONGEST = 180;

  /**
   * A file to be named.
   *
   * @param name of the source
   * @param format the id of its format, for those without an end
   * @param stem what it was called before, and is called again
   */
  record Wanted(String name, String format, Recipe recipe, Optional<String> stem) {}

  private final LocalDate date;
  private final Set<String> taken = new HashSet<>();

  ResultNames(LocalDate date) {
    this.date = date;
  }

  /** The stems for the files of one folder, in their order. */
  List<String> stems(List<Wanted> files) {
    var out = new ArrayList<String>();
    Map<String, Integer> alike = new LinkedHashMap<>();
    for (Wanted w : files) {
      w.stem().ifPresent(s -> take(w.recipe(), s));
      if (w.stem().isEmpty()) {
        alike.merge(folded(stem(w)), 1, Integer::sum);
      }
    }
    for (Wanted w : files) {
      boolean alone = w.stem().isEmpty() && alike.getOrDefault(folded(stem(w)), 0) == 1;
      out.add(alone && isFree(w.recipe(), stem(w)) ? stem(w) : w.stem().orElse(""));
      if (alone) {
        take(w.recipe(), stem(w));
      }
    }
    for (int k = 0; k < out.size(); k++) {
      if (out.get(k).isEmpty()) {
        Wanted w = files.get(k);
        String s = free(w.recipe(), bracketed(w));
        take(w.recipe(), s);
        out.set(k, s);
      }
    }
    return out;
  }

  /** The stem with a number after it that leads to names which are free. */
  String free(Recipe recipe, String stem) {
    String s = stem;
    for (int n = 2; !isFree(recipe, s); n++) {
      s = cut(stem, LONGEST - 6) + " " + n;
    }
    return s;
  }

  /** Makes the names that a stem leads to belong to it. */
  void take(Recipe recipe, String stem) {
    names(recipe, stem).forEach(n -> taken.add(folded(n)));
  }

  private boolean isFree(Recipe recipe, String stem) {
    return names(recipe, stem).stream().noneMatch(n -> taken.contains(folded(n)));
  }

  /** The names of the files that a recipe makes under a stem. */
  List<String> names(Recipe recipe, String stem) {
    return Plan.names(recipe, stem, date);
  }

  private static String stem(Wanted w) {
    return cut(Naming.clean(withoutEnd(w.name())), LONGEST);
  }

  private static String bracketed(Wanted w) {
    String end = " (" + end(w) + ")";
    return cut(stem(w), Math.min(LONGEST, Naming.LONGEST) - 12 - end.length()) + end;
  }

  private static String end(Wanted w) {
    String end = w.name().substring(withoutEnd(w.name()).length());
    String said = end.length() > 1 ? end.substring(1).toLowerCase(Locale.ROOT) : w.format();
    return said.length() <= 12 ? said : w.format();
  }

  private static String withoutEnd(String name) {
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  /** As much of a name as so many bytes hold, at the end of a character. */
  private static String cut(String s, int bytes) {
    int end = s.length();
    while (s.substring(0, end).getBytes(StandardCharsets.UTF_8).length > bytes) {
      end = s.offsetByCodePoints(end, -1);
    }
    return end == s.length() ? s : s.substring(0, end).strip();
  }

  static String folded(String name) {
    return Normalizer2.getNFKCCasefoldInstance().normalize(name);
  }
}
