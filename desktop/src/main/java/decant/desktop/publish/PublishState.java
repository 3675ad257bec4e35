package decant.desktop.publish;

import decant.desktop.shell.GoingPages;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.layout.Layout;
import decant.model.finding.Finding;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.PdfWriter;
import decant.preview.FontReport;
import decant.preview.SizeEstimate;
import decant.proof.OffSheet;
import decant.publication.Publication;
import decant.publish.OfficeFonts;
import decant.publish.Publisher;
import decant.recipe.Chapters;
import decant.recipe.Output;
import decant.recipe.PagesKept;
import decant.recipe.Plan;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.work.Cancelled;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * What the Publish stage knows: the recipe, the plan it comes to for this document, and what the
 * files will weigh. Knows no controls.
 */
final class PublishState {
  private static final System.Logger LOG = System.getLogger(PublishState.class.getName());

  /**
   * What is known of what will come out.
   *
   * @param plan the files, though passwords may still be to be given; empty if it cannot be
   *     followed
   * @param problem why not; empty if it can
   * @param conflicts the choices that cannot go together
   */
  record Outlook(Optional<Plan> plan, String problem, List<Conflict> conflicts) {}

  /**
   * Sizes, as far as they are worked out.
   *
   * @param files of all files, by name
   * @param looked of the files of the output that is looked at, together; 0 if not known yet
   * @param written the parts of the first of those
   * @param others the sizes with other choices, by what would be different
   */
  record Weights(
      Map<String, Long> files,
      long looked,
      Optional<PdfWriter.Written> written,
      Map<SizeEstimate.Alternative, Long> others,
      boolean complete) {
    static final Weights NONE = new Weights(Map.of(), 0, Optional.empty(), Map.of(), false);
  }

