package unimotus.core.settings;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/**
 * The settings that follow from what is known of an axis: the plate's numbers, the command over
 * terminals, the reference's input, range and span. Ramps, limits of the process and everything
 * else stay the engineer's.
 */
public final class DerivedSettings {
  private final AxisAssembly axis;
  private final Map<String, SettingValue> derived = new LinkedHashMap<>();

  private DerivedSettings(AxisAssembly axis) {
    this.axis = axis;
  }

  /**
   * The values by setting code, in menu order of their meaning; values the drive would not take are
   * left out.
   */
  public static Map<String, SettingValue> of(AxisAssembly axis) {
    DerivedSettings settings = new DerivedSettings(axis);
    settings.plate();
    settings.commands();
    settings.reference();
    settings.answer();
    return settings.derived;
  }

  private void plate() {
    Plate plate = axis.motor().plate();
    number(SettingRole.MOTOR_POWER, plate.powerWatts(), MeasureUnit.WATT_UNIT);
    number(SettingRole.MOTOR_VOLTAGE, plate.voltageVolts(), MeasureUnit.VOLT_UNIT);
    number(SettingRole.MOTOR_CURRENT, plate.currentAmperes(), MeasureUnit.AMPERE_UNIT);
    number(SettingRole.MOTOR_FREQUENCY, plate.frequencyHertz(), MeasureUnit.HERTZ_UNIT);
    number(SettingRole.MOTOR_SPEED, plate.speedRpm(), MeasureUnit.RPM);
    number(SettingRole.OVERLOAD_CURRENT, plate.currentAmperes(), MeasureUnit.AMPERE_UNIT);
    if (plate.speedRpm()
        < unimotus.core.motor.MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2)) {
      number(
          SettingRole.MOTOR_POLES, unimotus.core.motor.MotorFormulas.poles(plate), MeasureUnit.ONE);
    }
  }

  private void commands() {
    choice(axis.driveSheet().setting(SettingRole.COMMAND_SOURCE), "terminals");
    String input = axis.axis().reference().input();
    if (input != null) {
      choice(axis.driveSheet().setting(SettingRole.REFERENCE_SOURCE), input);
    }
  }

  private void reference() {
    Reference reference = axis.axis().reference();
    String input = reference.input();
    String output = reference.output();
    number(
        axis.driveSheet().setting(SettingRole.MAXIMUM_FREQUENCY),
        reference.frequencyAtFullHertz(),
        MeasureUnit.HERTZ_UNIT);
    if (input == null) {
      return;
    }
    if (output != null) {
      String range = channelRange(output);
      choice(axis.driveSheet().setting(SettingRole.ANALOG_RANGE, input), range);
      if (SignalRange.ofLabel(range).map(SignalRange::hasLiveZero).orElse(false)) {
        choice(axis.driveSheet().setting(SettingRole.LOSS_ACTION, input), "fault");
      }
    }
    number(
        axis.driveSheet().setting(SettingRole.FREQUENCY_AT_LOW, input),
        reference.frequencyAtZeroHertz(),
        MeasureUnit.HERTZ_UNIT);
    number(
        axis.driveSheet().setting(SettingRole.FREQUENCY_AT_HIGH, input),
        reference.frequencyAtFullHertz(),
        MeasureUnit.HERTZ_UNIT);
  }

  private void answer() {
    String output = axis.axis().answer().output();
    String input = axis.axis().answer().input();
    if (output != null && input != null) {
      choice(axis.driveSheet().setting(SettingRole.ANSWER_RANGE, output), channelRange(input));
      number(
          axis.driveSheet().setting(SettingRole.ANSWER_FULL_SCALE, output),
          axis.axis().reference().frequencyAtFullHertz(),
          MeasureUnit.HERTZ_UNIT);
    }
  }

  private String channelRange(String point) {
    return EffectiveSettings.channel(
        axis.controller(),
        axis.controllerSheet(),
        SelectorRole.CHANNEL_RANGE,
        point,
        SignalRange.V_0_10.label());
  }

  private void number(SettingRole role, double value, MeasureUnit unit) {
    number(axis.driveSheet().setting(role), value, unit);
  }

  private void number(Optional<SettingDefinition> setting, double value, MeasureUnit unit) {
    if (setting.isPresent() && setting.get() instanceof NumberSetting number) {
      put(number, new SettingValue.Number(unit.convert(value, number.unit())));
    }
  }

  private void choice(Optional<SettingDefinition> setting, String value) {
    if (setting.isPresent() && setting.get() instanceof ChoiceSetting choice) {
      put(choice, new SettingValue.Choice(value));
    }
  }

  private void put(SettingDefinition setting, SettingValue value) {
    if (setting.takes(value)) {
      derived.put(setting.code(), value);
    }
  }
}
