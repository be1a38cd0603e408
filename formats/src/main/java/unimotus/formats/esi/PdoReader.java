package unimotus.formats.esi;

import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLStreamException;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.Direction;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;

/** Reads a process data object. One with an entry that cannot be read is left out as a whole. */
final class PdoReader {
  private final Element at;
  private final List<PdoEntry> entries = new ArrayList<>();
  private final List<@Nullable Long> excludes = new ArrayList<>();
  private @Nullable Long index;
  private boolean movesWithSlot;
  private boolean whole = true;
  private String name = "";

  PdoReader(Element at) {
    this.at = at;
  }

  /** The object the stream stands at; null where it cannot be used, which is told. */
  @Nullable Pdo read(Direction direction) throws XMLStreamException {
    int line = at.line();
    int column = at.column();
    boolean fixed = at.isSet("Fixed");
    boolean mandatory = at.isSet("Mandatory");
    int manager = (int) at.number("Sm", -1);
    at.children(this::part);
    if (index == null || !whole) {
      // A shifted image would be worse than none.
      at.fault(
          line,
          column,
          "process data object '%s' is left out: expected an Index and, in every Entry, Index and BitLen"
              .formatted(name));
      return null;
    }
    return new Pdo(
        index.intValue(),
        movesWithSlot,
        name,
        direction,
        fixed,
        mandatory,
        manager < 0 ? null : manager,
        Element.present(excludes).stream().map(Long::intValue).toList(),
        entries);
  }

  private void part(String element) throws XMLStreamException {
    switch (element) {
      case "Index" -> {
        movesWithSlot = at.isSet("DependOnSlot");
        index = at.number();
      }
      case "Name" -> name = EsiReader.named(at, name);
      case "Exclude" -> excludes.add(at.number());
      case "Entry" -> entry();
      default -> at.unread();
    }
  }

  private void entry() throws XMLStreamException {
    Long[] numbers = {null, 0L, null};
    boolean[] moves = {false};
    String[] words = {"", ""};
    at.children(
        part -> {
          switch (part) {
            case "Index" -> {
              moves[0] = at.isSet("DependOnSlot");
              numbers[0] = at.number();
            }
            case "SubIndex" -> numbers[1] = at.number();
            case "BitLen" -> numbers[2] = at.number();
            case "Name" -> words[0] = EsiReader.named(at, words[0]);
            case "DataType" -> words[1] = at.text();
            default -> at.unread();
          }
        });
    Long object = numbers[0];
    Long subindex = numbers[1];
    Long bits = numbers[2];
    if (object == null || subindex == null || bits == null || bits <= 0) {
      whole = false;
      return;
    }
    boolean padding = object == 0;
    entries.add(
        new PdoEntry(
            object.intValue(),
            moves[0] && !padding,
            subindex.intValue(),
            bits.intValue(),
            padding ? "" : words[0],
            padding ? "" : words[1]));
  }
}
