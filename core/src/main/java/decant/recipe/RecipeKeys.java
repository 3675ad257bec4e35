package decant.recipe;

import com.fasterxml.jackson.databind.PropertyNamingStrategies.KebabCaseStrategy;
import com.fasterxml.jackson.databind.PropertyNamingStrategy;
import com.fasterxml.jackson.databind.cfg.MapperConfig;
import com.fasterxml.jackson.databind.introspect.AnnotatedField;
import com.fasterxml.jackson.databind.introspect.AnnotatedMember;
import com.fasterxml.jackson.databind.introspect.AnnotatedMethod;
import com.fasterxml.jackson.databind.introspect.AnnotatedParameter;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.pdf.choices.InitialView;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

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
          Map.entry("Pdf.navigation", "wayfinding"),
          Map.entry("Pdf.fonts", "type"),
          Map.entry("Pdf.compression", "weight"),
          Map.entry("Pdf.security", "rights"),
          Map.entry("Pdf.conformance", "keeping"),
          Map.entry("Pdf.initialView", "first-sight"),
          Map.entry("Conformance.enclosures", "along"),
          Map.entry("Enclosures.comments", "remarks"),
          Map.entry("Enclosures.fields", "blanks"),
          Map.entry("Security.encryptMetadata", "encrypt-particulars"),
          Map.entry("Printing.scaling", "print-scaling"));

  /** Components of {@link InitialView} whose own components stand beside the others. */
  private static final List<String> FLAT = List.of("window", "printing");

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

  /** How a file opens as recipes have it, all in one. */
  static void flatten(ObjectNode view) {
    for (String part : FLAT) {
      if (view.remove(part) instanceof ObjectNode own) {
        view.setAll(own);
      }
    }
  }

  /**
   * How a file opens with its parts, from what a recipe says.
   *
   * @param usual the same with its parts, as it is where nothing is said
   * @return a key that no recipe has, if there is one
   */
  static Optional<String> group(ObjectNode view, ObjectNode usual) {
    for (String part : FLAT) {
      if (view.has(part)) {
        return Optional.of(part);
      }
    }
    for (String part : FLAT) {
      ObjectNode own = view.objectNode();
      Set<String> keys = new LinkedHashSet<>();
      usual.path(part).fieldNames().forEachRemaining(keys::add);
      for (String key : keys) {
        if (view.has(key)) {
          own.set(key, view.remove(key));
        }
      }
      view.set(part, own);
    }
    return Optional.empty();
  }

  /** Where something stands, by the keys of a recipe. */
  static boolean isShown(String key) {
    return !FLAT.contains(key);
  }
}
