package unimotus.formats.esi;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLStreamException;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.ClockMode;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.Slots;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.esi.SyncManager;

/** Reads a device or a module: both are made of the same elements. */
final class DeviceReader {
  private static final int MOST_SLOTS = 256;

  private final Element at;
  private final int line;
  private final int column;
  private final List<SyncManager> syncManagers = new ArrayList<>();
  private final List<Pdo> pdos = new ArrayList<>();
  private final List<StartUpCommand> startUp = new ArrayList<>();
  private final List<ClockMode> clockModes = new ArrayList<>();
  private String type = "";
  private String name = "";
  private String group = "";
  private @Nullable Long number;
  private long revision;
  private @Nullable Mailbox mailbox;
  private @Nullable Slots slots;
  private ObjectDictionary dictionary = ObjectDictionary.NONE;

  DeviceReader(Element at) {
    this.at = at;
    this.line = at.line();
    this.column = at.column();
  }

  /** The device the stream stands at; null where it has no product code, which is told. */
  @Nullable EsiDevice device() throws XMLStreamException {
    parts("ProductCode");
    if (number == null) {
      at.fault(line, column, left("device", "ProductCode"));
      return null;
    }
    return new EsiDevice(
        type,
        name,
        number,
        revision,
        group,
        syncManagers,
        pdos,
        mailbox,
        startUp,
        clockModes,
        slots,
        dictionary);
  }

  /** The module the stream stands at; null where it has no ident, which is told. */
  @Nullable EsiModule module() throws XMLStreamException {
    parts("ModuleIdent");
    if (number == null) {
      at.fault(line, column, left("module", "ModuleIdent"));
      return null;
    }
    return new EsiModule(number, type, name, pdos, startUp, dictionary);
  }

  private String left(String what, String attribute) {
    return "%s '%s' is left out: its Type has no %s; expected a number such as #x10"
        .formatted(what, name.isEmpty() ? type : name, attribute);
  }

  private void parts(String identity) throws XMLStreamException {
    at.children(
        element -> {
          switch (element) {
            case "Type" -> type(identity);
            case "Name" -> name = EsiReader.named(at, name);
            case "GroupType" -> group = at.text();
            case "Sm" -> syncManager();
            case "RxPdo" -> pdo(Direction.OUTPUTS);
            case "TxPdo" -> pdo(Direction.INPUTS);
            case "Mailbox" -> mailbox();
            case "Dc" -> clock();
            case "Slots" -> slots();
            case "Profile" -> profile();
            case "Fmmu", "Physics" -> at.skip();
            default -> at.unread();
          }
        });
  }

  private void type(String identity) throws XMLStreamException {
    long none = -1;
    long told = at.number(identity, none);
    number = told == none ? null : told;
    revision = at.number("RevisionNo", 0);
    type = at.text();
  }

  private void syncManager() throws XMLStreamException {
    int start = (int) at.number("StartAddress", 0);
    int most = (int) at.number("MaxSize", 0);
    int least = (int) at.number("MinSize", 0);
    int size = (int) at.number("DefaultSize", 0);
    int control = (int) at.number("ControlByte", 0);
    boolean enabled = at.isSet("Enable");
    syncManagers.add(
        new SyncManager(
            syncManagers.size(), at.text(), start, size, least, most, control, enabled));
  }

  private void pdo(Direction direction) throws XMLStreamException {
    Pdo read = new PdoReader(at).read(direction);
    if (read != null) {
      pdos.add(read);
    }
  }

  private void mailbox() throws XMLStreamException {
    boolean[] objects = {false};
    boolean[] can = new boolean[5];
    at.children(
        protocol -> {
          if (!protocol.equals("CoE")) {
            at.unread();
            return;
          }
          objects[0] = true;
          can[0] = at.isSet("SdoInfo");
          can[1] = at.isSet("PdoAssign");
          can[2] = at.isSet("PdoConfig");
          can[3] = at.isSet("CompleteAccess");
          can[4] = at.isSet("SegmentedSdo");
          at.children(this::command);
        });
    mailbox = new Mailbox(objects[0], can[0], can[1], can[2], can[3], can[4]);
  }

