package decant.pdf.amend.page;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jspecify.annotations.Nullable;

/** Which pages show which streams. */
public final class PageStreams {
  private final PDDocument pdf;
  private @Nullable Map<COSStream, Integer> used;
  private @Nullable Map<COSStream, Set<Integer>> forms;

  public PageStreams(PDDocument pdf) {
    this.pdf = pdf;
  }

  /** On how many pages each stream is content. */
  public Map<COSStream, Integer> used() {
    Map<COSStream, Integer> all = used;
    if (all == null) {
      all = new IdentityHashMap<>();
      for (PDPage p : pdf.getPages()) {
        for (COSStream s : contentsOf(p)) {
          all.merge(s, 1, Integer::sum);
        }
      }
      used = all;
    }
    return all;
  }

  /** Whether a form may be painted by pages other than some. */
  public boolean isElsewhere(COSStream form, Set<Integer> pages) {
    Map<COSStream, Set<Integer>> all = forms;
    if (all == null) {
      all = new IdentityHashMap<>();
      int k = 0;
      for (PDPage p : pdf.getPages()) {
        for (COSStream s : formsOf(p)) {
          all.computeIfAbsent(s, x -> new TreeSet<>()).add(k);
        }
        k++;
      }
      forms = all;
    }
    return !pages.containsAll(all.getOrDefault(form, Set.of()));
  }

  public static List<COSStream> contentsOf(PDPage page) {
    var out = new ArrayList<COSStream>();
    COSBase contents = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
    if (contents instanceof COSStream s) {
      out.add(s);
    } else if (contents instanceof COSArray a) {
      for (int k = 0; k < a.size(); k++) {
        if (a.getObject(k) instanceof COSStream s) {
          out.add(s);
        }
      }
    }
    return out;
  }

  /** Forms among the resources of a page, and of these forms. */
  public static Set<COSStream> formsOf(PDPage page) {
    Set<COSStream> out = Collections.newSetFromMap(new IdentityHashMap<>());
    if (page.getResources() != null) {
      gather(page.getResources().getCOSObject(), out);
    }
    return out;
  }

  private static void gather(@Nullable COSDictionary resources, Set<COSStream> out) {
    COSDictionary all = resources == null ? null : resources.getCOSDictionary(COSName.XOBJECT);
    if (all == null) {
      return;
    }
    for (COSName n : all.keySet()) {
      if (all.getDictionaryObject(n) instanceof COSStream s
          && COSName.FORM.equals(s.getDictionaryObject(COSName.SUBTYPE))
          && out.add(s)) {
        gather(s.getCOSDictionary(COSName.RESOURCES), out);
      }
    }
  }
}
