package decant.recipe;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.BeanDescription;
import com.fasterxml.jackson.databind.DeserializationConfig;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JavaType;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.BeanDeserializerModifier;
import com.fasterxml.jackson.databind.exc.InvalidFormatException;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.format.Format;
import decant.format.Formats;
import decant.pdf.choices.Security;
import decant.reading.Active;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Recipes as JSON: {@code docs/recipe.schema.json} describes them. What a file leaves out is as
 * usual; what it has too much, or wrong, is refused with its place.
 */
public final class RecipeFile {
  private static final Words WORDS = Words.of(RecipeFile.class);

  /** The version of the format that is written. */
  public static final int VERSION = 5;

  private static final int MAX_BYTES = 4 << 20;

  /** How outputs tell their kinds apart. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Output.Pdf.class, name = "pdf"),
    @JsonSubTypes.Type(value = Output.Office.class, name = "office")
  })
  private interface Kinds {}

  private static final JsonMapper JSON =
      JsonMapper.builder(
              com.fasterxml.jackson.core.JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder().maxNestingDepth(40).build())
                  .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                  .build())
          .propertyNamingStrategy(new RecipeKeys())
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .disable(com.fasterxml.jackson.databind.MapperFeature.ALLOW_COERCION_OF_SCALARS)
          .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
          .visibility(
              com.fasterxml.jackson.annotation.PropertyAccessor.IS_GETTER,
              com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility.NONE)
          .visibility(
              com.fasterxml.jackson.annotation.PropertyAccessor.GETTER,
              com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility.NONE)
          .visibility(
              com.fasterxml.jackson.annotation.PropertyAccessor.FIELD,
              com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility.ANY)
          .addMixIn(Output.class, Kinds.class)
          .addModule(words())
          .build();

  private RecipeFile() {}

  /** A recipe as JSON. */
  public static String write(Recipe recipe) {
    try {
      ObjectNode whole = JSON.createObjectNode();
      whole.put("decant-recipe", VERSION);
      whole.setAll((ObjectNode) JSON.valueToTree(recipe));
      for (JsonNode o : whole.path("outputs")) {
        if (o instanceof ObjectNode output) {
          RecipeKeys.flatten(output);
        }
      }
      return JSON.writeValueAsString(whole) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a recipe can always be written", e);
    }
  }

  /**
   * Reads a recipe.
   *
   * @throws RecipeProblem if it is none, or has something unknown or wrong in it
   */
  public static Recipe read(Path file) throws RecipeProblem {
    try {
      if (Files.size(file) > MAX_BYTES) {
        throw new RecipeProblem(WORDS.say("recipe-file.is-too-large-for-a", file.getFileName()));
      }
      return read(Files.readString(file), file.getFileName().toString());
    } catch (java.nio.file.NoSuchFileException e) {
      throw new RecipeProblem(WORDS.say("recipe-file.there-is-no-file", file), e);
    } catch (IOException e) {
      throw new RecipeProblem(
          WORDS.say("recipe-file.cannot-be-read-as-text", file.getFileName()), e);
    }
  }

