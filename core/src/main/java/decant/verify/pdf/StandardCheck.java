package decant.verify.pdf;

import decant.pdf.choices.PdfChoices;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import org.verapdf.core.EncryptedPdfException;
import org.verapdf.core.ModelParsingException;
import org.verapdf.core.ValidationException;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;

/** Whether a file keeps the standards that were asked for, by veraPDF. */
final class StandardCheck {
  private static final Words WORDS = Words.of(StandardCheck.class);

  private static final AtomicBoolean STARTED = new AtomicBoolean();

  private StandardCheck() {}

  static List<Check> of(Path file, PdfChoices choices) {
    var out = new ArrayList<Check>();
    if (choices.settings().conformance().isArchive()) {
      var s = choices.settings().conformance().standard();
      out.add(
          check(
              s.label(),
              file,
              PDFAFlavour.byFlavourId(s.part() + s.level().toLowerCase(Locale.ROOT))));
    }
    if (choices.settings().conformance().accessible()) {
      out.add(check("PDF/UA-1", file, PDFAFlavour.PDFUA_1));
    }
    return out;
  }

  private static Check check(String name, Path file, PDFAFlavour flavour) {
    if (STARTED.compareAndSet(false, true)) {
      VeraGreenfieldFoundryProvider.initialise();
    }
    try (PDFAParser parser = Foundries.defaultInstance().createParser(file.toFile(), flavour);
        PDFAValidator validator = Foundries.defaultInstance().createValidator(flavour, false)) {
      ValidationResult r = validator.validate(parser);
      String first =
          r.getTestAssertions().stream()
              .filter(a -> a.getStatus() == TestAssertion.Status.FAILED)
              .findFirst()
              .map(a ->
                  WORDS.say("standard-check.clause", a.getRuleId().getClause(), a.getMessage()))
              .orElse("");
      return Check.of(
          name,
          r.isCompliant(),
          WORDS.say("standard-check.kept-by-verapdfs-judgement"),
          WORDS.say("standard-check.not-kept", first));
    } catch (ModelParsingException
        | EncryptedPdfException
        | ValidationException
        | IOException
        | RuntimeException e) {
      return Check.of(name, false, "", WORDS.say("standard-check.could-not-be-checked"));
    }
  }
}
