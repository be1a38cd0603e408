package unimotus.devices.ethercat.station;

import java.util.ArrayList;
import java.util.List;
import java.util.function.LongSupplier;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.profile.HomingMethod;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordState;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.drive.ServoLimits;
import unimotus.devices.drive.ServoSetting;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.ethercat.mailbox.Aborted;

/**
 * A servo drive behind a station, one axis or more, with motors, brakes and loads (IEC 61800-7-201,
 * from memory; a further axis stands 0x800 higher). Without outputs its axes fault; after that, and
 * after it was taken out of operation, they wait for a new command. Its own gear and feed keep what
 * is written and do nothing.
 */
public final class ServoDevice implements StationDevice {
  private static final int NEXT_AXIS = 0x800;
  private static final int ERROR = 0x603F;
  private static final int CONTROL = 0x6040;
  private static final int STATUS = 0x6041;
  private static final int MODE = 0x6060;
  private static final int MODE_SHOWN = 0x6061;
  private static final int POSITION = 0x6064;
  private static final int FOLLOWING_WINDOW = 0x6065;
  private static final int VELOCITY = 0x606C;
  private static final int MOST_TORQUE = 0x6072;
  private static final int TARGET_POSITION = 0x607A;
  private static final int HOME_OFFSET = 0x607C;
  private static final int POSITION_LIMITS = 0x607D;
  private static final int MOST_VELOCITY = 0x607F;
  private static final int HOMING_METHOD = 0x6098;
  private static final int VELOCITY_OFFSET = 0x60B1;
  private static final int INTERPOLATION = 0x60C2;
  private static final int FOLLOWING_ERROR = 0x60F4;
  private static final int TARGET_VELOCITY = 0x60FF;

  private static final double USUAL_CYCLE = 0.001;
  private static final double PER_MILLE = 0.001;

  private final DeviceObjects objects;
  private final List<StandInServo> axes = new ArrayList<>();

  /**
   * A drive that was just switched on.
   *
   * @param objects the objects of its description
   * @param builds what its axes are built of, the first one first
   * @param nanos a clock in nanoseconds
   */
  public ServoDevice(DeviceObjects objects, List<ServoBuild> builds, LongSupplier nanos) {
    this.objects = objects;
    for (int i = 0; i < builds.size(); i++) {
      int base = NEXT_AXIS * i;
      ServoBuild build = builds.get(i);
      StandInServo axis = new StandInServo(build, () -> told(base, build), nanos);
      axes.add(axis);
      bind(base, axis);
    }
  }

  /** Whether a description has what so many axes are positioned by. */
  public static boolean fits(DeviceObjects objects, int axes) {
    return IntStream.range(0, axes)
        .map(i -> NEXT_AXIS * i)
        .allMatch(
            base ->
                objects.object(CONTROL + base).isPresent()
                    && objects.object(STATUS + base).isPresent()
                    && objects.object(TARGET_POSITION + base).isPresent());
  }

  /** Its axes, the first one first. */
  public List<StandInServo> axes() {
    return List.copyOf(axes);
  }

  private ServoSetting told(int base, ServoBuild build) {
    double most = unsigned(MOST_VELOCITY + base);
    double fastest = most == 0 ? build.profileVelocity() : most;
    double window = unsigned(FOLLOWING_WINDOW + base);
    double cycle = number(INTERPOLATION + base, 1, 1);
    double power = number(INTERPOLATION + base, 2, 1);
    return new ServoSetting(
        number(TARGET_POSITION + base, 0, Integer.BYTES),
        number(TARGET_VELOCITY + base, 0, Integer.BYTES),
        fastest,
        build.acceleration(),
        window == 0 ? build.countsPerTurn() : window,
        cycle <= 0 ? USUAL_CYCLE : cycle * Math.pow(10, power),
        (int) number(HOMING_METHOD + base, 0, 1),
        number(HOME_OFFSET + base, 0, Integer.BYTES),
        number(VELOCITY_OFFSET + base, 0, Integer.BYTES),
        limits(base));
  }

  /** A greatest torque of 0 was never written: a motor without torque is no delivery. */
  private ServoLimits limits(int base) {
    double torque = number(MOST_TORQUE + base, 0, Short.BYTES);
    return new ServoLimits(
        number(POSITION_LIMITS + base, 1, Integer.BYTES),
        number(POSITION_LIMITS + base, 2, Integer.BYTES),
        torque == 0 ? Double.POSITIVE_INFINITY : torque * PER_MILLE);
  }

  private double unsigned(int index) {
    return Integer.toUnsignedLong((int) number(index, 0, Integer.BYTES));
  }

