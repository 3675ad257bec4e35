package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.blanks.Blank;
import decant.blanks.BlankFiles;
import decant.blanks.Blanks;
import decant.desktop.shell.FilledForms;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.look.FormField.Kind;
import decant.pdf.amend.PageParts;
import decant.pin.AmendedPages;
import decant.pin.Pinning;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Control;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;

/** Forms filled in in the window. */
class FormTest extends WindowCase {
  private Work form() {
    Work work = window.takeIn(copy("Berth application.pdf"));
    window.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    return work;
  }

  private static List<Blank> blanks(Work work) {
    return Window.on(() -> Blanks.of(work.revision().document()));
  }

  private static String value(Work work, String name) {
    return blanks(work).stream()
        .filter(b -> b.name().equals(name))
        .findFirst()
        .orElseThrow()
        .value();
  }

  private static int number(Work work, Kind kind) {
    List<Blank> all = blanks(work);
    for (int k = 0; k < all.size(); k++) {
      if (all.get(k).kind() == kind) {
        return k;
      }
    }
    throw new AssertionError(kind);
  }

  @Test
  void fieldsAreFilledInOneAfterTheOther() throws IOException {
    Work work = form();
    window.go(StageName.REVISE);
    window.click("#side-form");
    int at = number(work, Kind.TEXT);
    String name = blanks(work).get(at).name();
    TextField field = window.find("#form-field-" + at, TextField.class);
    Window.run(() -> {
      field.requestFocus();
      field.selectAll();
    });
    window.type("Ada Quay");
    window.press(KeyCode.TAB);
    window.until(() -> value(work, name).equals("Ada Quay"));
    assertThat(Window.on(() -> window.stage.getScene().getFocusOwner()))
        .isInstanceOf(Control.class)
        .isNotSameAs(field);
    int tick = number(work, Kind.TICK);
    String box = blanks(work).get(tick).name();
    Window.run(() -> window.find("#form-field-" + tick, CheckBox.class).fire());
    window.until(() -> !value(work, box).isEmpty());
    Window.run(() -> window.find("#form-empty", Button.class).fire());
    window.until(() -> blanks(work).stream().allMatch(b -> b.value().isEmpty()));
    Window.run(() -> work.apply(decant.model.edit.Revision::undo));
    window.until(() -> value(work, name).equals("Ada Quay"));
  }

  @Test
  void fieldsOfAPinnedPageAreFilledInOnThePage() throws IOException {
    Work work = form();
    window.go(StageName.TAKE_IN);
    window.click("#mend-pages");
    window.until(() -> work.revision().document().hasPinned());
    window.go(StageName.REVISE);
    window.click("#side-form");
    int at = number(work, Kind.TEXT);
    String name = blanks(work).get(at).name();
    TextField field = window.find("#form-field-" + at, TextField.class);
    Window.run(() -> {
      field.requestFocus();
      field.setText("Ada Quay");
    });
    window.press(KeyCode.ENTER);
    window.until(() -> value(work, name).equals("Ada Quay"));
    Path out = published(work, "Form");
    try (var pdf = Loader.loadPDF(out.toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm().getField(name).getValueAsString())
          .isEqualTo("Ada Quay");
    }
  }

  @Test
  void eachRowOfATableMakesAFilledForm() throws Exception {
    Work work = form();
    String name = blanks(work).get(number(work, Kind.TEXT)).name();
    Path out = Files.createDirectories(folder.resolve("rows"));
    Path table = Files.writeString(folder.resolve("rows.csv"), name + "\r\nAda\r\nBo\r\nCleo\r\n");
    List<Map<String, String>> rows = BlankFiles.read(table);
    Window.run(() -> {
      work.draftProperty().set(work.draftProperty().get().to(out, "Form"));
      FilledForms.publish(window.desk, work, rows);
    });
    for (int k = 0; k < rows.size(); k++) {
      Path made = out.resolve("Form " + (k + 1) + ".pdf");
      window.until(() -> Files.exists(made));
      try (var pdf = Loader.loadPDF(made.toFile())) {
        assertThat(pdf.getDocumentCatalog().getAcroForm().getField(name).getValueAsString())
            .isEqualTo(List.of("Ada", "Bo", "Cleo").get(k));
      }
    }
    assertThat(value(work, name)).as("the form itself stays").doesNotContain("Cleo");
  }

