package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.format.Format;
import decant.io.FileHash;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.words.Product;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What an order does to the files of a kind in a folder, worked out once for each recipe and kind.
 * For one thread.
 */
final class Doings {
  private static final ObjectMapper JSON = new ObjectMapper();

  /**
   * What is done.
   *
   * @param key tells it from anything else: a hash of everything that results depend on
   */
  record Doing(Recipe recipe, String key) {}

  private final RunOrder order;
  private final Map<Recipe, Map<Optional<Format>, Doing>> known = new IdentityHashMap<>();

  Doings(RunOrder order) {
    this.order = order;
  }

  /** What is done to a file of a folder, of a format if that is known. */
  Doing of(String folder, Optional<Format> format) {
    Recipe asked = order.recipeFor(folder);
    return known
        .computeIfAbsent(asked, a -> new HashMap<>())
        .computeIfAbsent(
            format,
            f -> {
              Recipe own = asked.forSource(f);
              return new Doing(own, key(own));
            });
  }

  private String key(Recipe recipe) {
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
