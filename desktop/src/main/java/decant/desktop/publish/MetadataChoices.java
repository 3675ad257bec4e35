package decant.desktop.publish;

import decant.model.Metadata;
import decant.pdf.choices.Conflict;
import decant.recipe.Details;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Words;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;

/** What the file says of itself. */
final class MetadataChoices implements Choices {
  private static final Words WORDS = Words.of(MetadataChoices.class);

  private final PublishState state;
  private final ComboBox<Details.From> from;
  private final TextField title;
  private final TextField subject;
  private final TextField author;
  private final TextField keywords;
  private final TextField language;
  private final Group group;

  MetadataChoices(PublishState state) {
    this.state = state;
    from =
        Choosing.oneOf(
            "publish-particulars-from",
            Details.From.values(),
            Details.From::label,
            f ->
                change(d ->
                    new Details(
                        f, d.title(), d.subject(), d.author(), d.keywords(), d.language())));
    title =
        Choosing.text(
            "publish-title",
            "",
            t ->
                change(d ->
                    new Details(d.from(), t, d.subject(), d.author(), d.keywords(), d.language())));
    subject =
        Choosing.text(
            "publish-subject",
            "",
            t ->
                change(d ->
                    new Details(d.from(), d.title(), t, d.author(), d.keywords(), d.language())));
    author =
        Choosing.text(
            "publish-author",
            "",
            t ->
                change(d ->
                    new Details(d.from(), d.title(), d.subject(), t, d.keywords(), d.language())));
    keywords =
        Choosing.text(
            "publish-keywords",
            "",
            t ->
                change(d ->
                    new Details(d.from(), d.title(), d.subject(), d.author(), t, d.language())));
    language =
        Choosing.text(
            "publish-language",
            "",
            t -> {
              if (t.matches("|[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*")) {
                change(d ->
                    new Details(d.from(), d.title(), d.subject(), d.author(), d.keywords(), t));
              }
            });
    group =
        new Group(
            "group-particulars",
            WORDS.say("metadata-choices.particulars"),
            from,
            Choosing.line(WORDS.say("metadata-choices.title"), title),
            Choosing.line(WORDS.say("metadata-choices.author"), author),
            Choosing.line(WORDS.say("metadata-choices.subject"), subject),
            Choosing.line(WORDS.say("metadata-choices.keywords"), keywords),
            Choosing.line(WORDS.say("metadata-choices.language"), language));
  }

  private void change(UnaryOperator<Details> how) {
    state.change(o -> o.with(how.apply(o.details())));
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.PARTICULARS);
  }

  @Override
  public void show(Output.Pdf o) {
    Details d = o.details();
    Metadata own = state.work().layout().document().metadata();
    boolean fromDocument = d.from() == Details.From.DOCUMENT;
    from.setValue(d.from());
    Choosing.show(title, d.title());
    Choosing.show(subject, d.subject());
    Choosing.show(author, d.author());
    Choosing.show(keywords, d.keywords());
    Choosing.show(language, d.language());
    Metadata p = Plan.metadata(o, state.work().layout(), state.work().source());
    title.setPromptText(d.title().isBlank() ? prompt(p.title(), true) : "");
    subject.setPromptText(prompt(own.subject(), fromDocument));
    author.setPromptText(prompt(own.author(), fromDocument));
    keywords.setPromptText(prompt(own.keywords(), fromDocument));
    language.setPromptText(
        own.language().isEmpty() ? WORDS.say("metadata-choices.such-as-en-or-de") : own.language());
    group.say(
        p.title().isBlank()
            ? WORDS.say("metadata-choices.no-title")
            : WORDS.say("metadata-choices.text", p.title()));
  }

  private static String prompt(String own, boolean fromDocument) {
    return fromDocument && !own.isBlank() ? own : "none";
  }
}
