package unimotus.formats.esi;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javax.xml.stream.Location;
import javax.xml.stream.XMLStreamException;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.EsiModule;
import unimotus.formats.json.FileFault;

/** Reads one description. What is read before the file breaks off is kept. */
final class EsiReader {
  private final String file;
  private final List<FileFault> faults = new ArrayList<>();
  private final Set<String> unread = new TreeSet<>();
  private final List<DeviceDescription.Group> groups = new ArrayList<>();
  private final List<EsiDevice> devices = new ArrayList<>();
  private final List<EsiModule> modules = new ArrayList<>();
  private @Nullable Long vendorId;
  private String vendorName = "";

  EsiReader(String file) {
    this.file = file;
  }

  DescriptionFile read(InputStream in) {
    try {
      Element at = new Element(file, in, faults, unread);
      String root = at.root();
      if (root.equals("EtherCATInfo")) {
        info(at);
      } else {
        at.fault("the file begins with '%s'; expected 'EtherCATInfo'".formatted(root));
      }
    } catch (XMLStreamException broken) {
      faults.add(fault(broken));
    }
    if (vendorId == null && faults.isEmpty()) {
      faults.add(new FileFault(file, 0, 0, "no vendor is named; expected Vendor with an Id"));
    }
    return new DescriptionFile(
        file,
        new DeviceDescription(
            vendorId == null ? 0 : vendorId, vendorName, groups, devices, modules),
        faults,
        unread);
  }

  private FileFault fault(XMLStreamException broken) {
    Location at = broken.getLocation();
    String said = String.valueOf(broken.getMessage());
    String why = said.substring(said.lastIndexOf("Message: ") + 1).replaceFirst("^essage: ", "");
    String kept =
        "not well-formed XML: %s; the %d devices and %d modules before it are kept"
            .formatted(why.strip(), devices.size(), modules.size());
    return at == null
        ? new FileFault(file, 0, 0, kept)
        : new FileFault(file, at.getLineNumber(), Math.max(1, at.getColumnNumber()), kept);
  }

  private void info(Element at) throws XMLStreamException {
    at.children(
        name -> {
          switch (name) {
            case "Vendor" -> vendor(at);
            case "Descriptions" -> descriptions(at);
            default -> at.unread();
          }
        });
  }

  private void vendor(Element at) throws XMLStreamException {
    at.children(
        name -> {
          switch (name) {
            case "Id" -> vendorId = at.number();
            case "Name" -> vendorName = named(at, vendorName);
            default -> at.unread();
          }
        });
  }

  private void descriptions(Element at) throws XMLStreamException {
    at.children(
        name -> {
          switch (name) {
            case "Groups" -> at.children(group -> group(at));
            case "Devices" ->
                at.children(
                    device -> {
                      EsiDevice read = new DeviceReader(at).device();
                      if (read != null) {
                        devices.add(read);
                      }
                    });
            case "Modules" ->
                at.children(
                    module -> {
                      EsiModule read = new DeviceReader(at).module();
                      if (read != null) {
                        modules.add(read);
                      }
                    });
            default -> at.unread();
          }
        });
  }

  private void group(Element at) throws XMLStreamException {
    String[] read = {"", ""};
    at.children(
        name -> {
          switch (name) {
            case "Type" -> read[0] = at.text();
            case "Name" -> read[1] = named(at, read[1]);
            default -> at.unread();
          }
        });
    groups.add(new DeviceDescription.Group(read[0], read[1]));
  }

  /** A name in English where there are several languages (LcId 1033), else the first. */
  static String named(Element at, String before) throws XMLStreamException {
    String language = at.attribute("LcId");
    String text = at.text();
    return before.isEmpty() || "1033".equals(language) ? text : before;
  }
}
