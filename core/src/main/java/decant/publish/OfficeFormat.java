package decant.publish;

import decant.layout.ListLabels;
import decant.model.Document;
import decant.office.docx.DocxWriter;
import decant.office.rtf.RtfWriter;
import decant.reading.Active;
import decant.verify.Check;
import decant.verify.office.DocxVerifier;
import decant.verify.office.RtfVerifier;
import decant.words.Words;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The formats of editable documents that are written. */
public enum OfficeFormat {
  /** ISO/IEC 29500. */
  DOCX("DOCX") {
    @Override
    public void write(Document d, OutputStream out) throws IOException {
      DocxWriter.write(d, out);
    }

    @Override
    public List<String> leavesOut(Document d) {
      return List.of();
    }

    @Override
    public List<Check> verify(Path file, Document d) {
      return DocxVerifier.verify(file, d);
    }
  },
  /** Rich Text Format 1.9.1, which office programs of every age read. */
  RTF("RTF") {
    @Override
    public void write(Document d, OutputStream out) throws IOException {
      RtfWriter.write(d, ListLabels.of(d), out);
    }

    @Override
    public List<String> leavesOut(Document d) {
      var out = new ArrayList<String>();
      Enclosed has = Enclosed.in(d);
      if (has.files() > 0) {
        out.add(WORDS.count("office-format.files", has.files()));
      }
      if (has.blanks() > 0) {
        out.add(WORDS.count("office-format.fields", has.blanks()));
      }
      if (!d.styles().typesetting().fonts().isEmpty()) {
        out.add(WORDS.say("office-format.fonts"));
      }
      if (has.kept() > 0) {
        out.add(WORDS.count("office-format.kept", has.kept()));
      }
      return out;
    }

    @Override
    public List<Check> verify(Path file, Document d) {
      return RtfVerifier.verify(file, d);
    }
  };

  private static final Words WORDS = Words.of(OfficeFormat.class);

  private final String label;

  OfficeFormat(String label) {
    this.label = label;
  }

  /** As a person calls it. */
  public String label() {
    return label;
  }

  /** Without the dot. */
  public String extension() {
    return label.toLowerCase(java.util.Locale.ROOT);
  }

  /**
   * Of the file that a document becomes: one whose macros go along says so in its name, as programs
   * ask for before they open it.
   */
  public String extension(Document d, Active active) {
    return this == DOCX && active == Active.KEEP && DocxWriter.hasMacros(d) ? "docm" : extension();
  }

  /** Writes a document. @throws IOException if the stream cannot be written */
  public abstract void write(Document d, OutputStream out) throws IOException;

  /** What of a document the format has no room for, in the person's words. */
  public abstract List<String> leavesOut(Document d);

  /** Reads a file of this format back and compares it with the document. */
  public abstract List<Check> verify(Path file, Document d);
}
