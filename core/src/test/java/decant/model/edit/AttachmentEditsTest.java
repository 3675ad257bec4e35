package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.AttachedFile;
import org.junit.jupiter.api.Test;

class AttachmentEditsTest {
  private static final AttachedFile CHARGES =
      new AttachedFile("charges.csv", "text/csv", "", new byte[] {1, 2});

  private static java.util.List<String> names(Revision r) {
    return r.document().attachments().stream().map(AttachedFile::name).toList();
  }

  @Test
  void filesAreAttachedDescribedRemovedAndGivenBack() {
    Revision r = Revision.of(Samples.varied(1, 5));
    Revision two = AttachmentEdits.attach(AttachmentEdits.attach(r, CHARGES), CHARGES);
    two =
        AttachmentEdits.attach(
            two, new AttachedFile("Charges 2.csv", "text/csv", "", new byte[] {3}));
    assertThat(names(two))
        .as("no two have one name, in small letters or capitals")
        .containsExactly("charges.csv", "charges 2.csv", "Charges 2 2.csv");
    AttachedFile second = two.document().attachments().get(1);
    assertThat(second.bytes()).containsExactly(1, 2);
    Revision said = AttachmentEdits.describe(two, second, " Charges of 2027 ");
    assertThat(said.document().attachments().get(1).description()).isEqualTo("Charges of 2027");
    Revision less = AttachmentEdits.remove(said, said.document().attachments().getFirst());
    assertThat(names(less)).hasSize(2).doesNotContain("charges.csv");
    assertThat(AttachmentEdits.remove(less, CHARGES)).as("what is not there").isSameAs(less);
    assertThat(less.undo().undo().undo().undo().undo().document().attachments()).isEmpty();
  }
}
