package decant.office.rtf;

import decant.model.Document;
import decant.model.Metadata;
import decant.model.look.Colour;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.office.emit.NumberCodes;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;

/** What stands before the text: fonts, colours, styles, lists, particulars. */
final class Head {
  private static final int LEVELS = 9;

  private final RtfTokens o;
  private final Document document;
  private final Registers registers;
  private final Looks looks;

  Head(RtfTokens o, Document document, Registers registers, Looks looks) {
    this.o = o;
    this.document = document;
    this.registers = registers;
    this.looks = looks;
  }

  void fontsAndColours() {
    o.open().word("fonttbl");
    int n = 0;
    for (String family : registers.fonts()) {
      o.open().word("f", n++).word("fnil").word("fcharset0").text(family + ";").close();
    }
    o.close().newLine();
    o.open().word("colortbl").text(";");
    for (Colour c : registers.colours()) {
      o.word("red", c.red()).word("green", c.green()).word("blue", c.blue()).text(";");
    }
    o.close().newLine();
  }

  void styles() {
    o.open().word("stylesheet");
    if (document.styles().style(document.styles().defaultStyle()).isEmpty()) {
      style(0, Look.PLAIN);
      o.word("snext", 0).text("Normal;").close().newLine();
    }
    for (NamedStyle s : document.styles().styles().values()) {
      int number = registers.style(s.id());
      String based = s.basedOn().orElse("");
      switch (s.kind()) {
        case PARAGRAPH -> {
          style(number, Look.of(ParagraphTraits.STYLE, s.id()));
          if (!based.isEmpty()) {
            o.word("sbasedon", registers.style(based));
          }
          boolean known = s.next().filter(document.styles().styles()::containsKey).isPresent();
          o.word("snext", known ? registers.style(s.next().orElseThrow()) : number);
          o.text(name(s) + ";").close().newLine();
        }
        case CHARACTER -> {
          o.destination("cs" + number).word("additive");
          o.text(name(s) + ";").close().newLine();
        }
        case TABLE -> {}
      }
    }
    o.close().newLine();
  }

  /** Begins a style with all that it gives; the group stays open. */
  private void style(int number, Look direct) {
    o.open().word("s", number);
    looks.paragraph(document.styles().paragraphLook(direct, Look.PLAIN, document.lists()));
    looks.text(document.styles().textBase(direct), false);
  }

  /** Names of built-in styles are written in lower case in this format, as readers know them. */
  private static String name(NamedStyle s) {
    String plain = s.name().replaceAll("[;{}\\\\]", " ");
    return plain.matches("(?i)heading [1-9]") ? plain.toLowerCase(Locale.ROOT) : plain;
  }

  /** Those who made changes that are not accepted yet. */
  void authors() {
    List<String> authors = registers.authors().table();
    if (authors.isEmpty()) {
      return;
    }
    o.destination("revtbl");
    authors.forEach(a -> o.open().text(a.replace(';', ',') + ";").close());
    o.close().newLine();
  }

  void lists() {
    if (document.lists().isEmpty()) {
      return;
    }
    var series = new LinkedHashMap<String, ListDefinition>();
    document.lists().values().forEach(l -> series.putIfAbsent(l.series(), l));
    o.destination("listtable").newLine();
    series.forEach((id, l) -> {
      int number = registers.series(id);
      o.open().word("list").word("listtemplateid", number);
      for (int k = 0; k < LEVELS; k++) {
        level(l.level(k), k);
      }
      o.open().word("listname").text(";").close();
      o.word("listid", number).close().newLine();
    });
    o.close().newLine();
    o.destination("listoverridetable");
    for (ListDefinition l : document.lists().values()) {
      boolean anew = !l.series().equals(l.id()) && !l.restarts().isEmpty();
      int deepest = l.restarts().stream().mapToInt(d -> d).max().orElse(-1);
      o.open().word("listoverride").word("listid", registers.series(l.series()));
      o.word("listoverridecount", anew ? deepest + 1 : 0);
      for (int k = 0; anew && k <= deepest; k++) {
        o.open().word("lfolevel");
        if (l.restarts().contains(k)) {
          o.word("listoverridestartat").word("levelstartat", l.level(k).start());
        }
        o.close();
      }
      o.word("ls", registers.list(l.id())).close();
    }
    o.close().newLine();
  }

