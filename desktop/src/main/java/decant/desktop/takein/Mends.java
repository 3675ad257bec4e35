package decant.desktop.takein;

import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.Section;
import decant.model.Table;
import decant.model.edit.Revision;
import decant.model.edit.SimilarParagraphs;
import decant.model.edit.StructureEdits;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Remedy;
import decant.model.look.Media;
import decant.pin.PageOrder;
import decant.pin.PinnedPages;
import decant.pin.Pinning;
import decant.publication.KeptPage;
import decant.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

/** What can be done to what is picked in the Take in stage. Knows no controls. */
final class Mends {
  private static final Words WORDS = Words.of(Mends.class);

  private final Work work;
  private final Consumer<String> problem;
  private final ObjectProperty<Picked> picked = new SimpleObjectProperty<>(Picked.NOTHING);
  private final BooleanProperty all = new SimpleBooleanProperty(false);

  /**
   * @param problem told what could not be done
   */
  Mends(Work work, InSight inSight, Consumer<String> problem) {
    this.work = work;
    this.problem = problem;
    inSight.on(
        work.revisionProperty(),
        (was, is) -> {
          if (was.document() != is.document()) {
            picked.set(picked.get().in(is.document()));
          }
        });
  }

  ObjectProperty<Picked> pickedProperty() {
    return picked;
  }

  /** Whether what is done is done to all that is alike. */
  BooleanProperty allProperty() {
    return all;
  }

  private Document document() {
    return work.revision().document();
  }

  /** Picks a block; with {@code more}, all blocks from the first one picked to it. */
  void pick(NodeId block, Optional<Position> at, boolean more) {
    List<NodeId> before = picked.get().blocks();
    picked.set(
        more && !before.isEmpty()
            ? new Picked(between(before.getFirst(), block), at)
            : new Picked(List.of(block), at));
  }

  /** Blocks of one container from one to another. */
  private List<NodeId> between(NodeId a, NodeId b) {
    Document d = document();
    Optional<NodeId> container = d.index().container(d, a);
    if (container.isEmpty() || !container.equals(d.index().container(d, b))) {
      return List.of(b);
    }
    int i = d.index().place(a).orElseThrow();
    int j = d.index().place(b).orElseThrow();
    return d.blocksOf(container.get()).subList(Math.min(i, j), Math.max(i, j) + 1).stream()
        .map(decant.model.Block::id)
        .toList();
  }

  private List<NodeId> paragraphs() {
    return picked.get().blocks().stream().filter(b -> document().paragraph(b).isPresent()).toList();
  }

  /** How many paragraphs look like the one that is picked, itself counted. */
  int alike() {
    List<NodeId> p = paragraphs();
    return p.size() == 1 ? SimilarParagraphs.to(document(), p.getFirst()).size() : 0;
  }

  /** How many paragraphs say what the one that is picked says, numbers aside. */
  int saying() {
    List<NodeId> p = paragraphs();
    return p.size() == 1 ? SimilarParagraphs.saying(document(), p.getFirst()).size() : 0;
  }

  private List<NodeId> withAlike() {
    List<NodeId> p = paragraphs();
    return all.get() && p.size() == 1 ? SimilarParagraphs.to(document(), p.getFirst()) : p;
  }

  void heading(int level) {
    apply(r -> StructureEdits.heading(r, withAlike(), level));
  }

  void list() {
    apply(r -> StructureEdits.list(r, withAlike()));
  }

  void table() {
    apply(r -> StructureEdits.table(r, paragraphs()));
  }

  /** Makes a table that is picked paragraphs. */
  void text() {
    picked.get().blocks().stream()
        .filter(b -> document().block(b).orElse(null) instanceof Table)
        .findFirst()
        .ifPresent(t -> apply(r -> StructureEdits.text(r, t)));
  }

  void join() {
    List<NodeId> p = paragraphs();
    if (p.isEmpty()) {
      return;
    }
    // Several that are picked become one; one is joined with the next.
    int times = Math.max(1, p.size() - 1);
    for (int k = 0; k < times; k++) {
      apply(r -> StructureEdits.join(r, p.getFirst()));
    }
  }

  void split() {
    picked.get().at().ifPresent(at -> apply(r -> StructureEdits.split(r, at)));
  }

  void earlier() {
    picked.get().blocks().forEach(b -> apply(r -> StructureEdits.move(r, b, true)));
  }

  void later() {
    picked.get().blocks().reversed().forEach(b -> apply(r -> StructureEdits.move(r, b, false)));
  }

  void drop() {
    List<NodeId> p = paragraphs();
    List<NodeId> gone =
        all.get() && p.size() == 1
            ? SimilarParagraphs.saying(document(), p.getFirst())
            : picked.get().blocks();
    apply(r -> StructureEdits.drop(r, gone));
  }

  private void apply(UnaryOperator<Revision> act) {
    work.apply(act);
  }

  boolean canSplit() {
    return picked.get().at().filter(at -> paragraphs().contains(at.paragraph())).isPresent();
  }

  boolean canJoin() {
    List<NodeId> p = paragraphs();
    return p.size() > 1 || p.size() == 1 && StructureEdits.canJoin(document(), p.getFirst());
  }

  boolean holdsTable() {
    return picked.get().blocks().stream()
        .anyMatch(b -> document().block(b).orElse(null) instanceof Table);
  }

  boolean holdsText() {
    return !paragraphs().isEmpty();
  }

