package decant.office.rtf;

import com.rtfparserkit.parser.IRtfListener;
import com.rtfparserkit.parser.RtfStreamSource;
import com.rtfparserkit.parser.standard.StandardRtfParser;
import com.rtfparserkit.rtf.Command;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * What stands in an RTF file, as far as it takes to see whether all of a document arrived: read by
 * a parser that knows nothing of how we write.
 *
 * @param paragraphs those of the text that are not empty, those of cells among them
 * @param rows of tables, those in cells of others among them
 * @param pictures on the line and beside the text
 * @param notes footnotes and endnotes
 * @param links the addresses that text leads to
 */
public record RtfContent(
    List<String> paragraphs, int rows, int pictures, int notes, List<String> links) {
  /** Reads a file. @throws IOException if it cannot be read, or is none */
  public static RtfContent read(Path file) throws IOException {
    try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
      var l = new Listener();
      new StandardRtfParser().parse(new RtfStreamSource(in), l);
      l.endParagraph();
      return new RtfContent(l.paragraphs, l.rows, l.pictures, l.notes, l.links);
    } catch (RuntimeException e) {
      throw new IOException("it is not whole RTF", e);
    }
  }

  private enum Kind {
    TEXT,
    INSTRUCTION,
    SKIPPED
  }

  private static final class Listener implements IRtfListener {
    private final List<String> paragraphs = new ArrayList<>();
    private final List<String> links = new ArrayList<>();
    private final StringBuilder text = new StringBuilder();
    private final StringBuilder instruction = new StringBuilder();
    private final Deque<Kind> groups = new ArrayDeque<>();
    private Kind kind = Kind.TEXT;
    private int rows;
    private int pictures;
    private int notes;

    @Override
    public void processDocumentStart() {}

    @Override
    public void processDocumentEnd() {}

    @Override
    public void processGroupStart() {
      groups.push(kind);
    }

    @Override
    public void processGroupEnd() {
      Kind was = kind;
      kind = groups.pop();
      if (was == Kind.INSTRUCTION && kind != Kind.INSTRUCTION) {
        String s = instruction.toString().strip();
        instruction.setLength(0);
        if (s.startsWith("HYPERLINK")) {
          boolean inside = s.contains("\\l ");
          int from = s.indexOf('"') + 1;
          int to = s.lastIndexOf('"');
          links.add((inside ? "#" : "") + (to >= from && from > 0 ? s.substring(from, to) : ""));
        }
      }
    }

    @Override
    public void processCharacterBytes(byte[] bytes) {}

    @Override
    public void processBinaryBytes(byte[] bytes) {}

    @Override
    public void processString(String s) {
      switch (kind) {
        case TEXT -> text.append(s);
        case INSTRUCTION -> instruction.append(s);
        case SKIPPED -> {}
      }
    }

    @Override
    public void processCommand(Command c, int value, boolean hasValue, boolean optional) {
      switch (c) {
        case fldinst -> kind = kind == Kind.TEXT ? Kind.INSTRUCTION : kind;
        case shppict -> {}
        case pict -> {
          pictures++;
          kind = Kind.SKIPPED;
        }
        case footnote -> {
          notes++;
          kind = Kind.SKIPPED;
        }
        case nestrow -> rows++;
        case fonttbl,
            colortbl,
            stylesheet,
            info,
            listtext,
            shp,
            nonesttables,
            header,
            headerl,
            headerr,
            headerf,
            footer,
            footerl,
            footerr,
            footerf ->
            kind = Kind.SKIPPED;
        default -> {
          if (optional) {
            kind = Kind.SKIPPED;
          } else if (kind == Kind.TEXT) {
            inText(c);
          }
        }
      }
    }

    private void inText(Command c) {
      switch (c) {
        case par, cell, nestcell, sect -> endParagraph();
        case row -> rows++;
        case tab -> text.append('\t');
        case line -> text.append('\n');
        case page -> text.append('\f');
        case column -> text.append('\u000B');
        case nonbreakinghyphen -> text.append('\u2011');
        case nonbreakingspace -> text.append('\u00A0');
        case optionalhyphen -> text.append('\u00AD');
        default -> {}
      }
    }

    private void endParagraph() {
      if (!text.toString().isBlank()) {
        paragraphs.add(text.toString());
      }
      text.setLength(0);
    }
  }
}
