package decant.office.odf;

import decant.office.odf.weave.Weave;
import decant.office.odf.write.OdfZip;
import decant.office.source.Untouched;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** Packages that are given on as they came. */
final class GivenOn {
  private static final String MANIFEST = "META-INF/manifest.xml";
  private static final String TEMPLATE = "-template";

  /** Scripts, what they are bound to, and what is fetched (ODF 1.3-3 §3.12, §19.370, §14.6). */
  private static final List<String> ACTING =
      List.of(
          "<script:event-listener",
          "<office:script ",
          "<office:script>",
          "<text:dde-",
          "<office:dde-source",
          "<text:script",
          "vnd.sun.star.",
          "<draw:applet",
          "<draw:plugin",
          "<draw:floating-frame",
          "<text:section-source");

  private static final Pattern FETCHED =
      Pattern.compile("<draw:(?:image|object)[^>]*xlink:href=\"(?:https?|ftp|file|smb):");

  private static final Pattern VERSION =
      Pattern.compile("((?:office|manifest):version=\")1\\.[0-2]\"");

  private GivenOn() {}

  private static Map<String, byte[]> parts(byte[] file) {
    var out = new LinkedHashMap<String, byte[]>();
    try (var zip = new ZipInputStream(new ByteArrayInputStream(file))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        if (!e.isDirectory()) {
          out.put(e.getName(), zip.readAllBytes());
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out;
  }

  private static String text(byte[] part) {
    return new String(part, StandardCharsets.UTF_8);
  }

  /** Whether two packages that we wrote hold the same, whenever they were written. */
  static boolean isSame(byte[] one, byte[] other) {
    Map<String, byte[]> mine = parts(one);
    Map<String, byte[]> others = parts(other);
    return mine.keySet().equals(others.keySet())
        && mine.entrySet().stream()
            .allMatch(e -> {
              byte[] b = others.getOrDefault(e.getKey(), new byte[0]);
              return Arrays.equals(e.getValue(), b)
                  || e.getKey().equals("meta.xml")
                      && undated(text(e.getValue())).equals(undated(text(b)));
            });
  }

  private static String undated(String meta) {
    return meta.replaceAll("<dc:date>[^<]*</dc:date>", "");
  }

  /** Whether nothing in a package acts. */
  static boolean isQuiet(byte[] file) {
    return parts(file).entrySet().stream()
        .allMatch(e ->
            !e.getKey().startsWith("Basic/")
                && !e.getKey().startsWith("Scripts/")
                && !(e.getKey().endsWith(".xml") && acts(text(e.getValue()))));
  }

  private static boolean acts(String xml) {
    return ACTING.stream().anyMatch(xml::contains)
        || xml.contains("<draw:") && FETCHED.matcher(xml).find();
  }

  /** Packages with what was changed in the document put into them. */
  static final Untouched.Weaving WEAVING =
      new Untouched.Weaving() {
        @Override
        public Optional<byte[]> of(byte[] source, byte[] before, byte[] after) {
          return Weave.of(parts(source), parts(before), parts(after)).map(GivenOn::packed);
        }

        @Override
        public boolean isSame(byte[] one, byte[] other) {
          return Weave.isSame(parts(one), parts(other));
        }
      };

  /** The package as a document of version 1.3, to which all that earlier ones may hold belongs. */
  static byte[] current(byte[] file) {
    Map<String, byte[]> parts = parts(file);
    boolean old = false;
    for (Map.Entry<String, byte[]> e : parts.entrySet()) {
      if (e.getKey().endsWith(".xml")) {
        String text = text(e.getValue());
        String now = VERSION.matcher(text).replaceAll("$11.3\"");
        if (!now.equals(text)) {
          old = true;
          e.setValue(now.getBytes(StandardCharsets.UTF_8));
        }
      }
    }
    return old | document(parts) ? packed(parts) : file;
  }

  /** A template becomes a document. @return whether it was one */
  private static boolean document(Map<String, byte[]> parts) {
    byte[] kind = parts.get(OdfZip.KIND);
    if (kind == null || !text(kind).strip().endsWith(TEMPLATE)) {
      return false;
    }
    parts.put(
        OdfZip.KIND, text(kind).strip().replace(TEMPLATE, "").getBytes(StandardCharsets.US_ASCII));
    byte[] manifest = parts.get(MANIFEST);
    if (manifest != null) {
      String said = text(manifest).replace(".opendocument.text" + TEMPLATE, ".opendocument.text");
      parts.put(MANIFEST, said.getBytes(StandardCharsets.UTF_8));
    }
    return true;
  }

  private static byte[] packed(Map<String, byte[]> parts) {
    var out = new ByteArrayOutputStream();
    try {
      OdfZip.write(parts, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
