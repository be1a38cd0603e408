package unimotus.formats.esi;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;
import unimotus.formats.json.FileFault;

/** The element a stream stands at. Faults are collected with their place; nothing is looked up. */
final class Element {
  private static final String HEX = "#x";

  private final String file;
  private final XMLStreamReader xml;
  private final List<FileFault> faults;
  private final Set<String> unread;

  Element(String file, InputStream in, List<FileFault> faults, Set<String> unread)
      throws XMLStreamException {
    this.file = file;
    this.faults = faults;
    this.unread = unread;
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    this.xml = factory.createXMLStreamReader(in);
  }

  /** What is done with a child; it must leave the stream at the child's end. */
  interface Child {
    void read(String name) throws XMLStreamException;
  }

  /** Goes to the document's element and gives its name. */
  String root() throws XMLStreamException {
    while (xml.next() != XMLStreamConstants.START_ELEMENT) {
      continue;
    }
    return xml.getLocalName();
  }

  /** Gives each child to a reader; ends at this element's end. */
  void children(Child child) throws XMLStreamException {
    while (xml.next() != XMLStreamConstants.END_ELEMENT) {
      if (xml.isStartElement()) {
        child.read(xml.getLocalName());
      }
    }
  }

  /** Goes to the end of this element, whatever is in it. */
  void skip() throws XMLStreamException {
    int depth = 1;
    while (depth > 0) {
      int event = xml.next();
      if (event == XMLStreamConstants.START_ELEMENT) {
        depth++;
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        depth--;
      }
    }
  }

  /** Passes over an element that is nothing to this program, and remembers that it was there. */
  void unread() throws XMLStreamException {
    unread.add(xml.getLocalName());
    skip();
  }

  /** The text of this element; ends at its end. */
  String text() throws XMLStreamException {
    return xml.getElementText().strip();
  }

  /** An attribute; null where it is not there. */
  @Nullable String attribute(String name) {
    return xml.getAttributeValue(null, name);
  }

  /** Whether an attribute says yes. */
  boolean isSet(String name) {
    String value = attribute(name);
    return value != null && (value.equals("1") || value.equals("true"));
  }

  /** A number in an attribute; {@code otherwise} where it is not there or none, which is told. */
  long number(String name, long otherwise) {
    String value = attribute(name);
    return value == null ? otherwise : parsed(name, value, otherwise);
  }

  /** The number that is this element's text; ends at its end; told and null where it is none. */
  @Nullable Long number() throws XMLStreamException {
    String name = xml.getLocalName();
    int line = line();
    int column = column();
    String text = text();
    try {
      return parse(text);
    } catch (NumberFormatException none) {
      faults.add(new FileFault(file, line, column, noNumber(name, text)));
      return null;
    }
  }

  private long parsed(String name, String text, long otherwise) {
    try {
      return parse(text.strip());
    } catch (NumberFormatException none) {
      fault(noNumber(xml.getLocalName() + " " + name, text));
      return otherwise;
    }
  }

  private static String noNumber(String name, String text) {
    return "%s is '%s'; expected a number such as 16 or #x10".formatted(name, text);
  }

  /**
   * A number as descriptions have it: decimal, or hex behind {@code #x}.
   *
   * @throws NumberFormatException where it is none
   */
  static long parse(String text) {
    return text.startsWith(HEX)
        ? Long.parseLong(text.substring(HEX.length()), 16)
        : Long.parseLong(text);
  }

  int line() {
    return xml.getLocation().getLineNumber();
  }

  int column() {
    return Math.max(1, xml.getLocation().getColumnNumber());
  }

  /** Tells something that is wrong here. */
  void fault(String problem) {
    fault(line(), column(), problem);
  }

  /** Tells something that is wrong at a place. */
  void fault(int line, int column, String problem) {
    faults.add(new FileFault(file, line, column, problem));
  }

  /** Numbers that are there; what is missing was told. */
  static List<Long> present(List<@Nullable Long> numbers) {
    List<Long> present = new ArrayList<>();
    for (Long number : numbers) {
      if (number != null) {
        present.add(number);
      }
    }
    return present;
  }
}
