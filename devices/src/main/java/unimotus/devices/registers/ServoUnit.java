package unimotus.devices.registers;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.HomingMethod;
import unimotus.core.profile.OperatingMode;
import unimotus.core.value.HeldValue;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.drive.ServoSetting;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit;

/**
 * One axis of a servo drive as a stand-in whose values stand in registers; several clients may ask
 * at once. A set-point of a cyclic mode counts when its register is written. Where a time-out is
 * written, silence for that long is a fault, and a new command is awaited after it.
 */
public final class ServoUnit implements Unit {
  private static final double CYCLE_SECONDS = 0.01;
  private static final int NO_MODE = 0;

  private final StandInServo servo;
  private final ServoBuild build;
  private final RegisterPlaces places = new RegisterPlaces(ServoRegisters.map());
  private final Map<Integer, String> identity;
  private final Map<ServoRegisters, Double> held = new EnumMap<>(ServoRegisters.class);

  /**
   * An axis that was just switched on, in cyclic position mode where it stands.
   *
   * @param name its class, told on identification
   * @param nanos a clock in nanoseconds
   */
  public ServoUnit(ServoBuild build, String name, LongSupplier nanos) {
    this.build = build;
    this.identity = Map.of(0, "Unimotus simulated servo", 1, name, 2, "1.0");
    held.put(ServoRegisters.TARGET_POSITION, Math.rint(build.start()));
    held.put(ServoRegisters.PROFILE_VELOCITY, Math.rint(build.profileVelocity()));
    held.put(ServoRegisters.FOLLOWING_WINDOW, Math.rint(build.countsPerTurn()));
    this.servo = new StandInServo(build, this::told, nanos);
  }

  /** The axis behind the registers. */
  public StandInServo servo() {
    return servo;
  }

  private double held(ServoRegisters register) {
    return held.getOrDefault(register, 0.0);
  }

  private ServoSetting told() {
    double fastest = held(ServoRegisters.PROFILE_VELOCITY);
    double window = held(ServoRegisters.FOLLOWING_WINDOW);
    return new ServoSetting(
        held(ServoRegisters.TARGET_POSITION),
        held(ServoRegisters.TARGET_VELOCITY),
        fastest == 0 ? build.profileVelocity() : fastest,
        build.acceleration(),
        window == 0 ? build.countsPerTurn() : window,
        CYCLE_SECONDS,
        (int) held(ServoRegisters.HOMING_METHOD),
        held(ServoRegisters.HOME_OFFSET));
  }

  private int[] words(RegisterEntry entry) {
    return entry.heldWords(value(register(entry)));
  }

  private static ServoRegisters register(RegisterEntry entry) {
    for (ServoRegisters each : ServoRegisters.values()) {
      if (each.entry().equals(entry)) {
        return each;
      }
    }
    throw new IllegalStateException(entry.name());
  }

  private double value(ServoRegisters register) {
    return switch (register) {
      case CONTROL_WORD -> servo.control();
      case MODE, MODE_SHOWN -> servo.mode().number();
      case STATUS_WORD -> servo.status();
      case POSITION -> servo.position();
      case VELOCITY -> servo.velocity();
      case FAULT -> servo.fault();
      case SWITCHES -> servo.switches();
      case FOLLOWING -> servo.followingError();
      default -> held(register);
    };
  }

  @Override
  public List<Integer> read(RegisterTable table, int address, int count) throws Refused {
    synchronized (servo) {
      servo.heard();
      return List.copyOf(places.read(table, address, count, this::words));
    }
  }

  @Override
  public void write(RegisterTable table, int address, List<Integer> values) throws Refused {
    synchronized (servo) {
      servo.heard();
      Map<ServoRegisters, Double> next = new LinkedHashMap<>();
      for (Map.Entry<RegisterEntry, int[]> each :
          places.written(table, address, values, this::words).entrySet()) {
        double number = ((HeldValue.Number) each.getKey().read(each.getValue())).value();
        ServoRegisters register = register(each.getKey());
        check(register, number);
        next.put(register, number);
      }
      next.forEach(this::take);
    }
  }

  /** All is looked at before anything is taken: a request is done as a whole or not at all. */
  private static void check(ServoRegisters register, double number) throws Refused {
    boolean taken =
        switch (register) {
          case MODE -> number == NO_MODE || mode((int) number).isPresent();
          case HOMING_METHOD -> number == 0 || HomingMethod.of((int) number).isPresent();
          case LINK_TIMEOUT -> register.entry().value().limits().hold(number);
          default -> true;
        };
    if (!taken) {
      throw new Refused(ExceptionCode.ILLEGAL_DATA_VALUE);
    }
  }

  private static Optional<OperatingMode> mode(int number) {
    return StandInServo.MODES.stream().filter(m -> m.number() == number).findFirst();
  }

  private void take(ServoRegisters register, double number) {
    switch (register) {
      case CONTROL_WORD -> servo.control((int) number);
      case MODE -> mode((int) number).ifPresent(servo::speak);
      case LINK_TIMEOUT -> {
        held.put(register, number);
        servo.watch(number);
      }
      default -> {
        // What ran until now ran on what stood there until now.
        servo.state();
        held.put(register, number);
        servo.state();
        if (register == ServoRegisters.TARGET_POSITION) {
          servo.setPointsCame();
        }
      }
    }
  }

  @Override
  public Map<Integer, String> identity() {
    return identity;
  }
}
