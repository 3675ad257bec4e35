package decant.desktop.takein;

import decant.desktop.page.PagePair;
import decant.desktop.page.PageSource;
import decant.desktop.page.PagesView;
import decant.desktop.page.PdfPages;
import decant.desktop.page.PublishedPages;
import decant.desktop.shell.Arriving;
import decant.desktop.shell.Stage;
import decant.layout.Layout;
import decant.paint.PagePainter;
import decant.words.Words;
import java.util.Optional;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;

/** The pages of a long file while it is taken in, beside the first pages of its revision. */
public final class ArrivingView implements Stage {
  private static final Words WORDS = Words.of(ArrivingView.class);

  private final Arriving file;
  private final BorderPane root = new BorderPane();
  private final PagesView source = new PagesView();
  private final PagesView result = new PagesView();
  private final Label resultTitle = new Label(WORDS.say("arriving-view.being-read"));
  private final PagePainter painter = new PagePainter();
  private final ChangeListener<Optional<Layout>> arrived = (o, was, is) -> is.ifPresent(this::show);

  public ArrivingView(Arriving file) {
    this.file = file;
    source.setId("arriving-source");
    result.setId("arriving-result");
    var sourceTitle = new Label(WORDS.say("take-in-view.source", file.file().getFileName()));
    // The revision has no more than its first pages yet: it does not follow far.
    root.setCenter(new PagePair(sourceTitle, source, resultTitle, result, () -> false));
    source.show(new PdfPages(file.source()), -1);
    source.scrollProperty().addListener(o -> file.see(source.scrollShare()));
    result.show(PageSource.NONE, -1);
    file.firstProperty().addListener(arrived);
    file.firstProperty().get().ifPresent(this::show);
  }

  private void show(Layout first) {
    resultTitle.setText(WORDS.say("arriving-view.first-pages"));
    result.show(new PublishedPages(first, painter), -1);
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public Node keyboard() {
    return source;
  }

  @Override
  public void close() {
    file.firstProperty().removeListener(arrived);
    source.show(PageSource.NONE, -1);
  }
}
