package decant.office.odf;

import decant.model.finding.Finding;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Programs in a document (ODF 1.3 part 3, §3.12, §7.5.4, §14.4): they never run, and stay out. */
final class OdfPrograms {
  private static final Words WORDS = Words.of(OdfPrograms.class);

  /** Parts that hold a program; libraries without one have an index alone. */
  private static final Pattern PART =
      Pattern.compile(
          "Basic/[^/]+/(?!script-l[bc]\\.xml|dialog-l[bc]\\.xml).+\\.xml|Scripts/.*[^/]");

  private static final Pattern MARKUP =
      Pattern.compile("<script:event-listener|<text:script\\b|<ooo:module\\b|<script:module\\b");

  private OdfPrograms() {}

  /**
   * @param names of the parts of a package; none of a flat file
   * @param markup of the text
   */
  static Optional<Finding> finding(List<String> names, String markup) {
    return names.stream().anyMatch(n -> PART.matcher(n).matches()) || MARKUP.matcher(markup).find()
        ? Optional.of(
            Finding.general(
                Finding.Kind.CONTENT_LEFT_OUT,
                Finding.Severity.LOSS,
                WORDS.say("odf-programs.left-out")))
        : Optional.empty();
  }
}