  /**
   * @param from what it is called in messages
   */
  public static Recipe read(String json, String from) throws RecipeProblem {
    try {
      JsonNode tree = JSON.readTree(json);
      if (!(tree instanceof ObjectNode root) || !root.has("decant-recipe")) {
        throw new RecipeProblem(WORDS.say("recipe-file.is-no-recipe-it-does", from));
      }
      ObjectNode now = migrated(root, from);
      now.remove("decant-recipe");
      int n = 0;
      for (JsonNode o : now.path("outputs")) {
        n++;
        if (o instanceof ObjectNode output && output.path("kind").asText().equals("pdf")) {
          ObjectNode usual = JSON.valueToTree(Output.Pdf.DEFAULT);
          Optional<RecipeKeys.Stray> stray = RecipeKeys.group(output, usual);
          if (stray.isPresent()) {
            throw new RecipeProblem(
                WORDS.say(
                    "recipe-file.is-not-known-here",
                    from,
                    WORDS.say("recipe-file.at", "outputs[" + n + "]" + stray.get().place()),
                    stray.get().key()));
          }
          complete(output, usual);
        } else if (o instanceof ObjectNode output) {
          complete(output, JSON.valueToTree(new Output.Office(Formats.working())));
        }
      }
      if (!now.has("purpose")) {
        now.put("purpose", "");
      }
      ObjectNode rest = JSON.createObjectNode();
      rest.set("active", JSON.valueToTree(Active.REMOVE));
      rest.set("pages-kept", JSON.valueToTree(PagesKept.AUTO));
      rest.set("afterwards", JSON.valueToTree(Recipe.Afterwards.NOTHING));
      complete(now, rest);
      for (String needed : new String[] {"name", "outputs"}) {
        if (!now.has(needed)) {
          throw new RecipeProblem(WORDS.say("recipe-file.lacks", from, needed));
        }
      }
      Recipe r = JSON.treeToValue(now, Recipe.class);
      for (Output o : r.outputs()) {
        if (o instanceof Output.Pdf p) {
          check(p.settings().security(), from);
        }
      }
      return r;
    } catch (JsonProcessingException e) {
      throw problem(e, from);
    }
  }

  private static void check(Security r, String from) throws RecipeProblem {
    if (r.protection() == Security.Protection.NONE && (r.askToOpen() || r.askToChange())) {
      throw new RecipeProblem(WORDS.say("recipe-file.at-rights-passwords-are-asked", from));
    }
  }

  /** Adds what is not said. */
  private static void complete(ObjectNode given, JsonNode usual) {
    usual
        .properties()
        .forEach(e -> {
          JsonNode own = given.get(e.getKey());
          if (own == null) {
            given.set(e.getKey(), e.getValue());
          } else if (own instanceof ObjectNode o && e.getValue().isObject()) {
            complete(o, e.getValue());
          }
        });
  }

  /** Version 1 had the choices of one PDF beside the name, and called the range {@code pages}. */
  private static ObjectNode migrated(ObjectNode root, String from) throws RecipeProblem {
    JsonNode v = root.get("decant-recipe");
    if (!v.isInt() || v.asInt() < 1) {
      throw new RecipeProblem(WORDS.say("recipe-file.at-decant-recipe-the-version", from, v));
    }
    if (v.asInt() > VERSION) {
      throw new RecipeProblem(
          WORDS.say("recipe-file.was-written-by-a-newer", from, v.asInt(), VERSION));
    }
    if (v.asInt() == VERSION) {
      return root;
    }
    ObjectNode out = v.asInt() == 1 ? withOutputs(root) : root;
    for (JsonNode o : out.path("outputs")) {
      if (o instanceof ObjectNode output
          && output.path("kind").asText().equals(Formats.working().id())) {
        output.put("kind", "office").put("format", Formats.working().id());
      }
      if (o.path("keeping") instanceof ObjectNode conformance && conformance.has("attach-source")) {
        conformance.putObject("along").set("source", conformance.remove("attach-source"));
      }
    }
    return out;
  }

  /** Version 1 had one PDF, whose choices stood beside the name. */
  private static ObjectNode withOutputs(ObjectNode root) {
    ObjectNode out = JSON.createObjectNode();
    ObjectNode pdf = JSON.createObjectNode();
    pdf.put("kind", "pdf");
    for (var e : root.properties()) {
      switch (e.getKey()) {
        case "decant-recipe", "name", "purpose" -> out.set(e.getKey(), e.getValue());
        case "pages" -> pdf.putObject("pages").set("range", e.getValue());
        default -> pdf.set(e.getKey(), e.getValue());
      }
    }
    out.putArray("outputs").add(pdf);
    return out;
  }

