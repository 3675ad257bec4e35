package decant.pdf.choices;

import java.util.ArrayList;
import java.util.List;

/**
 * Choices that cannot go together.
 *
 * @param group the group of choices that it is mended in
 * @param message why, and what to do, in the person's words
 */
public record Conflict(Group group, String message) {
  /** The groups of choices. */
  public enum Group {
    TYPE,
    WEIGHT,
    RIGHTS,
    PARTICULARS,
    KEEPING,
    FIRST_SIGHT
  }

  /** What is wrong with some choices; empty if they can be obeyed. */
  public static List<Conflict> of(PdfChoices c) {
    var out = new ArrayList<Conflict>();
    boolean locked = c.rights().protection() != Rights.Protection.NONE;
    Keeping k = c.keeping();
    if (locked && k.isArchive()) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              k.standard().label()
                  + " forbids encryption, so that the file can be opened for good. Give up one of"
                  + " the two."));
    }
    if (locked && k.writtenVersion().compareTo(c.rights().protection().since()) < 0) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              c.rights().protection().label()
                  + " needs PDF "
                  + c.rights().protection().since().number()
                  + " or newer; PDF "
                  + k.writtenVersion().number()
                  + " is chosen."));
    }
    if (locked
        && k.writtenVersion() == Version.V2_0
        && c.rights().protection() != Rights.Protection.AES_256) {
      out.add(new Conflict(Group.RIGHTS, "PDF 2.0 has no protection but AES-256."));
    }
    if (locked && !c.rights().askToOpen() && !c.rights().askToChange()) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              "Protection needs a password: one to open the file, one to lift the limits, or"
                  + " both."));
    }
    if (locked && c.rights().askToOpen() && c.passwords().open().isEmpty()) {
      out.add(new Conflict(Group.RIGHTS, "The password to open the file is still to be given."));
    }
    if (locked && c.rights().askToChange() && c.passwords().change().isEmpty()) {
      out.add(new Conflict(Group.RIGHTS, "The password to lift the limits is still to be given."));
    }
    if (locked
        && c.rights().askToOpen()
        && c.rights().askToChange()
        && !c.passwords().open().isEmpty()
        && c.passwords().open().equals(c.passwords().change())) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              "Both passwords are the same, so whoever opens the file has no limits. Choose two."));
    }
    if (locked && !c.rights().encryptParticulars() && !c.rights().protection().isAes()) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              c.rights().protection().label() + " cannot leave the particulars unencrypted."));
    }
    if (locked && k.accessible() && !c.rights().allowed().contains(Permission.READ_ALOUD)) {
      out.add(
          new Conflict(Group.RIGHTS, "PDF/UA-1 asks that aids may read the file aloud. Allow it."));
    }
    if (k.accessible() && k.standard().part() == 4) {
      out.add(
          new Conflict(
              Group.KEEPING,
              "PDF/UA-1 builds on PDF 1.7 and PDF/A-4 on PDF 2.0: one file cannot be both."));
    }
    if (k.accessible() && k.writtenVersion() == Version.V2_0 && !k.isArchive()) {
      out.add(new Conflict(Group.KEEPING, "PDF/UA-1 builds on PDF 1.7, not on 2.0."));
    }
    if (k.along().source() && !k.standard().takesAttachments()) {
      out.add(
          new Conflict(
              Group.KEEPING,
              k.standard().label()
                  + " takes no attached files of other kinds. PDF/A-3b, 3a and 4f do."));
    }
    boolean leavesOut =
        c.type().usual() == Type.Embedding.LEFT_OUT
            || c.type().fonts().values().stream()
                .anyMatch(f -> f.embedding() == Type.Embedding.LEFT_OUT);
    if (leavesOut && (k.isArchive() || k.accessible())) {
      out.add(
          new Conflict(
              Group.TYPE,
              (k.isArchive() ? k.standard().label() : "PDF/UA-1")
                  + " asks for every font to be embedded."));
    }
    if (c.firstSight().page() > Math.max(1, c.pages().size())) {
      out.add(
          new Conflict(
              Group.FIRST_SIGHT,
              "The file opens at page "
                  + c.firstSight().page()
                  + ", but has only "
                  + c.pages().size()
                  + (c.pages().size() == 1 ? " page." : " pages.")));
    }
    return out;
  }
}
