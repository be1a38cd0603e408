package unimotus.formats.plcopen;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import unimotus.core.program.FunctionBlock;
import unimotus.core.program.LocatedVariable;
import unimotus.core.program.Variable;

/** Function blocks as a project of PLCopen XML (TC6 version 2.01, from memory). */
public final class PlcopenXml {
  private static final String NAMESPACE = "http://www.plcopen.org/xml/tc6_0201";
  private static final String XHTML = "http://www.w3.org/1999/xhtml";
  private static final Set<String> ELEMENTARY =
      Set.of("BOOL", "WORD", "INT", "UINT", "DINT", "UDINT", "REAL", "TIME");

  private final XMLStreamWriter xml;

  private PlcopenXml(XMLStreamWriter xml) {
    this.xml = xml;
  }

  /**
   * Writes a project.
   *
   * @param name name of the project
   * @param at when it is written
   * @throws IOException where {@code out} does not take it
   */
  public static void write(String name, List<FunctionBlock> blocks, Instant at, OutputStream out)
      throws IOException {
    try {
      XMLStreamWriter writer = XMLOutputFactory.newInstance().createXMLStreamWriter(out, "UTF-8");
      new PlcopenXml(writer).project(name, blocks, at.truncatedTo(ChronoUnit.SECONDS).toString());
      writer.close();
    } catch (XMLStreamException refused) {
      throw new IOException("the program could not be written: " + refused.getMessage(), refused);
    }
  }

  private void project(String name, List<FunctionBlock> blocks, String at)
      throws XMLStreamException {
    xml.writeStartDocument("UTF-8", "1.0");
    line();
    xml.writeStartElement("project");
    xml.writeDefaultNamespace(NAMESPACE);
    empty(
        "fileHeader",
        "companyName",
        "",
        "productName",
        "Unimotus",
        "productVersion",
        "0.1",
        "creationDateTime",
        at);
    open("contentHeader", "name", name, "modificationDateTime", at);
    open("coordinateInfo");
    for (String view : List.of("fbd", "ld", "sfc")) {
      open(view);
      empty("scaling", "x", "1", "y", "1");
      close();
    }
    close();
    close();
    open("types");
    empty("dataTypes");
    open("pous");
    for (FunctionBlock block : blocks) {
      block(block);
    }
    close();
    close();
    open("instances");
    channels(name, blocks.stream().flatMap(b -> b.located().stream()).toList());
    close();
    close();
    xml.writeEndDocument();
  }

  /** The channels of all blocks, as global variables of one configuration. */
  private void channels(String name, List<LocatedVariable> located) throws XMLStreamException {
    if (located.isEmpty()) {
      empty("configurations");
      return;
    }
    open("configurations");
    open("configuration", "name", Variable.named(name));
    open("globalVars");
    for (LocatedVariable variable : located) {
      open("variable", "name", variable.name(), "address", variable.address().toString());
      open("type");
      empty(variable.type());
      close();
      open("documentation");
      xhtml(variable.comment());
      close();
      close();
    }
    close();
    close();
    close();
  }

  private void block(FunctionBlock block) throws XMLStreamException {
    open("pou", "name", block.name(), "pouType", "functionBlock");
    open("interface");
    variables("inputVars", block.inputs());
    variables("inOutVars", block.inOuts());
    variables("outputVars", block.outputs());
    variables("localVars", block.locals());
    close();
    open("body");
    open("ST");
    xhtml("\n" + block.statements());
    close();
    close();
    open("documentation");
    xhtml(String.join("\n", block.remarks()));
    close();
    close();
  }

  private void variables(String kind, List<Variable> variables) throws XMLStreamException {
    if (variables.isEmpty()) {
      return;
    }
    open(kind);
    for (Variable variable : variables) {
      open("variable", "name", variable.name());
      open("type");
      if (ELEMENTARY.contains(variable.type())) {
        empty(variable.type());
      } else {
        empty("derived", "name", variable.type());
      }
      close();
      if (!variable.initial().isEmpty()) {
        open("initialValue");
        empty("simpleValue", "value", variable.initial());
        close();
      }
      open("documentation");
      xhtml(variable.comment());
      close();
      close();
    }
    close();
  }

  private void xhtml(String text) throws XMLStreamException {
    xml.writeStartElement("xhtml");
    xml.writeDefaultNamespace(XHTML);
    xml.writeCharacters(text);
    xml.writeEndElement();
    line();
  }

  private void open(String element, String... attributes) throws XMLStreamException {
    xml.writeStartElement(element);
    attributes(attributes);
    line();
  }

  private void empty(String element, String... attributes) throws XMLStreamException {
    xml.writeEmptyElement(element);
    attributes(attributes);
    line();
  }

  private void attributes(String... attributes) throws XMLStreamException {
    for (int i = 0; i < attributes.length; i += 2) {
      xml.writeAttribute(attributes[i], attributes[i + 1]);
    }
  }

  private void close() throws XMLStreamException {
    xml.writeEndElement();
    line();
  }

  private void line() throws XMLStreamException {
    xml.writeCharacters("\n");
  }
}
