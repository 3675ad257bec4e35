package decant.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import decant.words.Product;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Tells by their hashes whether a file is the same, and whether the same is to be done to it. */
final class Doings {
  private static final ObjectMapper JSON = new ObjectMapper();

  private Doings() {}

  /** What an order does to a file by a recipe: everything that its results depend on. */
  static String of(RunOrder order, Recipe recipe) {
    try {
      MessageDigest digest = sha256();
      digest.update(Product.VERSION.getBytes(StandardCharsets.UTF_8));
      digest.update(RecipeFile.write(recipe).getBytes(StandardCharsets.UTF_8));
      digest.update(JSON.writeValueAsBytes(order.treatment().changes()));
      digest.update(order.treatment().languages().getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest.digest());
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("changes can always be written", e);
    }
  }

  /** The SHA-256 of a file, in hexadecimal. */
  static String sha256(Path file) throws IOException {
    MessageDigest digest = sha256();
    try (InputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
      in.transferTo(java.io.OutputStream.nullOutputStream());
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }
}
