package decant.paint;

import decant.picture.StandInFonts;
import decant.publication.KeptPage;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.lang.ref.Cleaner;
import java.lang.ref.SoftReference;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Pages of files as pictures. The last few are remembered, since a page is painted strip by strip.
 * One is made at a time: the library that paints them is not made for several threads.
 */
final class KeptPageImages {
  static {
    StandInFonts.use();
  }

  private static final int REMEMBERED = 12;
  private static final Cleaner CLEANER = Cleaner.create();

  private record Key(KeptPage page, double scale) {}

  private final Map<Key, SoftReference<BufferedImage>> made =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, SoftReference<BufferedImage>> e) {
          return size() > REMEMBERED;
        }
      };

  private final Map<KeptPage.Source, PDDocument> open = new LinkedHashMap<>();

  KeptPageImages() {
    CLEANER.register(this, closing(open));
  }

  private static Runnable closing(Map<KeptPage.Source, PDDocument> open) {
    return () -> open.values().forEach(KeptPageImages::close);
  }

  private static void close(PDDocument pdf) {
    try {
      pdf.close();
    } catch (IOException e) {
      Faults.mended("closing a PDF that pages were painted of", e);
    }
  }

  /** A page at so many pixels a point; empty if it cannot be painted. */
  synchronized Optional<BufferedImage> image(KeptPage page, double scale) {
    var key = new Key(page, scale);
    SoftReference<BufferedImage> known = made.get(key);
    BufferedImage image = known == null ? null : known.get();
    if (image != null) {
      return Optional.of(image);
    }
    try {
      PDDocument pdf = open.get(page.source());
      if (pdf == null) {
        pdf = KeptPdf.open(page.source());
        open.put(page.source(), pdf);
      }
      var renderer = new PDFRenderer(pdf);
      renderer.setSubsamplingAllowed(true);
      BufferedImage painted = renderer.renderImage(page.index(), (float) scale, ImageType.RGB);
      made.put(key, new SoftReference<>(painted));
      return Optional.of(painted);
    } catch (IOException | RuntimeException | StackOverflowError e) {
      Faults.mended("painting a page of a PDF", e);
      return Optional.empty();
    }
  }
}
