package decant.words;

import com.ibm.icu.text.PluralRules;
import java.util.Locale;
import java.util.MissingResourceException;
import java.util.ResourceBundle;

/**
 * The sentences of one package, from its bundle {@code words.properties}. In a sentence {@code
 * {0}}, {@code {1}} … stand for what it tells of, and {@code {n}} for how many.
 *
 * <p>What depends on a number has a key for each plural form of the language, by the categories of
 * UTS #35 (CLDR plural rules): {@code findings.one}, {@code findings.other}.
 */
public final class Words {
  private static final Locale LOCALE = Locale.ENGLISH; // until there are bundles for others

  private final ResourceBundle bundle;

  private Words(ResourceBundle bundle) {
    this.bundle = bundle;
  }

  /**
   * The sentences of the package that a class stands in.
   *
   * @throws MissingResourceException if it has none
   */
  public static Words of(Class<?> owner) {
    String name = owner.getPackageName() + ".words";
    return new Words(ResourceBundle.getBundle(name, LOCALE, owner.getClassLoader()));
  }

  /** Whether there is a sentence of this name. */
  public boolean has(String key) {
    return bundle.containsKey(key);
  }

  /** A sentence. Numbers among {@code about} are written as {@link Figures} writes them. */
  public String say(String key, Object... about) {
    return fill(bundle.getString(key), "", about);
  }

  /** A sentence about so many, in the form that the number asks for. */
  public String count(String key, long n, Object... about) {
    String form = key + "." + Plurals.RULES.select((double) n);
    String sentence = bundle.getString(bundle.containsKey(form) ? form : key + ".other");
    return fill(sentence, Figures.number(n), about);
  }

  private static String fill(String sentence, String n, Object... about) {
    if (sentence.indexOf('{') < 0) {
      return sentence;
    }
    var out = new StringBuilder();
    int from = 0;
    for (int at = sentence.indexOf('{'); at >= 0; at = sentence.indexOf('{', from)) {
      int end = sentence.indexOf('}', at);
      String slot = end < 0 ? "" : sentence.substring(at + 1, end);
      out.append(sentence, from, at);
      if (slot.equals("n")) {
        out.append(n);
      } else if (slot.matches("\\d") && slot.charAt(0) - '0' < about.length) {
        out.append(shown(about[slot.charAt(0) - '0']));
      } else {
        out.append('{'); // a brace that stands for itself
        from = at + 1;
        continue;
      }
      from = end + 1;
    }
    return out.append(sentence, from, sentence.length()).toString();
  }

  private static String shown(Object o) {
    return o instanceof Integer || o instanceof Long
        ? Figures.number(((Number) o).longValue())
        : String.valueOf(o);
  }

  /** Apart, so that only who counts pays for the rules. */
  private static final class Plurals {
    static final PluralRules RULES = PluralRules.forLocale(LOCALE);
  }
}
