package unimotus.devices.ethercat.station;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.function.LongSupplier;
import unimotus.core.bench.BenchSetup;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.esi.SyncManager;
import unimotus.core.machine.BusStation;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.value.Access;

/** Stations made by hand for tests: one with entries of odd lengths, and a drive. */
public final class TestStations {
  /** The text of object 0x2000, longer than a mailbox. */
  public static final String LONG_TEXT = "a text that does not fit into one mail; ".repeat(10);

  private static final long VENDOR = 0xFFFF0001L;

  private static final List<SyncManager> MANAGERS =
      List.of(
          new SyncManager(0, "MBoxOut", 0x1000, 128, 64, 512, 0x26, true),
          new SyncManager(1, "MBoxIn", 0x1200, 128, 64, 512, 0x22, true),
          new SyncManager(2, "Outputs", 0x1400, 0, 0, 0, 0x64, true),
          new SyncManager(3, "Inputs", 0x1800, 0, 0, 0, 0x20, true));

  private static final InductionPlate PLATE =
      new InductionPlate(750, 400, 2.05, 50, 930, 0.72, 1, 0.0025);

  private TestStations() {}

  private static ObjectPart part(
      int subindex, String type, int bits, Access access, boolean mappable, String delivered) {
    return new ObjectPart(
        subindex, "part " + subindex, type, bits, access, mappable, null, null, delivered);
  }

  private static DictionaryObject variable(
      int index, String type, int bits, Access access, String delivered) {
    boolean mappable = index >= 0x3000;
    return new DictionaryObject(
        index,
        false,
        "object %04X".formatted(index),
        List.of(part(0, type, bits, access, mappable, delivered)));
  }

  private static DictionaryObject list(int index, String type, int bits, int count) {
    List<ObjectPart> parts = new ArrayList<>();
    parts.add(part(0, "USINT", 8, Access.READ_WRITE, false, null));
    for (int i = 1; i <= count; i++) {
      parts.add(part(i, type, bits, Access.READ_WRITE, false, null));
    }
    return new DictionaryObject(index, false, "list %04X".formatted(index), parts);
  }

  private static Pdo pdo(int index, Direction direction, int manager, List<PdoEntry> entries) {
    return new Pdo(index, false, "data", direction, false, false, manager, List.of(), entries);
  }

  private static EsiDevice device(
      String type, long product, List<Pdo> pdos, List<DictionaryObject> objects) {
    return new EsiDevice(
        type,
        "Station " + type,
        product,
        0x0001_0000,
        "",
        MANAGERS,
        pdos,
        new Mailbox(true, true, true, true, false, true),
        List.of(),
        List.of(),
        null,
        new ObjectDictionary(objects));
  }

  /** Outputs and inputs of 1, 4, a gap of 3, 12, a gap of 4 and 32 bits: seven bytes each. */
  public static StationSetup odd() {
    List<Pdo> pdos = new ArrayList<>();
    List<DictionaryObject> objects = new ArrayList<>();
    for (Direction direction : Direction.values()) {
      boolean out = direction == Direction.OUTPUTS;
      int base = out ? 0x3000 : 0x4000;
      Access access = out ? Access.READ_WRITE : Access.READ;
      pdos.add(
          pdo(
              out ? 0x1600 : 0x1A00,
              direction,
              out ? 2 : 3,
              List.of(
                  PdoEntry.of(base + 1, 0, 1, "one", "BOOL"),
                  PdoEntry.of(base + 2, 0, 4, "four", "BIT4"),
                  PdoEntry.padding(3),
                  PdoEntry.of(base + 3, 0, 12, "twelve", "UINT"),
                  PdoEntry.padding(4),
                  PdoEntry.of(base + 4, 0, 32, "long", "UDINT"))));
      objects.add(variable(base + 1, "BOOL", 1, access, null));
      objects.add(variable(base + 2, "BIT4", 4, access, null));
      objects.add(variable(base + 3, "UINT", 16, access, null));
      objects.add(variable(base + 4, "UDINT", 32, access, null));
      objects.add(list(out ? 0x1600 : 0x1A00, "UDINT", 32, 6));
      objects.add(list(out ? 0x1C12 : 0x1C13, "UINT", 16, 2));
    }
    String text = HexFormat.of().formatHex(LONG_TEXT.getBytes(StandardCharsets.US_ASCII));
    objects.add(variable(0x2000, "STRING(400)", 8 * LONG_TEXT.length(), Access.READ, text));
    objects.add(variable(0x2001, "ARRAY [0..199] OF BYTE", 1600, Access.READ_WRITE, null));
    objects.add(variable(0x2002, "UINT", 16, Access.WRITE, null));
    return new StationSetup(device("ODD", 0x11, pdos, objects), List.of(), null);
  }

