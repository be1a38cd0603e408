package unimotus.workbench.live;

import java.io.Closeable;
import java.io.IOException;
import java.net.InetAddress;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import unimotus.core.bench.BenchSetup;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motor.Pairing;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordProfile;
import unimotus.core.settings.CarriedSettings;
import unimotus.core.settings.LinkLoss;
import unimotus.core.settings.RecordChecks;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.modbus.SerialStandIn;
import unimotus.devices.modbus.StandIn;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.devices.modbus.Unit;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.DriveUnit;
import unimotus.devices.registers.ServoRegisters;
import unimotus.devices.registers.ServoUnit;
import unimotus.devices.serial.SerialSettings;

/**
 * The drives of a project as stand-ins, each with its motor and load behind it. They listen on the
 * loopback address or on a serial port that exists only in this machine.
 *
 * @param server what listens
 * @param units the drives by unit number, in the order of the axes
 * @param servos the servo axes that no station leads to, in the same way
 */
public record StandIns(StandIn server, List<Placed> units, List<PlacedServo> servos)
    implements Closeable {
  private static final String CIA402 = "cia402";

  /**
   * One drive.
   *
   * @param number its unit number
   * @param axis name of its axis
   * @param drive name of its class
   * @param map its registers
   * @param profile its words
   * @param unit what answers
   */
  public record Placed(
      int number,
      String axis,
      String drive,
      RegisterMap map,
      WordProfile profile,
      DriveUnit unit) {}

  /**
   * One servo axis, with the registers of {@link ServoRegisters}.
   *
   * @param number its unit number
   * @param axis name of its axis
   * @param drive name of the class of its drive
   * @param unit what answers
   */
  public record PlacedServo(int number, String axis, String drive, ServoUnit unit) {}

  /** Where stand-ins listen. */
  public interface Place {
    /**
     * Starts to listen.
     *
     * @throws IOException where the place cannot be had
     */
    StandIn start(Map<Integer, Unit> units) throws IOException;
  }

  /** Takes copies. */
  public StandIns {
    units = List.copyOf(units);
    servos = List.copyOf(servos);
  }

  /** Modbus TCP on the loopback address; port 0 for any that is free. */
  public static Place tcp(int port) {
    return units -> TcpStandIn.start(port, units);
  }

  /** Serial frames over TCP on the loopback address; port 0 for any that is free. */
  public static Place serialOverTcp(int port) {
    return units ->
        TcpStandIn.start(InetAddress.getLoopbackAddress(), port, units, TcpStandIn.Framing.SERIAL);
  }

  /** A serial port that exists only in this machine. */
  public static Place serial(SerialSettings settings) {
    return units -> SerialStandIn.start(settings, units);
  }

  /**
   * Starts all drives of a project that have a motor and a load. A drive whose registers are
   * entered has those, its own words and its own unit number; any other one the registers every
   * stand-in has.
   *
   * @param profile the words of those whose own are not known
   * @param nanos a clock in nanoseconds
   * @throws IllegalArgumentException where no axis is complete
   * @throws IOException where the place cannot be had
   */
  public static StandIns start(
      Project project, SheetCatalogue sheets, Place place, WordProfile profile, LongSupplier nanos)
      throws IOException {
    Map<Integer, Placed> placed = new LinkedHashMap<>();
    for (AxisAssembly axis : complete(project, sheets)) {
      Placed one = place(axis, number(axis, placed), profile, nanos);
      placed.put(one.number(), one);
    }
    List<PlacedServo> servos = new ArrayList<>();
    for (AxisAssembly assembly : servos(project, sheets)) {
      ServoAxis axis = ServoAxis.of(assembly).orElseThrow();
      ServoBuild build = Positioned.build(axis, Positioned.sense(assembly));
      servos.add(
          new PlacedServo(
              free(placed, servos),
              axis.axis().name(),
              assembly.driveSheet().name(),
              new ServoUnit(build, assembly.driveSheet().name(), nanos)));
    }
    if (placed.isEmpty() && servos.isEmpty()) {
      throw new IllegalArgumentException(
          "%s has no axis with controller, drive and motor yet: nothing can answer"
              .formatted(project.name()));
    }
    Map<Integer, Unit> units = new LinkedHashMap<>();
    placed.forEach((number, one) -> units.put(number, one.unit()));
    servos.forEach(one -> units.put(one.number(), one.unit()));
    return new StandIns(place.start(units), new ArrayList<>(placed.values()), servos);
  }

  /** Why an axis has no stand-in, by its name, in the order of the line; possibly empty. */
  public static Map<String, String> without(Project project, SheetCatalogue sheets) {
    Map<String, String> without = new LinkedHashMap<>();
    for (Axis axis : project.axes()) {
      whyNone(project, sheets, axis).ifPresent(why -> without.put(axis.name(), why));
    }
    return without;
  }

  static Optional<String> whyNone(Project project, SheetCatalogue sheets, Axis axis) {
    Optional<AxisAssembly> assembly = AxisAssembly.of(project, sheets, axis);
    if (assembly.isEmpty()) {
      return Optional.of(
          "still missing: " + String.join(", ", AxisAssembly.missing(project, sheets, axis)));
    }
    return Pairing.fault(assembly.get()).or(() -> whyNone(assembly.get()));
  }

  private static Optional<String> whyNone(AxisAssembly assembly) {
    Motor motor = assembly.motor();
    if (motor.induction().isPresent()) {
      return Optional.empty();
    }
    String which = "%s is a %s; ".formatted(motor.name(), motor.plate().kind().label());
    if (!(motor.plate() instanceof ServoPlate)) {
      return Optional.of(which + "simulated drives run induction and servo motors so far");
    }
    return assembly.stations().isEmpty()
        ? ServoAxis.fault(assembly).or(() -> ServoAxis.of(assembly).flatMap(Positioned::reversed))
        : Optional.of(which + "servo axes are simulated behind the station of their drive");
  }

  /** The servo axes that answer over registers: no station leads to their drive. */
  private static List<AxisAssembly> servos(Project project, SheetCatalogue sheets) {
    return project.axes().stream()
        .flatMap(a -> AxisAssembly.of(project, sheets, a).stream())
        .filter(a -> a.motor().plate() instanceof ServoPlate)
        .filter(a -> whyNone(project, sheets, a.axis()).isEmpty())
        .toList();
  }

  private static int free(Map<Integer, Placed> placed, List<PlacedServo> servos) {
    int number = 1;
    while (placed.containsKey(number) || isTaken(number, servos)) {
      number++;
    }
    return number;
  }

  private static boolean isTaken(int number, List<PlacedServo> servos) {
    return servos.stream().anyMatch(s -> s.number() == number);
  }

  static List<AxisAssembly> complete(Project project, SheetCatalogue sheets) {
    return project.axes().stream()
        .flatMap(a -> AxisAssembly.of(project, sheets, a).stream())
        .filter(x -> x.motor().induction().isPresent())
        .filter(x -> whyNone(project, sheets, x.axis()).isEmpty())
        .toList();
  }

  /** Its own number where that is known and free, else the first that is free. */
  private static int number(AxisAssembly axis, Map<Integer, Placed> placed) {
    FieldbusLink link = axis.record().fieldbus();
    if (!link.registers().isEmpty() && !placed.containsKey(link.unit())) {
      return link.unit();
    }
    int number = 1;
    while (placed.containsKey(number)) {
      number++;
    }
    return number;
  }

  /** Settings that stand in registers stand there as designed. */
  private static void hold(AxisAssembly axis, RegisterMap map, DriveUnit unit) {
    Map<String, SettingValue> designed = RecordChecks.designed(axis);
    CarriedSettings.of(axis.driveSheet(), map.entries())
        .carried()
        .forEach(
            (code, entry) ->
                Optional.ofNullable(designed.get(code))
                    .flatMap(
                        v ->
                            CarriedSettings.held(
                                axis.driveSheet().setting(code).orElseThrow(), entry, v))
                    .ifPresent(held -> unit.drive().hold(entry, held)));
  }

  private static Placed place(
      AxisAssembly axis, int number, WordProfile usual, LongSupplier nanos) {
    FieldbusLink link = axis.record().fieldbus();
    boolean known = !link.registers().isEmpty();
    RegisterMap map = known ? link.map() : DriveRegisters.map();
    WordProfile profile = known ? link.wordProfile() : usual;
    String name = axis.driveSheet().name();
    DriveUnit unit;
    try {
      unit = new DriveUnit(BenchSetup.inHertz(axis), profile, map, name, nanos);
    } catch (IllegalArgumentException none) {
      throw new IllegalArgumentException(
          "%s: %s".formatted(axis.axis().name(), none.getMessage()), none);
    }
    LinkLoss loss = LinkLoss.of(axis);
    if (loss.timeoutCode().isPresent()) {
      unit.drive().onSilence(loss.timeoutSeconds(), loss.action());
    }
    hold(axis, map, unit);
    return new Placed(number, axis.axis().name(), name, map, profile, unit);
  }

  /**
   * The profile of a word: {@code cia402} (velocity mode), {@code cia402-} with the sign of another
   * mode, or {@code run-and-stop}.
   */
  public static WordProfile profile(String word) {
    return switch (word) {
      case CIA402 -> DriveProfiles.CIA_402_VELOCITY;
      case "run-and-stop" -> DriveProfiles.RUN_AND_STOP;
      default -> {
        if (!word.startsWith(CIA402 + "-")) {
          throw new IllegalArgumentException(
              "profile '%s' is not one of cia402, cia402-MODE, run-and-stop".formatted(word));
        }
        yield DriveProfiles.cia402(OperatingMode.of(word.substring(CIA402.length() + 1)));
      }
    };
  }

  @Override
  public void close() throws IOException {
    server.close();
  }
}
