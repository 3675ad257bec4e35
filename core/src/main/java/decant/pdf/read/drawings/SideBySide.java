package decant.pdf.read.drawings;

import decant.model.look.Media;
import decant.pdf.read.drawings.DetectedDrawings.Cut;
import decant.pdf.read.scan.PageScans;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.work.Faults;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Cuts drawings out of a file: on two processors where there are many, each with the file opened
 * for itself, since it cannot be shared.
 */
public final class SideBySide implements DetectedDrawings.Cutter {
  /** Fewer are not worth opening the file once more for. */
  private static final int MIN = 8;

  private final ReadRequest request;
  private final PDDocument pdf;
  private final PageScans.Opener opener;

  public SideBySide(ReadRequest request, PDDocument pdf, PageScans.Opener opener) {
    this.request = request;
    this.pdf = pdf;
    this.opener = opener;
  }

  @Override
  public List<Optional<Media>> cut(List<Cut> places) throws ReadProblem {
    List<Optional<Media>> out =
        new ArrayList<>(Collections.nCopies(places.size(), Optional.empty()));
    var next = new AtomicInteger();
    boolean two = places.size() >= MIN && Runtime.getRuntime().availableProcessors() > 1;
    if (!two) {
      work(pdf, places, next, out);
      return out;
    }
    Callable<Void> beside =
        () -> {
          try (PDDocument own = opener.open()) {
            work(own, places, next, out);
          } catch (IOException e) {
            Faults.mended(
                "opening a file once more for its drawings", e); // the other goes on alone
          }
          return null;
        };
    try (ExecutorService helper =
        Executors.newSingleThreadExecutor(
            Thread.ofPlatform().daemon().name("drawings").factory())) {
      Future<Void> done = helper.submit(beside);
      work(pdf, places, next, out);
      done.get();
    } catch (ExecutionException e) {
      switch (e.getCause()) {
        case ReadProblem p -> throw p;
        case RuntimeException r -> throw r;
        case Error r -> throw r;
        case null, default -> throw new IllegalStateException(e);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw ReadProblem.cancelled();
    }
    return out;
  }

  private void work(PDDocument from, List<Cut> places, AtomicInteger next, List<Optional<Media>> to)
      throws ReadProblem {
    var cutter = new DrawingCutter(from);
    for (int k = next.getAndIncrement(); k < places.size(); k = next.getAndIncrement()) {
      request.checkpoint();
      Cut at = places.get(k);
      Optional<Media> media = cutter.cut(at);
      synchronized (to) {
        to.set(k, media);
      }
    }
  }
}
