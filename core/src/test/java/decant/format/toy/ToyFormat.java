package decant.format.toy;

import decant.format.Format;
import decant.format.FormatService;
import decant.model.Block;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.Check;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** A format of lines of text, to show that one registration is all that a format needs. */
public final class ToyFormat implements FormatService {
  private static final String FIRST = "toy!\n";

  private static final Format FORMAT =
      new Format(
          "toy",
          "Toy",
          Format.Family.TEXT,
          "text/x-toy",
          List.of("toy"),
          c -> c.head().startsWith(FIRST),
          EnumSet.allOf(Format.Holding.class));

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(ToyFormat::read);
  }

  private static TakenIn read(ReadRequest request) throws ReadProblem {
    try {
      List<Block> blocks =
          Files.readString(request.file())
              .substring(FIRST.length())
              .lines()
              .<Block>map(l -> Paragraph.of(Look.PLAIN, l))
              .toList();
      Document d = Document.of(new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()), blocks);
      return new TakenIn(
          d,
          List.of(),
          new TakenIn.Origin(FORMAT.id(), 0, Map.of(), List.of(), Map.of(), List.of()));
    } catch (IOException e) {
      throw new ReadProblem(ReadProblem.Kind.UNREADABLE, "The toy cannot be read.", e);
    }
  }

  private static String text(Document d) {
    return FIRST + d.paragraphs().stream().map(Paragraph::text).collect(Collectors.joining("\n"));
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of(
        Writer.alone((d, out) -> out.write(text(d).getBytes(StandardCharsets.UTF_8))));
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(ToyFormat::verify);
  }

  private static List<Check> verify(Path file, Document d) {
    try {
      boolean same = Files.readString(file).equals(text(d));
      return List.of(Check.of("Text", same, "the same", "another"));
    } catch (IOException e) {
      return List.of(Check.of("Opens", false, "", e.toString()));
    }
  }
}
