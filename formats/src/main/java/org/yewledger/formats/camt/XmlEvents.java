package org.yewledger.formats.camt;

import java.io.InputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.UnreadableFile;

/**
 * A stream of XML as far as bank files need it: elements and their texts, by local name. Document
 * types and entities of one's own are refused; depth and the length of a text are bounded.
 */
final class XmlEvents {
  private static final int DEEPEST = 40;
  private static final int LONGEST_TEXT = 20_000;
  private static final int MOST_NODES = 200_000;

  private final XMLStreamReader xml;
  private int depth;

  XmlEvents(InputStream in) {
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
    try {
      xml = factory.createXMLStreamReader(in);
    } catch (XMLStreamException e) {
      throw unreadable(e);
    }
  }

  int line() {
    return Math.max(1, xml.getLocation().getLineNumber());
  }

  /** The local name of the next element that begins; null at the end of the file. */
  @Nullable String nextBegin() {
    while (true) {
      switch (advance()) {
        case XMLStreamConstants.START_ELEMENT -> {
          return xml.getLocalName();
        }
        case XMLStreamConstants.END_DOCUMENT -> {
          return null;
        }
        default -> {}
      }
    }
  }

  /** The next child of the element whose beginning was read last; null at the element's end. */
  @Nullable String nextChild() {
    while (true) {
      switch (advance()) {
        case XMLStreamConstants.START_ELEMENT -> {
          return xml.getLocalName();
        }
        case XMLStreamConstants.END_ELEMENT -> {
          return null;
        }
        default -> {}
      }
    }
  }

  /** The element that has just begun, with all that is in it. */
  XmlElement element() {
    int[] nodes = {0};
    return element(nodes);
  }

  private XmlElement element(int[] nodes) {
    if (++nodes[0] > MOST_NODES) {
      throw UnreadableFile.at(line(), "one entry holds more than 200,000 elements.");
    }
    var element = new XmlElement(xml.getLocalName(), line(), xml.getAttributeValue(null, "Ccy"));
    var text = new StringBuilder();
    while (true) {
      switch (advance()) {
        case XMLStreamConstants.START_ELEMENT -> element.add(element(nodes));
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> append(text);
        case XMLStreamConstants.END_ELEMENT -> {
          element.say(text.toString());
          return element;
        }
        default -> {}
      }
    }
  }

  private void append(StringBuilder text) {
    if (text.length() + xml.getTextLength() > LONGEST_TEXT) {
      throw UnreadableFile.at(line(), "a text is longer than 20,000 characters.");
    }
    text.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
  }

  private int advance() {
    int event;
    try {
      event = xml.next();
    } catch (XMLStreamException e) {
      throw unreadable(e);
    } catch (RuntimeException e) {
      // The parser of the JDK fails so on some malformed encodings and names.
      throw UnreadableFile.at(line(), "the XML cannot be read.");
    }
    switch (event) {
      case XMLStreamConstants.START_ELEMENT -> {
        if (++depth > DEEPEST) {
          throw UnreadableFile.at(line(), "the file is nested too deep.");
        }
      }
      case XMLStreamConstants.END_ELEMENT -> depth--;
      case XMLStreamConstants.DTD, XMLStreamConstants.ENTITY_REFERENCE ->
          throw UnreadableFile.at(
              line(), "a document type or entity stands in the file; a bank file has none.");
      default -> {}
    }
    return event;
  }

  private static UnreadableFile unreadable(XMLStreamException e) {
    int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNumber());
    String message = String.valueOf(e.getMessage());
    String reason =
        message.substring(message.lastIndexOf("Message: ") + 1).lines().findFirst().orElse("");
    return UnreadableFile.at(
        line,
        "the XML cannot be read%s. The file may be cut off; export it again."
            .formatted(reason.isBlank() ? "" : " (" + clean(reason) + ")"));
  }

  private static String clean(String reason) {
    String plain = reason.replace("essage: ", "").replaceAll("\\p{Cntrl}+", " ").strip();
    return plain.length() > 120 ? plain.substring(0, 120) : plain;
  }
}
