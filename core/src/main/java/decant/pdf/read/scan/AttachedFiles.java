package decant.pdf.read.scan;

import decant.model.AttachedFile;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.reading.Limits;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.common.PDNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationFileAttachment;

/** The files that a PDF carries (ISO 32000-2 §7.11.4), those pinned to its pages among them. */
public final class AttachedFiles {
  private static final Words WORDS = Words.of(AttachedFiles.class);

  private static final int DEEPEST = 20;
  private static final int MAX = 1000;

  /** All files of a document together take no more than this share of what may be unpacked. */
  private static final int SHARE = 8;

  private final PDDocument pdf;
  private final Map<String, AttachedFile> files = new LinkedHashMap<>();
  private final List<Finding> findings = new ArrayList<>();
  private final Set<COSBase> nodes = Collections.newSetFromMap(new IdentityHashMap<>());
  private long left;

  /**
   * @param pages how many pages are read
   */
  public AttachedFiles(PDDocument pdf, int pages, Limits limits) {
    this.pdf = pdf;
    this.left = limits.unpackedBytes() / SHARE;
    try {
      PDDocumentNameDictionary names = pdf.getDocumentCatalog().getNames();
      if (names != null && names.getEmbeddedFiles() != null) {
        named(names.getEmbeddedFiles(), 0);
      }
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading attached files", e);
      // A damaged tree of names holds nothing that could be named.
    }
    pinned(pages);
  }

  /** In the order of the file; none of a name that another has. */
  public List<AttachedFile> files() {
    return List.copyOf(files.values());
  }

  public List<Finding> findings() {
    return findings;
  }

  private void named(PDNameTreeNode<PDComplexFileSpecification> node, int depth)
      throws IOException {
    if (!nodes.add(node.getCOSObject())) {
      return; // the tree has a circle
    }
    Map<String, PDComplexFileSpecification> names = node.getNames();
    if (names != null) {
      names.forEach(this::take);
    }
    if (node.getKids() != null && depth < DEEPEST) {
      for (PDNameTreeNode<PDComplexFileSpecification> kid : node.getKids()) {
        named(kid, depth + 1);
      }
    }
  }

  /** Of the first pages: what is read of the others nobody has asked for yet. */
  private void pinned(int pages) {
    for (int k = 0; k < pages; k++) {
      try {
        COSArray all = pdf.getPage(k).getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int n = 0; all != null && n < all.size(); n++) {
          if (all.getObject(n) instanceof COSDictionary a
              && PDAnnotationFileAttachment.SUB_TYPE.equals(a.getNameAsString(COSName.SUBTYPE))
              && new PDAnnotationFileAttachment(a).getFile()
                  instanceof PDComplexFileSpecification spec) {
            take(WORDS.say("attached-files.file-on-page", (k + 1)), spec);
          }
        }
      } catch (IOException | RuntimeException e) {
        Faults.mended("reading attached files", e);
        // The page is damaged, which is said elsewhere.
      }
    }
  }

  private void take(String key, PDComplexFileSpecification spec) {
    String called = spec == null || spec.getFilename() == null ? key : spec.getFilename();
    String name = called.replaceAll(".*[/\\\\]", "").replaceAll("\\p{Cntrl}", "").strip();
    name = name.isEmpty() ? "file" : name;
    Optional<AttachedFile> file = spec == null ? Optional.empty() : read(name, spec);
    if (file.isEmpty() || files.size() >= MAX) {
      findings.add(
          Finding.general(
              Kind.CONTENT_LEFT_OUT,
              Severity.LOSS,
              WORDS.say("attached-files.the-attached-file-is-damaged", name)));
      return;
    }
    if (files.putIfAbsent(free(name, file.get()), file.get()) == null) {
      findings.add(
          Finding.general(
              Kind.CONTENT_KEPT_UNSHOWN,
              Severity.NOTE,
              WORDS.say("attached-files.the-attached-file-is-kept", name)));
    }
  }

  /** Two files of one name are both kept, unless they are the same. */
  private String free(String name, AttachedFile file) {
    String key = name;
    for (int k = 2; files.containsKey(key); k++) {
      if (java.util.Arrays.equals(files.get(key).bytes(), file.bytes())) {
        return key;
      }
      key = name + " " + k;
    }
    return key;
  }

  private Optional<AttachedFile> read(String name, PDComplexFileSpecification spec) {
    PDEmbeddedFile embedded =
        spec.getEmbeddedFileUnicode() != null
            ? spec.getEmbeddedFileUnicode()
            : spec.getEmbeddedFile();
    if (embedded == null) {
      return Optional.empty();
    }
    try (InputStream in = embedded.createInputStream()) {
      byte[] bytes = in.readNBytes((int) Math.min(left + 1, Integer.MAX_VALUE - 8));
      if (bytes.length > left) {
        return Optional.empty();
      }
      left -= bytes.length;
      String type = embedded.getSubtype() == null ? "" : embedded.getSubtype();
      String words = spec.getFileDescription() == null ? "" : spec.getFileDescription().strip();
      return Optional.of(new AttachedFile(name, type, words, bytes));
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading attached files", e);
      return Optional.empty();
    }
  }
}
