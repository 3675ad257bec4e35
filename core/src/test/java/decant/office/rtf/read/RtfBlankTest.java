package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Inline;
import decant.model.look.FormField;
import decant.model.look.TextTraits;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Places to fill in, written by hand after Rich Text Format 1.9.1, “Form Fields”. */
class RtfBlankTest {
  private static List<Inline.Text> on(String rtf) {
    return RtfIn.read("\\pard " + rtf + "\\par").paragraphs().getFirst().inlines().stream()
        .map(i -> (Inline.Text) i)
        .filter(t -> t.look().sets(TextTraits.FIELD))
        .toList();
  }

  private static String field(String kind, String said, String shown) {
    return "{\\field{\\*\\fldinst FORM"
        + kind
        + " {\\*\\formfield{"
        + said
        + "}}}{\\fldrslt "
        + shown
        + "}}";
  }

  @Test
  void textIsWhatTheFieldShows() {
    List<Inline.Text> all =
        on(
            "Boat "
                + field(
                    "TEXT",
                    "\\fftype0\\ffmaxlen20{\\*\\ffname Boat}{\\*\\ffdeftext None}{\\*\\ffhelptext Her name}",
                    "\\plain\\b Tern")
                + " of "
                + field("TEXT", "\\fftype0", "Ann"));
    assertThat(all).extracting(Inline.Text::text).containsExactly("Tern", "Ann");
    FormField boat = all.getFirst().look().value(TextTraits.FIELD);
    assertThat(boat.name()).isEqualTo("Boat");
    assertThat(boat.kind()).isEqualTo(FormField.Kind.TEXT);
    assertThat(all.getFirst().look().value(TextTraits.BOLD)).isTrue();
    FormField owner = all.getLast().look().value(TextTraits.FIELD);
    assertThat(owner.name()).isEqualTo("Field to fill in");
    assertThat(owner.id()).isNotEqualTo(boat.id());
  }

  @Test
  void boxesAndChoicesShowWhatIsSaid() {
    List<Inline.Text> all =
        on(
            field("CHECKBOX", "\\fftype1\\ffres1\\ffdefres0{\\*\\ffname Water}", "")
                + field("CHECKBOX", "\\fftype1\\ffres25\\ffdefres0", "")
                + field("CHECKBOX", "\\fftype1\\ffdefres1", "")
                + field(
                    "DROPDOWN",
                    "\\fftype2\\ffres1{\\*\\ffname Quay}{\\*\\ffl North}{\\*\\ffl South}",
                    "North")
                + field("DROPDOWN", "\\fftype2\\ffres9{\\*\\ffl North}", "North"));
    assertThat(all).extracting(Inline.Text::text).containsExactly("☑", "☐", "☑", "South", "North");
    assertThat(all.getFirst().look().value(TextTraits.FIELD).kind()).isEqualTo(FormField.Kind.TICK);
    FormField quay = all.get(3).look().value(TextTraits.FIELD);
    assertThat(quay.kind()).isEqualTo(FormField.Kind.CHOICE);
    assertThat(quay.options()).containsExactly("North", "South");
  }

  /** A field ends where it ends: what comes after is no part of it. */
  @Test
  void whatComesAfterIsNoPartOfIt() {
    assertThat(
            RtfIn.texts(
                RtfIn.read(
                    "\\pard "
                        + field("TEXT", "\\fftype0", "one")
                        + " two"
                        + field("CHECKBOX", "\\fftype1", "")
                        + " three\\par")))
        .containsExactly("one two☐ three");
    assertThat(on(field("TEXT", "\\fftype0", "one") + " two")).hasSize(1);
  }
}