  private static final ExecutorService SCALES =
      Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "scales");
        t.setDaemon(true);
        t.setPriority(Thread.MIN_PRIORITY);
        return t;
      });

  /** Stand in for passwords, whose length is nothing to the file's. */
  private static final Passwords ANY = new Passwords("open", "change");

  private final Work work;
  private final ReadOnlyObjectWrapper<Outlook> outlook =
      new ReadOnlyObjectWrapper<>(new Outlook(Optional.empty(), "", List.of()));
  private final ReadOnlyObjectWrapper<Weights> weights = new ReadOnlyObjectWrapper<>(Weights.NONE);
  private final ReadOnlyObjectWrapper<List<FontReport.Row>> fonts =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Optional<Publication>> linkedPages =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<List<String>> offSheet =
      new ReadOnlyObjectWrapper<>(List.of());
  private Optional<Whole> whole = Optional.empty();
  private Optional<Layout> offSheetOf = Optional.empty();
  private final AtomicInteger wanted = new AtomicInteger();
  private Optional<Publication> chaptersOf = Optional.empty();
  private List<Chapters.Chapter> chapters = List.of();
  private boolean inSight;

  PublishState(Work work, InSight inSight) {
    this.work = work;
    inSight.on(work.draftProperty(), this::refresh);
    inSight.on(work.layoutProperty(), this::refresh);
  }

  Work work() {
    return work;
  }

  ObjectProperty<Work.Draft> draftProperty() {
    return work.draftProperty();
  }

  Work.Draft draft() {
    return work.draftProperty().get();
  }

  ReadOnlyObjectProperty<Outlook> outlookProperty() {
    return outlook.getReadOnlyProperty();
  }

  ReadOnlyObjectProperty<Weights> weightsProperty() {
    return weights.getReadOnlyProperty();
  }

  ReadOnlyObjectProperty<List<FontReport.Row>> fontsProperty() {
    return fonts.getReadOnlyProperty();
  }

  /** Changes when pages with other links are there. */
  ReadOnlyObjectProperty<Optional<Publication>> linkedPagesProperty() {
    return linkedPages.getReadOnlyProperty();
  }

  /** What of the document the pages do not show, because it is on no sheet. */
  ReadOnlyObjectProperty<List<String>> offSheetProperty() {
    return offSheet.getReadOnlyProperty();
  }

  /** The pages as they will come out: with addresses as links, once these are laid out. */
  Publication pages() {
    boolean linked = pdf().filter(o -> o.settings().navigation().addresses().linked()).isPresent();
    boolean other = linked || draft().recipe().pagesKept() == PagesKept.NONE;
    Publication going = going();
    return other && !going.keepsAll() ? linkedPages.get().orElse(going) : going;
  }

  /**
   * All pages as the original has them.
   *
   * @param of the layout whose headings are their bookmarks
   */
  private record Whole(Layout of, Publication pages) {}

  /** Whether the recipe keeps all pages of the original. */
  boolean keepsAll() {
    return GoingPages.areKept(work, draft().recipe());
  }

  /** The pages that go out; until those of the original are at hand, those of the layout. */
  Publication going() {
    Layout layout = work.layout();
    return keepsAll()
        ? whole.filter(w -> w.of() == layout).map(Whole::pages).orElse(layout)
        : layout;
  }

  /** The chapters of the pages, worked out once. */
  List<Chapters.Chapter> chapters() {
    Publication now = going();
    if (chaptersOf.isEmpty() || chaptersOf.get() != now) {
      chaptersOf = Optional.of(now);
      chapters = now.complete() ? Chapters.of(now) : List.of();
    }
    return chapters;
  }

  /** The PDF that is looked at, if it is one. */
  Optional<Output.Pdf> pdf() {
    return draft().shown() instanceof Output.Pdf p ? Optional.of(p) : Optional.empty();
  }

  /** Changes the PDF that is looked at. */
  void change(UnaryOperator<Output.Pdf> how) {
    Work.Draft d = draft();
    if (d.shown() instanceof Output.Pdf p) {
      Output.Pdf next = how.apply(p);
      if (!next.equals(p)) {
        draftProperty().set(d.with(d.recipe().with(d.output(), next)));
      }
    }
  }

  /** Finds something out beside the window, and tells it there. */
  <T> void aside(Supplier<T> find, Consumer<T> then) {
    SCALES.execute(() -> {
      T found = find.get();
      Platform.runLater(() -> then.accept(found));
    });
  }

  /** The editable document that is looked at, if it is one. */
  Optional<Output.Office> office() {
    return draft().shown() instanceof Output.Office o ? Optional.of(o) : Optional.empty();
  }

  /** Changes the editable document that is looked at. */
  void changeOffice(UnaryOperator<Output.Office> how) {
    Work.Draft d = draft();
    if (d.shown() instanceof Output.Office o) {
      Output.Office next = how.apply(o);
      if (!next.equals(o)) {
        draftProperty().set(d.with(d.recipe().with(d.output(), next)));
      }
    }
  }

  /** The files of the output that is looked at. */
  List<Plan.Item> files() {
    var out = new ArrayList<Plan.Item>();
    outlook
        .get()
        .plan()
        .ifPresent(p -> {
          for (Plan.Item i : p.items()) {
            boolean same =
                switch (i) {
                  case Plan.Item.Pdf pdf -> pdf.output() == draft().shown();
                  case Plan.Item.Office office -> office.output() == draft().shown();
                };
            if (same) {
              out.add(i);
            }
          }
        });
    return out;
  }

  /** Begins or ends working things out. */
  void inSight(boolean now) {
    inSight = now;
    if (now) {
      refresh();
    } else {
      wanted.incrementAndGet();
    }
  }

  private void refresh() {
    if (!inSight) {
      return;
    }
    Work.Draft d = draft();
    Publication layout = going();
    Outlook next;
    try {
      next = new Outlook(Optional.of(plan(d, layout, d.passwords())), "", List.of());
    } catch (PublishProblem e) {
      next = new Outlook(unlocked(d, layout), e.getMessage(), e.conflicts());
    }
    outlook.set(next);
    askSheets();
    openWhole();
    weigh(layout);
  }

  private void openWhole() {
    Layout layout = work.layout();
    if (!keepsAll() || !layout.complete() || whole.filter(w -> w.of() == layout).isPresent()) {
      return;
    }
    Recipe recipe = draft().recipe();
    SCALES.execute(() -> {
      try {
        Publication pages = GoingPages.of(work, recipe, layout);
        Platform.runLater(() -> {
          whole = Optional.of(new Whole(layout, pages));
          refresh();
        });
      } catch (IOException e) {
        // Whoever publishes is told; until then the pages of the layout are seen.
        LOG.log(System.Logger.Level.WARNING, "opening the original again", e);
      }
    });
  }

  private void askSheets() {
    Layout layout = work.layout();
    if (keepsAll()) {
      offSheetOf = Optional.empty();
      offSheet.set(List.of());
      return;
    }
    if (!layout.complete() || offSheetOf.filter(l -> l == layout).isPresent()) {
      return;
    }
    offSheetOf = Optional.of(layout);
    var places = work.taken().origin().places();
    SCALES.execute(() -> {
      List<String> said = OffSheet.findings(layout, places).stream().map(Finding::message).toList();
      Platform.runLater(() -> {
        if (offSheetOf.filter(l -> l == layout).isPresent()) {
          offSheet.set(said);
        }
      });
    });
  }

  private Plan plan(Work.Draft d, Publication layout, Passwords passwords) throws PublishProblem {
    return Plan.of(d.recipe(), layout, d.stem(), work.source(), passwords, LocalDate.now());
  }

  /** What comes of it once passwords are given, if they are all that lacks. */
  private Optional<Plan> unlocked(Work.Draft d, Publication layout) {
    try {
      return Optional.of(plan(d, layout, ANY));
    } catch (PublishProblem e) {
      return Optional.empty();
    }
  }

  private void weigh(Publication layout) {
    int mine = wanted.incrementAndGet();
    Optional<Plan> plan = outlook.get().plan();
    if (!layout.complete() || plan.isEmpty()) {
      weights.set(Weights.NONE);
      return;
    }
    Optional<Output.Pdf> looked = pdf();
    List<Plan.Item> first = files();
    Recipe recipe = draft().recipe();
    BooleanSupplier stale = () -> wanted.get() != mine;
    SCALES.execute(() -> {
      try {
        weigh(layout, recipe, plan.get(), looked, first, stale);
      } catch (Cancelled e) {
        // A newer choice is being weighed.
      }
    });
  }

  /** The output that is looked at first, then what it would be otherwise, then all other files. */
  private void weigh(
      Publication layout,
      Recipe recipe,
      Plan plan,
      Optional<Output.Pdf> looked,
      List<Plan.Item> first,
      BooleanSupplier stale) {
    var linkedOnes = new HashMap<Publisher.GoingOut, Publication>();
    Function<PdfChoices, Publication> linking =
        c ->
            linkedOnes.computeIfAbsent(
                Publisher.GoingOut.by(recipe, c.settings()), g -> Publisher.goingOut(layout, g));
    var sizes = new LinkedHashMap<String, Long>();
    long total = 0;
    PdfWriter.Written written = null;
    List<FontReport.Row> rows = List.of();
    for (Plan.Item i : first) {
      if (i instanceof Plan.Item.Pdf p) {
        Publication linked = linking.apply(p.choices());
        PdfWriter.Written w = SizeEstimate.weigh(linked, p.choices(), work.source(), stale);
        if (written == null) {
          Platform.runLater(() -> {
            if (!stale.getAsBoolean()) {
              linkedPages.set(linked == layout ? Optional.empty() : Optional.of(linked));
            }
          });
          written = w;
          rows = FontReport.of(linked, p.choices().pages());
        }
        sizes.put(i.name(), w.total());
        total += w.total();
      }
    }
    Optional<PdfWriter.Written> parts = Optional.ofNullable(written);
    tell(new Weights(copy(sizes), total, parts, Map.of(), false), rows, stale);
    var others = new LinkedHashMap<SizeEstimate.Alternative, Long>();
    if (first.size() == 1 && written != null && looked.isPresent()) {
      for (SizeEstimate.Alternative a : SizeEstimate.alternatives(looked.get(), written)) {
        others.put(a, other(layout, linking, a, stale));
        tell(new Weights(copy(sizes), total, parts, copy(others), false), rows, stale);
      }
    }
    for (Plan.Item i : plan.items()) {
      if (!sizes.containsKey(i.name())) {
        sizes.put(
            i.name(),
            switch (i) {
              case Plan.Item.Pdf p ->
                  SizeEstimate.weigh(linking.apply(p.choices()), p.choices(), work.source(), stale)
                      .total();
              case Plan.Item.Office d ->
                  SizeEstimate.office(
                      d.output().format(),
                      OfficeFonts.in(work.layout().document(), d.output()).document());
            });
        tell(new Weights(copy(sizes), total, parts, copy(others), false), rows, stale);
      }
    }
    tell(new Weights(copy(sizes), total, parts, copy(others), true), rows, stale);
  }

  private static <K, V> Map<K, V> copy(Map<K, V> of) {
    return java.util.Collections.unmodifiableMap(new LinkedHashMap<>(of));
  }

  private long other(
      Publication layout,
      Function<PdfChoices, Publication> linking,
      SizeEstimate.Alternative a,
      BooleanSupplier stale) {
    try {
      Plan p =
          Plan.of(
              new decant.recipe.Recipe("other", "", List.of(a.output())),
              layout,
              "other",
              work.source(),
              ANY,
              LocalDate.now());
      return p.items().getFirst() instanceof Plan.Item.Pdf pdf
          ? SizeEstimate.weigh(linking.apply(pdf.choices()), pdf.choices(), work.source(), stale)
              .total()
          : 0;
    } catch (PublishProblem e) {
      return 0;
    }
  }

  private void tell(Weights w, List<FontReport.Row> rows, BooleanSupplier stale) {
    Platform.runLater(() -> {
      if (!stale.getAsBoolean()) {
        weights.set(w);
        fonts.set(rows);
      }
    });
  }
}
