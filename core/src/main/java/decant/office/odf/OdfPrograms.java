package decant.office.odf;

import java.util.List;
import java.util.regex.Pattern;

/** Programs in a document (ODF 1.3 part 3, §3.12, §7.5.4, §14.4): they never run, and stay out. */
final class OdfPrograms {
  /** Parts that hold a program; libraries without one have an index alone. */
  private static final Pattern PART =
      Pattern.compile(
          "Basic/[^/]+/(?!script-l[bc]\\.xml|dialog-l[bc]\\.xml).+\\.xml|Scripts/.*[^/]");

  private static final List<String> MARKUP =
      List.of("<script:event-listener", "<text:script", "<ooo:module", "<script:module");

  private OdfPrograms() {}

  /**
   * Whether there are any.
   *
   * @param names of the parts of a package; none of a flat file
   * @param markup of the text
   */
  static boolean areIn(List<String> names, String markup) {
    return names.stream().anyMatch(n -> PART.matcher(n).matches())
        || MARKUP.stream().anyMatch(markup::contains);
  }
}