  private void level(Level l, int depth) {
    int format = NumberCodes.of(l.format());
    o.open().word("listlevel").word("levelnfc", format).word("levelnfcn", format);
    int side =
        switch (l.alignment()) {
          case START, JUSTIFIED -> 0;
          case CENTRE -> 1;
          case END -> 2;
        };
    o.word("leveljc", side).word("leveljcn", side);
    o.word(
        "levelfollow",
        switch (l.follow()) {
          case TAB -> 0;
          case SPACE -> 1;
          case NOTHING -> 2;
        });
    o.word("levelstartat", l.start());
    if (l.legal()) {
      o.word("levellegal1");
    }
    if (l.restartAfter() == 0 && depth > 0) {
      o.word("levelnorestart1");
    }
    label(l);
    look(l);
    Look p = l.paragraph();
    o.twips("fi", p.value(ParagraphTraits.FIRST_LINE));
    o.twips("li", p.value(ParagraphTraits.INDENT_START));
    o.twips("lin", p.value(ParagraphTraits.INDENT_START));
    o.close();
  }

  /** The label's text begins with its length; numbers stand in it as the bytes of their levels. */
  private void label(Level l) {
    var text = new StringBuilder();
    boolean[] number = new boolean[l.pattern().length() + 1];
    int count = 0;
    for (int k = 0; k < l.pattern().length(); k++) {
      char c = l.pattern().charAt(k);
      char next = k + 1 < l.pattern().length() ? l.pattern().charAt(k + 1) : 0;
      if (l.format() != NumberFormat.BULLET && c == '%' && next >= '1' && next <= '9') {
        text.append((char) (next - '1'));
        number[count] = true;
        k++;
      } else {
        text.append(c);
      }
      count++;
    }
    o.open().word("leveltext").octet(Math.min(255, count));
    for (int k = 0; k < count; k++) {
      if (number[k]) {
        o.octet(text.charAt(k));
      } else {
        o.text(String.valueOf(text.charAt(k)));
      }
    }
    o.text(";").close();
    o.open().word("levelnumbers");
    for (int k = 0; k < count; k++) {
      if (number[k]) {
        o.octet(k + 1);
      }
    }
    o.text(";").close();
  }

  private void look(Level l) {
    Look look = l.label();
    look.get(TextTraits.FAMILY).ifPresent(f -> o.word("f", registers.font(f)));
    look.get(TextTraits.SIZE).ifPresent(s -> o.word("fs", Math.round(s * 2)));
    look.get(TextTraits.BOLD).ifPresent(b -> o.word(b ? "b" : "b0"));
    look.get(TextTraits.ITALIC).ifPresent(b -> o.word(b ? "i" : "i0"));
    look.get(TextTraits.COLOUR).ifPresent(c -> o.word("cf", registers.colour(c)));
  }

  void metadata() {
    Metadata p = document.metadata().clean();
    o.open().word("info");
    said("title", p.title());
    said("subject", p.subject());
    said("author", p.author());
    said("keywords", p.keywords());
    LocalDateTime now = LocalDateTime.now(Clock.systemDefaultZone());
    o.open().word("revtim");
    o.word("yr", now.getYear()).word("mo", now.getMonthValue()).word("dy", now.getDayOfMonth());
    o.word("hr", now.getHour()).word("min", now.getMinute()).close();
    o.close().newLine();
  }

  private void said(String word, String value) {
    if (!value.isEmpty()) {
      o.open().word(word).text(value).close();
    }
  }
}
