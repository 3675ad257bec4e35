package decant.preview;

import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.MediaId;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.pdf.choices.Conformance;
import decant.publication.Publication;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;

/** What a document lacks for the standards that are chosen, each with where it can be mended. */
public final class Readiness {
  private static final Words WORDS = Words.of(Readiness.class);

  /** Something that is lacking; the file is made all the same, with what stands in for it. */
  public sealed interface Lack {
    /** What is lacking and what the file will say instead, in the person's words. */
    String message();

    /** The title of the document. */
    record Title(String message) implements Lack {}

    /** The language of its text. */
    record Language(String message) implements Lack {}

    /**
     * What a picture shows, in words.
     *
     * @param at the place of the picture in its paragraph
     */
    record Description(String message, NodeId paragraph, int at, MediaId picture) implements Lack {}
  }

  private Readiness() {}

  /** What is lacking for an output. */
  public static List<Lack> of(Output.Pdf o, Publication publication, java.nio.file.Path source) {
    Conformance k = o.settings().conformance();
    var out = new ArrayList<Lack>();
    if (!k.accessible() && !k.standard().level().equals("A")) {
      return out;
    }
    var said = o.details().over(publication.metadata());
    var written = Plan.metadata(o, publication, source);
    if (said.title().isBlank() && k.accessible()) {
      out.add(new Lack.Title(WORDS.say("readiness.the-document-has-no-title", written.title())));
    }
    if (said.language().isBlank()) {
      out.add(
          new Lack.Language(WORDS.say("readiness.the-document-does-not-say", written.language())));
    }
    if (k.accessible()) {
      switch (publication.content()) {
        case Document d -> undescribed(d, out);
      }
    }
    return out;
  }

  private static void undescribed(Document d, List<Lack> out) {
    int n = 0;
    for (Paragraph p : Walk.paragraphs(d, Part.ONCE)) {
      int at = 0;
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.Picture pic) {
          n++;
          if (pic.alt().isBlank()) {
            out.add(
                new Lack.Description(
                    WORDS.say("readiness.picture-has-no-description-for", n),
                    p.id(),
                    at,
                    pic.media()));
          }
        }
        at += i.length();
      }
    }
  }
}
