package decant.publish;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.choices.Navigation.Addresses;
import decant.reading.Active;
import decant.recipe.PagesKept;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Addresses in texts: RFC 3986, its appendix C on punctuation, RFC 3987 §3.1 and RFC 6068. */
class AddressLinksTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "See http://saltmarsh.example/berths. | http://saltmarsh.example/berths",
        "(http://saltmarsh.example/a_(b)) | http://saltmarsh.example/a_(b)",
        "<https://saltmarsh.example/?q=a&b=c#top>, | https://saltmarsh.example/?q=a&b=c#top",
        "“https://saltmarsh.example/x”! | https://saltmarsh.example/x",
        "http://[2001:db8::7]/c=GB?one | http://[2001:db8::7]/c=GB?one",
        "ftp://ftp.saltmarsh.example/tides.txt; | ftp://ftp.saltmarsh.example/tides.txt",
        "Is it www.saltmarsh.example/tides? | http://www.saltmarsh.example/tides",
        "Write to office@saltmarsh.example. | mailto:office@saltmarsh.example",
        "'first.last+tag@quay.saltmarsh.example' | mailto:first.last+tag@quay.saltmarsh.example",
        "mailto:office@saltmarsh.example?subject=Berth | mailto:office@saltmarsh.example?subject=Berth",
        "https://hafen.example/brücke | https://hafen.example/br%C3%BCcke",
        "100%er@saltmarsh.example | mailto:100%25er@saltmarsh.example",
        "Not one: a@b, x.y, http://, www. and @name | ``",
        "Twice: a@saltmarsh.example, b@saltmarsh.example | mailto:a@saltmarsh.example mailto:b@saltmarsh.example"
      })
  void addressesAreFoundWithoutWhatStandsAroundThem(String text, String uris) {
    List<String> wanted = uris.isEmpty() ? List.of() : Arrays.asList(uris.split(" "));
    assertThat(AddressLinks.find(text)).extracting(AddressLinks.Found::uri).isEqualTo(wanted);
  }

  @Test
  void addressesBecomeLinksInTheChosenLook() {
    Document d =
        Samples.document(
            Samples.runs(
                "Write to office@salt",
                Look.PLAIN,
                "marsh.example",
                Look.of(TextTraits.BOLD, true),
                " or to ",
                Look.PLAIN,
                "http://elsewhere.example",
                Look.of(TextTraits.LINK, new Link.External("http://here.example"))));
    Document linked = AddressLinks.in(d, new Addresses(true, true, "1F4E79"));
    List<Inline> inlines = linked.paragraphs().getFirst().inlines();
    assertThat(linked.paragraphs().getFirst().text()).isEqualTo(d.paragraphs().getFirst().text());
    var mail = new Link.External("mailto:office@saltmarsh.example");
    for (int k : new int[] {1, 2}) {
      Look look = inlines.get(k).look();
      assertThat(look.get(TextTraits.LINK)).contains(mail);
      assertThat(look.value(TextTraits.UNDERLINE)).isTrue();
      assertThat(look.value(TextTraits.COLOUR)).isEqualTo(new Colour(0x1F4E79));
    }
    assertThat(inlines.get(2).look().value(TextTraits.BOLD)).isTrue();
    // What is a link already leads where it led.
    assertThat(inlines.getLast().look().get(TextTraits.LINK))
        .contains(new Link.External("http://here.example"));
    Layout l = Samples.layout(linked);
    assertThat(
            Publisher.goingOut(
                l,
                new Publisher.GoingOut(
                    Active.REMOVE, PagesKept.AUTO, new Addresses(true, true, "1F4E79"), false)))
        .isSameAs(l);
  }
}
