package decant.pdf.choices;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Metadata;
import decant.pdf.choices.Conflict.Group;
import decant.pdf.choices.Conformance.Standard;
import decant.pdf.choices.Security.Protection;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What standards forbid to go together is refused with the group where it is put right. */
class ConflictTest {
  private static final PdfChoices FREE = PdfChoices.defaults(List.of(0, 1), Metadata.NONE);
  private static final Passwords BOTH = new Passwords("quay", "master");

  private static Security security(Protection p, boolean open, boolean change) {
    return new Security(p, open, change, EnumSet.allOf(Permission.class), true);
  }

  private static PdfChoices locked(Protection p, Conformance k) {
    return FREE.with(security(p, true, true), BOTH).with(k);
  }

  private static Conformance conformance(Standard s) {
    return Conformance.DEFAULT.with(s);
  }

  private record Case(String why, PdfChoices choices, Group... groups) {
    @Override
    public String toString() {
      return why;
    }
  }

  static Stream<Case> cases() {
    Protection aes = Protection.AES_256;
    Conformance accessible = Conformance.DEFAULT.withAccessible(true);
    var noReading = new Security(aes, true, false, EnumSet.of(Permission.PRINT), true);
    var fontOut =
        new FontEmbedding(
            FontEmbedding.Embedding.USED,
            Map.of(
                "Liberation Serif",
                new FontEmbedding.FontChoice(
                    FontEmbedding.Embedding.LEFT_OUT, FontEmbedding.Substitute.values()[0])));
    return Stream.of(
        new Case("nothing is chosen", FREE),
        new Case("locked in full", locked(aes, Conformance.DEFAULT)),
        // ISO 19005-2 6.1.3 and its siblings: no Encrypt key
        new Case("an archive is encrypted", locked(aes, conformance(Standard.A2B)), Group.RIGHTS),
        // ISO 32000-2 table 25: AESV3 only in 2.0, in 1.7 by its extension level 3
        new Case(
            "AES-256 in 1.4", locked(aes, Conformance.DEFAULT.with(Version.V1_4)), Group.RIGHTS),
        new Case(
            "AES-128 in 1.5",
            locked(Protection.AES_128, Conformance.DEFAULT.with(Version.V1_5)),
            Group.RIGHTS),
        new Case(
            "AES-128 in 1.6", locked(Protection.AES_128, Conformance.DEFAULT.with(Version.V1_6))),
        new Case("RC4 in 1.4", locked(Protection.RC4_128, Conformance.DEFAULT.with(Version.V1_4))),
        // ISO 32000-2 7.6.1: the older ones are deprecated
        new Case(
            "RC4 in 2.0",
            locked(Protection.RC4_128, Conformance.DEFAULT.with(Version.V2_0)),
            Group.RIGHTS),
        new Case("AES-256 in 2.0", locked(aes, Conformance.DEFAULT.with(Version.V2_0))),
        new Case(
            "no password is asked for",
            FREE.with(security(aes, false, false), Passwords.NONE),
            Group.RIGHTS),
        new Case(
            "no password to open",
            FREE.with(security(aes, true, false), Passwords.NONE),
            Group.RIGHTS),
        new Case(
            "no password to change",
            FREE.with(security(aes, false, true), new Passwords("quay", "")),
            Group.RIGHTS),
        new Case(
            "neither password",
            FREE.with(security(aes, true, true), Passwords.NONE),
            Group.RIGHTS,
            Group.RIGHTS),
        new Case(
            "one password for both",
            FREE.with(security(aes, true, true), new Passwords("quay", "quay")),
            Group.RIGHTS),
        // ISO 32000-2 table 20: EncryptMetadata only where V is 4 or 5
        new Case(
            "metadata in the clear with RC4",
            FREE.with(
                new Security(Protection.RC4_40, true, true, EnumSet.allOf(Permission.class), false),
                BOTH),
            Group.RIGHTS),
        new Case(
            "metadata in the clear with AES",
            FREE.with(new Security(aes, true, true, EnumSet.allOf(Permission.class), false), BOTH)),
        // ISO 14289-1 7.16: bit 10 is set
        new Case("no reading aloud", FREE.with(noReading, BOTH).with(accessible), Group.RIGHTS),
        new Case("no reading aloud, not accessible", FREE.with(noReading, BOTH)),
        new Case(
            "PDF/UA-1 on PDF/A-4",
            FREE.with(conformance(Standard.A4).withAccessible(true)),
            Group.KEEPING),
        new Case("PDF/UA-1 on 2.0", FREE.with(accessible.with(Version.V2_0)), Group.KEEPING),
        new Case("PDF/UA-1 on PDF/A-2", FREE.with(conformance(Standard.A2A).withAccessible(true))),
        new Case("a source in PDF/A-2", FREE.with(source(Standard.A2B)), Group.KEEPING),
        new Case("a source in PDF/A-3", FREE.with(source(Standard.A3B))),
        new Case("a source in PDF/A-4f", FREE.with(source(Standard.A4F))),
        new Case("a source in PDF/A-4", FREE.with(source(Standard.A4)), Group.KEEPING),
        new Case(
            "fonts left out of an archive",
            FREE.with(new FontEmbedding(FontEmbedding.Embedding.LEFT_OUT, Map.of()))
                .with(conformance(Standard.A1B)),
            Group.TYPE),
        new Case(
            "one font left out of an accessible file",
            FREE.with(fontOut).with(accessible),
            Group.TYPE),
        new Case("one font left out", FREE.with(fontOut)),
        new Case("opens past the end", FREE.with(opensAt(3)), Group.FIRST_SIGHT),
        new Case("opens at the last page", FREE.with(opensAt(2))));
  }