  /** What is picked, in a few words. */
  String shown() {
    List<NodeId> blocks = picked.get().blocks();
    if (blocks.isEmpty()) {
      return WORDS.say("mends.nothing-picked");
    }
    if (blocks.size() > 1) {
      return WORDS.count("mends.blocks", blocks.size());
    }
    return document()
        .paragraph(blocks.getFirst())
        .map(p -> WORDS.say("mends.picked", kind(p), shortened(p.text().strip())))
        .orElse(WORDS.say("mends.table"));
  }

  private String kind(Paragraph p) {
    int level = document().headingLevel(p);
    return level > 0 ? WORDS.say("mends.heading", level) : WORDS.say("mends.text");
  }

  private static String shortened(String s) {
    return s.length() > 70 ? s.substring(0, 68) + "…" : s;
  }

  /** The page of the source that what is picked came from; empty if it came from none. */
  Optional<Integer> page() {
    return picked.get().blocks().stream()
        .findFirst()
        .flatMap(b ->
            document()
                .sectionOf(b)
                .flatMap(Section::pinned)
                .map(Pinned::page)
                .or(() ->
                    Optional.ofNullable(work.taken().origin().places().get(b))
                        .map(Finding.SourcePlace::page)));
  }

  boolean pagePinned() {
    return page().filter(p -> Pinning.pages(document()).containsKey(p)).isPresent();
  }

  /** Whether pages can be pinned at all. */
  boolean hasPages() {
    return Formats.hasPages(work.taken().origin().format());
  }

  /** Pins the page of what is picked, or lets it flow. */
  void turnPage() {
    page()
        .ifPresent(p -> {
          if (pagePinned()) {
            apply(r -> Pinning.release(r, p));
          } else {
            pin(p, List.of());
          }
        });
  }

  private void pin(int page, List<Finding> puttingRight) {
    pin(source -> List.of(PinnedPages.asked(source, page)), puttingRight);
  }

  /** Says which pages are to be pinned. */
  private interface Asking {
    List<Pinning.Sheet> of(KeptPage.Source source) throws IOException;
  }

  private void pin(Asking asking, List<Finding> puttingRight) {
    var source = new KeptPage.InFile(work.source(), work.password());
    try {
      List<Pinning.Sheet> sheets = asking.of(source);
      Media file = PinnedPages.unlocked(source);
      UnaryOperator<Revision> act = r -> Pinning.pin(r, work.taken().origin(), file, sheets);
      if (puttingRight.isEmpty()) {
        apply(act);
      } else {
        work.mend(puttingRight, act);
      }
    } catch (IOException e) {
      problem.accept(WORDS.say("mends.source-gone", work.source().getFileName()));
    }
  }

  /** Whether every page is pinned. */
  boolean allPinned() {
    return PageOrder.isFree(document());
  }

  /** Pins every page, so that what flows in none is revised where it stands; or lets all flow. */
  void turnAllPages() {
    if (allPinned()) {
      apply(Pinning::releaseAll);
    } else {
      pin(PinnedPages::askedAll, List.of());
    }
  }

  /** What an act would do that puts a finding right; empty if its node is gone. */
  Optional<String> offer(Finding f) {
    boolean there = f.node().flatMap(n -> document().block(n)).isPresent();
    Set<Integer> pinned = Pinning.pages(document()).keySet();
    return f.remedy()
        .filter(r ->
            switch (r) {
              case Remedy.MakeHeading h -> there;
              case Remedy.MakeText t -> there;
              case Remedy.PinPage p -> !pinned.contains(p.page());
              case Remedy.LetFlow l -> pinned.contains(l.page());
            })
        .map(r ->
            switch (r) {
              case Remedy.PinPage p -> WORDS.say("mends.pin-page");
              case Remedy.LetFlow l -> WORDS.say("mends.let-flow");
              case Remedy.MakeHeading h -> WORDS.say("mends.make-heading", h.level());
              case Remedy.MakeText t -> WORDS.say("mends.make-text");
            });
  }

  /** Which findings the same act would put right. */
  List<Finding> like(Finding f) {
    var out = new ArrayList<Finding>();
    for (Finding o : work.openFindings()) {
      boolean same =
          o.remedy().equals(f.remedy())
              || f.remedy().filter(r -> r instanceof Remedy.LetFlow).isPresent()
                  && o.remedy().filter(r -> r instanceof Remedy.LetFlow).isPresent();
      if (o.kind() == f.kind() && same && offer(o).isPresent()) {
        out.add(o);
      }
    }
    return out;
  }

  /** Puts findings right in one go, and settles them for as long as that is not undone. */
  void accept(List<Finding> findings) {
    Map<Remedy, List<Finding>> by = new LinkedHashMap<>();
    for (Finding f : findings) {
      by.computeIfAbsent(f.remedy().orElseThrow(), r -> new ArrayList<>()).add(f);
    }
    by.forEach((remedy, all) -> {
      switch (remedy) {
        case Remedy.MakeHeading h -> {
          List<NodeId> nodes = all.stream().map(f -> f.node().orElseThrow()).toList();
          work.mend(all, r -> StructureEdits.heading(r, nodes, h.level()));
        }
        case Remedy.PinPage p -> pin(p.page(), all);
        case Remedy.LetFlow l -> work.mend(all, r -> Pinning.release(r, l.page()));
        case Remedy.MakeText t ->
            all.forEach(
                f -> work.mend(List.of(f), r -> StructureEdits.text(r, f.node().orElseThrow())));
      }
    });
  }
}
