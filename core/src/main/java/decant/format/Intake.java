package decant.format;

import decant.office.docx.DocxReader;
import decant.pdf.read.PdfReader;
import decant.reading.ReadProblem;
import decant.reading.ReadProblem.Kind;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Takes files in: finds out what they are and hands them to their reader. The file is only ever
 * read.
 */
public final class Intake {
  private Intake() {}

  /** Takes a file in. @throws ReadProblem with a message in the person's words */
  public static TakenIn take(ReadRequest request) throws ReadProblem {
    Path file = request.file();
    FileFormat format = recognise(request, file);
    try {
      return switch (format) {
        case PDF -> PdfReader.read(request);
        case DOCX -> DocxReader.read(request);
        case LOCKED_OFFICE ->
            throw new ReadProblem(
                Kind.ENCRYPTED,
                "The document is locked with a password, and Decant cannot unlock office documents yet. Save it without its password and take that in.");
        case UNKNOWN ->
            throw new ReadProblem(
                Kind.NOT_A_DOCUMENT,
                "This is not a document that Decant knows. It takes in PDF and DOCX.");
        case PICTURE, ZIP, HTML, XLSX, PPTX, ODT, ODS, ODP, RTF, OLE ->
            throw new ReadProblem(
                format == FileFormat.PICTURE || format == FileFormat.ZIP
                    ? Kind.NOT_A_DOCUMENT
                    : Kind.NOT_SERVED,
                "This is " + article(format.label()) + ". Decant takes in PDF and DOCX so far.");
      };
    } catch (OutOfMemoryError e) {
      throw new ReadProblem(Kind.TOO_LARGE, "The document is too large for the memory at hand.", e);
    }
  }

  private static FileFormat recognise(ReadRequest request, Path file) throws ReadProblem {
    if (!Files.exists(file)) {
      throw new ReadProblem(Kind.NOT_FOUND, "There is no file of this name here any more.");
    }
    if (Files.isDirectory(file)) {
      throw new ReadProblem(Kind.NOT_A_DOCUMENT, "This is a folder, not a document.");
    }
    try {
      long size = Files.size(file);
      if (size == 0) {
        throw new ReadProblem(Kind.EMPTY, "The file is empty.");
      }
      if (size > request.limits().fileBytes()) {
        throw new ReadProblem(
            Kind.TOO_LARGE,
            "The file has "
                + (size >> 20)
                + " MiB; up to "
                + (request.limits().fileBytes() >> 20)
                + " MiB can be taken in.");
      }
      return Recogniser.recognise(file);
    } catch (AccessDeniedException e) {
      throw new ReadProblem(Kind.UNREADABLE, "You have no permission to read this file.", e);
    } catch (IOException e) {
      throw new ReadProblem(
          Kind.UNREADABLE, "The file cannot be read (" + e.getMessage() + ").", e);
    }
  }

  private static String article(String label) {
    return ("AEIOX".indexOf(label.charAt(0)) >= 0
                || "aeio".indexOf(label.charAt(0)) >= 0
                || label.startsWith("HTML")
                || label.startsWith("RTF")
            ? "an "
            : "a ")
        + label;
  }
}
