package decant.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import decant.format.Formats;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.InitialView;
import decant.pdf.choices.Navigation;
import decant.pdf.choices.PdfSettings;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.choices.Version;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Recipes as files: what is written is read again, fits its schema, and what is wrong is told. */
class RecipeFileTest {
  static List<Recipe> recipes() {
    var all = new java.util.ArrayList<>(RecipeBook.shipped());
    all.add(
        new Recipe(
            "Everything",
            "",
            List.of(
                new Output.Office(Formats.working(), FontsInside.NONE, false, "{stem} {date}"),
                new Output.Pdf(
                    "{stem} {number} {heading}",
                    new PageChoice(
                        "1-4, last 2", List.of("Charges"), PageChoice.Split.EACH_CHAPTER),
                    new Details(Details.From.NOWHERE, "T", "S", "A", "K", "de-AT"),
                    new PdfSettings(
                        new Navigation(
                            3,
                            2,
                            false,
                            false,
                            new Navigation.Addresses(true, true, "1F4E79"),
                            false),
                        new FontEmbedding(
                            FontEmbedding.Embedding.LICENSED,
                            Map.of(
                                "Liberation Serif",
                                new FontEmbedding.FontChoice(
                                    FontEmbedding.Embedding.WHOLE,
                                    FontEmbedding.Substitute.TIMES))),
                        new Compression(Compression.Effort.LITTLE, false, 60, 150, false, false),
                        new Security(
                            Security.Protection.AES_128,
                            true,
                            true,
                            EnumSet.of(Permission.PRINT_SHARP),
                            false),
                        new Conformance(
                            Conformance.Standard.NONE,
                            false,
                            false,
                            Version.V1_6,
                            Enclosures.DEFAULT.withSource(true)),
                        new InitialView(
                            2,
                            InitialView.Zoom.PAGE_WIDTH,
                            InitialView.Panel.PAGES,
                            InitialView.Arrangement.SPREAD_COVER,
                            new InitialView.Window(true, true, true, true, false),
                            new InitialView.Printing(
                                InitialView.PrintScaling.NONE,
                                InitialView.Duplex.SHORT_EDGE,
                                3))))),
            decant.reading.Active.KEEP,
            new Recipe.Afterwards(true, true, true),
            PagesKept.ALL));
    return all;
  }

  @ParameterizedTest
  @MethodSource("recipes")
  void aRecipeComesBackAsItWas(Recipe r) throws RecipeProblem {
    assertThat(RecipeFile.read(RecipeFile.write(r), "r.json")).isEqualTo(r);
  }

  /** JSON Schema 2020-12, by a validator from outside the project. */
  @ParameterizedTest
  @MethodSource("recipes")
  void aRecipeFitsItsSchema(Recipe r) throws IOException {
    assertThat(schema().validate(new ObjectMapper().readTree(RecipeFile.write(r)))).isEmpty();
  }

  @Test
  void theSchemaSeesWhatIsWrong() throws IOException {
    JsonNode bad =
        new ObjectMapper()
            .readTree(RecipeFile.write(RecipeBook.counterCopy()).replace("\"medium\"", "\"all\""));
    assertThat(schema().validate(bad)).isNotEmpty();
  }

  private static JsonSchema schema() throws IOException {
    try (InputStream in = Files.newInputStream(Path.of("../docs/recipe.schema.json"))) {
      return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(in);
    }
  }

  @Test
  void whatIsNotSaidIsAsUsual() throws RecipeProblem {
    Recipe r =
        RecipeFile.read(
            """
            {"decant-recipe": 2, "name": "Small",
             "outputs": [{"kind": "pdf", "weight": {"resolution": 150}}, {"kind": "docx"}]}
            """,
            "small.json");
    Compression usual = Compression.DEFAULT;
    assertThat(r.outputs())
        .containsExactly(
            Output.Pdf.DEFAULT.with(
                new Compression(
                    usual.effort(),
                    usual.objectStreams(),
                    usual.photographQuality(),
                    150,
                    usual.greyWhereColourless(),
                    usual.faxForOneBit())),
            new Output.Office(Formats.working(), FontsInside.NONE, false, "{stem}"));
  }

  @Test
  void officeOutputsOfVersionTwoHadTheirFormatAsKind() throws RecipeProblem {
    Recipe r =
        RecipeFile.read(
            """
            {"decant-recipe": 2, "name": "Both", "outputs": [{"kind": "pdf"}, {"kind": "docx"}]}
            """,
            "both.json");
    assertThat(r.outputs())
        .containsExactly(Output.Pdf.DEFAULT, new Output.Office(Formats.working()));
    assertThat(RecipeFile.read(RecipeFile.write(r), "again.json")).isEqualTo(r);
  }

  @Test
  void anOlderVersionIsMigrated() throws RecipeProblem {
    Recipe r =
        RecipeFile.read(
            """
            {"decant-recipe": 1, "name": "Front", "pages": "1-3", "naming": "{stem} front",
             "wayfinding": {"bookmark-levels": 2}}
            """,
            "front.json");
    assertThat(r.name()).isEqualTo("Front");
    var pdf = (Output.Pdf) r.outputs().getFirst();
    assertThat(pdf.naming()).isEqualTo("{stem} front");
    assertThat(pdf.pages().range()).isEqualTo("1-3");
    assertThat(pdf.settings().navigation().bookmarkLevels()).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"colour\": 1}]} | at outputs[1].colour: there is no setting “colour”",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"weight\": {\"effort\": \"huge\"}}]} | at outputs[1].weight.effort: “huge” must be one of little, medium, most",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"weight\": {\"photograph-quality\": 400}}]} | the quality of photographs is 0 to 100, not 400",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"weight\": {\"resolution\": \"fine\"}}]} | at outputs[1].weight.resolution",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"naming\": \"{page}\"}]} | there is no “page” in a file name",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"fax\"}]} | outputs[1]",
        "{\"decant-recipe\": 4, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"first-sight\": {\"window\": {}}}]} | at outputs[1].first-sight: there is no setting “window”",
        "{\"decant-recipe\": 4, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"first-sight\": {\"menu\": true}}]} | at outputs[1].first-sight.menu: there is no setting “menu”",
        "{\"decant-recipe\": 4, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"first-sight\": {\"print-scaling\": \"big\"}}]} | at outputs[1].first-sight.print-scaling: “big” must be one of viewers, none",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": []} | at least one file",
        "{\"decant-recipe\": 2, \"name\": \"x\"} | has no \"outputs\"",
        "{\"decant-recipe\": 9, \"name\": \"x\"} | written by a newer version of Decant",
        "{\"decant-recipe\": \"2\", \"name\": \"x\"} | at decant-recipe",
        "{\"name\": \"x\"} | is not a recipe",
        "[1] | is not a recipe",
        "{\"decant-recipe\": 2, | is not valid JSON",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"rights\": {\"ask-to-open\": true}}]} | passwords are asked for",
        "{\"decant-recipe\": 2, \"name\": \"x\", \"outputs\": [{\"kind\": \"pdf\", \"rights\": {\"password\": \"x\"}}]} | there is no setting “password”"
      })
  void whatIsWrongIsToldWithItsPlace(String json, String message) {
    assertThatThrownBy(() -> RecipeFile.read(json, "my.json"))
        .isInstanceOf(RecipeProblem.class)
        .hasMessageContaining("“my.json”")
        .hasMessageContaining(message);
  }
}
