package decant.recipe;

import decant.model.Content;
import decant.model.Document;
import decant.model.Paragraph;
import decant.work.Faults;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import opennlp.tools.langdetect.LanguageDetectorME;
import opennlp.tools.langdetect.LanguageDetectorModel;

/** Tells what language a text is in, by the sequences of its letters (Apache OpenNLP). */
public final class Language {
  private static final int ENOUGH_LETTERS = 20_000;

  /** Of so few letters nothing can be told. */
  private static final int MIN_LETTERS = 30;

  /** How much likelier than the next one a language is that stands out. */
  private static final double STANDS_OUT = 1.2;

  private static final String MODEL = "/langdetect-183.bin";

  /** Loaded when it is first asked for, which takes a second. */
  private static final class Model {
    static final Optional<LanguageDetectorModel> LOADED = load();

    private static Optional<LanguageDetectorModel> load() {
      try (InputStream in = Language.class.getResourceAsStream(MODEL)) {
        return in == null ? Optional.empty() : Optional.of(new LanguageDetectorModel(in));
      } catch (IOException e) {
        Faults.mended("loading the model of languages", e);
        return Optional.empty();
      }
    }
  }

  /** From the codes of ISO 639-3 to those that BCP 47 asks for: the shortest there are. */
  private static final Map<String, String> SHORT = shortCodes();

  private Language() {}

  private static Map<String, String> shortCodes() {
    var out = new HashMap<String, String>();
    for (String code : Locale.getISOLanguages()) {
      out.put(Locale.of(code).getISO3Language(), Locale.of(code).toLanguageTag());
    }
    out.put("cmn", "zh");
    return out;
  }

  /** A BCP 47 tag; empty if no language stands out. */
  public static Optional<String> of(Content content) {
    return switch (content) {
      case Document d -> of(d);
    };
  }

  private static Optional<String> of(Document d) {
    var text = new StringBuilder();
    for (Paragraph p : d.paragraphs()) {
      text.append(p.text()).append('\n');
      if (text.length() > ENOUGH_LETTERS) {
        break;
      }
    }
    long letters = text.codePoints().filter(Character::isLetter).count();
    if (letters < MIN_LETTERS) {
      return Optional.empty();
    }
    return Model.LOADED
        .map(m -> new LanguageDetectorME(m).predictLanguages(text))
        .filter(l -> l.length > 1 && l[0].getConfidence() > STANDS_OUT * l[1].getConfidence())
        .map(l -> SHORT.getOrDefault(l[0].getLang(), l[0].getLang()));
  }
}
