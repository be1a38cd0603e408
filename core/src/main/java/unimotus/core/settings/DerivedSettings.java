package unimotus.core.settings;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Reference;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.OutputQuantity;
import unimotus.core.sheet.PresetInputs;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.value.ValueRole;

/**
 * The settings that follow from what is known of an axis: the plate's numbers, the command over
 * terminals, the reference's input, range and span, ramps the load allows, and the macro that
 * leaves least to enter. Limits of the process and everything else stay the engineer's.
 */
public final class DerivedSettings {
  private static final String PLATE = "motor plate";
  private static final String PRACTICE = "common practice";

  /** A plate nearer to 60 than to 50 Hz is one for 60 Hz. */
  private static final double BETWEEN_BASES_HERTZ = 55;

  private final AxisAssembly axis;
  private final Map<String, DerivedSetting> derived = new LinkedHashMap<>();

  private DerivedSettings(AxisAssembly axis) {
    this.axis = axis;
  }

  /**
   * The values by setting code, in menu order of their meaning; values the drive would not take are
   * left out.
   */
  public static Map<String, SettingValue> of(AxisAssembly axis) {
    Map<String, SettingValue> values = new LinkedHashMap<>();
    withReasons(axis).forEach(d -> values.put(d.setting().code(), d.value()));
    return values;
  }

  /** The same with the sum and the reason of each. */
  public static List<DerivedSetting> withReasons(AxisAssembly axis) {
    DerivedSettings settings = new DerivedSettings(axis);
    settings.plate();
    settings.limits();
    settings.ramps();
    settings.commands();
    settings.reference();
    settings.presets();
    settings.answer();
    settings.macro();
    return List.copyOf(settings.derived.values());
  }

  private void plate() {
    MotorPlate any = axis.motor().plate();
    if (any instanceof InductionPlate induction) {
      plate(induction);
    } else if (any instanceof ServoPlate servo) {
      plate(servo);
    }
  }

  private void plate(ServoPlate plate) {
    copied(SettingRole.MOTOR_POWER, "power", plate.ratedWatts(), MeasureUnit.WATT_UNIT);
    copied(SettingRole.MOTOR_VOLTAGE, "voltage", plate.voltageVolts(), MeasureUnit.VOLT_UNIT);
    copied(
        SettingRole.MOTOR_CURRENT,
        "current at standstill",
        plate.stallAmperes(),
        MeasureUnit.AMPERE_UNIT);
    copied(SettingRole.MOTOR_FREQUENCY, "n·p/120", plate.ratedHertz(), MeasureUnit.HERTZ_UNIT);
    copied(SettingRole.MOTOR_SPEED, "speed", plate.ratedRpm(), MeasureUnit.RPM);
    copied(SettingRole.MOTOR_POLES, "poles", plate.poles(), MeasureUnit.ONE);
  }

