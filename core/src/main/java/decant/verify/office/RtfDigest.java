package decant.verify.office;

import com.rtfparserkit.parser.IRtfListener;
import com.rtfparserkit.parser.RtfStreamSource;
import com.rtfparserkit.parser.standard.StandardRtfParser;
import com.rtfparserkit.rtf.Command;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The digest of an RTF file (Rich Text Format 1.9.1), by a parser of other makers that knows
 * nothing of how we write.
 */
public final class RtfDigest implements IRtfListener {
  /** Where characters go. */
  private enum Goal {
    TEXT,
    WORDS,
    FONTS,
    COLOURS,
    AUTHORS,
    SKIPPED
  }

  /** What a group hands on to those within it. */
  private static final class State implements Cloneable {
    private Goal goal = Goal.TEXT;
    private int font;
    private long halfPoints = 24;
    private boolean bold;
    private boolean italic;
    private boolean underline;
    private boolean strike;
    private int colour;
    private int raise;
    private boolean putIn;
    private int putInBy;
    private boolean takenOut;
    private int takenOutBy;

    State copy() {
      try {
        return (State) clone();
      } catch (CloneNotSupportedException e) {
        throw new AssertionError(e);
      }
    }

    State plain() {
      var s = new State();
      s.goal = goal;
      return s;
    }
  }

  private final Map<Integer, String> fonts = new HashMap<>();
  private final List<Integer> colours = new ArrayList<>();
  private final Deque<State> groups = new ArrayDeque<>();
  private final Deque<Runnable> ends = new ArrayDeque<>();
  private State state = new State();
  private Digest.Builder out = new Digest.Builder();
  private final Digest.Builder whole = out;
  private final StringBuilder label = new StringBuilder();
  private final StringBuilder words = new StringBuilder();
  private final StringBuilder cells = new StringBuilder();
  private String merge = "";
  private String author = "";
  private final List<String> authors = new ArrayList<>();
  private final List<String> comments = new ArrayList<>();
  private final Set<String> running = new LinkedHashSet<>();
  private int level;
  private int number;
  private int rgb;
  private String link = "";
  private int section = 1;

  /** Letter, where nothing is said ([RTF] “Document Formatting Properties”). */
  private Sheet sheet = new Sheet(12_240, 15_840);

  private @Nullable Sheet ofSection;

  private RtfDigest() {}