  private static Conformance source(Standard s) {
    Conformance k = conformance(s);
    return k.with(k.enclosures().withSource(true));
  }

  private static InitialView opensAt(int page) {
    InitialView f = InitialView.DEFAULT;
    return new InitialView(
        page,
        f.zoom(),
        f.panel(),
        f.arrangement(),
        InitialView.Window.DEFAULT,
        new InitialView.Printing(f.printing().scaling(), f.printing().duplex(), 0));
  }

  @ParameterizedTest
  @MethodSource("cases")
  void isToldInItsGroup(Case c) {
    assertThat(Conflict.of(c.choices())).extracting(Conflict::group).containsExactly(c.groups());
    assertThat(Conflict.of(c.choices()))
        .extracting(Conflict::message)
        .allMatch(m -> m.endsWith(".") && !m.contains("{") && Character.isUpperCase(m.charAt(0)))
        .doesNotHaveDuplicates();
  }

  @ParameterizedTest
  @EnumSource(Standard.class)
  void everyStandardCanBeChosenAlone(Standard s) {
    assertThat(Conflict.of(FREE.with(conformance(s)))).isEmpty();
  }

  /** None of the archives may be encrypted, by any means. */
  @ParameterizedTest
  @EnumSource(Standard.class)
  void noArchiveIsEncrypted(Standard s) {
    for (Protection p : Protection.values()) {
      boolean refused = !Conflict.of(locked(p, conformance(s))).isEmpty();

      if (s != Standard.NONE && p != Protection.NONE) {
        assertThat(refused).as(s + " " + p).isTrue();
      } else if (p == Protection.NONE) {
        assertThat(refused).isFalse();
      }
    }
  }

  @Test
  void severalAreToldAtOnce() {
    PdfChoices c =
        locked(Protection.AES_256, source(Standard.A1B))
            .with(new FontEmbedding(FontEmbedding.Embedding.LEFT_OUT, Map.of()))
            .with(opensAt(9));
    assertThat(Conflict.of(c))
        .extracting(Conflict::group)
        .contains(Group.RIGHTS, Group.KEEPING, Group.TYPE, Group.FIRST_SIGHT);
  }
}
