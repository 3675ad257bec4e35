package decant.preview;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commenting;
import decant.model.edit.Revision;
import decant.model.look.Comment;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.office.Everything;
import decant.recipe.RecipeBook;
import decant.verify.Check;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Comments wherever text stands: those that a format has no room for are told, the rest goes. */
class CommentsLeftOutTest {
  @TempDir Path folder;

  /** A comment on a text of each part, which says what part that is, and one that was there. */
  private static Document commented() {
    Revision r = Revision.of(Everything.document());
    for (Part part : Part.values()) {
      Paragraph p =
          Walk.paragraphs(r.document(), EnumSet.of(part)).stream()
              .filter(x -> x.text().length() > 3)
              .findFirst()
              .orElseThrow();
      var text = new Selection(new Position(p.id(), 1), new Position(p.id(), 3));
      var comment = new Comment(part.name(), "Clerk", "", "On " + part, false);
      r = Commenting.add(r.withSelection(text), comment);
    }
    return r.document();
  }

  private static Set<String> comments(Document d) {
    var out = new TreeSet<String>();
    for (Paragraph p : Walk.paragraphs(d, Part.ALL)) {
      p.inlines()
          .forEach(i ->
              i.look().value(TextTraits.COMMENTS).stream().map(Comment::text).forEach(out::add));
    }
    return out;
  }

  @ParameterizedTest
  @CsvSource({"docx, 1", "odt, 1", "rtf, 0", "doc, 3"})
  void whatHasNoRoomIsToldAndTheRestComesBack(String id, int lost) throws Exception {
    Format format = Formats.of(id).orElseThrow();
    Document d = commented();
    Set<String> all = comments(d);
    assertThat(all).hasSize(5);
    Path file = folder.resolve("commented." + id);
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(format).write(d, out);
    }
    assertThat(Formats.verifier(format).verify(file, d))
        .as("what is told to be lost is not looked for, all else is")
        .allMatch(Check::passed);
    Set<String> back = comments(Samples.taken(file).document());
    assertThat(all).containsAll(back);
    assertThat(all.size() - back.size()).isEqualTo(lost);
    assertThat(LeftOut.findings(d, RecipeBook.copyAs(format)))
        .filteredOn(f -> f.message().contains("comment"))
        .as("told before anything is written")
        .hasSize(lost > 0 ? 1 : 0)
        .allMatch(f -> f.message().contains(lost + " comment"));
  }
}
