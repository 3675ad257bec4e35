package decant.text;

import decant.words.Words;
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The one place where a font asked for is resolved into a face that is served, and the answer says
 * why. Also names the faces that step in, character by character, for what a face lacks. Safe for
 * use by several threads.
 */
public final class FontBook {
  private static final Words WORDS = Words.of(FontBook.class);

  /** Why a face is served for a font asked for. */
  public enum Reason {
    /** It is the font asked for. */
    SAME("reason.same"),
    /** The document brings the font along. */
    EMBEDDED("reason.embedded"),
    /** Another design with the same widths, so lines and pages hold. */
    SAME_METRICS("reason.same-metrics"),
    /** A font of the same kind; widths differ, so lines may move. */
    FALLBACK("reason.fallback");

    private final String label;

    Reason(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** The answer to a request. */
  public record Served(String asked, FontFace face, Reason reason) {}

  private record Key(String family, boolean bold, boolean italic) {}

  private static final String SANS = "Liberation Sans";
  private static final String SERIF = "Liberation Serif";
  private static final String MONO = "Liberation Mono";

  /**
   * Which shipped family has the widths of an asked-for one. From each font's documentation (see
   * NOTICE).
   */
  private static final Map<String, String> SAME_METRICS =
      Map.ofEntries(
          Map.entry("arial", SANS),
          Map.entry("arialmt", SANS),
          Map.entry("helvetica", SANS),
          Map.entry("helveticaneue", SANS),
          Map.entry("nimbussans", SANS),
          Map.entry("nimbussanl", SANS),
          Map.entry("arimo", SANS),
          Map.entry("timesnewroman", SERIF),
          Map.entry("timesnewromanps", SERIF),
          Map.entry("timesnewromanpsmt", SERIF),
          Map.entry("times", SERIF),
          Map.entry("timesroman", SERIF),
          Map.entry("nimbusroman", SERIF),
          Map.entry("nimbusromanno9l", SERIF),
          Map.entry("nimbusromno9l", SERIF),
          Map.entry("tinos", SERIF),
          Map.entry("couriernew", MONO),
          Map.entry("couriernewpsmt", MONO),
          Map.entry("courier", MONO),
          Map.entry("nimbusmono", MONO),
          Map.entry("nimbusmonl", MONO),
          Map.entry("nimbusmonops", MONO),
          Map.entry("cousine", MONO),
          Map.entry("calibri", "Carlito"),
          Map.entry("cambria", "Caladea"));

  /** Which shipped family is of the same design, or nearly, but not of the same widths. */
  private static final Map<String, String> SIMILAR =
      Map.ofEntries(
          Map.entry("calibrilight", "Carlito"),
          Map.entry("cambriamath", "Caladea"),
          Map.entry("verdana", "DejaVu Sans"),
          Map.entry("bitstreamverasans", "DejaVu Sans"));

  private static final Set<String> SERIF_HINTS =
      Set.of(
          "serif",
          "roman",
          "garamond",
          "georgia",
          "book",
          "palatino",
          "century",
          "minion",
          "didot",
          "bodoni",
          "cmr",
          "cmbx",
          "cmti",
          "sfrm",
          "baskerville",
          "caslon",
          "utopia",
          "charter",
          "palladio",
          "schola",
          "bookman",
          "constantia",
          "libertine",
          "gentium",
          "vollkorn",
          "song",
          "ming",
          "batang",
          "antiqua",
          "sylfaen");
  private static final Set<String> MONO_HINTS =
      Set.of("mono", "courier", "consol", "typewriter", "code", "cmtt", "terminal", "fixed");

  private final Map<Key, FontFace> faces = new HashMap<>();
  private final Map<Key, Served> answers = new ConcurrentHashMap<>();
  private final List<FontFace> scripts = new ArrayList<>();
  private final Map<Long, FontFace> stepIns = new ConcurrentHashMap<>();
  private final TreeSet<String> families = new TreeSet<>();

  /** What the document's own faces lack is shown by these. */
  private final Map<FontFace, FontFace> behind = new HashMap<>();

  private final Map<Key, FontFace> own = new HashMap<>();
  private static final FontBook SHIPPED = new FontBook();

  /** The font of one document alone; equal to another only where it is the very same file. */
  public record Embedded(String family, boolean bold, boolean italic, byte[] file) {}

  /** The shipped fonts and, before them, those that a document brings along. */
  private FontBook(FontBook shipped, List<Embedded> embedded) {
    faces.putAll(shipped.faces);
    families.addAll(shipped.families);
    scripts.addAll(shipped.scripts);
    for (Embedded e : embedded) {
      var face = new FontFace(e.family(), e.bold(), e.italic(), e::file);
      if (face.isUsable()) {
        own.put(new Key(e.family().toLowerCase(Locale.ROOT), e.bold(), e.italic()), face);
        behind.put(face, shipped.serve(e.family(), e.bold(), e.italic()).face());
      }
    }
  }

  /**
   * This book with the fonts that one document brings along; those that cannot be used are not. The
   * same fonts give the same book for as long as it is in use, so that their faces are the same
   * too.
   */
  public FontBook with(List<Embedded> embedded) {
    if (embedded.isEmpty()) {
      return this;
    }
    List<Embedded> key = List.copyOf(embedded);
    synchronized (widened) {
      WeakReference<FontBook> known = widened.get(key);
      FontBook book = known == null ? null : known.get();
      if (book == null) {
        widened.values().removeIf(w -> w.get() == null);
        book = new FontBook(this, embedded);
        widened.put(key, new WeakReference<>(book));
      }
      return book;
    }
  }

  private final Map<List<Embedded>, WeakReference<FontBook>> widened = new HashMap<>();

  private FontBook() {
    for (String family : List.of(SANS, SERIF, MONO, "Carlito", "Caladea")) {
      String file = family.replace(" ", "");
      add(family, false, false, file + "-Regular.ttf");
      add(family, true, false, file + "-Bold.ttf");
      add(family, false, true, file + "-Italic.ttf");
      add(family, true, true, file + "-BoldItalic.ttf");
    }
    add("DejaVu Sans", false, false, "DejaVuSans.ttf");
    add("DejaVu Sans", true, false, "DejaVuSans-Bold.ttf");
    add("DejaVu Sans", false, true, "DejaVuSans-Oblique.ttf");
    add("DejaVu Sans", true, true, "DejaVuSans-BoldOblique.ttf");
    for (String family :
        List.of(
            "Noto Serif Hebrew",
            "Noto Sans Hebrew",
            "Noto Naskh Arabic",
            "Noto Sans Arabic",
            "Noto Serif Devanagari",
            "Noto Sans Devanagari",
            "Noto Serif Thai",
            "Noto Sans Thai")) {
      String file = family.replace(" ", "");
      scripts.add(add(family, false, false, file + "-Regular.ttf"));
      scripts.add(add(family, true, false, file + "-Bold.ttf"));
    }
    scripts.add(faces.get(new Key("dejavu sans", false, false)));
    scripts.add(faces.get(new Key("dejavu sans", true, false)));
    scripts.add(add("Droid Sans Fallback", false, false, "DroidSansFallback.ttf"));
  }

  private FontFace add(String family, boolean bold, boolean italic, String file) {
    var face = new FontFace(family, bold, italic, FontFace.resource(file));
    faces.put(new Key(family.toLowerCase(Locale.ROOT), bold, italic), face);
    families.add(family);
    return face;
  }

  /** The fonts that ship with the program. */
  public static FontBook shipped() {
    return SHIPPED;
  }

  /** The families that can be asked for by name, in alphabetical order. */
  public List<String> families() {
    return List.copyOf(families);
  }

  /** The face served for a family, weight and style. There is always one. */
  public Served serve(String family, boolean bold, boolean italic) {
    return answers.computeIfAbsent(new Key(family, bold, italic), this::resolve);
  }

  private Served resolve(Key asked) {
    String name = asked.family().toLowerCase(Locale.ROOT).strip();
    FontFace brought = own.get(new Key(name, asked.bold(), asked.italic()));
    if (brought != null) {
      return new Served(asked.family(), brought, Reason.EMBEDDED);
    }
    String plain = squashed(name.replaceAll("[-,](bold|italic|oblique|regular|roman|mt).*$", ""));
    Optional<String> shipped = families.stream().filter(f -> squashed(f).equals(plain)).findFirst();
    if (shipped.isPresent()) {
      FontFace face = face(shipped.get().toLowerCase(Locale.ROOT), asked.bold(), asked.italic());
      return new Served(asked.family(), face, Reason.SAME);
    }
    String same = SAME_METRICS.getOrDefault(squashed(name), SAME_METRICS.get(plain));
    if (same != null) {
      FontFace face = face(same.toLowerCase(Locale.ROOT), asked.bold(), asked.italic());
      return new Served(asked.family(), face, Reason.SAME_METRICS);
    }
    String similar = SIMILAR.getOrDefault(squashed(name), SIMILAR.get(plain));
    if (similar != null) {
      FontFace face = face(similar.toLowerCase(Locale.ROOT), asked.bold(), asked.italic());
      return new Served(asked.family(), face, Reason.FALLBACK);
    }
    String kind =
        MONO_HINTS.stream().anyMatch(name::contains)
            ? MONO
            : SERIF_HINTS.stream().anyMatch(name::contains) && !name.contains("sans")
                ? SERIF
                : SANS;
    FontFace face = face(kind.toLowerCase(Locale.ROOT), asked.bold(), asked.italic());
    return new Served(asked.family(), face, Reason.FALLBACK);
  }

  /** A name as files spell it in many ways: "DejaVu Sans", "DejaVu-Sans", "DejaVuSans". */
  private static String squashed(String name) {
    return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
  }

  private FontFace face(String family, boolean bold, boolean italic) {
    FontFace exact = faces.get(new Key(family, bold, italic));
    if (exact != null) {
      return exact;
    }
    FontFace upright = faces.get(new Key(family, bold, false));
    return upright != null
        ? upright
        : faces.getOrDefault(new Key(family, false, false), faces.values().iterator().next());
  }

  /** The shipped face that is closest to one that a document brings; empty for those that ship. */
  public Optional<FontFace> closest(FontFace face) {
    return behind.isEmpty() ? Optional.empty() : Optional.ofNullable(behind.get(face));
  }

  /**
   * The face that shows a character in place of one that lacks it; the face itself if none has it.
   */
  public FontFace stepIn(FontFace face, int codePoint) {
    FontFace closest = behind.get(face);
    if (closest != null) {
      return closest.covers(codePoint) ? closest : stepIn(closest, codePoint);
    }
    long key = (long) codePoint << 8 | (face.bold() ? 1 : 0) | (isSerif(face) ? 2 : 0);
    FontFace known = stepIns.get(key);
    if (known == null) {
      known = findStepIn(face, codePoint);
      stepIns.put(key, known);
    }
    return known.covers(codePoint) ? known : face;
  }

  private FontFace findStepIn(FontFace face, int codePoint) {
    boolean serif = isSerif(face);
    FontFace best = face;
    int bestScore = -1;
    for (FontFace f : scripts) {
      int score = (f.bold() == face.bold() ? 2 : 0) + (isSerif(f) == serif ? 1 : 0);
      if (score > bestScore && f.covers(codePoint)) {
        best = f;
        bestScore = score;
      }
    }
    return best;
  }

  private static boolean isSerif(FontFace face) {
    String f = face.family();
    return f.contains("Serif") || f.equals("Caladea") || f.contains("Naskh");
  }
}
