package decant.office.doc;

import decant.model.Inline;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.pending.Authors;
import decant.office.pending.Dttm;
import decant.office.pending.Pending;
import java.util.List;
import java.util.OptionalInt;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.RevisionMarkAuthorTable;

/** Changes that wait to be accepted ([MS-DOC] 2.6.1; those who made them, 2.9.277). */
final class DocChanges {
  private static final int PUT_IN_BY = 0x4804; // sprmCIbstRMark
  private static final int PUT_IN_AT = 0x6805; // sprmCDttmRMark
  private static final int TAKEN_OUT_BY = 0x4863; // sprmCIbstRMarkDel
  private static final int TAKEN_OUT_AT = 0x6864; // sprmCDttmRMarkDel

  private final HWPFDocument file;

  DocChanges(HWPFDocument file) {
    this.file = file;
  }

  /** A look of letters, with the change that put them in. */
  Look putIn(Look look, byte[] said) {
    Pending p = pending(Pending.Kind.PUT_IN, said, PUT_IN_BY, PUT_IN_AT, "");
    return look.with(TextTraits.KEPT, List.of(p.kept()));
  }

  /** Text that was taken out is kept where it stood; more of the same change goes with it. */
  void takenOut(String text, byte[] said, Look look, List<Inline> open) {
    Pending now = pending(Pending.Kind.TAKEN_AWAY, said, TAKEN_OUT_BY, TAKEN_OUT_AT, text);
    now.after(open, look);
  }

  private Pending pending(Pending.Kind kind, byte[] said, int by, int at, String text) {
    OptionalInt when = DocSprms.last(said, 0, at);
    return new Pending(
        kind,
        author(DocSprms.last(said, 0, by).orElse(0)),
        when.isPresent() ? Dttm.read(when.getAsInt()) : "",
        text);
  }

  private String author(int number) {
    RevisionMarkAuthorTable all = file.getRevisionMarkAuthorTable();
    return all == null ? "" : Authors.name(all.getEntries(), number);
  }
}
