package decant.office.rtf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Formats;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Severity;
import decant.model.look.Colour;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each way in which Rich Text Format 1.9.1 writes words, alone in a small file. */
class RtfWordsTest {
  @TempDir Path folder;

  private TakenIn taken(String body) throws Exception {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, "{\\rtf1" + body + "}", StandardCharsets.ISO_8859_1);
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private static String words(TakenIn t) {
    return Walk.paragraphs(t.document(), Part.ONCE).stream()
        .map(Paragraph::text)
        .collect(Collectors.joining("|"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '@',
      value = {
        "\\ansi\\ansicpg1252{\\fonttbl{\\f0\\fcharset204 A;}{\\f1\\fcharset0 B;}}\\f0 \\'cf\\'f0 \\f1 \\'e9\\par @ Пр é",
        "\\ansi\\ansicpg1250 \\'8e\\'e1dek\\par @ Žádek",
        "\\mac caf\\'8e\\par @ café",
        "\\pc caf\\'82\\par @ café",
        "\\ansi\\uc1 \\u1055?\\u1088? \\uc0\\u1080 \\uc2\\u1074 ab end\\par @ Пр ив end",
        "\\ansi \\u-10179?\\u-8704?\\par @ \uD83D\uDE00",
        "\\ansi\\ansicpg1252 x\\u8364\\'80 y\\u8212\\'97z\\par @ x€ y—z",
        "\\ansi{\\fonttbl{\\f0\\fcharset128 G;}}\\f0 \\'93\\'fa\\'96\\'7b\\par @ 日本",
        "\\ansi{\\upr{a}{\\*\\ud{unicode}}} after\\par @ unicode after",
        "\\ansi a\\emdash b\\lquote c\\rquote\\bullet d\\~e\\_f\\par @ a—b‘c’•d\u00A0e\u2011f",
        "\\ansi{\\*\\unheardof lost}{\\unheardof kept}\\par @ kept",
        "\\ansi a{\\pict\\pngblip\\bin2 }d}b\\par @ ab",
        "\\ansi a{\\object{\\*\\objdata 01}{\\result shown}}b\\par @ ashownb",
        "\\ansi before{\\shp{\\*\\shpinst{\\sp{\\sn shapeType}{\\sv 202}}{\\shptxt box\\par}}{\\shprslt{\\*\\do\\dptxbx{\\dptxbxtext twice\\par}}}}\\par @ before\uFFFC|box",
        "\\ansi x{\\*\\do\\dobxcolumn\\dptxbx{\\dptxbxtext old box\\par}\\dpx0\\dpy0\\dpxsize2000\\dpysize500}\\par @ x\uFFFC|old box",
        "\\ansi{\\*\\do\\dpgroup\\dptxbx{\\dptxbxtext one\\par}\\dptxbx{\\dptxbxtext two\\par}\\dpendgroup}\\par @ \uFFFC\uFFFC|one|two",
        "\\ansi one}} two @ one| two",
      })
  void wordsAreThere(String body, String words) throws Exception {
    assertThat(words(taken(body))).isEqualTo(words);
  }

  /** Words after the end belong to no group; a brace is lacking, or too many. */
  @Test
  void wordsAfterTheEndAreToldAndAnEndOfLineIsNot() throws Exception {
    assertThat(taken("\\ansi one\\par}\r\n\0 ").findings())
        .filteredOn(f -> f.severity() == Severity.LOSS)
        .isEmpty();
    assertThat(taken("\\ansi one}} two").findings())
        .anyMatch(f -> f.kind() == Finding.Kind.FILE_DAMAGED && f.severity() == Severity.LOSS);
  }

  /** What a field showed last is kept, for where it cannot be worked out. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      value = {
        "DATE \\\\@ \"d MMMM yyyy\" # {\\b 3 May} 2019 # DATE # d MMMM yyyy # 3 May 2019",
        "DATE \\\\@ \"HH:mm\" # 14:05 # DATE # HH:mm # 14:05",
        "DATE # 3.5.2019 # DATE # '' # 3.5.2019",
        "TITLE # Rules # TITLE # '' # Rules",
        "NUMPAGES # 7 # PAGES # '' # 7",
        "PAGEREF quay \\\\h # 4 # PAGE_OF # quay # 4",
      })
  void fieldsKeepWhatTheyShowed(
      String told, String result, Inline.Field.Kind kind, String target, String shown)
      throws Exception {
    TakenIn t =
        taken(
            "\\ansi a {\\field{\\*\\fldinst "
                + told
                + "}{\\fldrslt "
                + result
                + "}} z {\\b b}\\par");
    var fields = new ArrayList<Inline.Field>();
    Walk.inlines(
        t.document(),
        Part.ONCE,
        i -> {
          if (i instanceof Inline.Field f) {
            fields.add(f);
          }
        });
    assertThat(fields)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.kind()).isEqualTo(kind);
          assertThat(f.target()).isEqualTo(target);
          assertThat(f.shown()).isEqualTo(shown);
        });
    assertThat(words(t)).isEqualTo("a \uFFFC z b");
  }

  @Test
  void oldObjectsStandWhereTheyAreTold() throws Exception {
    TakenIn t =
        taken(
            "\\ansi x{\\*\\do\\dobxpage\\dobypage\\dprect\\dpx1440\\dpy720\\dpxsize2880\\dpysize1440"
                + "\\dplinehollow\\dpfillfgcr255\\dpfillfgcg128\\dpfillfgcb0\\dpfillpat1}\\par");
    List<Inline> inlines = t.document().paragraphs().getFirst().inlines();
    var shape = (Inline.Shape) inlines.getLast();
    assertThat(shape.width()).isEqualTo(144);
    assertThat(shape.height()).isEqualTo(72);
    assertThat(shape.drawing().fill()).contains(new Colour(0xFF8000));
    assertThat(shape.drawing().outline()).isEmpty();
  }
}
