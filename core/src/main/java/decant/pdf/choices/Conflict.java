package decant.pdf.choices;

import decant.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * Choices that cannot go together.
 *
 * @param group the group of choices that it is mended in
 * @param message why, and what to do, in the person's words
 */
public record Conflict(Group group, String message) {
  private static final Words WORDS = Words.of(Conflict.class);

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
    boolean locked = c.settings().security().protection() != Security.Protection.NONE;
    Conformance k = c.settings().conformance();
    if (locked && k.isArchive()) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              WORDS.say("conflict.forbids-encryption-so-that-the", k.standard().label())));
    }
    if (locked && k.writtenVersion().compareTo(c.settings().security().protection().since()) < 0) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              WORDS.say(
                  "conflict.needs-pdf-or-newer-pdf",
                  c.settings().security().protection().label(),
                  c.settings().security().protection().since().number(),
                  k.writtenVersion().number())));
    }
    if (locked
        && k.writtenVersion() == Version.V2_0
        && c.settings().security().protection() != Security.Protection.AES_256) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.pdf-2-0-has-no")));
    }
    if (locked && !c.settings().security().askToOpen() && !c.settings().security().askToChange()) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.protection-needs-a-password-one")));
    }
    if (locked && c.settings().security().askToOpen() && c.passwords().open().isEmpty()) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.the-password-to-open-the")));
    }
    if (locked && c.settings().security().askToChange() && c.passwords().change().isEmpty()) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.the-password-to-lift-the")));
    }
    if (locked
        && c.settings().security().askToOpen()
        && c.settings().security().askToChange()
        && !c.passwords().open().isEmpty()
        && c.passwords().open().equals(c.passwords().change())) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.both-passwords-are-the-same")));
    }
    if (locked
        && !c.settings().security().encryptMetadata()
        && !c.settings().security().protection().isAes()) {
      out.add(
          new Conflict(
              Group.RIGHTS,
              WORDS.say(
                  "conflict.cannot-leave-the-particulars-unencrypted",
                  c.settings().security().protection().label())));
    }
    if (locked
        && k.accessible()
        && !c.settings().security().allowed().contains(Permission.READ_ALOUD)) {
      out.add(new Conflict(Group.RIGHTS, WORDS.say("conflict.pdf-ua-1-asks-that")));
    }
    if (k.accessible() && k.standard().part() == 4) {
      out.add(new Conflict(Group.KEEPING, WORDS.say("conflict.pdf-ua-1-builds-on")));
    }
    if (k.accessible() && k.writtenVersion() == Version.V2_0 && !k.isArchive()) {
      out.add(new Conflict(Group.KEEPING, WORDS.say("conflict.pdf-ua-1-builds-on-2")));
    }
    if (k.enclosures().source() && !k.standard().takesAttachments()) {
      out.add(
          new Conflict(
              Group.KEEPING,
              WORDS.say("conflict.takes-no-attached-files-of", k.standard().label())));
    }
    boolean leavesOut =
        c.settings().fonts().usual() == FontEmbedding.Embedding.LEFT_OUT
            || c.settings().fonts().fonts().values().stream()
                .anyMatch(f -> f.embedding() == FontEmbedding.Embedding.LEFT_OUT);
    if (leavesOut && (k.isArchive() || k.accessible())) {
      out.add(
          new Conflict(
              Group.TYPE,
              WORDS.say(
                  "conflict.asks-for-every-font-to",
                  (k.isArchive() ? k.standard().label() : "PDF/UA-1"))));
    }
    if (c.settings().initialView().page() > Math.max(1, c.pages().size())) {
      out.add(
          new Conflict(
              Group.FIRST_SIGHT,
              WORDS.count(
                  "conflict.opens-at", c.pages().size(), c.settings().initialView().page())));
    }
    return out;
  }
}
