package decant.office.xml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.Function;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Elements as they come from a stream, whatever their names are made of. */
final class XmlTree {
  private static final XMLInputFactory FACTORY = factory();

  private XmlTree() {}

  private static XMLInputFactory factory() {
    var f = new WstxInputFactory();
    f.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    f.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    f.setProperty(XMLInputFactory.IS_COALESCING, true);
    // Faults in the part are to come where it is read, as what callers expect.
    f.getConfig().doParseLazily(false);
    // Paths of drawings are attributes, of any length; parts are limited as a whole.
    f.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, Integer.MAX_VALUE);
    return f;
  }

  /** No document type, no entities, no fetching. */
  static XMLStreamReader reader(byte[] part) throws XMLStreamException {
    return FACTORY.createXMLStreamReader(new ByteArrayInputStream(part));
  }

  /** The whole part as a tree. */
  static Element root(byte[] part, int deepest, Function<XMLStreamReader, Element> start)
      throws XMLStreamException {
    XMLStreamReader in = reader(part);
    try {
      while (in.next() != XMLStreamConstants.START_ELEMENT) {
        // prolog
      }
      return element(in, deepest, start);
    } finally {
      in.close();
    }
  }

  /**
   * The element that the stream is at.
   *
   * @param start an element without its children, as it begins
   */
  static Element element(XMLStreamReader in, int deepest, Function<XMLStreamReader, Element> start)
      throws XMLStreamException {
    Deque<Element> open = new ArrayDeque<>();
    Element root = start.apply(in);
    open.push(root);
    while (!open.isEmpty()) {
      switch (in.next()) {
        case XMLStreamConstants.START_ELEMENT -> {
          if (open.size() > deepest) {
            throw new XMLStreamException("too deeply nested");
          }
          Element e = start.apply(in);
          open.element().children().add(e);
          open.push(e);
        }
        case XMLStreamConstants.END_ELEMENT -> open.pop();
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA ->
            open.element().children().add(in.getText());
        default -> {}
      }
    }
    return root;
  }
}
