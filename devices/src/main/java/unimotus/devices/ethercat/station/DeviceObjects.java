package unimotus.devices.ethercat.station;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationSetup;
import unimotus.core.processdata.StationState;
import unimotus.core.value.Access;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.mailbox.ObjectStore;

/**
 * The objects of a station and what stands in them: those of its description, those of its modules,
 * its identity, and its mapping as delivered.
 */
public final class DeviceObjects implements ObjectStore {
  static final int ASSIGN_OUTPUTS = 0x1C12;
  static final int ASSIGN_INPUTS = 0x1C13;
  private static final int DEVICE_NAME = 0x1008;
  private static final int IDENTITY = 0x1018;
  private static final int SYNC_MANAGER_TYPES = 0x1C00;
  private static final int MODULES_FOUND = 0xF050;

  private final StationSetup setup;
  private final Map<Integer, DictionaryObject> objects = new TreeMap<>();
  private final Map<Integer, byte[]> held = new HashMap<>();
  private final Map<Integer, BoundObject> bound = new HashMap<>();
  private final Map<Integer, ObjectAbort> refused = new HashMap<>();
  private StationState state = StationState.INIT;

  /** The objects of a device that was just switched on. */
  public DeviceObjects(StationSetup setup, StationIdentity identity) {
    this.setup = setup;
    StartUpCheck.dictionary(setup).objects().forEach(o -> objects.put(o.index(), o));
    objects.values().forEach(this::asDelivered);
    setup.available().forEach(this::addMapped);
    setup.available().forEach(this::mapped);
    setText(DEVICE_NAME, setup.device().name());
    fill(
        IDENTITY,
        "Identity",
        "UDINT",
        List.of(identity.vendor(), identity.product(), identity.revision(), identity.serial()));
    fill(SYNC_MANAGER_TYPES, "Sync manager types", "USINT", List.of(1L, 2L, 3L, 4L));
    modules();
    StationSetup delivered = new StationSetup(setup.device(), setup.modules(), null);
    assigned(ASSIGN_OUTPUTS, delivered.assigned(Direction.OUTPUTS));
    assigned(ASSIGN_INPUTS, delivered.assigned(Direction.INPUTS));
  }

  private static int key(int index, int subindex) {
    return index << Byte.SIZE | subindex;
  }

  private static int bytes(ObjectPart part) {
    return (part.bitLength() + Byte.SIZE - 1) / Byte.SIZE;
  }

  private void asDelivered(DictionaryObject object) {
    for (ObjectPart part : object.parts()) {
      byte[] value = new byte[bytes(part)];
      if (part.delivered() != null) {
        byte[] given = HexFormat.of().parseHex(part.delivered());
        System.arraycopy(given, 0, value, 0, Math.min(given.length, value.length));
      } else if (part.subindex() == 0 && object.parts().size() > 1 && value.length > 0) {
        value[0] = (byte) object.parts().stream().mapToInt(ObjectPart::subindex).max().orElse(0);
      }
      held.put(key(object.index(), part.subindex()), value);
    }
  }

  /** What process data carry has to be there, also where the dictionary leaves it out. */
  private void addMapped(Pdo pdo) {
    for (PdoEntry entry : pdo.entries()) {
      boolean known = object(entry.index()).flatMap(o -> o.part(entry.subindex())).isPresent();
      if (!known && !entry.isPadding()) {
        boolean output = pdo.direction() == Direction.OUTPUTS;
        ObjectPart part =
            new ObjectPart(
                entry.subindex(),
                entry.name(),
                entry.dataType(),
                entry.bitLength(),
                output ? Access.READ_WRITE : Access.READ,
                true,
                null,
                null,
                null);
        add(entry.index(), pdo.name(), part);
      }
    }
  }

  private void add(int index, String name, ObjectPart part) {
    List<ObjectPart> parts = new ArrayList<>();
    object(index).ifPresent(o -> parts.addAll(o.parts()));
    parts.add(part);
    DictionaryObject object = new DictionaryObject(index, false, name, parts);
    objects.put(index, object);
    held.put(key(index, part.subindex()), new byte[bytes(part)]);
  }

  private static ObjectPart plain(int subindex, String name, String type, int bits) {
    return new ObjectPart(subindex, name, type, bits, Access.READ, false, null, null, null);
  }

  private void mapped(Pdo pdo) {
    fill(
        pdo.index(),
        "Mapping of %s".formatted(pdo.name()),
        "UDINT",
        pdo.entries().stream().map(PdoEntry::mapping).toList());
  }

  private void assigned(int index, List<Pdo> pdos) {
    fill(
        index,
        index == ASSIGN_OUTPUTS ? "Outputs in the image" : "Inputs in the image",
        "UINT",
        pdos.stream().map(p -> (long) p.index()).toList());
  }

  private void modules() {
    if (setup.device().slots() != null) {
      List<Long> idents = new ArrayList<>();
      for (EsiModule module : setup.modules()) {
        idents.add(module == null ? 0 : module.ident());
      }
      fill(MODULES_FOUND, "Modules found", "UDINT", idents);
    }
  }

  /** Fills a list and adds what of it is not described. */
  private void fill(int index, String name, String type, List<Long> values) {
    int bits = type.equals("USINT") ? 8 : type.equals("UINT") ? 16 : 32;
    if (object(index).isEmpty()) {
      add(index, name, plain(0, "Number of entries", "USINT", Byte.SIZE));
    }
    for (int i = 0; i < values.size(); i++) {
      if (object(index).flatMap(partOf(i + 1)).isEmpty()) {
        add(index, name, plain(i + 1, "Entry %d".formatted(i + 1), type, bits));
      }
      put(index, i + 1, values.get(i));
    }
    put(index, 0, values.size());
  }

