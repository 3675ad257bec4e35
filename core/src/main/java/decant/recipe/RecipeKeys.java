package decant.recipe;

import com.fasterxml.jackson.databind.PropertyNamingStrategies.KebabCaseStrategy;
import com.fasterxml.jackson.databind.PropertyNamingStrategy;
import com.fasterxml.jackson.databind.cfg.MapperConfig;
import com.fasterxml.jackson.databind.introspect.AnnotatedField;
import com.fasterxml.jackson.databind.introspect.AnnotatedMember;
import com.fasterxml.jackson.databind.introspect.AnnotatedMethod;
import com.fasterxml.jackson.databind.introspect.AnnotatedParameter;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The keys of recipes, which stay as they are when what they stand for is named or grouped
 * otherwise in the code.
 */
final class RecipeKeys extends PropertyNamingStrategy {
  private static final long serialVersionUID = 1;

  private static final KebabCaseStrategy KEBAB = new KebabCaseStrategy();

  /** Components whose key is not their name. */
  private static final Map<String, String> OTHERS =
      Map.ofEntries(
          Map.entry("PdfSettings.navigation", "wayfinding"),
          Map.entry("PdfSettings.fonts", "type"),
          Map.entry("PdfSettings.compression", "weight"),
          Map.entry("PdfSettings.security", "rights"),
          Map.entry("PdfSettings.conformance", "keeping"),
          Map.entry("PdfSettings.initialView", "first-sight"),
          Map.entry("Conformance.enclosures", "along"),
          Map.entry("Enclosures.comments", "remarks"),
          Map.entry("Enclosures.fields", "blanks"),
          Map.entry("Security.encryptMetadata", "encrypt-particulars"),
          Map.entry("Printing.scaling", "print-scaling"));

  /** The keys of what is a part in the code, and stands among its neighbours in recipes. */
  private static final List<String> OF_OUTPUT = List.of("settings");

  private static final List<String> OF_VIEW = List.of("window", "printing");

  @Override
  public String nameForField(MapperConfig<?> config, AnnotatedField field, String name) {
    return key(field, name);
  }

  @Override
  public String nameForGetterMethod(MapperConfig<?> config, AnnotatedMethod method, String name) {
    return key(method, name);
  }

  @Override
  public String nameForConstructorParameter(
      MapperConfig<?> config, AnnotatedParameter parameter, String name) {
    return key(parameter, name);
  }

  private static String key(AnnotatedMember member, String name) {
    return OTHERS.getOrDefault(
        member.getDeclaringClass().getSimpleName() + "." + name, KEBAB.translate(name));
  }

  /** A PDF as recipes have it. */
  static void flatten(ObjectNode pdf) {
    flatten(pdf, OF_OUTPUT);
    if (pdf.path("first-sight") instanceof ObjectNode view) {
      flatten(view, OF_VIEW);
    }
  }

  private static void flatten(ObjectNode o, List<String> parts) {
    for (String part : parts) {
      if (o.remove(part) instanceof ObjectNode own) {
        o.setAll(own);
      }
    }
  }

  /** A key that no recipe has, and where it stands. */
  record Stray(String place, String key) {}

  /**
   * A PDF with its parts, from what a recipe says.
   *
   * @param usual one with all its parts
   * @return a key that no recipe has, if there is one
   */
  static Optional<Stray> group(ObjectNode pdf, ObjectNode usual) {
    if (pdf.path("first-sight") instanceof ObjectNode view) {
      ObjectNode parts = (ObjectNode) usual.path("settings").path("first-sight");
      Optional<String> stray = group(view, parts, OF_VIEW);
      if (stray.isPresent()) {
        return Optional.of(new Stray(".first-sight", stray.get()));
      }
    }
    return group(pdf, usual, OF_OUTPUT).map(k -> new Stray("", k));
  }

  private static Optional<String> group(ObjectNode o, ObjectNode usual, List<String> parts) {
    Optional<String> stray = parts.stream().filter(o::has).findFirst();
    if (stray.isPresent()) {
      return stray;
    }
    for (String part : parts) {
      ObjectNode own = o.objectNode();
      var keys = new ArrayList<String>();
      usual.path(part).fieldNames().forEachRemaining(keys::add);
      for (String key : keys) {
        if (o.has(key)) {
          own.set(key, o.remove(key));
        }
      }
      o.set(part, own);
    }
    return Optional.empty();
  }

  /** Whether a recipe has the key of a part. */
  static boolean isShown(String key) {
    return !OF_OUTPUT.contains(key) && !OF_VIEW.contains(key);
  }
}