  private void plate(InductionPlate plate) {
    copied(SettingRole.MOTOR_POWER, "power", plate.powerWatts(), MeasureUnit.WATT_UNIT);
    copied(SettingRole.MOTOR_VOLTAGE, "voltage", plate.voltageVolts(), MeasureUnit.VOLT_UNIT);
    copied(SettingRole.MOTOR_CURRENT, "current", plate.currentAmperes(), MeasureUnit.AMPERE_UNIT);
    copied(
        SettingRole.MOTOR_FREQUENCY, "frequency", plate.frequencyHertz(), MeasureUnit.HERTZ_UNIT);
    copied(SettingRole.MOTOR_SPEED, "speed", plate.speedRpm(), MeasureUnit.RPM);
    if (plate.speedRpm() < MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2)) {
      int poles = MotorFormulas.poles(plate);
      number(
          axis.driveSheet().setting(SettingRole.MOTOR_POLES),
          "The speed on the plate tells the pole count.",
          new Step(
              "poles",
              "least n_s = 120·f/p not below the plate speed",
              "",
              poles,
              MeasureUnit.ONE,
              "IEC 60034-1"));
    }
    choice(
        axis.driveSheet().setting(SettingRole.BASE_FREQUENCY),
        plate.frequencyHertz() > BETWEEN_BASES_HERTZ && plate.frequencyHertz() < 65 ? "60" : "50",
        "The plate's frequency; entered early, because it rewrites others.");
  }

  private void copied(SettingRole role, String what, double value, MeasureUnit unit) {
    number(
        axis.driveSheet().setting(role),
        "The drive's motor model, limits and displays are built on the plate.",
        new Step(what, "", "", value, unit, PLATE));
  }

  private void limits() {
    number(
        axis.driveSheet().setting(SettingRole.OVERLOAD_CURRENT),
        "The electronic overload stands at the plate current, exactly.",
        new Step("overload", "I_plate", "", plateAmperes(), MeasureUnit.AMPERE_UNIT, PRACTICE));
    number(
        axis.driveSheet().setting(SettingRole.MAXIMUM_FREQUENCY),
        "The program means this frequency by 100 %.",
        new Step(
            "maximum",
            "",
            "",
            axis.axis().reference().frequencyAtFullHertz(),
            MeasureUnit.HERTZ_UNIT,
            "reference of the axis"));
    boolean quadratic = axis.axis().load().quadraticNewtonMetresPerRpm2() > 0;
    choice(
        axis.driveSheet().setting(SettingRole.TORQUE_CURVE),
        quadratic ? "quadratic" : "constant",
        quadratic
            ? "The load's torque grows with the square of the speed."
            : "The load asks for torque at any speed.");
  }

  private double plateAmperes() {
    MotorPlate plate = axis.motor().plate();
    if (plate instanceof InductionPlate induction) {
      return induction.currentAmperes();
    }
    return plate instanceof ServoPlate servo
        ? servo.stallAmperes()
        : ((StepperPlate) plate).ratedAmperes();
  }

  /** What a ramp takes of a motor is worked out for induction motors only. */
  private void ramps() {
    if (axis.motor().induction().isEmpty()) {
      return;
    }
    new DerivedRamps(axis)
        .ramps()
        .forEach(
            (role, ramp) -> number(axis.driveSheet().setting(role), ramp.reason(), ramp.sum()));
  }

  private void commands() {
    boolean overFieldbus = isOverFieldbus();
    choice(
        axis.driveSheet().setting(SettingRole.COMMAND_SOURCE),
        overFieldbus ? Option.FIELDBUS.word() : Option.TERMINALS.word(),
        overFieldbus ? "Commands come over the fieldbus." : "Run and stop come over wires.");
    String source = axis.axis().reference().source();
    if (source != null) {
      choice(
          axis.driveSheet().setting(SettingRole.REFERENCE_SOURCE),
          source,
          source.equals(Option.KEYPAD.word())
              ? "The speed is entered at the drive."
              : "The reference is wired to " + source + ".");
    }
  }

  /**
   * A station leads to the drive, or a register takes its positions, and nothing else tells it
   * where to go.
   */
  private boolean isOverFieldbus() {
    Reference reference = axis.axis().reference();
    boolean isTold =
        axis.isServo()
            && axis.record().fieldbus().map().entry(ValueRole.TARGET_POSITION).isPresent();
    return (isTold || !axis.stations().isEmpty())
        && reference.output() == null
        && reference.input() == null
        && reference.local() == null
        && reference.presets().isEmpty();
  }

  private void reference() {
    Reference reference = axis.axis().reference();
    String input = reference.input();
    String output = reference.output();
    if (input == null) {
      return;
    }
    if (output != null) {
      String range = channelRange(output);
      choice(
          axis.driveSheet().setting(SettingRole.ANALOG_RANGE, input),
          range,
          "%s of the controller sends %s.".formatted(output, range));
      if (SignalRange.ofLabel(range).map(SignalRange::hasLiveZero).orElse(false)) {
        choice(
            axis.driveSheet().setting(SettingRole.LOSS_ACTION, input),
            "fault",
            "A lost live zero is a wire break.");
      }
    }
    if (reference.local() == LocalReference.POTENTIOMETER) {
      choice(
          axis.driveSheet().setting(SettingRole.ANALOG_RANGE, input),
          SignalRange.V_0_10.label(),
          "A potentiometer on the drive's 10 V gives 0-10 V.");
    }
    spanEnd(SettingRole.FREQUENCY_AT_LOW, input, reference.frequencyAtZeroHertz(), "0 %");
    spanEnd(SettingRole.FREQUENCY_AT_HIGH, input, reference.frequencyAtFullHertz(), "100 %");
  }

  /**
   * The frequency of each speed that inputs choose; the presets are the source where nothing else
   * is.
   */
  private void presets() {
    Reference reference = axis.axis().reference();
    for (Preset preset : reference.presets()) {
      number(
          axis.driveSheet().presetSetting(preset.number()),
          "Preset %d is for %s.".formatted(preset.number(), preset.name()),
          new Step(
              preset.name(),
              "f₀ + (v − v₀)/(v₁₀₀ − v₀)·(f₁₀₀ − f₀)",
              "",
              reference.hertzAt(preset.speed()),
              MeasureUnit.HERTZ_UNIT,
              "reference of the axis"));
    }
    PresetInputs rule = axis.driveSheet().presets();
    if (!reference.presets().isEmpty()
        && rule != null
        && rule.priority() == PresetInputs.Priority.AS_SOURCE) {
      choice(
          axis.driveSheet().setting(SettingRole.REFERENCE_SOURCE),
          Option.PRESETS.word(),
          "This drive looks at its preset inputs only while they are its reference source.");
    }
  }

  private void spanEnd(SettingRole role, String input, double hertz, String end) {
    number(
        axis.driveSheet().setting(role, input),
        "The same at both ends: the program means this by %s.".formatted(end),
        new Step("at " + end, "", "", hertz, MeasureUnit.HERTZ_UNIT, "reference of the axis"));
  }

  private void answer() {
    String output = axis.axis().answer().output();
    String input = axis.axis().answer().input();
    if (output != null && input != null) {
      choice(
          axis.driveSheet().setting(SettingRole.ANSWER_RANGE, output),
          channelRange(input),
          "%s of the controller reads %s.".formatted(input, channelRange(input)));
      choice(
          axis.driveSheet().setting(SettingRole.ANSWER_MEANING, output),
          OutputQuantity.FREQUENCY.word(),
          "The program takes the answer for the speed.");
      number(
          axis.driveSheet().setting(SettingRole.ANSWER_LOW, output),
          "The program takes the low end for standstill.",
          new Step("low end", "", "", 0, MeasureUnit.PERCENT, PRACTICE));
      number(
          axis.driveSheet().setting(SettingRole.ANSWER_FULL_SCALE, output),
          "The same at both ends: the program reads this as 100 %.",
          new Step(
              "full scale",
              "",
              "",
              axis.axis().reference().frequencyAtFullHertz(),
              MeasureUnit.HERTZ_UNIT,
              "reference of the axis"));
    }
  }

  private void macro() {
    Map<String, SettingValue> meant = new LinkedHashMap<>(axis.drive().settings());
    derived.forEach((code, d) -> meant.put(code, d.value()));
    MacroChoice.of(axis.driveSheet(), meant)
        .ifPresent(best -> choice(Optional.of(best.macro()), best.value(), best.reason()));
  }

  private String channelRange(String point) {
    return EffectiveSettings.channel(
        axis.controller(),
        axis.controllerSheet(),
        SelectorRole.CHANNEL_RANGE,
        point,
        SignalRange.V_0_10.label());
  }

  private void number(Optional<SettingDefinition> setting, String reason, Step last) {
    number(setting, reason, Derivation.of(last));
  }

  private void number(Optional<SettingDefinition> setting, String reason, Derivation sum) {
    if (setting.isPresent() && setting.get() instanceof NumberSetting number) {
      Step last = sum.steps().get(sum.steps().size() - 1);
      double value = last.unit().convert(last.value(), number.unit());
      put(new DerivedSetting(number, new SettingValue.Number(value), reason, sum));
    }
  }

  private void choice(Optional<SettingDefinition> setting, String value, String reason) {
    if (setting.isPresent() && setting.get() instanceof ChoiceSetting choice) {
      put(new DerivedSetting(choice, new SettingValue.Choice(value), reason, Derivation.NONE));
    }
  }

  private void put(DerivedSetting next) {
    if (next.setting().takes(next.value())) {
      derived.put(next.setting().code(), next);
    }
  }
}