  private static RecipeProblem problem(JsonProcessingException e, String from) {
    String where = e instanceof JsonMappingException m ? place(m) : "";
    String at = where.isEmpty() ? "" : WORDS.say("recipe-file.at", where);
    if (e instanceof UnrecognizedPropertyException u) {
      return new RecipeProblem(
          WORDS.say("recipe-file.is-not-known-here", from, at, u.getPropertyName()), e);
    }
    if (e instanceof InvalidFormatException f) {
      Stream<String> known =
          f.getTargetType().isEnum()
              ? Arrays.stream(f.getTargetType().getEnumConstants()).map(c -> word((Enum<?>) c))
              : Stream.concat(Formats.written().stream(), Stream.of(Formats.asSource()))
                  .map(Format::id);
      if (f.getTargetType().isEnum() || f.getTargetType() == Format.class) {
        return new RecipeProblem(
            WORDS.say(
                "recipe-file.is-none-of",
                from,
                at,
                f.getValue(),
                known.collect(Collectors.joining(", "))),
            e);
      }
    }
    Throwable cause = e;
    while (cause.getCause() != null) {
      cause = cause.getCause();
    }
    if (cause instanceof IllegalArgumentException && !(cause instanceof JsonProcessingException)) {
      return new RecipeProblem(
          WORDS.say("recipe-file.text", from, at, String.valueOf(cause.getMessage())), e);
    }
    if (e instanceof JsonMappingException) {
      return new RecipeProblem(WORDS.say("recipe-file.the-value-is-of-the", from, at), e);
    }
    var l = e.getLocation();
    return new RecipeProblem(
        WORDS.say(
            "recipe-file.is-no-json",
            from,
            (l == null ? "" : WORDS.say("recipe-file.line", l.getLineNr(), l.getColumnNr()))),
        e);
  }

  private static String place(JsonMappingException e) {
    var b = new StringBuilder();
    for (var r : e.getPath()) {
      if (r.getFieldName() == null) {
        b.append('[').append(r.getIndex() + 1).append(']');
      } else if (RecipeKeys.isShown(r.getFieldName())) {
        b.append(b.isEmpty() ? "" : ".").append(r.getFieldName());
      }
    }
    return b.toString();
  }

  private static String word(Enum<?> e) {
    return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Enumerations by their names in small letters, formats by their ids. */
  private static SimpleModule words() {
    var module = new SimpleModule();
    module.addSerializer(
        Format.class,
        new JsonSerializer<Format>() {
          @Override
          public void serialize(Format f, JsonGenerator g, SerializerProvider p)
              throws IOException {
            g.writeString(f.id());
          }
        });
    module.addDeserializer(
        Format.class,
        new JsonDeserializer<Format>() {
          @Override
          public Format deserialize(JsonParser p, DeserializationContext c) throws IOException {
            String id = p.getText();
            Optional<Format> known =
                Stream.concat(Formats.written().stream(), Stream.of(Formats.asSource()))
                    .filter(f -> f.id().equals(id))
                    .findFirst();
            return known.isPresent()
                ? known.get()
                : (Format) c.handleWeirdStringValue(Format.class, id, "unknown");
          }
        });
    module.addSerializer(
        new JsonSerializer<Enum<?>>() {
          @Override
          public void serialize(Enum<?> e, JsonGenerator g, SerializerProvider p)
              throws IOException {
            g.writeString(word(e));
          }

          @Override
          @SuppressWarnings("unchecked")
          public Class<Enum<?>> handledType() {
            return (Class<Enum<?>>) (Class<?>) Enum.class;
          }
        });
    module.setDeserializerModifier(
        new BeanDeserializerModifier() {
          private static final long serialVersionUID = 1;

          @Override
          public JsonDeserializer<?> modifyEnumDeserializer(
              DeserializationConfig config,
              JavaType type,
              BeanDescription description,
              JsonDeserializer<?> usual) {
            return new JsonDeserializer<Object>() {
              @Override
              public Object deserialize(JsonParser p, DeserializationContext c) throws IOException {
                String s = p.getText();
                for (Object e : type.getRawClass().getEnumConstants()) {
                  if (word((Enum<?>) e).equals(s)) {
                    return e;
                  }
                }
                return c.handleWeirdStringValue(type.getRawClass(), s, "unknown");
              }
            };
          }
        });
    return module;
  }
}