  /** A form on paper, with lines typed and drawn. */
  private Path flat() throws IOException {
    Path out = folder.resolve("Flat form.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        String[] lines = {"Name: ______________", "Vessel: ______________", "Berth: __________"};
        for (int k = 0; k < lines.length; k++) {
          c.beginText();
          c.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 11);
          c.newLineAtOffset(72, 740 - 30 * k);
          c.showText(lines[k]);
          c.endText();
        }
      }
      pdf.save(out.toFile());
    }
    return out;
  }

  /** On the page: Tab goes on to the next field, what is typed is its value, Space ticks a box. */
  @Test
  void fieldsAreGoneThroughOnThePage() {
    Work work = form();
    window.go(StageName.REVISE);
    settled();
    List<Blank> all = blanks(work);
    Blank first = all.getFirst();
    caret(work, first.places().getFirst().paragraph(), first.places().getFirst().from() + 1);
    window.press(KeyCode.TAB);
    window.type("Low tide");
    assertThat(value(work, all.get(1).name())).isEqualTo("Low tide");
    window.press(KeyCode.SHIFT, KeyCode.TAB);
    window.type("Mara Lund");
    assertThat(value(work, first.name())).isEqualTo("Mara Lund");
    Blank box = all.stream().filter(b -> b.kind() == Kind.TICK).findFirst().orElseThrow();
    for (int k = 0; k < all.size() && !isOn(work, box); k++) {
      window.press(KeyCode.TAB);
    }
    assertThat(isOn(work, box)).isTrue();
    window.type(" ");
    assertThat(value(work, box.name())).isEqualTo(box.options().getFirst());
    window.type(" ");
    assertThat(value(work, box.name())).isEmpty();
  }

  private boolean isOn(Work work, Blank b) {
    var caret = Window.on(() -> work.revision().selection().caret());
    return blanks(work).stream()
        .filter(x -> x.name().equals(b.name()))
        .map(x -> x.places().getFirst())
        .anyMatch(p -> p.paragraph().equals(caret.paragraph()) && p.to() == caret.offset());
  }

  private static String said() {
    return Window.on(() -> inPopup("#blank-why", Text.class).map(Text::getText).orElse(""));
  }

  private static void inField(String text, KeyCode key) {
    Window.run(() -> {
      TextField f = inPopup("#blank-value", TextField.class).orElseThrow();
      f.setText(text);
      f.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false));
    });
  }

  /** On a page that stays: a field is filled in where it is clicked, and Tab goes on. */
  @Test
  void fieldsOfAPageThatStaysAreFilledInWhereTheyStand() throws Exception {
    Work work = form();
    window.clickPage("#take-in-result", 0, 120, 330, 1);
    window.until(() -> !window.find("#mend-page", Button.class).isDisabled());
    window.click("#mend-page");
    window.until(() -> Window.on(() -> Pinning.pages(work.revision().document()).size()) == 1);
    window.go(StageName.REVISE);
    settled();
    List<PageParts.Field> fields =
        AmendedPages.parts(Pinning.pages(document(work)).get(0)).fields();
    List<String> written =
        blanks(work).stream().filter(b -> !b.isSwitch()).map(Blank::name).toList();
    PageParts.Field first =
        fields.stream().filter(f -> written.contains(f.name())).findFirst().orElseThrow();
    PageParts.Field second =
        fields.stream()
            .filter(f -> written.contains(f.name()) && !f.equals(first))
            .findFirst()
            .orElseThrow();
    window.clickPage(0, first.box().x() + 20, first.box().y() + first.box().height() / 2, 1);
    window.until(() -> said().startsWith(first.name()));
    inField("Mara Lund", KeyCode.TAB);
    window.until(() -> said().startsWith(second.name()));
    window.until(() -> value(work, first.name()).equals("Mara Lund"));
    inField("East stairs", KeyCode.ENTER);
    window.until(() -> value(work, second.name()).equals("East stairs"));
    assertThat(Window.on(() -> inPopup("#blank-value", TextField.class))).isEmpty();
    Blank box = blanks(work).stream().filter(b -> b.kind() == Kind.TICK).findFirst().orElseThrow();
    PageParts.Field tick =
        fields.stream().filter(f -> f.name().equals(box.name())).findFirst().orElseThrow();
    Window.run(() ->
        window.find("#pages", decant.desktop.page.PagesView.class).reveal(0, tick.box().y(), 40));
    settled();
    window.clickPage(0, tick.box().x() + 5, tick.box().y() + tick.box().height() / 2, 1);
    window.until(() -> !value(work, box.name()).isEmpty());
    try (var pdf = Loader.loadPDF(published(work, "Filled where it stands").toFile())) {
      var form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(form.getField(first.name()).getValueAsString()).isEqualTo("Mara Lund");
      assertThat(form.getField(second.name()).getValueAsString()).isEqualTo("East stairs");
      assertThat(form.getField(box.name()).getValueAsString()).isNotEqualTo("Off");
    }
  }

  @Test
  void fieldsAreMadeOfLinesAndFilledIn() throws IOException {
    Work work = window.takeIn(flat());
    window.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    assertThat(Window.on(() -> work.taken().findings()).toString()).contains("are no fields");
    window.go(StageName.REVISE);
    window.click("#side-form");
    window.click("#form-make");
    window.until(() -> blanks(work).size() == 3);
    assertThat(notice()).startsWith("3 fields are made");
    window.until(() -> !window.find("#form-make", Button.class).isVisible());
    assertThat(blanks(work)).extracting(Blank::name).containsExactly("Name", "Vessel", "Berth");
    Window.run(() -> window.find("#form-field-1", TextField.class).requestFocus());
    Window.run(() -> window.find("#form-field-1", TextField.class).setText("Curlew"));
    window.press(KeyCode.ENTER);
    window.until(() -> value(work, "Vessel").equals("Curlew"));
    try (var pdf = Loader.loadPDF(published(work, "Filled form").toFile())) {
      var form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(form.getField("Vessel").getValueAsString()).isEqualTo("Curlew");
      assertThat(form.getField("Name").getValueAsString()).isEmpty();
    }
  }
}