  private void command(String element) throws XMLStreamException {
    if (!element.equals("InitCmd")) {
      at.unread();
      return;
    }
    int where = at.line();
    int how = at.column();
    List<String> transitions = new ArrayList<>();
    Long[] object = {null, 0L};
    String[] words = {"", ""};
    at.children(
        part -> {
          switch (part) {
            case "Transition" -> transitions.add(at.text().toUpperCase(Locale.ROOT));
            case "Index" -> object[0] = at.number();
            case "SubIndex" -> object[1] = at.number();
            case "Data" -> words[0] = at.text();
            case "Comment" -> words[1] = EsiReader.named(at, words[1]);
            default -> at.unread();
          }
        });
    Long index = object[0];
    Long subindex = object[1];
    if (index == null || subindex == null || transitions.isEmpty()) {
      at.fault(
          where,
          how,
          "a start-up command is left out: expected Transition, Index, SubIndex and Data");
      return;
    }
    for (String transition : transitions) {
      try {
        startUp.add(
            new StartUpCommand(
                transition, index.intValue(), subindex.intValue(), words[0], words[1]));
      } catch (IllegalArgumentException refused) {
        at.fault(where, how, "a start-up command is left out: " + refused.getMessage());
      }
    }
  }

  private void clock() throws XMLStreamException {
    at.children(
        mode -> {
          if (mode.equals("OpMode")) {
            clockModes.add(clockMode());
          } else {
            at.unread();
          }
        });
  }

  private ClockMode clockMode() throws XMLStreamException {
    String[] words = {"", ""};
    long[] numbers = new long[5];
    at.children(
        part -> {
          switch (part) {
            case "Name" -> words[0] = at.text();
            case "Desc" -> words[1] = EsiReader.named(at, words[1]);
            case "AssignActivate" -> numbers[0] = orZero();
            case "CycleTimeSync0" -> {
              numbers[2] = at.number("Factor", 1);
              numbers[1] = orZero();
            }
            case "ShiftTimeSync0" -> numbers[3] = orZero();
            case "CycleTimeSync1" -> numbers[4] = orZero();
            default -> at.unread();
          }
        });
    return new ClockMode(
        words[0], words[1], (int) numbers[0], numbers[1], (int) numbers[2], numbers[3], numbers[4]);
  }

  /** What is no number was told; a time that is not said is the bus cycle's. */
  private long orZero() throws XMLStreamException {
    Long told = at.number();
    return told == null ? 0 : told;
  }

  private void slots() throws XMLStreamException {
    int most = (int) at.number("MaxSlotCount", 0);
    int pdoStep = (int) at.number("SlotPdoIncrement", 0);
    int indexStep = (int) at.number("SlotIndexIncrement", 0);
    List<Slots.Slot> read = new ArrayList<>();
    at.children(
        slot -> {
          if (slot.equals("Slot")) {
            addEach(slot(), read);
          } else {
            at.unread();
          }
        });
    slots = new Slots(most, pdoStep, indexStep, read);
  }

  /**
   * A slot that can stand several times is that many slots; as delivered only the first is filled.
   */
  private void addEach(Slots.Slot slot, List<Slots.Slot> into) {
    if (slot.most() > MOST_SLOTS) {
      at.fault(
          "slot '%s' can stand %d times; expected at most %d, the first are kept"
              .formatted(slot.name(), slot.most(), MOST_SLOTS));
    }
    int count = Math.max(1, Math.min(slot.most(), MOST_SLOTS));
    for (int i = 0; i < count; i++) {
      into.add(
          new Slots.Slot(
              slot.name(),
              i < slot.least() ? 1 : 0,
              1,
              i < Math.max(1, slot.least()) ? slot.delivered() : null,
              slot.allowed()));
    }
  }

  private Slots.Slot slot() throws XMLStreamException {
    int least = (int) at.number("MinInstances", 0);
    int most = (int) at.number("MaxInstances", 1);
    String[] called = {""};
    Long[] delivered = {null};
    List<@Nullable Long> allowed = new ArrayList<>();
    at.children(
        part -> {
          switch (part) {
            case "Name" -> called[0] = EsiReader.named(at, called[0]);
            case "ModuleIdent" -> {
              boolean isDelivered = at.isSet("Default");
              Long ident = at.number();
              allowed.add(ident);
              if (isDelivered) {
                delivered[0] = ident;
              }
            }
            default -> at.unread();
          }
        });
    return new Slots.Slot(called[0], least, most, delivered[0], Element.present(allowed));
  }

  private void profile() throws XMLStreamException {
    at.children(
        part -> {
          if (part.equals("Dictionary")) {
            dictionary = new DictionaryReader(at).read();
          } else {
            at.unread();
          }
        });
  }
}
