package decant.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SafeLinksTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "https://quay.example/berths",
        "HTTP://quay.example",
        "mailto:office@quay.example",
        "tel:+490000000",
        "www.quay.example",
        "#part2"
      })
  void carriedOn(String uri) {
    assertThat(SafeLinks.carries(uri)).isTrue();
  }

  /** The ones with blanks and breaks are found by browsers all the same (WHATWG URL, §4.4). */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "javascript:alert(1)",
        " JavaScript:alert(1)",
        "java\tscript:alert(1)",
        "\njavascript:alert(1)",
        "file:///C:/Windows/calc.exe",
        "C:\\Windows\\calc.exe",
        "\\\\server\\share\\x",
        "//server/share/x",
        "data:text/html,x",
        "vbscript:x",
        "ms-word:ofe|u|http://x",
        "search-ms:query=x",
        "smb://server/x",
        "ftp://server/x",
        "winter storage.pdf",
        "charges.html#a:b",
        "calc.exe"
      })
  void leftOut(String uri) {
    assertThat(SafeLinks.carries(uri)).isFalse();
  }

  @org.junit.jupiter.api.Test
  void whatIsToldIsShortAndOnOneLine() {
    assertThat(SafeLinks.told("file:x\ny")).isEqualTo("file:x y");
    assertThat(SafeLinks.told("file:" + "x".repeat(500))).hasSize(80).endsWith("…");
  }
}