  /** Control word and target velocity out, status word and velocity in. */
  public static StationSetup drive() {
    return drive(List.of());
  }

  /** The same with something before the words, on both sides. */
  public static StationSetup drive(List<PdoEntry> before) {
    List<Pdo> pdos =
        List.of(
            pdo(
                0x1600,
                Direction.OUTPUTS,
                2,
                behind(
                    before,
                    PdoEntry.of(0x6040, 0, 16, "control word", "UINT"),
                    PdoEntry.of(0x6042, 0, 16, "target velocity", "INT"))),
            pdo(
                0x1A00,
                Direction.INPUTS,
                3,
                behind(
                    before,
                    PdoEntry.of(0x6041, 0, 16, "status word", "UINT"),
                    PdoEntry.of(0x6044, 0, 16, "velocity", "INT"))));
    List<DictionaryObject> objects =
        List.of(
            list(0x1600, "UDINT", 32, 3),
            list(0x1A00, "UDINT", 32, 3),
            list(0x1C12, "UINT", 16, 1),
            list(0x1C13, "UINT", 16, 1),
            variable(0x2000, "UINT", 16, Access.READ_WRITE, null),
            variable(0x603F, "UINT", 16, Access.READ, null),
            variable(0x6040, "UINT", 16, Access.READ_WRITE, null),
            variable(0x6041, "UINT", 16, Access.READ, null),
            variable(0x6042, "INT", 16, Access.READ_WRITE, null),
            variable(0x6044, "INT", 16, Access.READ, null),
            variable(0x6060, "SINT", 8, Access.READ_WRITE, null));
    return new StationSetup(device("DRIVE", 0x22, pdos, objects), List.of(), null);
  }

  /** What of such a drive stands in its image, started in velocity mode. */
  public static DriveImage image(StationSetup setup) {
    BusStation station =
        new BusStation(
            "s",
            "Drive by hand",
            "DRIVE",
            VENDOR,
            setup.device().productCode(),
            setup.device().revision(),
            0,
            List.of(),
            null,
            List.of(StartUpCommand.number("PS", 0x6060, 0, 2, 1, "velocity mode")),
            "");
    return DriveImage.of(new StationDesign(station, setup, "")).orElseThrow();
  }

  private static List<PdoEntry> behind(List<PdoEntry> before, PdoEntry... entries) {
    List<PdoEntry> all = new ArrayList<>(before);
    all.addAll(List.of(entries));
    return all;
  }

  private static StationIdentity identity(StationSetup setup, int number) {
    return new StationIdentity(
        VENDOR, setup.device().productCode(), setup.device().revision(), 100 + number, number);
  }

  /** A station with entries of odd lengths and no behaviour; its number is its alias. */
  public static Station odd(int number, LongSupplier nanos) {
    StationSetup setup = odd();
    StationIdentity identity = identity(setup, number);
    return new Station(identity, StationDevice.plain(new DeviceObjects(setup, identity)), nanos);
  }

  /** A drive of 0.75 kW that ramps to 50 Hz in a fifth of a second; its number is its alias. */
  public static Station drive(int number, LongSupplier nanos) {
    return drive(number, drive(), nanos);
  }

  /** The same with another image. */
  public static Station drive(int number, StationSetup setup, LongSupplier nanos) {
    StationIdentity identity = identity(setup, number);
    BenchSetup bench =
        new BenchSetup(
            hertz -> Math.min(hertz, 50),
            50,
            50,
            0.2,
            0.2,
            true,
            false,
            PLATE,
            15,
            new ShaftLoad(0.005, 1, 0, 0));
    return new Station(
        identity, new DriveDevice(new DeviceObjects(setup, identity), bench, nanos), nanos);
  }
}
