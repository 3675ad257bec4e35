package decant.office.docx;

import decant.model.Block;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What stands around text without being a part of it: content controls (§17.5.2) and insertions
 * that were tracked (§17.13.5). The text shows; what is said around it is kept with its runs,
 * paragraphs and tables, so that it goes back around them.
 */
final class Around {
  private List<Kept> open = List.of();

  /** Begins a tracked insertion; what is open then, to be given back at its end. */
  List<Kept> beginInsertion(Element e) {
    return begin(new Element(e.name(), e.attributes(), List.of()));
  }

  /**
   * Begins a content control; the same.
   *
   * @param field whether it is a place to fill in, which is known as such
   */
  List<Kept> beginControl(Element sdt, boolean field) {
    Optional<Element> properties = sdt.child("w:sdtPr");
    return properties.isPresent() && !field ? begin(properties.get()) : open;
  }

  private List<Kept> begin(Element e) {
    List<Kept> outer = open;
    var all = new ArrayList<>(open);
    all.add(new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
    open = List.copyOf(all);
    return outer;
  }

  void end(List<Kept> outer) {
    open = outer;
  }

  /** The look of a run, with what stands around it. */
  Look of(Look look) {
    if (open.isEmpty()) {
      return look;
    }
    var kept = new ArrayList<>(look.value(TextTraits.KEPT));
    kept.addAll(open);
    return look.with(TextTraits.KEPT, List.copyOf(kept));
  }

  /** Blocks with the content control around them. */
  static List<Block> control(Element sdt, List<Block> blocks) {
    Optional<Element> properties = sdt.child("w:sdtPr");
    if (properties.isEmpty()) {
      return blocks;
    }
    var kept = new Kept(DocxLooks.FORMAT, XmlParts.write(properties.get()));
    return blocks.stream()
        .map(b ->
            switch (b) {
              case Paragraph p -> (Block) p.withLook(with(p.look(), ParagraphTraits.KEPT, kept));
              case Table t ->
                  new Table(t.id(), with(t.look(), TableTraits.KEPT, kept), t.columns(), t.rows());
              case KeptBlock k -> k;
            })
        .toList();
  }

  /** The outermost first. */
  private static Look with(Look look, Trait<List<Kept>> trait, Kept kept) {
    var all = new ArrayList<Kept>();
    all.add(kept);
    all.addAll(look.value(trait));
    return look.with(trait, List.copyOf(all));
  }
}
