package decant.cli;

import decant.format.Format;
import decant.format.Formats;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine;

/** The formats that can be published without naming a recipe, by their ids. */
final class TargetFormat implements CommandLine.ITypeConverter<Format>, Iterable<String> {
  private static final Words WORDS = Words.of(TargetFormat.class);

  private static List<Format> all() {
    var out = new ArrayList<Format>();
    out.add(Formats.pages());
    out.addAll(Formats.written());
    return out;
  }

  @Override
  public Format convert(String id) {
    return all().stream()
        .filter(f -> f.id().equalsIgnoreCase(id))
        .findFirst()
        .orElseThrow(() ->
            new CommandLine.TypeConversionException(
                WORDS.say("target-format.is-none-of", id, String.join(", ", this))));
  }

  @Override
  public Iterator<String> iterator() {
    return all().stream().map(Format::id).iterator();
  }

  /** A line for each format that is served, for the help. */
  static String[] lines() {
    return Formats.served().stream()
        .map(f ->
            WORDS.say(
                whatFor(f),
                f.name(),
                f.extensions().stream().map(e -> "." + e).collect(Collectors.joining(", "))))
        .toArray(String[]::new);
  }

  private static String whatFor(Format f) {
    if (!all().contains(f)) {
      return "target-format.taken-in";
    }
    return Formats.opened().contains(f) ? "target-format.both" : "target-format.published";
  }
}
