package unimotus.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/** Whether what feeds the d.c. link of a servo drive is what its settings and its motor say. */
public final class InfeedChecks {
  /** A nominal voltage of the link set so far beside the one there is keeps the drive waiting. */
  private static final double LINK_TOLERANCE = 0.05;

  /** Mains carry a tenth more than their nominal voltage, and windings bear it. */
  private static final double MAINS_TOLERANCE = 1.1;

  private InfeedChecks() {}

  /** Findings of one axis; empty where its drive has no such settings. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    nominal(axis, settings).ifPresent(found::add);
    forced(axis, settings).ifPresent(found::add);
    winding(axis).ifPresent(found::add);
    return found;
  }

  private static Optional<Finding> nominal(AxisAssembly axis, EffectiveSettings settings) {
    Optional<SettingDefinition> setting = axis.driveSheet().setting(SettingRole.LINK_VOLTAGE);
    if (setting.isEmpty() || !(setting.get() instanceof NumberSetting)) {
      return Optional.empty();
    }
    boolean regulated = settings.is(SettingRole.INFEED_KIND, Option.REGULATED, Option.PLAIN);
    double mains = axis.feed().mainsVolts();
    double there =
        regulated ? LinkVoltage.regulatedVolts(mains) : LinkVoltage.rectifiedVolts(mains);
    double set = settings.number(SettingRole.LINK_VOLTAGE, there);
    if (Math.abs(set - there) <= LINK_TOLERANCE * there) {
      return Optional.empty();
    }
    return Optional.of(
        new Finding(
            Severity.ERROR,
            Rule.LINK_VOLTAGE,
            place(axis, setting.get()),
            "nominal link voltage is set to %s; %s on %s gives %s"
                .formatted(
                    volts(set),
                    regulated ? "a regulated infeed" : "a plain rectifier",
                    volts(mains),
                    volts(there)),
            set > there
                ? "The drive waits for a voltage that never comes, and reports under-voltage."
                : "The drive takes the voltage that is there for too high, and faults.",
            "Set it to %s (%s the line)."
                .formatted(volts(there), regulated ? "1.5 times" : "√2 times")));
  }

  private static Optional<Finding> forced(AxisAssembly axis, EffectiveSettings settings) {
    return axis.driveSheet()
        .setting(SettingRole.INFEED_READY)
        .filter(s -> settings.is(SettingRole.INFEED_READY, Option.FORCED, Option.AWAITED))
        .map(
            s ->
                new Finding(
                    Severity.WARNING,
                    Rule.INFEED_FORCED,
                    place(axis, s),
                    "the drive does not wait for the infeed to be ready",
                    "That is for a bench test only: under load the link may not be there yet.",
                    "Set it back, or record it as a bypass with who and why."));
  }

  private static Optional<Finding> winding(AxisAssembly axis) {
    double mains = axis.feed().mainsVolts();
    if (!(axis.motor().plate() instanceof ServoPlate plate)
        || mains <= plate.voltageVolts() * MAINS_TOLERANCE) {
      return Optional.empty();
    }
    return Optional.of(
        new Finding(
            Severity.ERROR,
            Rule.WINDING_VOLTAGE,
            "axis/%s/motor".formatted(axis.axis().id()),
            "the motor is wound for drives on %s, the drive is on %s"
                .formatted(volts(plate.voltageVolts()), volts(mains)),
            "Its insulation is not made for the pulses of that link.",
            "A motor for this mains, or a transformer and the nominal link voltage to go with it."));
  }

  private static String place(AxisAssembly axis, SettingDefinition setting) {
    return "axis/%s/drive/%s".formatted(axis.axis().id(), setting.code());
  }

  private static String volts(double value) {
    return QuantityFormat.PLAIN.text(value, MeasureUnit.VOLT_UNIT);
  }
}
