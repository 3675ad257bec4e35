package decant.pin;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.Section;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import decant.pdf.amend.PagePicture;
import decant.pdf.amend.PdfAmender;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Pictures of pages: taken away, replaced, moved and scaled on pinned ones, and put on pages of
 * both kinds. What is put on a pinned page is in its text too, for the time when it flows.
 */
public final class PagePictures {
  private static final Words WORDS = Words.of(PagePictures.class);

  /** Places nearer to one another than this are the same, in points. */
  private static final double SAME = 1;

  private PagePictures() {}

  /** Where a picture is put. */
  public sealed interface Place {
    /** Where it stands on its page, in points from the top left. */
    Box box();

    /** On a page that stays. */
    record OnPinned(Pinned page, Box box) implements Place {}

    /**
     * On a page whose text flows.
     *
     * @param anchor in its text: the picture stays on the page that this stands on; at the end of a
     *     paragraph it leaves the lines as they are
     */
    record InFlow(Position anchor, Box box) implements Place {}
  }

  /**
   * Puts a picture on pages, over all that stands there, as one act that can be undone.
   *
   * @param alt what it is, for those who cannot see it
   * @throws ReadProblem if a page's file cannot be read, or the picture cannot be painted
   */
  public static Revision put(Revision r, Media picture, String alt, List<Place> places)
      throws ReadProblem {
    Document d = r.document().withMedia(picture);
    Map<MediaId, List<Place.OnPinned>> byFile = new LinkedHashMap<>();
    for (Place p : places) {
      switch (p) {
        case Place.OnPinned o ->
            byFile.computeIfAbsent(o.page().file().id(), k -> new ArrayList<>()).add(o);
        case Place.InFlow f -> d = put(d, f, picture, alt);
      }
    }
    for (List<Place.OnPinned> pages : byFile.values()) {
      d = put(d, pages, picture, alt);
    }
    Edit edit =
        Edit.of(
            WORDS.say("page-pictures.put"),
            new Step.AddMedia(List.of(picture)),
            Step.Resection.to(d),
            new Step.SetPages(Map.of(), d.setting()));
    return r.apply(edit, r.selection());
  }

  /**
   * Whether a field lies over a place of a page that stays: fields are shown over all that the page
   * itself shows.
   *
   * @throws ReadProblem if the page's file cannot be read
   */
  public static boolean isUnderField(Place.OnPinned at) throws ReadProblem {
    return PdfAmender.in(
        at.page().file().bytes(), pdf -> pdf.isUnderField(at.page().page(), at.box()));
  }

  /** Pages of one file, which they share afterwards too. */
  private static Document put(Document d, List<Place.OnPinned> at, Media picture, String alt)
      throws ReadProblem {
    var out = new ByteArrayOutputStream();
    PdfAmender.in(
        at.getFirst().page().file().bytes(),
        pdf -> {
          for (Place.OnPinned o : at) {
            try {
              pdf.addPicture(o.page().page(), picture, o.box());
            } catch (IOException e) {
              throw noPicture(e);
            }
          }
          if (at.size() == 1) {
            pdf.writeOnly(at.getFirst().page().page(), out);
          } else {
            pdf.write(out);
          }
          return at;
        });
    Media file = Media.of(PageFile.PDF, out.toByteArray());
    return d.withSections(
        d.sections().stream()
            .map(s ->
                at.stream()
                    .filter(o -> s.is(o.page()))
                    .findFirst()
                    .map(o -> with(s, o, file, picture, alt))
                    .orElse(s))
            .toList());
  }

  /** A page with its file as it is now, and with what was put on it in its text. */
  private static Section with(Section s, Place.OnPinned at, Media file, Media picture, String alt) {
    Paragraph read =
        Paragraph.of(Look.PLAIN, "").withInlines(List.of(standing(picture, at.box(), alt)));
    Map<NodeId, Box> places = new HashMap<>(at.page().places());
    places.put(read.id(), at.box());
    var blocks = new ArrayList<>(s.blocks());
    blocks.add(read);
    return s.withBlocks(blocks).withPinned(at.page().in(file, places));
  }

  private static Document put(Document d, Place.InFlow at, Media picture, String alt) {
    Position a = at.anchor();
    Document out =
        new Step.ReplaceText(
                a.paragraph(), a.offset(), a.offset(), List.of(standing(picture, at.box(), alt)))
            .apply(d)
            .document();
    boolean atEnd = a.offset() == d.requireParagraph(a.paragraph()).length();
    return atEnd ? setAlike(out, a.paragraph()) : out;
  }

  /** What was put stands beside the lines, which stay where they are. */
  private static Document setAlike(Document d, NodeId paragraph) {
    SourceSetting s = d.setting();
    return s.block(paragraph)
        .map(b -> {
          Map<NodeId, SetBlock> blocks = new HashMap<>(s.blocks());
          blocks.put(paragraph, b.as(d.requireParagraph(paragraph)));
          return d.withSetting(new SourceSetting(s.styles(), blocks, s.running()));
        })
        .orElse(d);
  }

