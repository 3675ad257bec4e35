package decant.pdf.amend;

import decant.io.FileHash;
import decant.pdf.amend.page.PageStreams;
import decant.pdf.file.Deflated;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * What a file was before words of it were changed, for who reads the changed one back.
 *
 * @param contents of each page, as digests of its streams as they are packed
 * @param said by the pages that were changed, from 0
 */
public record FileBefore(List<String> contents, Map<Integer, SaidOnPage> said) {
  public FileBefore {
    contents = List.copyOf(contents);
  }

  static FileBefore of(PDDocument pdf) throws IOException {
    var contents = new ArrayList<String>();
    for (PDPage p : pdf.getPages()) {
      contents.add(content(p));
    }
    return new FileBefore(contents, new TreeMap<>());
  }

  static String content(PDPage page) throws IOException {
    MessageDigest digest = FileHash.digest();
    for (COSStream s : PageStreams.contentsOf(page)) {
      byte[] bytes = Deflated.rawBytes(s);
      digest.update(bytes);
      digest.update(String.valueOf(bytes.length).getBytes(StandardCharsets.US_ASCII));
    }
    return HexFormat.of().formatHex(digest.digest());
  }
}
