package unimotus.devices.registers;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import unimotus.core.bench.BenchSetup;
import unimotus.core.fieldbus.MapDoubt;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.WordProfile;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.devices.drive.StandInDrive;
import unimotus.devices.drive.WriteRefused;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit;

/** A stand-in drive whose values stand in registers. Several clients may ask at once. */
public final class DriveUnit implements Unit {
  /** Where the time since power on begins anew. */
  private static final long SECONDS_SHOWN_MILLIS = 1L << 32;

  /** Different questions kept for a moment. */
  private static final int MOST_ANSWERED = 64;

  private record Asked(RegisterTable table, int address, int count) {}

  private final StandInDrive drive;
  private final Map<Integer, String> identity;
  private final RegisterPlaces places;

  /** What was answered at this moment; many clients may ask within one, and nothing changes. */
  private final Map<Asked, List<Integer>> answered = new HashMap<>();

  /** Changes of the drive when it was answered. */
  private long moment = -1;

  /** The time since power on, where the map shows it. */
  private final @Nullable RegisterEntry milliseconds;

  /**
   * A drive that was just switched on.
   *
   * @param setup drive, motor and load, with its reference in hertz
   * @param profile its words
   * @param map its registers; those without a role keep what is written
   * @param name its class, told on identification
   * @param nanos a clock in nanoseconds
   * @throws IllegalArgumentException where a register with a role is counted in a unit that does
   *     not measure it, or where the words' mode commands no speed
   */
  public DriveUnit(
      BenchSetup setup, WordProfile profile, RegisterMap map, String name, LongSupplier nanos) {
    map.doubts().stream()
        .filter(doubt -> doubt.kind() == MapDoubt.Kind.UNIT)
        .findFirst()
        .ifPresent(
            doubt -> {
              throw new IllegalArgumentException("%s: %s".formatted(doubt.entry(), doubt.seen()));
            });
    this.drive = new StandInDrive(setup, profile, map.entries(), nanos);
    this.places = new RegisterPlaces(map);
    this.milliseconds =
        map.entries().stream()
            .filter(DriveRegisters.MILLISECONDS.entry()::equals)
            .findFirst()
            .orElse(null);
    this.identity = Map.of(0, "Unimotus simulated drive", 1, name, 2, "1.0");
  }

  /** The drive behind the registers. */
  public StandInDrive drive() {
    return drive;
  }

  /** The words of an entry as they stand now. */
  private int[] words(RegisterEntry entry) {
    return entry == milliseconds
        ? entry.heldWords(Math.round(1000 * drive.seconds()) % SECONDS_SHOWN_MILLIS / 1000.0)
        : entry.words(drive.read(entry));
  }

  @Override
  public List<Integer> read(RegisterTable table, int address, int count) throws Unit.Refused {
    synchronized (drive) {
      drive.heard();
      if (drive.changes() != moment) {
        moment = drive.changes();
        answered.clear();
      }
      Asked asked = new Asked(table, address, count);
      List<Integer> values = answered.get(asked);
      if (values == null) {
        values = List.copyOf(places.read(table, address, count, this::words));
        if (answered.size() < MOST_ANSWERED) {
          answered.put(asked, values);
        }
      }
      return values;
    }
  }

  @Override
  public void write(RegisterTable table, int address, List<Integer> values) throws Unit.Refused {
    synchronized (drive) {
      drive.state();
      Map<PlacedValue, HeldValue> next = new LinkedHashMap<>();
      places
          .written(table, address, values, this::words)
          .forEach((entry, words) -> next.put(entry, entry.read(words)));
      try {
        drive.write(next);
      } catch (WriteRefused refused) {
        throw new Unit.Refused(
            switch (refused.reason()) {
              case BUSY -> ExceptionCode.SERVER_DEVICE_BUSY;
              case OUTSIDE_LIMITS -> ExceptionCode.ILLEGAL_DATA_VALUE;
            });
      }
    }
  }

  @Override
  public Map<Integer, String> identity() {
    return identity;
  }
}
