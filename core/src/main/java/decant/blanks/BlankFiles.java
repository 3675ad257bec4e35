package decant.blanks;

import decant.words.Telling;
import decant.words.Words;
import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.StringReader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.FDFParser;
import org.apache.pdfbox.pdmodel.fdf.FDFDocument;
import org.apache.pdfbox.pdmodel.fdf.FDFField;

/**
 * What is filled in, as files: FDF (ISO 32000-2 §12.7.8), XFDF (ISO 19444-1) and CSV (RFC 4180, in
 * UTF-8), whose first line has the names and each that follows one filled form.
 */
public final class BlankFiles {
  private static final Words WORDS = Words.of(BlankFiles.class);

  /** Larger ones hold something else. */
  private static final long MOST_BYTES = 64L << 20;

  /** Fields within fields deeper than this are passed over. */
  private static final int DEEPEST = 50;

  /** A file that cannot be read, with the reason in the person's words. */
  public static final class Problem extends Telling {
    private static final long serialVersionUID = 1;

    Problem(String message) {
      super(message);
    }
  }

  /** The kinds of files. */
  public enum Kind {
    FDF,
    XFDF,
    CSV;

    /** The extension of their names, without the dot. */
    public String extension() {
      return name().toLowerCase(Locale.ROOT);
    }

    /**
     * By the name of a file.
     *
     * @throws Problem if it says none of them
     */
    public static Kind of(Path file) throws Problem {
      String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
      for (Kind k : values()) {
        if (name.endsWith("." + k.extension())) {
          return k;
        }
      }
      throw new Problem(WORDS.say("blank-files.no-kind", file.getFileName()));
    }
  }

  private BlankFiles() {}

  /**
   * Reads filled forms: one, or as many as a table has lines.
   *
   * @return for each, what is filled in by the names of blanks
   * @throws Problem if the file cannot be read, or is none of them
   */
  public static List<Map<String, String>> read(Path file) throws Problem {
    Kind kind = Kind.of(file);
    try {
      if (Files.size(file) > MOST_BYTES) {
        throw new Problem(WORDS.say("blank-files.damaged", file.getFileName()));
      }
      byte[] bytes = Files.readAllBytes(file);
      return switch (kind) {
        case CSV -> table(bytes);
        case FDF -> fdf(bytes);
        case XFDF -> List.of(values(Loader.loadXFDF(new ByteArrayInputStream(bytes))));
      };
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading what is filled in", e);
      throw new Problem(WORDS.say("blank-files.damaged", file.getFileName()));
    }
  }

  /** The library's own way to load one closes it before its values are read. */
  private static List<Map<String, String>> fdf(byte[] bytes) throws IOException {
    try (var open = new RandomAccessReadBuffer(bytes)) {
      return List.of(values(new FDFParser(open).parse()));
    }
  }

  private static List<Map<String, String>> table(byte[] bytes) throws IOException, Problem {
    String text = new String(bytes, StandardCharsets.UTF_8);
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    var out = new ArrayList<Map<String, String>>();
    try (var parser =
        CSVFormat.RFC4180
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreEmptyLines(true)
            .build()
            .parse(new StringReader(plain))) {
      List<String> names = parser.getHeaderNames();
      if (names.stream().allMatch(String::isBlank)) {
        throw new Problem(WORDS.say("blank-files.no-head"));
      }
      for (CSVRecord r : parser) {
        var row = new LinkedHashMap<String, String>();
        for (int k = 0; k < names.size() && k < r.size(); k++) {
          row.put(names.get(k), r.get(k).replace("\r\n", "\n"));
        }
        out.add(row);
      }
    }
    return out;
  }

  private static Map<String, String> values(FDFDocument fdf) throws IOException {
    try (fdf) {
      var out = new LinkedHashMap<String, String>();
      List<FDFField> fields = fdf.getCatalog().getFDF().getFields();
      for (FDFField f : fields == null ? List.<FDFField>of() : fields) {
        gather(f, "", out, 0);
      }
      return out;
    }
  }

  private static void gather(FDFField f, String above, Map<String, String> out, int depth)
      throws IOException {
    String part = f.getPartialFieldName() == null ? "" : f.getPartialFieldName();
    String name = above.isEmpty() ? part : part.isEmpty() ? above : above + "." + part;
    Object v = f.getCOSObject().getDictionaryObject(COSName.V);
    switch (v) {
      case COSString s -> out.put(name, s.getString().replace('\r', '\n'));
      case COSName n -> out.put(name, n.getName());
      case COSStream s -> out.put(name, s.toTextString());
      case null, default -> {}
    }
    List<FDFField> kids = f.getKids();
    if (kids != null && depth < DEEPEST) {
      for (FDFField k : kids) {
        gather(k, name, out, depth + 1);
      }
    }
  }

  /**
   * Writes what is filled in.
   *
   * @param form the name of the file that the form is in; FDF and XFDF say it
   */
  public static void write(Kind kind, List<Blank> blanks, String form, OutputStream to)
      throws IOException {
    switch (kind) {
      case CSV -> table(blanks, to);
      case FDF -> {
        try (FDFDocument fdf = document(blanks, form)) {
          var bytes = new ByteArrayOutputStream();
          fdf.save(bytes);
          to.write(bytes.toByteArray());
        }
      }
      case XFDF -> {
        try (FDFDocument fdf = document(blanks, form)) {
          // The stream belongs to the caller, and is not closed with the writer.
          Writer w = new OutputStreamWriter(to, StandardCharsets.UTF_8);
          fdf.writeXML(w);
          w.flush();
        }
      }
    }
  }

  private static void table(List<Blank> blanks, OutputStream to) throws IOException {
    Writer w = new OutputStreamWriter(to, StandardCharsets.UTF_8);
    var printer = new CSVPrinter(w, CSVFormat.RFC4180);
    printer.printRecord(blanks.stream().map(Blank::name).toList());
    printer.printRecord(blanks.stream().map(Blank::value).toList());
    printer.flush();
  }

  /** Names with points in them are fields within fields (§12.7.4.2). */
  private static FDFDocument document(List<Blank> blanks, String form) throws IOException {
    var fdf = new FDFDocument();
    var top = new ArrayList<FDFField>();
    for (Blank b : blanks) {
      FDFField f = at(top, b.name());
      boolean off = b.isSwitch() && b.value().isEmpty();
      if (b.isSwitch()) {
        f.setValue(COSName.getPDFName(off ? Blank.OFF : b.value()));
      } else {
        f.setValue(new COSString(b.value()));
      }
    }
    fdf.getCatalog().getFDF().setFields(top);
    var file = new org.apache.pdfbox.pdmodel.common.filespecification.PDSimpleFileSpecification();
    file.setFile(form);
    fdf.getCatalog().getFDF().setFile(file);
    return fdf;
  }

  private static FDFField at(List<FDFField> top, String name) {
    List<FDFField> level = top;
    FDFField at = null;
    FDFField above = null;
    for (String part : name.split("\\.")) {
      at = null;
      for (FDFField f : level) {
        at = part.equals(f.getPartialFieldName()) ? f : at;
      }
      if (at == null) {
        at = new FDFField();
        at.setPartialFieldName(part);
        level.add(at);
        if (above != null) {
          above.setKids(level);
        }
      }
      above = at;
      level = at.getKids() == null ? new ArrayList<>() : new ArrayList<>(at.getKids());
    }
    return java.util.Objects.requireNonNull(at);
  }
}
