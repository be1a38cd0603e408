package unimotus.core.process;

import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/** What the loop of a drive is set to, as far as its sheet states what it needs. */
public final class LoopOfDrive {
  private final AxisAssembly axis;
  private final DriveSheet sheet;
  private final EffectiveSettings settings;

  private LoopOfDrive(AxisAssembly axis) {
    this.axis = axis;
    this.sheet = axis.driveSheet();
    this.settings = new EffectiveSettings(axis.drive(), sheet);
  }

  /** The loop of an axis whose drive takes its reference from it; empty where none is used. */
  public static Optional<LoopOfDrive> of(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return settings.choice(SettingRole.REFERENCE_SOURCE, "").equals(Option.LOOP.word())
        ? Optional.of(new LoopOfDrive(axis))
        : Optional.empty();
  }

  /** The setting of a role, where the drive has one. */
  Optional<SettingDefinition> setting(SettingRole role) {
    return sheet.setting(role);
  }

  /** The number of a role; empty where the drive has no such setting. */
  OptionalDouble number(SettingRole role) {
    return setting(role).isPresent()
        ? OptionalDouble.of(settings.number(role, 0))
        : OptionalDouble.empty();
  }

  /** The input its feedback comes to; empty where the drive does not say. */
  public Optional<String> feedback() {
    return setting(SettingRole.LOOP_FEEDBACK)
        .map(s -> settings.choice(SettingRole.LOOP_FEEDBACK, ""))
        .filter(t -> sheet.terminal(t).isPresent());
  }

  AxisAssembly axis() {
    return axis;
  }

  EffectiveSettings settings() {
    return settings;
  }

  /** Unit of its values; possibly empty. */
  public String unit() {
    return settings.choice(SettingRole.LOOP_UNIT, "");
  }

  /** The range of the feedback; refused where its ends are the same. */
  public ProcessRange range() {
    return new ProcessRange(
        settings.number(SettingRole.LOOP_LOW, 0),
        settings.number(SettingRole.LOOP_HIGH, 0),
        unit());
  }

  /** The ramp its output follows; refused where the drive states no maximum. */
  public OutputRamp ramp() {
    double maximum = settings.number(SettingRole.MAXIMUM_FREQUENCY, 0);
    return new OutputRamp(
        maximum,
        settings.rampBaseHertz(maximum),
        settings.number(SettingRole.ACCELERATION_TIME, 0),
        settings.number(SettingRole.DECELERATION_TIME, 0));
  }

  /** The least output while the loop runs: the larger of the loop's and the drive's own. */
  public double minimumHertz() {
    return Math.max(
        settings.number(SettingRole.LOOP_MINIMUM, 0),
        settings.number(SettingRole.MINIMUM_FREQUENCY, 0));
  }

  /** Where the set-point comes from: a terminal, {@code keypad} or {@code fieldbus}. */
  String setpointSource() {
    return settings.choice(SettingRole.SETPOINT_SOURCE, Option.KEYPAD.word());
  }

  boolean raises() {
    return settings.is(SettingRole.LOOP_ACTION, Option.RAISES, Option.RAISES);
  }

  /** One that is not entered may lie anywhere: then the one that leaves the most room to wake. */
  double setPoint() {
    if (setpointSource().equals(Option.KEYPAD.word())) {
      return settings.number(SettingRole.SETPOINT, range().low());
    }
    ProcessRange range = range();
    return raises() ? Math.max(range.low(), range.high()) : Math.min(range.low(), range.high());
  }

  /**
   * The loop with its set-point.
   *
   * @throws IllegalArgumentException where a number is none that a loop can have
   */
  public LoopSettings loop() {
    double integral = settings.number(SettingRole.LOOP_INTEGRAL, 0);
    return new LoopSettings(
        range(),
        setPoint(),
        raises(),
        settings.number(SettingRole.LOOP_GAIN, 0),
        integral == 0 ? Double.POSITIVE_INFINITY : integral,
        settings.number(SettingRole.LOOP_FILTER, 0),
        minimumHertz(),
        ramp(),
        false);
  }

  /**
   * When it sleeps.
   *
   * @throws IllegalArgumentException where a number is none that sleep can have
   */
  public SleepSettings sleep() {
    double level = settings.number(SettingRole.SLEEP_LEVEL, 0);
    if (level == 0) {
      return SleepSettings.NEVER;
    }
    return new SleepSettings(
        level,
        settings.number(SettingRole.SLEEP_DELAY, 0),
        settings.is(SettingRole.SLEEP_ARMING, Option.AFTER_LEVEL, Option.FROM_START)
            ? SleepSettings.Arming.AFTER_LEVEL
            : SleepSettings.Arming.FROM_START,
        settings.number(SettingRole.WAKE_DEVIATION, 0),
        settings.number(SettingRole.WAKE_DELAY, 0),
        settings.number(SettingRole.SLEEP_BOOST, 0),
        settings.number(SettingRole.SLEEP_BOOST_TIME, 0));
  }
}
