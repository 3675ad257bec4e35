package decant.office.docx;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.format.Written;
import decant.model.Document;
import decant.office.docx.weave.Woven;
import decant.office.docx.write.DocxWriter;
import decant.office.source.Ways;
import decant.office.xml.PackageGlance;
import decant.reading.Active;
import decant.verify.office.DocxVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

/** Office Open XML text documents (ISO/IEC 29500). */
public final class DocxFormat implements FormatService {
  private static final String WITH_MACROS = "docm";

  private static final Format FORMAT =
      new Format(
          "docx",
          "DOCX",
          Format.Family.TEXT,
          "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
          List.of("docx", WITH_MACROS),
          DocxFormat::knows,
          EnumSet.complementOf(EnumSet.of(Format.Holding.COMMENTS_ON_RUNNING_TEXTS)));

  private static final Ways WAYS =
      new Ways(
          FORMAT.id(),
          request -> DocxReader.read(request).document(),
          DocxWriter::write,
          DocxVerifier::verify);

  /** A package of this kind; a damaged one too, so that its reader says what is wrong with it. */
  private static boolean knows(FileContent c) {
    if (c.isDamagedZip()) {
      return true;
    }
    boolean other =
        c.packs("xl/workbook.xml") || c.packs("xl/workbook.bin") || c.packs("ppt/presentation.xml");
    boolean some = c.packsBelow("word/") || c.packs("[content_types].xml");
    return some && !other && !c.packedMediaType().contains("opendocument");
  }

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(DocxReader::read);
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of((d, out) -> write(d, false, out));
  }

  @Override
  public Optional<Format> templates() {
    return Optional.of(DotxFormat.FORMAT);
  }

  /** What its main part is says whether it is one (ISO/IEC 29500-1 §11.3.10). */
  @Override
  public boolean isTemplate(Path file) throws IOException {
    return PackageGlance.says(file, "[Content_Types].xml", ".template.");
  }

  /** Into the package that the document came in, if there is one. */
  static Written write(Document d, boolean template, OutputStream out) throws IOException {
    return Written.of(new Woven(WAYS, template).write(d, out));
  }

  @Override
  public Optional<Locker> locker() {
    return Optional.of(new PackageLock());
  }

  @Override
  public String extension(Document d, Active active) {
    return active == Active.KEEP && DocxWriter.hasMacros(d) ? WITH_MACROS : FORMAT.extension();
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(DocxVerifier::verify);
  }
}
