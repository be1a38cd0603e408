package unimotus.core;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.value.Access;

/** The belt of the fixtures behind a station of a process-data fieldbus, in any image. */
public final class FixtureStations {
  public static final PdoEntry CONTROL = PdoEntry.of(0x6040, 0, 16, "Controlword", "UINT");
  public static final PdoEntry MODE = PdoEntry.of(0x6060, 0, 8, "Modes of operation", "SINT");
  public static final PdoEntry VELOCITY = PdoEntry.of(0x6042, 0, 16, "Target velocity", "INT");
  public static final PdoEntry PROFILE = PdoEntry.of(0x60FF, 0, 32, "Target velocity", "DINT");
  public static final PdoEntry STATUS = PdoEntry.of(0x6041, 0, 16, "Statusword", "UINT");
  public static final PdoEntry ACTUAL = PdoEntry.of(0x6044, 0, 16, "Velocity actual", "INT");

  /** 1 rpm, by CiA 303-2 (from memory): revolutions in a minute. */
  public static final String RPM = "0047B400";

  private static final long VENDOR = 0xFFFF0001L;
  private static final long PRODUCT = 0x4711;
  private static final long REVISION = 0x10000;

  private FixtureStations() {}

  /** Mode by its number, written on the way to SAFE-OP. */
  public static StartUpCommand mode(int number) {
    return StartUpCommand.number("PS", 0x6060, 0, number, 1, "mode");
  }

  /** A device with these outputs. */
  public static EsiDevice device(@Nullable String velocityUnit, PdoEntry... outputs) {
    return new EsiDevice(
        "LV-1",
        "Drive",
        PRODUCT,
        REVISION,
        "",
        List.of(),
        List.of(
            pdo(0x1600, Direction.OUTPUTS, 2, List.of(outputs)),
            pdo(0x1A00, Direction.INPUTS, 3, List.of(STATUS, ACTUAL))),
        new Mailbox(true, true, false, false, false, true),
        List.of(),
        List.of(),
        null,
        dictionary(velocityUnit));
  }

  private static Pdo pdo(int index, Direction direction, int manager, List<PdoEntry> entries) {
    return new Pdo(index, false, "", direction, true, false, manager, List.of(), entries);
  }

  private static ObjectDictionary dictionary(@Nullable String velocityUnit) {
    List<DictionaryObject> all = new ArrayList<>();
    all.add(object(0x6040, "UINT", 16, null));
    all.add(object(0x6041, "UINT", 16, null));
    all.add(object(0x6042, "INT", 16, null));
    all.add(object(0x6044, "INT", 16, null));
    all.add(object(0x604C, "DINT", 32, null));
    all.add(object(0x6060, "SINT", 8, null));
    all.add(object(0x6061, "SINT", 8, null));
    all.add(object(0x60FF, "DINT", 32, null));
    if (velocityUnit != null) {
      all.add(object(0x60A9, "UDINT", 32, velocityUnit));
    }
    return new ObjectDictionary(all);
  }

  private static DictionaryObject object(
      int index, String type, int bits, @Nullable String delivered) {
    return new DictionaryObject(
        index,
        false,
        "object",
        List.of(
            new ObjectPart(
                0, "value", type, bits, Access.READ_WRITE, true, null, null, delivered)));
  }

  /** The sheets of the fixtures beside the description of a device. */
  public static SheetCatalogue sheets(EsiDevice device) {
    DescriptionCatalogue catalogue =
        new DescriptionCatalogue(
            List.of(new DeviceDescription(VENDOR, "", List.of(), List.of(device), List.of())));
    return new SheetCatalogue(
        List.of(Fixtures.controllerSheet(), Fixtures.driveSheet()), () -> catalogue);
  }

  /** A station that leads to the drive of the belt. */
  public static BusStation station(String id, StartUpCommand... startUp) {
    return new BusStation(
        id, id, "LV-1", VENDOR, PRODUCT, REVISION, 0, List.of(), null, List.of(startUp), "drive");
  }

  /** The belt without channels, behind stations. */
  public static Project project(BusStation... stations) {
    Project analog = Fixtures.project();
    return Fixtures.withReference(
            analog, Fixtures.axis(analog).reference().withTerminals(null, null))
        .withStations(List.of(stations));
  }

  /** The belt behind one station. */
  public static AxisAssembly axis(EsiDevice device, StartUpCommand... startUp) {
    Project project = project(station("st", startUp));
    return AxisAssembly.of(project, sheets(device), Fixtures.axis(project)).orElseThrow();
  }
}
