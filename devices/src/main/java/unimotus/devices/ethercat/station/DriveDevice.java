package unimotus.devices.ethercat.station;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.LongSupplier;
import java.util.stream.Stream;
import unimotus.core.bench.BenchSetup;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.ObjectEntry;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.HeldValue;
import unimotus.devices.drive.StandInDrive;
import unimotus.devices.drive.WriteRefused;
import unimotus.devices.ethercat.mailbox.Aborted;

/**
 * A frequency drive behind a station, with motor and load. Without outputs it does what its object
 * 0x2000 says; after that, and after it was taken out of operation, it waits for a new command.
 */
public final class DriveDevice implements StationDevice {
  private static final int MODES = 0x6502;
  private static final int REACTION = 0x2000;

  /** A fault of the communication (IEC 61800-7-201, from memory). */
  private static final int COMMUNICATION = 0x7500;

  private static final List<OperatingMode> SPOKEN =
      List.of(OperatingMode.VELOCITY, OperatingMode.PROFILE_VELOCITY);
  private static final List<LinkLoss.Action> REACTIONS =
      List.of(LinkLoss.Action.FAULT, LinkLoss.Action.STOP, LinkLoss.Action.HOLD);

  private final DeviceObjects objects;
  private final StandInDrive drive;
  private final Map<ProfileObject, ObjectEntry> entries = new EnumMap<>(ProfileObject.class);
  private final Map<OperatingMode, Double> targets = new EnumMap<>(OperatingMode.class);
  private OperatingMode mode = OperatingMode.VELOCITY;

  /**
   * A drive that was just switched on, in velocity mode.
   *
   * @param objects the objects of its description
   * @param setup drive, motor and load, with its reference in hertz
   * @param nanos a clock in nanoseconds
   */
  public DriveDevice(DeviceObjects objects, BenchSetup setup, LongSupplier nanos) {
    this.objects = objects;
    double amperes = setup.plate().currentAmperes();
    Stream.of(ProfileObject.values())
        .forEach(e -> entries.put(e, new ObjectEntry(e.value(amperes), e.index(), 0)));
    this.drive =
        new StandInDrive(
            setup, DriveProfiles.CIA_402_VELOCITY, List.copyOf(entries.values()), nanos);
    entries.keySet().forEach(e -> objects.bind(e.index(), 0, bound(e)));
    objects.bind(ProfileObject.MODE, 0, bound(this::mode, this::speak));
    objects.bind(ProfileObject.MODE_SHOWN, 0, bound(this::mode, none -> {}));
    int modes = SPOKEN.stream().mapToInt(m -> 1 << m.number() - 1).reduce(0, (a, b) -> a | b);
    objects.hold(MODES, 0, new byte[] {(byte) modes, (byte) (modes >> Byte.SIZE), 0, 0});
  }

  /** Whether a description has what a drive is commanded by, in velocity mode at least. */
  public static boolean fits(DeviceObjects objects) {
    return Stream.of(ProfileObject.CONTROL, ProfileObject.STATUS, ProfileObject.VELOCITY_TARGET)
        .allMatch(e -> objects.object(e.index()).isPresent());
  }

  /** Takes the bytes of a value. */
  private interface Taken {
    void of(byte[] data) throws Aborted;
  }

  /** Gives the bytes of a value. */
  private interface Shown {
    byte[] now();
  }

  private static BoundObject bound(Shown shown, Taken taken) {
    return new BoundObject() {
      @Override
      public byte[] read() {
        return shown.now();
      }

      @Override
      public void write(byte[] data) throws Aborted {
        taken.of(data);
      }
    };
  }

  private BoundObject bound(ProfileObject which) {
    return bound(() -> shown(which), data -> take(which, data));
  }

  private ObjectEntry entry(ProfileObject which) {
    return Objects.requireNonNull(entries.get(which), which::name);
  }

  private byte[] shown(ProfileObject which) {
    ObjectEntry entry = entry(which);
    synchronized (drive) {
      drive.state();
      double value =
          switch (which) {
            case VELOCITY_TARGET -> targets.getOrDefault(OperatingMode.VELOCITY, 0.0);
            case PROFILE_TARGET -> targets.getOrDefault(OperatingMode.PROFILE_VELOCITY, 0.0);
            case ERROR -> fault();
            default -> ((HeldValue.Number) drive.read(entry)).value();
          };
      return entry.heldBytes(value);
    }
  }

  private void take(ProfileObject which, byte[] data) throws Aborted {
    ObjectEntry entry = entry(which);
    HeldValue value = entry.read(data);
    switch (which) {
      case VELOCITY_TARGET -> target(OperatingMode.VELOCITY, value);
      case PROFILE_TARGET -> target(OperatingMode.PROFILE_VELOCITY, value);
      default -> write(entry, value);
    }
  }

  /** A target counts in its own mode only. */
  private void target(OperatingMode of, HeldValue value) throws Aborted {
    targets.put(of, ((HeldValue.Number) value).value());
    if (mode == of) {
      write(targetEntry(), value);
    }
  }

  private ObjectEntry targetEntry() {
    return entry(
        mode == OperatingMode.VELOCITY
            ? ProfileObject.VELOCITY_TARGET
            : ProfileObject.PROFILE_TARGET);
  }

  private void write(ObjectEntry entry, HeldValue value) throws Aborted {
    try {
      drive.write(Map.of(entry, value));
    } catch (WriteRefused refused) {
      throw new Aborted(
          switch (refused.reason()) {
            case BUSY -> ObjectAbort.WRONG_STATE;
            case OUTSIDE_LIMITS -> ObjectAbort.RANGE;
          });
    }
  }

  private byte[] mode() {
    return new byte[] {(byte) mode.number()};
  }

  private void speak(byte[] data) throws Aborted {
    OperatingMode next =
        SPOKEN.stream()
            .filter(m -> m.number() == data[0])
            .findFirst()
            .orElseThrow(() -> new Aborted(ObjectAbort.RANGE));
    if (next != mode) {
      mode = next;
      drive.speak(DriveProfiles.cia402(next));
      write(targetEntry(), new HeldValue.Number(targets.getOrDefault(next, 0.0)));
    }
  }

  /** The drive with its motor. */
  public StandInDrive drive() {
    return drive;
  }

  @Override
  public DeviceObjects objects() {
    return objects;
  }

  private LinkLoss.Action reaction() {
    byte[] chosen = objects.forImage(REACTION, 0);
    int number = chosen.length == 0 ? 0 : chosen[0];
    // A number that means nothing here must not let the motor run on.
    return number >= 0 && number < REACTIONS.size() ? REACTIONS.get(number) : LinkLoss.Action.FAULT;
  }

  @Override
  public void operate(double watchdogSeconds) {
    drive.heard();
    drive.onSilence(watchdogSeconds, reaction());
  }

  @Override
  public void outputsCame() {
    drive.heard();
  }

  @Override
  public void release() {
    drive.onSilence(0, reaction());
    drive.stopHere();
  }

  @Override
  public void outputsLost() {
    // What it does then it has done by itself, at the very moment.
    drive.state();
    drive.onSilence(0, reaction());
  }

  @Override
  public int fault() {
    synchronized (drive) {
      drive.state();
      int code = (int) ((HeldValue.Number) drive.read(entry(ProfileObject.ERROR))).value();
      return code == StandInDrive.FAULT_LINK ? COMMUNICATION : code;
    }
  }
}
