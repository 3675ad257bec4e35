package decant.verify.office;

import decant.model.Document;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What an office document holds, fact by fact in reading order, in words that do not depend on the
 * format: two documents are alike as far as their digests are.
 */
public record Digest(Map<Aspect, List<String>> facts) {
  public Digest {
    facts = Map.copyOf(facts);
  }

  public List<String> of(Aspect a) {
    return facts.getOrDefault(a, List.of());
  }

  /** This digest, of one aspect only the facts that another has too. */
  Digest only(Digest other, Aspect a) {
    Map<Aspect, List<String>> some = new EnumMap<>(Aspect.class);
    some.putAll(facts);
    some.put(a, of(a).stream().filter(other.of(a)::contains).toList());
    return new Digest(some);
  }

  /**
   * This digest, with pictures that were made into ones of another kind looked at for being there
   * only.
   *
   * @param asTheyAre the media types that a format holds as they are
   */
  Digest remade(Document d, Digest wanted, Set<String> asTheyAre) {
    var same = new HashSet<String>();
    d.media().values().stream()
        .filter(m -> asTheyAre.contains(m.type()) && (m.bytes()[0] & 0xFF) != 0x1F)
        .forEach(m -> same.add(name(m.bytes())));
    var pictures = new ArrayList<>(of(Aspect.PICTURES));
    List<String> asked = wanted.of(Aspect.PICTURES);
    for (int k = 0; k < Math.min(pictures.size(), asked.size()); k++) {
      if (!same.contains(asked.get(k))) {
        pictures.set(k, asked.get(k));
      }
    }
    Map<Aspect, List<String>> some = new EnumMap<>(Aspect.class);
    some.putAll(facts);
    some.put(Aspect.PICTURES, pictures);
    return new Digest(some);
  }

  /** Collects facts. The text of a paragraph is said first, what it is when it ends. */
  static final class Builder {
    private final Map<Aspect, List<String>> facts = new EnumMap<>(Aspect.class);
    private final StringBuilder paragraph = new StringBuilder();
    private final StringBuilder stretch = new StringBuilder();
    private TextLook look = TextLook.NONE;
    private final StringBuilder linked = new StringBuilder();
    private String link = "";
    private String putInBy = "";
    private boolean putIn;
    private final Map<String, StringBuilder> changes = new LinkedHashMap<>();

    void add(Aspect a, String fact) {
      facts.computeIfAbsent(a, k -> new ArrayList<>()).add(fact);
    }

    /** The paper that pages have from here on. */
    void sheet(Sheet s) {
      List<String> all = facts.computeIfAbsent(Aspect.SHEETS, k -> new ArrayList<>());
      if (all.isEmpty() || !all.getLast().equals(s.fact())) {
        all.add(s.fact());
      }
    }

    /**
     * Characters of the paragraph.
     *
     * @param leads where they lead, empty for nowhere
     */
    void text(String s, TextLook how, String leads) {
      String plain = plain(s);
      if (!leads.equals(link)) {
        endLink();
        link = leads;
      }
      linked.append(plain);
      paragraph.append(plain);
      if (putIn) {
        change("put in by " + putInBy, plain);
      }
      if (!plain.isBlank() && !how.equals(look)) {
        endStretch();
        look = how;
      }
      stretch.append(plain);
    }

    /** What comes next is in the text because somebody put it in, and waits to be accepted. */
    void putIn(String by) {
      putIn = true;
      putInBy = by;
    }

    void putInEnds() {
      putIn = false;
    }

    /** What somebody took away, and waits for that to be accepted. */
    void takenAway(String by, String text) {
      change("taken away by " + by, text);
    }

    private void change(String what, String text) {
      String letters = text.replaceAll("\\s+", "");
      if (!letters.isEmpty()) {
        changes.computeIfAbsent(what, k -> new StringBuilder()).append(letters);
      }
    }

    /** A field of the paragraph, by what it computes. */
    void field(String computes) {
      add(Aspect.FIELDS, computes);
      paragraph.append('‹').append(computes).append('›');
    }

    /**
     * Ends the paragraph.
     *
     * @param heading 1 to 9, 0 for none
     * @param label of a list item, empty for none
     */
    void end(int heading, String label) {
      endStretch();
      endLink();
      link = "";
      String text = paragraph.toString();
      paragraph.setLength(0);
      if (text.isBlank()) {
        return;
      }
      add(Aspect.TEXT, text);
      if (heading > 0) {
        add(Aspect.HEADINGS, heading + " " + text.strip());
      }
      if (!label.isBlank()) {
        add(Aspect.LISTS, label.strip() + " " + text.strip());
      }
    }

    private void endStretch() {
      String s = stretch.toString().strip();
      stretch.setLength(0);
      if (!s.isEmpty()) {
        add(Aspect.LOOKS, s + " (" + look + ")");
      }
    }

    private void endLink() {
      String s = linked.toString().strip();
      linked.setLength(0);
      if (!link.isEmpty() && !s.isEmpty()) {
        add(Aspect.LINKS, s + " → " + link);
      }
    }

    Digest digest() {
      changes.forEach((what, letters) -> add(Aspect.CHANGES, what + ": " + letters));
      return new Digest(facts);
    }

    /** The text of blocks whose facts were collected apart, in one line. */
    String line() {
      return String.join(" ¶ ", facts.getOrDefault(Aspect.TEXT, List.of())).strip();
    }

    /** Pictures and fields of blocks that were collected apart count as those of the whole. */
    void takeObjects(Builder apart) {
      for (Aspect a : List.of(Aspect.PICTURES, Aspect.FIELDS, Aspect.BOXES)) {
        facts
            .computeIfAbsent(a, k -> new ArrayList<>())
            .addAll(apart.facts.getOrDefault(a, List.of()));
      }
    }

    private static String plain(String s) {
      var b = new StringBuilder(s.length());
      s.chars()
          .filter(c -> c >= ' ' && c != 0x7F && c != 0xFFFC || c == '\t' || c == '\n')
          .forEach(c -> b.append((char) c));
      return b.toString();
    }
  }

  /** Bytes by a short name that no others have. */
  static String name(byte[] bytes) {
    try {
      byte[] d = MessageDigest.getInstance("SHA-256").digest(bytes);
      return HexFormat.of().formatHex(d, 0, 8);
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }

  /** A text by a short name, for long ones. */
  static String name(String s) {
    return name(s.getBytes(StandardCharsets.UTF_8));
  }
}
