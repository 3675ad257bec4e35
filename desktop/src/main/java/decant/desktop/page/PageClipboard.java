package decant.desktop.page;

import decant.clip.HtmlReader;
import decant.clip.HtmlWriter;
import decant.clip.PictureFile;
import decant.clip.TabbedText;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.model.Document;
import decant.model.edit.CellEdits;
import decant.model.edit.Commands;
import decant.model.edit.Copying;
import decant.model.edit.Fragment;
import decant.model.edit.Pasting;
import decant.model.edit.Revision;
import decant.picture.Png;
import decant.work.Faults;
import java.awt.Dimension;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DataFormat;

/**
 * Copies what is selected and pastes it: within the program as it is, with others as HTML, RTF,
 * tab-separated text and pictures.
 */
public final class PageClipboard {
  /** Names what this program copied last, which it holds itself. */
  private static final DataFormat OWN = new DataFormat("application/x-decant-fragment");

  private static Optional<Held> held = Optional.empty();

  private record Held(String id, Fragment fragment) {}

  private PageClipboard() {}

  /** Copies what is selected. @return whether something was */
  static boolean copy(Work work) {
    Document d = work.revision().document();
    Optional<Fragment> f = Copying.of(d, work.revision().selection());
    if (f.isEmpty()) {
      return false;
    }
    String id = UUID.randomUUID().toString();
    held = Optional.of(new Held(id, f.get()));
    var content = new ClipboardContent();
    content.put(OWN, id);
    content.putString(TabbedText.of(f.get()));
    content.putHtml(HtmlWriter.write(f.get()));
    rtf(f.get()).ifPresent(content::putRtf);
    Clipboard.getSystemClipboard().setContent(content);
    return true;
  }

  private static Optional<String> rtf(Fragment f) {
    var out = new ByteArrayOutputStream();
    try {
      Formats.writer(Formats.copied()).write(f.document(), out);
      return Optional.of(out.toString(StandardCharsets.US_ASCII));
    } catch (IOException | RuntimeException e) {
      Faults.mended("copying as RTF", e); // the other formats are there
      return Optional.empty();
    }
  }

  /** Pastes what is there, in its looks. @return whether there was something */
  static boolean paste(Work work) {
    Revision r = work.revision();
    Optional<Fragment> f = fragment(r);
    if (f.isPresent() && !f.get().isEmpty()) {
      work.apply(x -> CellEdits.fill(x, f.get()).orElseGet(() -> Pasting.paste(x, f.get())));
      return true;
    }
    return pasteText(work);
  }

  /** Pastes the text alone, in the looks of the place. @return whether there was some */
  public static boolean pasteText(Work work) {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isEmpty()) {
      return false;
    }
    work.apply(r -> Commands.insert(r, text));
    return true;
  }

  private static Optional<Fragment> fragment(Revision r) {
    Clipboard c = Clipboard.getSystemClipboard();
    Document d = r.document();
    Object own = c.getContent(OWN);
    if (held.isPresent() && held.get().id().equals(own)) {
      return held.map(Held::fragment);
    }
    if (c.hasHtml() && c.getHtml() instanceof String html && !html.isBlank()) {
      Fragment f = HtmlReader.read(html, d.styles());
      if (!f.isEmpty()) {
        return Optional.of(f);
      }
    }
    if (c.hasRtf() && c.getRtf() instanceof String rtf) {
      Optional<Fragment> f =
          Formats.paste(Formats.copied())
              .map(p -> p.read(rtf, d.styles()))
              .filter(x -> !x.isEmpty());
      if (f.isPresent()) {
        return f;
      }
    }
    if (c.hasString() && c.getString() instanceof String text && !text.isEmpty()) {
      return TabbedText.table(text, d.styles());
    }
    return c.hasImage() && c.getImage() instanceof Image image
        ? picture(image, d)
        : Optional.empty();
  }

  private static Optional<Fragment> picture(Image image, Document d) {
    int w = (int) image.getWidth();
    int h = (int) image.getHeight();
    if (w < 1 || h < 1 || image.getPixelReader() == null) {
      return Optional.empty();
    }
    var pixels = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
    int[] row = new int[w];
    for (int y = 0; y < h; y++) {
      image.getPixelReader().getPixels(0, y, w, 1, PixelFormat.getIntArgbInstance(), row, 0, w);
      pixels.setRGB(0, y, w, 1, row, 0, w);
    }
    try {
      return Optional.of(PictureFile.of(Png.of(pixels), new Dimension(w, h), "", d));
    } catch (IOException e) {
      Faults.mended("pasting a picture", e);
      return Optional.empty();
    }
  }
}
