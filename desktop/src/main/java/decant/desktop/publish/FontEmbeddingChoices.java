package decant.desktop.publish;

import decant.desktop.page.SmallPicture;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.FontEmbedding.Embedding;
import decant.pdf.choices.FontEmbedding.FontChoice;
import decant.pdf.choices.FontEmbedding.Substitute;
import decant.pdf.file.FilePart;
import decant.pdf.write.PdfWriter;
import decant.pdf.write.fonts.LicensedEmbedding;
import decant.preview.FontReport;
import decant.preview.SubstituteSample;
import decant.recipe.Output;
import decant.words.Figures;
import decant.words.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How fonts are embedded, all alike and one by one. */
final class FontEmbeddingChoices implements Choices {
  private static final Words WORDS = Words.of(FontEmbeddingChoices.class);

  /** What a single font may be set to besides what holds for all. */
  private enum Own {
    AS_ALL("font-embedding-choices.own-as-all", Embedding.USED),
    USED("font-embedding-choices.own-used", Embedding.USED),
    WHOLE("font-embedding-choices.own-whole", Embedding.WHOLE),
    LICENSED("font-embedding-choices.own-licensed", Embedding.LICENSED),
    LEFT_OUT("font-embedding-choices.own-left-out", Embedding.LEFT_OUT);

    private final String label;
    private final Embedding embedding;

    Own(String label, Embedding embedding) {
      this.label = label;
      this.embedding = embedding;
    }
  }

  private final PublishState state;
  private final ComboBox<Embedding> usual;
  private final VBox list = new VBox(8);
  private final Group group;
  private List<FontReport.Row> shownRows = List.of();
  private Optional<FontEmbedding> shownType = Optional.empty();
  private Optional<PdfWriter.Written> shownSizes = Optional.empty();

  FontEmbeddingChoices(PublishState state) {
    this.state = state;
    usual =
        Choosing.oneOf(
            "publish-embedding",
            Embedding.values(),
            Embedding::label,
            e -> state.change(o -> o.with(new FontEmbedding(e, o.settings().fonts().fonts()))));
    list.setId("font-list");
    group =
        new Group(
            "group-type",
            WORDS.say("font-embedding-choices.type"),
            Choosing.line(WORDS.say("font-embedding-choices.fonts-embedded"), usual),
            list);
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.TYPE);
  }

  @Override
  public void show(Output.Pdf o) {
    usual.setValue(o.settings().fonts().usual());
    List<FontReport.Row> rows = state.fontsProperty().get();
    group.say(
        WORDS.say(
            "font-embedding-choices.says",
            rows.isEmpty()
                ? WORDS.say("font-embedding-choices.fonts")
                : WORDS.count("font-embedding-choices.count", rows.size()),
            o.settings().fonts().usual().label().toLowerCase(java.util.Locale.ROOT)));
    Optional<PdfWriter.Written> written = state.weightsProperty().get().written();
    boolean same =
        rows.equals(shownRows)
            && shownType.equals(Optional.of(o.settings().fonts()))
            && written.equals(shownSizes);
    if (same) {
      return;
    }
    shownSizes = written;
    shownRows = rows;
    shownType = Optional.of(o.settings().fonts());
    list.getChildren().clear();
    for (FontReport.Row r : rows) {
      list.getChildren().add(font(r, o.settings().fonts()));
    }
  }

  private Node font(FontReport.Row r, FontEmbedding type) {
    var name = new Label(r.face().toString());
    name.getStyleClass().add("finding-kind");
    String asked =
        r.asked().entrySet().stream()
            .map(e -> e.getKey() + " (" + e.getValue().label() + ")")
            .collect(Collectors.joining(", "));
    var why =
        Choosing.quiet(
            asked.isEmpty()
                ? WORDS.say("font-embedding-choices.steps-in-for-characters-that")
                : WORDS.say("font-embedding-choices.for", asked));
    long subset =
        state
            .weightsProperty()
            .get()
            .written()
            .map(w ->
                w.bytes().getOrDefault(new FilePart(FilePart.Kind.FONT, r.face().toString()), 0L))
            .orElse(0L);
    var figures =
        Choosing.quiet(
            WORDS.count(
                "font-embedding-choices.figures",
                r.characters(),
                Figures.size(subset),
                Figures.size(r.wholeBytes()),
                r.rights().words()));
    FontChoice own = type.fonts().get(r.face().family());
    ComboBox<Own> how =
        Choosing.oneOf(
            "font-" + r.face().postScriptName(),
            Own.values(),
            v -> WORDS.say(v.label),
            v -> set(r.face().family(), v));
    how.setValue(
        own == null
            ? Own.AS_ALL
            : java.util.Arrays.stream(Own.values())
                .skip(1)
                .filter(v -> v.embedding == own.embedding())
                .findFirst()
                .orElse(Own.AS_ALL));
    var box = new VBox(2, name, why, figures, how);
    Embedding decided = LicensedEmbedding.of(type.of(r.face().family()).embedding(), r.face());
    if (decided == Embedding.LEFT_OUT) {
      Substitute s = type.of(r.face().family()).substitute();
      ComboBox<Substitute> instead =
          Choosing.oneOf(
              "substitute-" + r.face().postScriptName(),
              Substitute.values(),
              Substitute::label,
              v -> setSubstitute(r.face().family(), v));
      instead.setValue(s);
      var sample = new ImageView();
      SmallPicture.show(() -> SubstituteSample.of(r.face(), r.sample(), s), sample);
      box.getChildren()
          .addAll(
              Choosing.line(WORDS.say("font-embedding-choices.instead"), instead),
              Choosing.quiet(WORDS.say("font-embedding-choices.a-recipient-without-the-font")),
              new HBox(sample));
    }
    return box;
  }

  private void set(String family, Own own) {
    state.change(o -> {
      var fonts = new LinkedHashMap<>(o.settings().fonts().fonts());
      if (own == Own.AS_ALL) {
        fonts.remove(family);
      } else {
        fonts.put(
            family, new FontChoice(own.embedding, o.settings().fonts().of(family).substitute()));
      }
      return o.with(new FontEmbedding(o.settings().fonts().usual(), fonts));
    });
  }

  private void setSubstitute(String family, Substitute s) {
    state.change(o -> {
      FontChoice now = o.settings().fonts().of(family);
      if (now.substitute() == s) {
        return o;
      }
      var fonts = new LinkedHashMap<>(o.settings().fonts().fonts());
      fonts.put(family, new FontChoice(now.embedding(), s));
      return o.with(new FontEmbedding(o.settings().fonts().usual(), fonts));
    });
  }
}
