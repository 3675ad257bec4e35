package decant.pdf.content;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;

/**
 * Reads a content stream one instruction at a time. Damaged streams are read as far as they go:
 * what makes no sense is passed over, and what follows is read on. Never fails, and ends after time
 * in proportion to the bytes.
 */
public final class ContentReader {
  /** More operands than any operator takes: the last ones count. */
  private static final int MAX_OPERANDS = 1024;

  /** The short names of the keys and values of pictures within a stream (tables 91 to 92). */
  private static final Map<String, String> SHORT_KEYS =
      Map.of(
          "BPC", "BitsPerComponent",
          "CS", "ColorSpace",
          "D", "Decode",
          "DP", "DecodeParms",
          "F", "Filter",
          "H", "Height",
          "IM", "ImageMask",
          "I", "Interpolate",
          "L", "Length",
          "W", "Width");

  private final byte[] bytes;
  private final ObjectReader in;

  public ContentReader(byte[] bytes) {
    this.bytes = bytes;
    this.in = new ObjectReader(bytes);
  }

  /** All instructions of a stream. */
  public static List<Instruction> all(byte[] bytes) {
    var reader = new ContentReader(bytes);
    var out = new ArrayList<Instruction>();
    for (Optional<Instruction> i = reader.next(); i.isPresent(); i = reader.next()) {
      out.add(i.get());
    }
    return out;
  }

  /**
   * The next instruction; empty in.at the end. Operands without an operator after them are left.
   */
  public Optional<Instruction> next() {
    var operands = new ArrayList<COSBase>();
    int start = -1;
    while (true) {
      in.skipSpace();
      if (in.at >= bytes.length) {
        return Optional.empty();
      }
      int from = in.at;
      if (ObjectReader.isOperator(bytes[in.at])) {
        String word = in.word();
        Optional<COSBase> constant = ObjectReader.constant(word);
        if (constant.isEmpty()) {
          return Optional.of(instruction(word, operands, start < 0 ? from : start));
        }
        operands.add(constant.get());
      } else {
        COSBase o = in.object(0);
        if (o == null) {
          continue;
        }
        operands.add(o);
      }
      start = start < 0 ? from : start;
      if (operands.size() > MAX_OPERANDS) {
        operands.removeFirst();
      }
    }
  }

  private Instruction instruction(String word, List<COSBase> operands, int start) {
    return word.equals("BI")
        ? inlineImage(start)
        : Instructions.of(new Raw(new Span(start, in.at), word, operands));
  }

  // Pictures within the stream (§8.9.7).

  private Instruction inlineImage(int start) {
    var image = new COSDictionary();
    while (true) {
      in.skipSpace();
      if (in.at >= bytes.length) {
        return unfinished(start, image);
      }
      if (bytes[in.at] == '/') {
        var one = new COSDictionary();
        in.entry(one, 0);
        one.entrySet()
            .forEach(e ->
                image.setItem(
                    SHORT_KEYS.getOrDefault(e.getKey().getName(), e.getKey().getName()),
                    e.getValue()));
      } else if (ObjectReader.isOperator(bytes[in.at])) {
        String word = in.word();
        if (word.equals("ID")) {
          break;
        }
        if (word.equals("EI")) {
          return unfinished(start, image);
        }
      } else {
        in.at++;
      }
    }
    if (in.at < bytes.length && ObjectReader.isSpace(bytes[in.at])) {
      in.at++;
    }
    int from = in.at;
    int end = end(from, image);
    int to = end;
    if (to > from && ObjectReader.isSpace(bytes[to - 1])) {
      to--;
    }
    in.at = Math.min(bytes.length, end + 2);
    var raw = new Raw(new Span(start, in.at), "BI", List.of(image));
    return new Instruction.InlineImage(raw, image, new Span(from, to));
  }

  private Instruction unfinished(int start, COSDictionary image) {
    return new Instruction.Unknown(new Raw(new Span(start, in.at), "BI", List.of(image)));
  }

  /** Where EI stands: after as many bytes as the picture has if that is known, else the next. */
  private int end(int from, COSDictionary image) {
    long length = length(image);
    if (length >= 0 && from + length <= bytes.length) {
      int k = (int) (from + length);
      while (k < bytes.length && ObjectReader.isSpace(bytes[k])) {
        k++;
      }
      if (isEnd(k)) {
        return k;
      }
    }
    for (int k = from; k + 1 < bytes.length; k++) {
      boolean apart = k == from || ObjectReader.isSpace(bytes[k - 1]);
      if (apart && isEnd(k) && goesOn(k + 2)) {
        return k;
      }
    }
    return bytes.length;
  }

  /** By what PDF 2.0 asks for, or the size of a picture that is not compressed; -1 if unknown. */
  private static long length(COSDictionary image) {
    if (image.getItem(COSName.LENGTH) instanceof COSNumber n) {
      return n.longValue();
    }
    boolean plain = image.getItem(COSName.FILTER) == null;
    int width = image.getInt(COSName.WIDTH);
    int height = image.getInt(COSName.HEIGHT);
    boolean mask = image.getBoolean(COSName.IMAGE_MASK, false);
    int colours =
        mask
            ? 1
            : switch (image.getNameAsString(COSName.COLORSPACE)) {
              case "G", "DeviceGray", "CalGray" -> 1;
              case "RGB", "DeviceRGB", "CalRGB" -> 3;
              case "CMYK", "DeviceCMYK" -> 4;
              case null, default -> -1;
            };
    if (!plain || width <= 0 || height <= 0 || colours < 0) {
      return -1;
    }
    long bits = mask ? 1 : image.getInt(COSName.BITS_PER_COMPONENT, 8);
    return (width * bits * colours + 7) / 8 * height;
  }

  private boolean isEnd(int k) {
    return k + 1 < bytes.length
        && bytes[k] == 'E'
        && bytes[k + 1] == 'I'
        && (k + 2 >= bytes.length
            || ObjectReader.isSpace(bytes[k + 2])
            || ObjectReader.isDelimiter(bytes[k + 2]));
  }

  /** Whether what follows could be a stream rather than the rest of a picture. */
  private boolean goesOn(int from) {
    for (int k = from; k < Math.min(bytes.length, from + 12); k++) {
      int c = bytes[k];
      if (c < 32 && !ObjectReader.isSpace(c) || c == 127 || c == 0) {
        return false;
      }
    }
    return true;
  }
}