  /** Reads a file. @throws IOException if it cannot be read, or is none */
  public static Digest of(Path file) throws IOException {
    try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
      var d = new RtfDigest();
      new StandardRtfParser().parse(new RtfStreamSource(in), d);
      d.endParagraph();
      d.endSection();
      d.comments.stream().sorted().forEach(r -> d.whole.add(Aspect.COMMENTS, r));
      return d.whole.digest();
    } catch (RuntimeException e) {
      throw new IOException("it is not whole RTF", e);
    }
  }

  @Override
  public void processDocumentStart() {}

  @Override
  public void processDocumentEnd() {}

  @Override
  public void processGroupStart() {
    groups.push(state);
    state = state.copy();
    ends.push(() -> {});
  }

  @Override
  public void processGroupEnd() {
    ends.pop().run();
    state = groups.pop();
  }

  /** Does something when the group ends that is open now. */
  private void atEnd(Runnable what) {
    Runnable before = ends.pop();
    ends.push(() -> {
      what.run();
      before.run();
    });
  }

  /** Characters of the group go elsewhere. */
  private void collect(Goal goal, java.util.function.Consumer<String> then) {
    state.goal = goal;
    String outer = words.toString();
    words.setLength(0);
    atEnd(() -> {
      String got = words.toString();
      words.setLength(0);
      words.append(outer);
      then.accept(got);
    });
  }

  /** The paragraphs of the group are those of something of its own. */
  private void apart(java.util.function.Consumer<Digest.Builder> then) {
    Digest.Builder outer = out;
    String outerLink = link;
    var own = new Digest.Builder();
    out = own;
    link = "";
    state = state.plain();
    state.goal = Goal.TEXT;
    String outerLabel = label.toString();
    int outerLevel = level;
    label.setLength(0);
    level = 0;
    atEnd(() -> {
      endParagraph();
      out = outer;
      link = outerLink;
      label.append(outerLabel);
      level = outerLevel;
      then.accept(own);
    });
  }

  @Override
  public void processCharacterBytes(byte[] bytes) {}

  @Override
  public void processBinaryBytes(byte[] bytes) {}

  @Override
  public void processString(String s) {
    switch (state.goal) {
      case TEXT -> text(s);
      case WORDS -> words.append(s);
      case FONTS -> font(s);
      case COLOURS -> {
        for (int k = 0; k < s.length(); k++) {
          if (s.charAt(k) == ';') {
            colours.add(rgb);
            rgb = 0;
          }
        }
      }
      case AUTHORS -> {
        words.append(s);
        if (s.endsWith(";")) {
          authors.add(words.substring(0, words.length() - 1));
          words.setLength(0);
        }
      }
      case SKIPPED -> {}
    }
  }

  private String author(int of) {
    return of > 0 && of < authors.size() ? authors.get(of) : "";
  }

  private void font(String s) {
    words.append(s);
    if (s.endsWith(";")) {
      fonts.put(number, words.substring(0, words.length() - 1));
      words.setLength(0);
    }
  }

  private void text(String s) {
    if (state.takenOut) {
      out.takenAway(author(state.takenOutBy), s);
      return;
    }
    if (state.putIn) {
      out.putIn(author(state.putInBy));
    } else {
      out.putInEnds();
    }
    int colour = state.colour < colours.size() ? colours.get(state.colour) : 0;
    out.text(
        s,
        new TextLook(
            fonts.getOrDefault(state.font, ""),
            state.halfPoints,
            state.bold,
            state.italic,
            state.underline,
            state.strike,
            colour,
            state.raise),
        link);
  }

  @Override
  public void processCommand(Command c, int value, boolean hasValue, boolean optional) {
    switch (c) {
      case fonttbl -> {
        words.setLength(0);
        state.goal = Goal.FONTS;
      }
      case colortbl -> state.goal = Goal.COLOURS;
      case revtbl -> {
        words.setLength(0);
        state.goal = Goal.AUTHORS;
      }
      case f -> {
        state.font = value;
        number = value;
      }
      case red -> rgb |= value << 16;
      case green -> rgb |= value << 8;
      case blue -> rgb |= value;
      case fldinst -> collect(Goal.WORDS, i -> instruction = i.strip());
      case formfield -> {
        options.clear();
        state.goal = Goal.SKIPPED;
      }
      case ffres -> chosen = value;
      case ffl -> collect(Goal.WORDS, options::add);
      case fldrslt -> result();
      case listtext -> {
        String outer = label.toString();
        collect(
            Goal.WORDS,
            l -> {
              label.setLength(0);
              label.append(outer).append(l);
            });
      }
      case pict -> collect(Goal.WORDS, this::picture);
      case shptxt -> apart(this::box);
      case footnote -> {
        note = "footnote: ";
        apart(n -> {
          out.add(Aspect.NOTES, note + n.line());
          out.takeObjects(n);
        });
      }
      case ftnalt -> note = "endnote: ";
      case header, headerl, headerr, headerf -> apart(r -> running("header", r));
      case footer, footerl, footerr, footerf -> apart(r -> running("footer", r));
      case atnauthor -> collect(Goal.WORDS, a -> author = a);
      case annotation -> {
        String by = author;
        apart(a -> comments.add(by + ": " + DocumentDigest.squeezed(a.line().replace("¶", " "))));
      }
      case shp, shpinst, sp, sv, shppict, nesttableprops ->
          state.goal = c == Command.shppict ? state.goal : Goal.SKIPPED;
      case stylesheet, info, nonesttables, sn, blipuid, picprop, xe, tc, listtable ->
          state.goal = Goal.SKIPPED;
      default -> {
        if (optional) {
          state.goal = Goal.SKIPPED;
        } else {
          look(c, value, !hasValue || value != 0);
          row(c);
          paper(c, value);
          if (state.goal == Goal.TEXT) {
            inText(c, value);
          } else if (state.goal == Goal.WORDS && c == Command.tab) {
            words.append('\t');
          }
        }
      }
    }
  }

  /** Of a choice of a form. */
  private final List<String> options = new ArrayList<>();

  private int chosen;
  private String instruction = "";
  private String note = "";

  private void result() {
    String i = instruction;
    if (state.goal != Goal.TEXT) {
      return;
    }
    if (i.startsWith("HYPERLINK")) {
      int from = i.indexOf('"') + 1;
      int to = i.lastIndexOf('"');
      String outer = link;
      link =
          (i.contains("\\l ") ? "#" : "") + (from > 0 && to >= from ? i.substring(from, to) : "");
      atEnd(() -> link = outer);
    } else if (i.equals("FORMCHECKBOX")) {
      out.field(DocumentDigest.box(chosen == 1));
    } else if (i.equals("FORMDROPDOWN")) {
      out.field(DocumentDigest.choice(chosen < options.size() ? options.get(chosen) : "nothing"));
    } else if (!DocumentDigest.computes(i).isEmpty()) {
      out.field(DocumentDigest.computes(i));
      state.goal = Goal.SKIPPED;
    }
  }

  private void picture(String hex) {
    String bare = hex.replaceAll("\\s", "");
    if (bare.length() > 1) {
      out.add(Aspect.PICTURES, Digest.name(HexFormat.of().parseHex(bare)));
    }
  }

  private void box(Digest.Builder text) {
    if (!text.line().isEmpty()) {
      out.add(Aspect.BOXES, text.line());
    }
    out.takeObjects(text);
  }

  private void running(String kind, Digest.Builder text) {
    if (!text.line().isEmpty()) {
      running.add(kind + " of section " + section + ": " + text.line());
    }
  }

  private void look(Command c, int value, boolean on) {
    switch (c) {
      case plain -> state = state.plain();
      case fs -> state.halfPoints = value;
      case b -> state.bold = on;
      case i -> state.italic = on;
      case ul, uldb, ulth, uld, uldash, ulwave, ulw -> state.underline = on;
      case ulnone -> state.underline = false;
      case strike -> state.strike = on;
      case cf -> state.colour = value;
      case supercmd -> state.raise = 1;
      case sub -> state.raise = -1;
      case nosupersub -> state.raise = 0;
      case revised -> state.putIn = on;
      case revauthN -> state.putInBy = value;
      case deleted -> state.takenOut = on;
      case revauthdel -> state.takenOutBy = value;
      default -> {}
    }
  }

  /** Each cell of a row by how it is merged with those above and below it. */
  private void row(Command c) {
    switch (c) {
      case trowd -> cells.setLength(0);
      case clvmgf -> merge = "v";
      case clvmrg -> merge = "^";
      case cellx -> {
        cells.append(" 1").append(merge);
        merge = "";
      }
      case row, nestrow -> out.add(Aspect.TABLES, "row:" + cells);
      default -> {}
    }
  }

  private void inText(Command c, int value) {
    switch (c) {
      case pard -> {
        level = 0;
        label.setLength(0);
      }
      case outlinelevelN -> level = value + 1;
      case par, cell, nestcell -> endParagraph();
      case sect -> {
        endParagraph();
        endSection();
      }
      case tab -> text("\t");
      case line -> text("\n");
      case nonbreakinghyphen -> text("\u2011");
      case nonbreakingspace -> text("\u00A0");
      case optionalhyphen -> text("\u00AD");
      default -> {}
    }
  }

  private void endParagraph() {
    out.end(level, label.toString());
    label.setLength(0);
  }

  /** The paper of the document, and of one section (“Document Formatting Properties”). */
  private void paper(Command c, int value) {
    switch (c) {
      case paperw -> sheet = new Sheet(value, sheet.height());
      case paperh -> sheet = new Sheet(sheet.width(), value);
      case pgwsxn -> ofSection = new Sheet(value, sheet().height());
      case pghsxn -> ofSection = new Sheet(sheet().width(), value);
      case sectd -> ofSection = null;
      default -> {}
    }
  }

  private Sheet sheet() {
    return ofSection == null ? sheet : ofSection;
  }

  private void endSection() {
    whole.sheet(sheet());
    running.forEach(r -> whole.add(Aspect.RUNNING, r));
    running.clear();
    section++;
  }
}
