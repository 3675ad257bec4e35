package decant.verify.pdf;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.jspecify.annotations.Nullable;

/**
 * Holds objects of two files against each other, whatever their numbers: dictionaries key by key,
 * streams byte by byte as they are stored. What was found to be the same once is not gone through
 * again, so that fonts of all pages cost as much as those of one.
 */
final class SameObjects {
  /** Numbers may be rounded to five places, and what is smaller than that shows to ten. */
  private static final double ROUNDED = 6e-6;

  private static final double SMALL = 0.01;
  private static final double ROUNDED_SMALL = 1e-9;

  /** What says how a file is stored or structured rather than what it shows. */
  private static final Set<COSName> ASIDE =
      Set.of(
          COSName.LENGTH,
          COSName.PARENT,
          COSName.P,
          COSName.STRUCT_PARENT,
          COSName.STRUCT_PARENTS,
          COSName.getPDFName("LastModified"));

  private final Map<COSBase, COSBase> same = new IdentityHashMap<>();

  private record Pair(COSBase a, COSBase b) {}

  boolean same(COSBase first, COSBase second) throws IOException {
    Deque<Pair> todo = new ArrayDeque<>();
    todo.add(new Pair(first, second));
    while (!todo.isEmpty()) {
      Pair p = todo.remove();
      COSBase a = resolved(p.a());
      COSBase b = resolved(p.b());
      if (a == null || b == null) {
        if (a != b) {
          return false;
        }
        continue;
      }
      if (same.get(a) == b) {
        continue;
      }
      if (!alike(a, b, todo)) {
        return false;
      }
      if (a instanceof COSDictionary || a instanceof COSArray) {
        same.put(a, b);
      }
    }
    return true;
  }

  private static @Nullable COSBase resolved(COSBase o) {
    return o instanceof COSObject r ? r.getObject() : o;
  }

  private static boolean alike(COSBase a, COSBase b, Deque<Pair> todo) throws IOException {
    return switch (a) {
      case COSStream s -> b instanceof COSStream t && sameBytes(s, t) && entries(s, t, todo);
      case COSDictionary d -> b instanceof COSDictionary e && entries(d, e, todo);
      case COSArray x -> {
        if (!(b instanceof COSArray y) || x.size() != y.size()) {
          yield false;
        }
        for (int k = 0; k < x.size(); k++) {
          todo.add(new Pair(x.get(k), y.get(k)));
        }
        yield true;
      }
      case COSNumber n ->
          b instanceof COSNumber m
              && Math.abs(n.floatValue() - m.floatValue())
                  <= (Math.abs(n.floatValue()) < SMALL ? ROUNDED_SMALL : ROUNDED);
      case COSString s -> b instanceof COSString t && Arrays.equals(s.getBytes(), t.getBytes());
      default -> a.equals(b);
    };
  }

  private static boolean entries(COSDictionary a, COSDictionary b, Deque<Pair> todo) {
    for (COSName key : a.keySet()) {
      if (!ASIDE.contains(key)) {
        COSBase x = a.getItem(key);
        COSBase y = b.getItem(key);
        if (x == null || y == null) {
          return false;
        }
        todo.add(new Pair(x, y));
      }
    }
    return b.keySet().stream().allMatch(k -> ASIDE.contains(k) || a.containsKey(k));
  }

  private static boolean sameBytes(COSStream a, COSStream b) throws IOException {
    try (InputStream x = a.createRawInputStream();
        InputStream y = b.createRawInputStream()) {
      return Arrays.equals(x.readAllBytes(), y.readAllBytes());
    }
  }
}
