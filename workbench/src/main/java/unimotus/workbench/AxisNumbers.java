package unimotus.workbench;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Mechanics;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.SelectorRole;

/**
 * The numbers of an axis that a calculator can be asked with, as somebody would type them. A number
 * is given only to the calculators where it means the same: {@code speed} is the plate's speed for
 * a torque, and no synchronous speed.
 */
public final class AxisNumbers {
  private final Map<String, String> numbers = new TreeMap<>();

  private AxisNumbers(AxisAssembly axis, DisplayUnits units) {
    if (axis.motor().plate() instanceof InductionPlate plate) {
      addPlate(plate, units);
    }
    addMechanics(axis.axis().mechanics(), units);
    double inertia = axis.axis().load().inertiaKgM2();
    if (inertia > 0) {
      put("reflected-inertia inertia", units.text(inertia, MeasureUnit.KILOGRAM_SQUARE_METRE));
    }
    String counts = Integer.toString(axis.axis().reference().programFullScaleCounts());
    for (String calculator : new String[] {"counts", "percent", "resolution"}) {
      put(calculator + " fullscale", counts);
    }
    put(
        "resolution span",
        units.text(
            axis.axis().reference().frequencyAtFullHertz()
                - axis.axis().reference().frequencyAtZeroHertz(),
            MeasureUnit.HERTZ_UNIT));
    range(axis).ifPresent(r -> addRange(r, units));
    put("voltage-drop length", units.text(axis.feed().motorMetres(), MeasureUnit.METRE_UNIT));
    put("link-voltage line", units.text(axis.feed().mainsVolts(), MeasureUnit.VOLT_UNIT));
  }

  /** What is known of an axis, in the reader's units and with the reader's decimal mark. */
  public static AxisNumbers of(AxisAssembly axis, DisplayUnits units) {
    return new AxisNumbers(axis, units);
  }

  /** What the axis has for a number of a calculator; empty for nothing. */
  public Optional<String> of(String calculator, String number) {
    @Nullable String text = numbers.get(calculator + " " + number);
    return Optional.ofNullable(text).map(t -> t.replace("\u202f", "").replace('−', '-'));
  }

  private void put(String key, String text) {
    numbers.put(key, text);
  }

  private void addPlate(InductionPlate plate, DisplayUnits units) {
    int poles = MotorFormulas.poles(plate.frequencyHertz(), plate.speedRpm());
    double synchronous = MotorFormulas.synchronousRpm(plate.frequencyHertz(), poles);
    String frequency = units.text(plate.frequencyHertz(), MeasureUnit.HERTZ_UNIT);
    String speed = units.text(plate.speedRpm(), MeasureUnit.RPM);
    String power = units.text(plate.powerWatts(), MeasureUnit.WATT_UNIT);
    String current = units.text(plate.currentAmperes(), MeasureUnit.AMPERE_UNIT);
    String voltage = units.text(plate.voltageVolts(), MeasureUnit.VOLT_UNIT);
    put("synchronous-speed frequency", frequency);
    put("synchronous-speed poles", Integer.toString(poles));
    put("poles frequency", frequency);
    put("poles speed", speed);
    put("slip synchronous", units.text(synchronous, MeasureUnit.RPM));
    put("slip speed", speed);
    put("shaft-speed frequency", frequency);
    put("shaft-speed poles", Integer.toString(poles));
    put("shaft-speed slip", units.text(synchronous - plate.speedRpm(), MeasureUnit.RPM));
    put("torque power", power);
    put("torque speed", speed);
    put("power speed", speed);
    put("motor-current power", power);
    put("motor-current voltage", voltage);
    put("motor-current powerfactor", units.number(plate.powerFactor(), MeasureUnit.ONE));
    put("efficiency power", power);
    put("efficiency voltage", voltage);
    put("efficiency current", current);
    put("efficiency powerfactor", units.number(plate.powerFactor(), MeasureUnit.ONE));
    put("frequency poles", Integer.toString(poles));
    put("full-load-current power", power);
    put("full-load-current voltage", voltage);
    put("conductor current", current);
    put("voltage-drop current", current);
    put("overload-trip setting", current);
    put("machine-speed speed", speed);
  }

  private void addMechanics(Mechanics mechanics, DisplayUnits units) {
    String ratio = units.number(mechanics.gearRatio(), MeasureUnit.ONE);
    put("machine-speed ratio", ratio);
    put("reflected-inertia ratio", ratio);
    if (mechanics instanceof Mechanics.Drum drum) {
      put("machine-speed diameter", units.text(drum.diameterMetres(), MeasureUnit.METRE_UNIT));
    }
  }

  private static Optional<SignalRange> range(AxisAssembly axis) {
    return axis.controllerSheet()
        .selector(SelectorRole.CHANNEL_RANGE, String.valueOf(axis.axis().reference().output()))
        .map(s -> s.positionIn(axis.controller().selectors()))
        .flatMap(SignalRange::ofLabel);
  }

  private void addRange(SignalRange range, DisplayUnits units) {
    MeasureUnit unit = range.isCurrent() ? MeasureUnit.MILLIAMPERE : MeasureUnit.VOLT_UNIT;
    String name = range.isCurrent() ? "signal" : "signal-volts";
    for (String calculator :
        range.isCurrent()
            ? new String[] {name, "signal-percent"}
            : new String[] {name, "signal-volts-percent"}) {
      put(calculator + " low", units.text(range.low(), unit));
      put(calculator + " high", units.text(range.high(), unit));
    }
  }
}
