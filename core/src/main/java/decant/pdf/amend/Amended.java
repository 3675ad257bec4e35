package decant.pdf.amend;

import java.util.List;

/**
 * What became of a file.
 *
 * @param changed how many places were changed
 * @param left those that were not
 * @param told what else there is to know, in the person's words
 */
public record Amended(int changed, List<Left> left, List<String> told) {
  public Amended {
    left = List.copyOf(left);
    told = List.copyOf(told);
  }
}