  private static Function<DictionaryObject, Optional<ObjectPart>> partOf(int subindex) {
    return o -> o.part(subindex);
  }

  private void put(int index, int subindex, long value) {
    byte[] bytes = held.get(key(index, subindex));
    if (bytes != null) {
      for (int i = 0; i < bytes.length; i++) {
        bytes[i] = (byte) (value >> Byte.SIZE * i);
      }
    }
  }

  private void setText(int index, String text) {
    object(index)
        .flatMap(o -> o.part(0))
        .ifPresent(
            part -> {
              byte[] given = text.getBytes(StandardCharsets.ISO_8859_1);
              byte[] value = new byte[Math.min(given.length, bytes(part))];
              System.arraycopy(given, 0, value, 0, value.length);
              held.put(key(index, 0), value);
            });
  }

  /** The device with what stands in its slots. */
  public StationSetup setup() {
    return setup;
  }

  /** Lets something live behind a value; the description has to have it. */
  public void bind(int index, int subindex, BoundObject what) {
    if (object(index).flatMap(partOf(subindex)).isPresent()) {
      bound.put(key(index, subindex), what);
    }
  }

  /** Refuses every write to a value from now on; null lets it be written again. */
  public void refuse(int index, int subindex, @Nullable ObjectAbort with) {
    if (with == null) {
      refused.remove(key(index, subindex));
    } else {
      refused.put(key(index, subindex), with);
    }
  }

  /** The state the station is in; the image can be told in PRE-OP only. */
  void in(StationState next) {
    state = next;
  }

  @Override
  public List<DictionaryObject> objects() {
    return List.copyOf(objects.values());
  }

  @Override
  public Optional<DictionaryObject> object(int index) {
    return Optional.ofNullable(objects.get(index));
  }

  private ObjectPart part(int index, int subindex) throws Aborted {
    DictionaryObject object = object(index).orElseThrow(() -> new Aborted(ObjectAbort.NO_OBJECT));
    return object.part(subindex).orElseThrow(() -> new Aborted(ObjectAbort.NO_SUBINDEX));
  }

  @Override
  public byte[] read(int index, int subindex) throws Aborted {
    if (!part(index, subindex).access().isReadable()) {
      throw new Aborted(ObjectAbort.WRITE_ONLY);
    }
    return shown(index, subindex);
  }

  @Override
  public void write(int index, int subindex, byte[] data) throws Aborted {
    ObjectPart part = part(index, subindex);
    if (!part.access().isWritable()) {
      throw new Aborted(ObjectAbort.READ_ONLY);
    }
    ObjectAbort demanded = refused.get(key(index, subindex));
    if (demanded != null) {
      throw new Aborted(demanded);
    }
    long value = value(part, data);
    if (MappingRules.isMapping(index)) {
      MappingRules.check(this, state, index, subindex, value);
    }
    take(index, subindex, data);
  }

  /** The number in these bytes; 0 for what is no number. */
  private static long value(ObjectPart part, byte[] data) throws Aborted {
    int room = bytes(part);
    if (data.length > room) {
      throw new Aborted(ObjectAbort.TOO_LONG);
    }
    if (data.length < room && room <= Long.BYTES) {
      throw new Aborted(ObjectAbort.TOO_SHORT);
    }
    if (data.length == 0 || data.length > Long.BYTES) {
      return 0;
    }
    long value = part.isSigned() && data[data.length - 1] < 0 ? -1 : 0;
    for (int i = data.length - 1; i >= 0; i--) {
      value = value << Byte.SIZE | Byte.toUnsignedLong(data[i]);
    }
    if (part.most() != null && value > part.most()) {
      throw new Aborted(ObjectAbort.TOO_HIGH);
    }
    if (part.least() != null && value < part.least()) {
      throw new Aborted(ObjectAbort.TOO_LOW);
    }
    return value;
  }

  private void take(int index, int subindex, byte[] data) throws Aborted {
    BoundObject what = bound.get(key(index, subindex));
    if (what == null) {
      held.put(key(index, subindex), data.clone());
    } else {
      what.write(data);
    }
  }

  private byte[] shown(int index, int subindex) {
    BoundObject what = bound.get(key(index, subindex));
    byte[] value = held.get(key(index, subindex));
    return what != null ? what.read() : value == null ? new byte[0] : value.clone();
  }

  /** Puts what stands in a value, whoever may write it; as its inputs do. */
  public void hold(int index, int subindex, byte[] data) {
    held.put(key(index, subindex), data.clone());
  }

  /** What stands in a value for the image; nothing where there is none. */
  byte[] forImage(int index, int subindex) {
    return shown(index, subindex);
  }

  /** Takes a value out of the image; nobody is there to be told where it is not taken. */
  void fromImage(int index, int subindex, byte[] data) {
    if (object(index).flatMap(partOf(subindex)).isPresent()) {
      try {
        take(index, subindex, data);
      } catch (Aborted outside) {
        // Process data have no answer: what is not taken leaves the device as it was.
      }
    }
  }

  /** How many entries a list says it has. */
  int count(int index) {
    byte[] value = held.get(key(index, 0));
    return value == null || value.length == 0 ? 0 : Byte.toUnsignedInt(value[0]);
  }

  /** The numbers in a list, as many as its first part says. */
  List<Long> listed(int index) {
    List<Long> values = new ArrayList<>();
    for (int i = 1; i <= count(index); i++) {
      byte[] bytes = held.getOrDefault(key(index, i), new byte[0]);
      long value = 0;
      for (int k = bytes.length - 1; k >= 0; k--) {
        value = value << Byte.SIZE | Byte.toUnsignedLong(bytes[k]);
      }
      values.add(value);
    }
    return values;
  }
}