  /** Over the text, at its place on the page. */
  private static Inline.Picture standing(Media m, Box at, String alt) {
    return new Inline.Picture(
        m.id(),
        at.width(),
        at.height(),
        alt,
        Placement.Floating.onPage(at.x(), at.y(), false),
        Insets.NONE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  /**
   * Takes a picture of a pinned page away, or puts another in its place, as one act that can be
   * undone. What was read from the page keeps its picture, but for one that was put there: it is
   * for the time when the page flows.
   *
   * @param by the other picture; empty to take it away
   * @throws ReadProblem if the page's file cannot be read, or the other is no picture
   */
  public static Revision change(Revision r, Pinned pinned, PagePicture picture, Optional<byte[]> by)
      throws ReadProblem {
    Pinned now =
        PageFile.amended(
            pinned,
            pdf -> {
              if (by.isPresent()) {
                replaced(pdf, pinned.page(), picture.index(), by.get());
              } else {
                pdf.removePicture(pinned.page(), picture.index());
              }
            });
    Document d =
        PageFile.with(
            r.document(),
            pinned,
            s -> {
              Section with = s.withPinned(now);
              return by.isPresent() ? with : withoutPut(with, pinned, picture.box());
            });
    return AmendedPages.changed(
        r, WORDS.say(by.isPresent() ? "page-pictures.another" : "page-pictures.away"), d);
  }

  private static void replaced(PdfAmender pdf, int page, int picture, byte[] by)
      throws ReadProblem {
    try {
      pdf.replacePicture(page, picture, by);
    } catch (IOException e) {
      throw noPicture(e);
    }
  }

  private static ReadProblem noPicture(IOException e) {
    return new ReadProblem(
        ReadProblem.Kind.NOT_A_DOCUMENT, WORDS.say("page-pictures.no-picture"), e);
  }

  /**
   * Moves and scales a picture of a pinned page, as one act that can be undone.
   *
   * @return empty if it cannot be: its surroundings cut it, and without them it would look
   *     otherwise
   * @throws ReadProblem if the page's file cannot be read
   */
  public static Optional<Revision> moved(Revision r, Pinned pinned, PagePicture picture, Box to)
      throws ReadProblem {
    Optional<Pinned> moved =
        PageFile.changed(
                pinned, pdf -> pdf.movePicture(pinned.page(), picture.index(), to), done -> done)
            .page();
    if (moved.isEmpty()) {
      return Optional.empty();
    }
    Pinned now = moved.get();
    Document d =
        PageFile.with(r.document(), pinned, s -> movedPut(s, pinned, now, picture.box(), to));
    return Optional.of(AmendedPages.changed(r, WORDS.say("page-pictures.move"), d));
  }

  /** The page with its file as it is now; what was put there and read has moved along. */
  private static Section movedPut(Section s, Pinned was, Pinned now, Box from, Box to) {
    Map<NodeId, Box> places = new HashMap<>(now.places());
    var blocks = new ArrayList<Block>();
    for (Block b : s.blocks()) {
      Optional<Inline.Picture> put = put(b, was, from);
      if (put.isPresent() && b instanceof Paragraph p) {
        places.put(p.id(), to);
        blocks.add(p.withInlines(List.of(at(put.get(), to))));
      } else {
        blocks.add(b);
      }
    }
    return s.withBlocks(blocks).withPinned(now.in(now.file(), places));
  }

  private static Inline.Picture at(Inline.Picture p, Box to) {
    return new Inline.Picture(
        p.media(),
        to.width(),
        to.height(),
        p.alt(),
        Placement.Floating.onPage(to.x(), to.y(), false),
        p.crop(),
        p.rotation(),
        p.kept(),
        p.look());
  }

  private static Section withoutPut(Section s, Pinned was, Box at) {
    return s.withBlocks(s.blocks().stream().filter(b -> put(b, was, at).isEmpty()).toList());
  }

  /** Whether a picture of a page was put there, so that it is in the page's text too. */
  public static boolean isPut(Document d, Pinned page, PagePicture picture) {
    return d.sections().stream()
        .filter(s -> s.is(page))
        .flatMap(s -> s.blocks().stream())
        .anyMatch(b -> put(b, page, picture.box()).isPresent());
  }

  /** The picture that a block of a page holds alone, if it was put at a place of it. */
  private static Optional<Inline.Picture> put(Block b, Pinned page, Box at) {
    Box stands = page.places().get(b.id());
    return b instanceof Paragraph p
            && stands != null
            && p.inlines().size() == 1
            && p.inlines().getFirst() instanceof Inline.Picture picture
            && picture.placement() instanceof Placement.Floating
            && same(stands, at)
        ? Optional.of(picture)
        : Optional.empty();
  }

  private static boolean same(Box a, Box b) {
    return Math.abs(a.x() - b.x()) < SAME
        && Math.abs(a.y() - b.y()) < SAME
        && Math.abs(a.width() - b.width()) < SAME
        && Math.abs(a.height() - b.height()) < SAME;
  }
}
