package decant.paint;

import decant.picture.StandInFonts;
import java.awt.image.BufferedImage;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.pdfbox.text.PDFTextStripper;

/** The pages of a PDF file as a reference library paints them; annotations are text to them. */
public final class PaintedPdf implements PaintedPages {
  static {
    StandInFonts.use();
  }

  private final PDDocument pdf;
  private final PDFRenderer textless;
  private final PDFRenderer whole;

  /**
   * @param pdf stays open for as long as pages are painted
   */
  public PaintedPdf(PDDocument pdf) {
    this.pdf = pdf;
    textless = new WithoutText(pdf);
    textless.setSubsamplingAllowed(true);
    textless.setAnnotationsFilter(a -> false);
    whole = new PDFRenderer(pdf);
    whole.setSubsamplingAllowed(true);
  }

  @Override
  public int count() {
    return pdf.getNumberOfPages();
  }

  @Override
  public double width(int page) {
    return PdfPictures.width(pdf.getPage(page));
  }

  @Override
  public double height(int page) {
    return PdfPictures.height(pdf.getPage(page));
  }

  @Override
  public BufferedImage paintTextless(int page, double scale) throws IOException {
    return textless.renderImage(page, (float) scale, ImageType.RGB);
  }

  @Override
  public BufferedImage paintWhole(int page, double scale) throws IOException {
    return whole.renderImage(page, (float) scale, ImageType.RGB);
  }

  @Override
  public Written written(int page) throws IOException {
    var stripper = new PDFTextStripper();
    stripper.setStartPage(page + 1);
    stripper.setEndPage(page + 1);
    return Written.of(stripper.getText(pdf));
  }

  /** Text is held against other text elsewhere; what is written in drawings is theirs. */
  private static final class WithoutText extends PDFRenderer {
    WithoutText(PDDocument pdf) {
      super(pdf);
    }

    @Override
    protected PageDrawer createPageDrawer(PageDrawerParameters p) throws IOException {
      var drawer = drawerWithoutText(p);
      drawer.setAnnotationFilter(getAnnotationsFilter());
      return drawer;
    }

    private static PageDrawer drawerWithoutText(PageDrawerParameters p) throws IOException {
      return new PageDrawer(p) {
        private int forms;

        @Override
        public void showForm(PDFormXObject form) throws IOException {
          forms++;
          super.showForm(form);
          forms--;
        }

        @Override
        public void showTransparencyGroup(PDTransparencyGroup form) throws IOException {
          forms++;
          super.showTransparencyGroup(form);
          forms--;
        }

        @Override
        protected void showText(byte[] string) throws IOException {
          if (forms > 0) {
            super.showText(string);
          }
        }
      };
    }
  }
}
