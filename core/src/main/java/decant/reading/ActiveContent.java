package decant.reading;

import decant.model.AttachedFile;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.KeptPart;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Kept;
import decant.model.look.Link;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What of a document would act by itself where it is opened: macros, controls with programs, fields
 * that fetch or start something, a template or pictures elsewhere, documents that would be taken in
 * on opening, links that are not to the web, programs among its attached files. A document that was
 * taken in has it all still; what is written has none of it unless that is asked for.
 */
public final class ActiveContent {
  private static final Words WORDS = Words.of(ActiveContent.class);

  private static final Set<String> PROGRAMS =
      Set.of(
          "exe",
          "com",
          "scr",
          "pif",
          "bat",
          "cmd",
          "ps1",
          "psm1",
          "vbs",
          "vbe",
          "js",
          "jse",
          "wsf",
          "wsh",
          "hta",
          "msi",
          "msp",
          "reg",
          "lnk",
          "jar",
          "sh",
          "app",
          "dll",
          "cpl",
          "scf",
          "url",
          "docm",
          "dotm",
          "xlsm",
          "xltm",
          "pptm",
          "desktop",
          "appref-ms",
          "application");

  /** A list of thousands of links to files tells nobody more than its first hundred. */
  private static final int MAX_TOLD = 100;

  private final List<Finding> findings = new ArrayList<>();
  private final Set<String> told = new LinkedHashSet<>();
  private final Set<String> chunks = new HashSet<>();
  private final Set<String> gone = new HashSet<>();
  private boolean changed;

  private ActiveContent() {}

  /** What a document holds of it, each as a finding. */
  public static List<Finding> in(Document d) {
    var a = new ActiveContent();
    a.clean(d);
    return a.findings;
  }

  /** Of macros in a format in which none can be kept. */
  public static Finding macrosLeftOut() {
    return Finding.general(
        Finding.Kind.CONTENT_LEFT_OUT,
        Finding.Severity.LOSS,
        WORDS.say("active-content.macros-left-out"));
  }

  /** Whether nothing in a part of a package acts, known to us as part of the document or not. */
  public static boolean isQuiet(String name, byte[] part) {
    return ActiveMarkup.isQuiet(name, part);
  }

  /** The document without any of it; the same document if it has none. */
  public static Document without(Document d) {
    var a = new ActiveContent();
    Document clean = a.clean(d);
    return a.changed ? clean : d;
  }

  private Document clean(Document d) {
    var parts = new ArrayList<KeptPart>();
    for (KeptPart p : d.keptParts()) {
      if (p.name().endsWith(".rels")) {
        chunks.addAll(ActiveMarkup.chunks(p.bytes()));
      }
    }
    for (KeptPart p : d.keptParts()) {
      part(p).ifPresent(parts::add);
    }
    var sections = new ArrayList<Section>();
    for (Section s : d.sections()) {
      Map<Section.Running, Story> running = new LinkedHashMap<>();
      s.running().forEach((k, v) -> running.put(k, story(v)));
      sections.add(s.withRunning(running).withBlocks(story(s.blocks())));
    }
    Map<NodeId, Story> stories = new LinkedHashMap<>();
    d.stories().forEach((k, v) -> stories.put(k, story(v)));
    var files = new ArrayList<AttachedFile>();
    for (AttachedFile f : d.attachments()) {
      if (isProgram(f)) {
        tell(WORDS.say("active-content.program", SafeLinks.told(f.name())));
      } else {
        files.add(f);
      }
    }
    return Document.of(d.metadata(), d.styles(), d.lists(), sections, stories, d.media(), parts)
        .withAttachments(files)
        .withSetting(d.setting());
  }

  /** The same thing is told once. */
  private void tell(Finding f) {
    changed = true;
    if (told.size() < MAX_TOLD && told.add(f.message())) {
      findings.add(f);
    }
  }

  private void tell(String message) {
    tell(Finding.general(Finding.Kind.ACTIVE_CONTENT, Finding.Severity.LOSS, message));
  }

  private void tell(String message, Paragraph at) {
    tell(Finding.of(Finding.Kind.ACTIVE_CONTENT, Finding.Severity.LOSS, message, at.id()));
  }

  /** By its name, or by how its bytes begin: no program is one for being called otherwise. */
  private static boolean isProgram(AttachedFile f) {
    String name = f.name().strip().toLowerCase(Locale.ROOT).replaceAll("[. ]+$", "");
    byte[] b = f.bytes();
    boolean begins =
        b.length > 3
            && (b[0] == 'M' && b[1] == 'Z'
                || b[0] == 0x7F && b[1] == 'E' && b[2] == 'L' && b[3] == 'F'
                || b[0] == '#' && b[1] == '!');
    return begins || PROGRAMS.contains(name.substring(name.lastIndexOf('.') + 1));
  }

  // Kept parts.

