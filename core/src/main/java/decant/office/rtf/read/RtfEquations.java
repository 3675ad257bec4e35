package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;

/** Equations (Rich Text Format 1.9.1, “Math”). */
final class RtfEquations {
  private RtfEquations() {}

  /** Whether a group is a part of an equation that holds characters of it, not how they stand. */
  static boolean isPart(Command c) {
    return switch (c) {
      case mr,
          mf,
          mnum,
          mden,
          me,
          msSup,
          msup,
          msSub,
          msub,
          msSubSup,
          msPre,
          mrad,
          mdeg,
          mnary,
          md,
          mfunc,
          mfName,
          mlim,
          mlimlow,
          mlimupp,
          macc,
          mbar,
          mbox,
          mborderBox,
          mm,
          mmr,
          meqArr,
          mgroupChr,
          mphant ->
          true;
      default -> false;
    };
  }
}
