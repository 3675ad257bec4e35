package decant.pdf.open;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.io.RandomAccessRead;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import org.apache.pdfbox.io.RandomAccessStreamCache.StreamCacheCreateFunction;
import org.apache.pdfbox.pdfparser.PDFParser;

/**
 * Reads the objects of a PDF: streams whose length is no number to their end, and what is damaged
 * beyond reading is noted, for the library leaves it out without a word.
 */
public final class SourceParser extends PDFParser {
  /** §7.5.5: the mark of the end stands in the last bytes of a file. */
  private static final int TAIL = 2048;

  private static final String END = "%%EOF";

  /** A file without its end is read into memory; one that is larger is read as it is. */
  private static final long LARGEST = 256L << 20;

  private final Set<COSObjectKey> unread = ConcurrentHashMap.newKeySet();
  private boolean rootless;

  private SourceParser(RandomAccessRead source, String password, StreamCacheCreateFunction cache)
      throws IOException {
    super(source, password, null, null, cache);
  }

  /**
   * Opens a file, to be closed by the caller.
   *
   * @param password empty for none
   * @throws IOException if it cannot be read, or is locked with another password
   */
  public static SourceDocument open(Path file, String password) throws IOException {
    return open(
        new RandomAccessReadBufferedFile(file.toFile()),
        password,
        IOUtils.createTempFileOnlyStreamCache());
  }

  /** The same of a PDF in memory, which needs no password. */
  public static SourceDocument open(byte[] pdf) throws IOException {
    return open(new RandomAccessReadBuffer(pdf), "", IOUtils.createMemoryOnlyStreamCache());
  }

  /**
   * A file that has its end. Where it was cut off, the library takes the last mark of an end for
   * it, which may be that of a table within the file (PostScript's tables end with the same mark),
   * and passes over what comes after.
   */
  private static RandomAccessRead ended(RandomAccessRead source) throws IOException {
    long length = source.length();
    var tail = new byte[(int) Math.min(TAIL, length)];
    source.seek(length - tail.length);
    source.readFully(tail);
    source.seek(0);
    String last = new String(tail, StandardCharsets.ISO_8859_1);
    int at = last.lastIndexOf(END);
    if (length > LARGEST || at >= 0 && !last.substring(at).contains("obj")) {
      return source;
    }
    byte[] end = ("\n" + END + "\n").getBytes(StandardCharsets.US_ASCII);
    var whole = new byte[(int) length + end.length];
    try (source) {
      source.readFully(whole, 0, (int) length);
    }
    System.arraycopy(end, 0, whole, (int) length, end.length);
    return new RandomAccessReadBuffer(whole);
  }

  private static SourceDocument open(
      RandomAccessRead source, String password, StreamCacheCreateFunction cache)
      throws IOException {
    try {
      return (SourceDocument) new SourceParser(ended(source), password, cache).parse();
    } catch (IOException | RuntimeException | StackOverflowError e) {
      IOUtils.closeQuietly(source);
      throw e;
    }
  }

  /** Where no catalog can be read, an empty one stands for it: the pages may still be there. */
  @Override
  protected COSDictionary retrieveTrailer() throws IOException {
    COSDictionary trailer = super.retrieveTrailer();
    if (trailer != null && trailer.getCOSDictionary(COSName.ROOT) == null) {
      trailer.setItem(COSName.ROOT, new COSDictionary());
      rootless = true;
    }
    return trailer;
  }

  @Override
  protected void checkPages(COSDictionary root) throws IOException {
    if (root.getCOSDictionary(COSName.PAGES) == null) {
      root.setItem(COSName.PAGES, new COSObject(new COSDictionary()));
      rootless = true;
    }
    super.checkPages(root);
  }

  @Override
  protected SourceDocument createDocument() throws IOException {
    var read = new SourceDocument(document, source, getAccessPermission(), unread);
    if (read.pages().found() == 0 && (rootless || read.pages().said() > 0)) {
      read.close();
      throw new IOException("no page in the page tree, and none beside it");
    }
    return read;
  }

  @Override
  public COSBase dereferenceCOSObject(COSObject object) throws IOException {
    try {
      return super.dereferenceCOSObject(object);
    } catch (IOException e) {
      unread.add(object.getKey());
      throw e;
    }
  }

  /** §7.3.8.2: a length that is no number, as in damaged files, says nothing of the stream. */
  @Override
  protected COSStream parseCOSStream(COSDictionary dictionary) throws IOException {
    long here = source.getPosition();
    boolean said = dictionary.getDictionaryObject(COSName.LENGTH) instanceof COSNumber;
    source.seek(here);
    if (!said) {
      dictionary.removeItem(COSName.LENGTH);
    }
    return super.parseCOSStream(dictionary);
  }
}
