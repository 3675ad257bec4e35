package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.io.FileHash;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.words.Product;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;

/** Tells by their hashes whether a file is the same, and whether the same is to be done to it. */
final class Doings {
  private static final ObjectMapper JSON = new ObjectMapper();

  private Doings() {}

  /** What an order does to a file by a recipe: everything that its results depend on. */
  static String of(RunOrder order, Recipe recipe) {
    try {
      MessageDigest digest = FileHash.digest();
      digest.update(Product.VERSION.getBytes(StandardCharsets.UTF_8));
      digest.update(RecipeFile.write(recipe).getBytes(StandardCharsets.UTF_8));
      digest.update(JSON.writeValueAsBytes(order.treatment().changes()));
      digest.update(order.treatment().languages().getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest.digest());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("changes can always be written", e);
    }
  }
}
