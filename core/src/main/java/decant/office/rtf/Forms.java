package decant.office.rtf;

import decant.office.emit.Event;
import decant.office.field.AskedFor;

/** Places to fill in (Rich Text Format 1.9.1, “Form Fields”). */
final class Forms {
  private final RtfTokens o;

  Forms(RtfTokens o) {
    this.o = o;
  }

  /**
   * Begins one; its result and itself stay open.
   *
   * @return whether it shows itself, so that no text stands on it
   */
  boolean begin(Event.FieldStart f) {
    AskedFor a = AskedFor.of(f.field(), f.text());
    boolean text = a.kind() == AskedFor.Kind.TEXT;
    o.open().word("field").destination("fldinst").text(a.kind().keyword() + " ");
    o.destination("formfield").open().word("fftype", a.kind().ordinal());
    if (text) {
      o.word("fftypetxt", a.text().ordinal());
      if (a.most() > 0) {
        o.word("ffmaxlen", a.most());
      }
    } else {
      o.word("ffres", a.at());
    }
    o.flag("ffhaslistbox", a.kind() == AskedFor.Kind.CHOICE);
    o.destination("ffname").text(a.name()).close();
    if (!a.written().isEmpty()) {
      o.destination("ffformat").text(a.written()).close();
    }
    a.options().forEach(s -> o.destination("ffl").text(s).close());
    o.close().close().close();
    o.open().word("fldrslt");
    return !text;
  }
}
