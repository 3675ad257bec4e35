package decant.pdf.read;

import decant.words.Words;
import java.io.EOFException;
import java.util.Locale;

/** What is damaged in a PDF, in the person's words; what a library says of it goes to the log. */
final class PdfDamage {
  private static final Words WORDS = Words.of(PdfDamage.class);
  private static final System.Logger LOG = System.getLogger(PdfDamage.class.getName());

  private PdfDamage() {}

  /** The end of a sentence, such as ": its list of pages is damaged"; empty if it is not known. */
  static String of(Throwable e) {
    LOG.log(System.Logger.Level.INFO, "a PDF cannot be read", e);
    String said = String.valueOf(e.getMessage()).toLowerCase(Locale.ROOT);
    if (e instanceof EOFException || said.contains("end-of-file") || said.contains("end of file")) {
      return WORDS.say("pdf-damage.ends");
    }
    if (said.contains("page tree") || said.contains("pages root") || said.contains("/kids")) {
      return WORDS.say("pdf-damage.pages");
    }
    if (said.contains("xref") || said.contains("trailer") || said.contains("root object")) {
      return WORDS.say("pdf-damage.objects");
    }
    return said.contains("header") ? WORDS.say("pdf-damage.header") : "";
  }
}