  private Optional<KeptPart> part(KeptPart p) {
    if (p.isWhole()) {
      return Optional.of(p); // its writer sees to it that nothing comes back
    }
    String name = p.name().toLowerCase(Locale.ROOT);
    String type = p.contentType().toLowerCase(Locale.ROOT);
    if (name.contains("vba") || type.contains("vba") || type.contains("macroenabled")) {
      tell(WORDS.say("active-content.macros"));
      return Optional.empty();
    }
    if (name.contains("/activex") || type.contains("activex")) {
      tell(WORDS.say("active-content.controls"));
      return Optional.empty();
    }
    if (chunks.contains(p.name())) {
      tell(WORDS.say("active-content.chunk"));
      return Optional.empty();
    }
    if (name.equals("word/people.xml")) {
      changed = true; // who wrote what is not for others; it is told with the comments
      return Optional.empty();
    }
    if (name.equals("word/settings.xml") || name.endsWith(".rels")) {
      boolean ofText = name.equals("word/_rels/document.xml.rels");
      Optional<byte[]> clean =
          ActiveMarkup.clean(p.bytes(), this::tellOfMarkup, ofText ? gone : new HashSet<>());
      if (clean.isPresent() && clean.get() == p.bytes()) {
        return Optional.of(p);
      }
      changed = true;
      return clean.map(b -> new KeptPart(p.format(), p.name(), p.contentType(), b));
    }
    return Optional.of(p);
  }

  private void tellOfMarkup(ActiveMarkup.Kind kind, String what) {
    switch (kind) {
      case TEMPLATE -> tell(WORDS.say("active-content.template"));
      case LINK -> tell(WORDS.say("active-content.link", SafeLinks.told(what)));
      case FETCHED -> tell(WORDS.say("active-content.fetched", SafeLinks.told(what)));
    }
  }

  // Text.

  private final Deque<Boolean> fields = new ArrayDeque<>();

  private Story story(Story s) {
    List<Block> now = story(s.blocks());
    return now == s.blocks() ? s : s.withBlocks(now);
  }

  private List<Block> story(List<Block> blocks) {
    fields.clear();
    return blocks(blocks);
  }

  /** The list itself if nothing in it changes: what is the same is set as it was found. */
  private List<Block> blocks(List<Block> blocks) {
    var out = new ArrayList<Block>();
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> out.add(paragraph(p));
        case Table t -> out.add(table(t));
        case KeptBlock k -> {
          if (ActiveMarkup.takesInOnOpening(k.kept().source())) {
            tell(WORDS.say("active-content.chunk"));
          } else {
            Kept kept = kept(k.kept());
            out.add(kept == k.kept() ? k : new KeptBlock(k.id(), kept));
          }
        }
      }
    }
    return same(blocks, out) ? blocks : out;
  }

  private static boolean same(List<Block> some, List<Block> others) {
    if (some.size() != others.size()) {
      return false;
    }
    for (int k = 0; k < some.size(); k++) {
      if (some.get(k) != others.get(k)) {
        return false;
      }
    }
    return true;
  }

  private Table table(Table t) {
    var rows = new ArrayList<Table.Row>();
    boolean same = true;
    for (Table.Row r : t.rows()) {
      var cells = new ArrayList<Cell>();
      for (Cell c : r.cells()) {
        List<Block> now = blocks(c.blocks());
        same &= now == c.blocks();
        cells.add(now == c.blocks() ? c : c.withBlocks(now));
      }
      rows.add(new Table.Row(r.look(), cells));
    }
    return same ? t : t.withRows(rows);
  }

  private Paragraph paragraph(Paragraph p) {
    var out = new ArrayList<Inline>();
    boolean same = true;
    for (Inline i : p.inlines()) {
      Inline now = inline(i, p);
      same &= now == i;
      if (now != null) {
        out.add(now);
      }
    }
    return same ? p : p.withInlines(out);
  }

  private @org.jspecify.annotations.Nullable Inline inline(Inline given, Paragraph p) {
    Inline i = given;
    if (i.look().get(TextTraits.LINK).orElse(null) instanceof Link.External e
        && !SafeLinks.carries(e.uri())) {
      tell(WORDS.say("active-content.link", SafeLinks.told(e.uri())), p);
      i = i.withLook(i.look().without(TextTraits.LINK));
    }
    return switch (i) {
      case Inline.KeptInline k -> keptInline(k, p);
      case Inline.Picture pic -> {
        Optional<Kept> kept = pic.kept().map(this::kept);
        yield kept.equals(pic.kept()) ? pic : pic.withKept(kept);
      }
      case Inline.Shape s -> {
        Optional<Kept> kept = s.kept().map(this::kept);
        yield kept.equals(s.kept()) ? s : s.withKept(kept);
      }
      case Inline.Text t -> t;
      case Inline.Field f -> f;
      case Inline.NoteMark n -> n;
    };
  }

  /** The marks of a field that acts go; what it showed is ordinary text and stays. */
  private @org.jspecify.annotations.Nullable Inline keptInline(Inline.KeptInline k, Paragraph p) {
    String source = k.kept().source();
    Optional<String> acts = ActiveMarkup.actingField(source);
    acts.ifPresent(f -> tell(WORDS.say("active-content.field", f), p));
    if (ActiveMarkup.begins(source)) {
      fields.push(acts.isPresent());
      return acts.isPresent() ? null : k;
    }
    if (ActiveMarkup.ends(source)) {
      Boolean open = fields.poll();
      return open != null && open ? null : k;
    }
    if (acts.isPresent()) {
      return null;
    }
    Kept kept = kept(k.kept());
    return kept == k.kept() ? k : new Inline.KeptInline(kept, k.shown(), k.look());
  }

  private Kept kept(Kept k) {
    String clean = ActiveMarkup.without(k.source(), gone);
    if (clean.equals(k.source())) {
      return k;
    }
    changed = true;
    return new Kept(k.format(), clean);
  }
}
