package unimotus.formats.esi;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLStreamException;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.ObjectPart;
import unimotus.core.value.Access;

/** Reads an object dictionary: types first, then the objects that are of them. */
final class DictionaryReader {
  private static final int UNKNOWN_LENGTH = 0;

  private final Element at;
  private final Map<String, List<Part>> types = new HashMap<>();
  private final List<DictionaryObject> objects = new ArrayList<>();

  DictionaryReader(Element at) {
    this.at = at;
  }

  /** A part as it is collected. */
  private static final class Part {
    private int subindex;
    private String name = "";
    private String type = "";
    private int bits;
    private @Nullable Access access;
    private boolean mappable;
    private @Nullable Long least;
    private @Nullable Long most;
    private @Nullable String delivered;

    Part copy() {
      Part copy = new Part();
      copy.subindex = subindex;
      copy.name = name;
      copy.type = type;
      copy.bits = bits;
      copy.access = access;
      copy.mappable = mappable;
      return copy;
    }

    ObjectPart made(Access otherwise, boolean mapped) {
      boolean isSigned = ObjectPart.isSigned(type);
      return new ObjectPart(
          subindex,
          name,
          type,
          bits,
          access == null ? otherwise : access,
          mappable || mapped,
          isSigned ? signed(least) : least,
          isSigned ? signed(most) : most,
          delivered);
    }

    /** Bounds given as bytes have their sign in the uppermost bit of the type. */
    private @Nullable Long signed(@Nullable Long bound) {
      int above = Long.SIZE - bits;
      return bound == null || bits == 0 ? bound : Long.valueOf(bound << above >> above);
    }
  }

  ObjectDictionary read() throws XMLStreamException {
    at.children(
        element -> {
          switch (element) {
            case "DataTypes" -> at.children(type -> dataType());
            case "Objects" -> at.children(object -> object());
            default -> at.unread();
          }
        });
    return new ObjectDictionary(objects);
  }

  private void dataType() throws XMLStreamException {
    String[] name = {""};
    List<Part> parts = new ArrayList<>();
    at.children(
        element -> {
          switch (element) {
            case "Name" -> name[0] = at.text();
            case "SubItem" -> parts.add(subItem());
            case "BitSize", "BaseType", "ArrayInfo", "EnumInfo" -> at.skip();
            default -> at.unread();
          }
        });
    types.put(name[0], parts);
  }

  private Part subItem() throws XMLStreamException {
    Part part = new Part();
    at.children(
        element -> {
          switch (element) {
            case "SubIdx" -> part.subindex = whole();
            case "Name" -> part.name = EsiReader.named(at, part.name);
            case "Type" -> part.type = at.text();
            case "BitSize" -> part.bits = whole();
            case "Flags" -> flags(part);
            case "BitOffs" -> at.skip();
            default -> at.unread();
          }
        });
    return part;
  }

  private void flags(Part part) throws XMLStreamException {
    at.children(
        element -> {
          switch (element) {
            case "Access" -> part.access = access(at.text());
            case "PdoMapping" -> part.mappable = !at.text().isEmpty();
            default -> at.skip();
          }
        });
  }

  private Access access(String word) {
    return switch (word.toLowerCase(java.util.Locale.ROOT)) {
      case "rw" -> Access.READ_WRITE;
      case "wo" -> Access.WRITE;
      case "ro" -> Access.READ;
      default -> {
        at.fault("access '%s'; expected ro, rw or wo, taken as ro".formatted(word));
        yield Access.READ;
      }
    };
  }

  private int whole() throws XMLStreamException {
    Long number = at.number();
    return number == null ? UNKNOWN_LENGTH : number.intValue();
  }

  private void object() throws XMLStreamException {
    int line = at.line();
    int column = at.column();
    Long[] index = {null};
    boolean[] moves = {false};
    Part whole = new Part();
    List<Part> told = new ArrayList<>();
    at.children(
        element -> {
          switch (element) {
            case "Index" -> {
              moves[0] = at.isSet("DependOnSlot");
              index[0] = at.number();
            }
            case "Name" -> whole.name = EsiReader.named(at, whole.name);
            case "Type" -> whole.type = at.text();
            case "BitSize" -> whole.bits = whole();
            case "Info" -> info(whole, told);
            case "Flags" -> flags(whole);
            default -> at.unread();
          }
        });
    Long number = index[0];
    if (number == null) {
      at.fault(line, column, "object '%s' is left out: expected an Index".formatted(whole.name));
      return;
    }
    objects.add(new DictionaryObject(number.intValue(), moves[0], whole.name, parts(whole, told)));
  }

  /** Parts of the object's type, in which the object itself says values by their order. */
  private List<ObjectPart> parts(Part whole, List<Part> told) {
    Access otherwise = whole.access == null ? Access.READ : whole.access;
    List<Part> ofType = types.getOrDefault(whole.type, List.of());
    if (ofType.isEmpty()) {
      return List.of(whole.made(otherwise, false));
    }
    List<ObjectPart> made = new ArrayList<>();
    for (int i = 0; i < ofType.size(); i++) {
      Part part = ofType.get(i).copy();
      if (i < told.size()) {
        part.least = told.get(i).least;
        part.most = told.get(i).most;
        part.delivered = told.get(i).delivered;
      }
      made.add(part.made(otherwise, whole.mappable));
    }
    return made;
  }

  private void info(Part whole, List<Part> told) throws XMLStreamException {
    at.children(
        element -> {
          if (element.equals("SubItem")) {
            Part part = new Part();
            told.add(part);
            at.children(
                inside -> {
                  switch (inside) {
                    case "Info" -> at.children(value -> value(part, value));
                    case "Name" -> at.skip();
                    default -> at.unread();
                  }
                });
          } else {
            value(whole, element);
          }
        });
  }

  private void value(Part part, String element) throws XMLStreamException {
    switch (element) {
      case "DefaultData" -> part.delivered = at.text();
      case "MinValue", "MinData" -> part.least = bound(element);
      case "MaxValue", "MaxData" -> part.most = bound(element);
      default -> at.unread();
    }
  }

  /** Data are bytes in hex digits, the least significant first; values are numbers. */
  private @Nullable Long bound(String element) throws XMLStreamException {
    if (element.endsWith("Value")) {
      return at.number();
    }
    String data = at.text();
    if (!data.matches("([0-9A-Fa-f]{2}){1,8}")) {
      at.fault("%s is '%s'; expected one to eight bytes in hex digits".formatted(element, data));
      return null;
    }
    StringBuilder turned = new StringBuilder();
    for (int i = data.length() - 2; i >= 0; i -= 2) {
      turned.append(data, i, i + 2);
    }
    return Long.parseUnsignedLong(turned.toString(), 16);
  }
}