  private double number(int index, int subindex, int size) {
    byte[] bytes = objects.forImage(index, subindex);
    if (bytes.length < size) {
      return 0;
    }
    long value = bytes[size - 1];
    for (int i = size - 2; i >= 0; i--) {
      value = value << Byte.SIZE | Byte.toUnsignedLong(bytes[i]);
    }
    return value;
  }

  private void bind(int base, StandInServo axis) {
    objects.bind(ERROR + base, 0, shown(2, axis::fault));
    objects.bind(STATUS + base, 0, shown(2, axis::status));
    objects.bind(MODE_SHOWN + base, 0, shown(1, () -> axis.mode().number()));
    objects.bind(POSITION + base, 0, shown(4, axis::position));
    objects.bind(VELOCITY + base, 0, shown(4, axis::velocity));
    objects.bind(FOLLOWING_ERROR + base, 0, shown(4, axis::followingError));
    objects.bind(
        CONTROL + base,
        0,
        taken(
            2,
            axis::control,
            data -> axis.control(Byte.toUnsignedInt(data[0]) | Byte.toUnsignedInt(data[1]) << 8)));
    objects.bind(MODE + base, 0, taken(1, () -> axis.mode().number(), data -> mode(axis, data)));
    for (int index :
        new int[] {
          TARGET_POSITION,
          TARGET_VELOCITY,
          FOLLOWING_WINDOW,
          MOST_TORQUE,
          MOST_VELOCITY,
          HOME_OFFSET,
          VELOCITY_OFFSET
        }) {
      keep(index + base, 0, axis, data -> true);
    }
    keep(POSITION_LIMITS + base, 1, axis, data -> true);
    keep(POSITION_LIMITS + base, 2, axis, data -> true);
    keep(INTERPOLATION + base, 1, axis, data -> true);
    keep(INTERPOLATION + base, 2, axis, data -> true);
    // A number that means no way to find home must not stand there as if it were one.
    keep(
        HOMING_METHOD + base,
        0,
        axis,
        data -> data[0] == 0 || HomingMethod.of(data[0]).isPresent());
  }

  /** What is written counts from that moment on: until then the axis runs as it was told before. */
  private void keep(int index, int subindex, StandInServo axis, Predicate<byte[]> isTaken) {
    byte[][] held = {objects.forImage(index, subindex)};
    objects.bind(
        index,
        subindex,
        new BoundObject() {
          @Override
          public byte[] read() {
            return held[0].clone();
          }

          @Override
          public void write(byte[] data) throws Aborted {
            if (!isTaken.test(data)) {
              throw new Aborted(ObjectAbort.RANGE);
            }
            axis.state();
            held[0] = data.clone();
            axis.state();
          }
        });
  }

  private static void mode(StandInServo axis, byte[] data) throws Aborted {
    // 0 is no mode: the one it is in stays.
    if (data[0] == 0) {
      return;
    }
    OperatingMode next =
        StandInServo.MODES.stream()
            .filter(m -> m.number() == data[0])
            .findFirst()
            .orElseThrow(() -> new Aborted(ObjectAbort.RANGE));
    axis.speak(next);
  }

  /** Takes the bytes of a value. */
  private interface Taker {
    void of(byte[] data) throws Aborted;
  }

  private static BoundObject shown(int size, Supplier<Number> value) {
    return taken(size, value, data -> {});
  }

  private static BoundObject taken(int size, Supplier<Number> value, Taker taker) {
    return new BoundObject() {
      @Override
      public byte[] read() {
        long now = value.get().longValue();
        byte[] bytes = new byte[size];
        for (int i = 0; i < size; i++) {
          bytes[i] = (byte) (now >> Byte.SIZE * i);
        }
        return bytes;
      }

      @Override
      public void write(byte[] data) throws Aborted {
        taker.of(data);
      }
    };
  }

  @Override
  public DeviceObjects objects() {
    return objects;
  }

  @Override
  public void outputsCame() {
    axes.forEach(StandInServo::setPointsCame);
  }

  /** Its clock runs on while nobody asks: it has to notice by itself that nothing comes. */
  @Override
  public void operate(double watchdogSeconds) {
    axes.forEach(a -> a.watch(watchdogSeconds));
  }

  @Override
  public void release() {
    axes.forEach(a -> a.watch(0));
    axes.forEach(StandInServo::stopHere);
  }

  @Override
  public void outputsLost() {
    axes.stream()
        .filter(a -> a.state().kind() == WordState.Kind.RUNNING)
        .forEach(a -> a.provoke(StandInServo.FAULT_LINK));
  }

  @Override
  public int fault() {
    return axes.stream().mapToInt(StandInServo::fault).filter(f -> f != 0).findFirst().orElse(0);
  }
}
