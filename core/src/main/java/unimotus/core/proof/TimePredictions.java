package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/** How long ramps, stop and coasting take, from the dry-run of the design. */
final class TimePredictions {
  private static final double STEADY_SHARE = 0.98;
  private static final double STANDSTILL_RPM = 1;
  private static final double SETTLE_SECONDS = 5;
  private static final String COAST_FORMULA = "t = ∫ J·dω/(T₀ + k₁·ω + k₂·ω²)";

  /** Nobody stands with a stop watch for longer; slower ramps get no predicted time. */
  private static final double LONGEST_WATCH_SECONDS = 1200;

  private final AxisAssembly axis;
  private final SignalPath path;
  private final List<Prediction> predictions = new ArrayList<>();

  private TimePredictions(AxisAssembly axis, SignalPath path) {
    this.axis = axis;
    this.path = path;
  }

  /** The times of an axis; empty where a watch is not fast or slow enough for them. */
  static List<Prediction> of(AxisAssembly axis, SignalPath path) {
    TimePredictions times = new TimePredictions(axis, path);
    times.times();
    return times.predictions;
  }

  private void times() {
    BenchSetup setup = BenchSetup.of(axis, path);
    double full = path.scale().atFull();
    double top = Math.abs(path.value(Station.SHAFT, full));
    double start = 0.1;
    double risen = start + setup.accelerationSeconds() + SETTLE_SECONDS;
    double length = risen + setup.decelerationSeconds() + SETTLE_SECONDS;
    if (top < 2 * STANDSTILL_RPM || length > LONGEST_WATCH_SECONDS) {
      return;
    }
    Scenario scenario = Scenario.runAndStop(full, risen, length);
    time(
        Predictor.RAMP_UP,
        "time from start to full speed",
        Bench.secondsUntil(setup, scenario, start, rpm -> rpm >= STEADY_SHARE * top),
        "dry-run of this design in ticks of 1 ms",
        "Command 100 %, start, stop the watch when the speed is steady.",
        "Ramps");
    OptionalDouble coast = coast(top);
    time(
        Predictor.STOP_TIME,
        "time from stop command to standstill, " + (setup.rampStop() ? "by ramp" : "coasting"),
        setup.rampStop()
            ? Bench.secondsUntil(setup, scenario, risen, rpm -> rpm <= STANDSTILL_RPM)
            : coast,
        setup.rampStop() ? "dry-run of this design in ticks of 1 ms" : COAST_FORMULA,
        "From full speed withdraw the run command, stop the watch at standstill.",
        "Stop");
    time(
        Predictor.COAST,
        "time from lost permission to standstill",
        coast,
        COAST_FORMULA,
        "From full speed open the permission, stop the watch at standstill. Safe torque off does not brake.",
        "Stop");
  }

  private OptionalDouble coast(double topRpm) {
    double seconds = RampFormulas.coastSeconds(ShaftLoad.of(axis), topRpm, STANDSTILL_RPM);
    return seconds < LONGEST_WATCH_SECONDS ? OptionalDouble.of(seconds) : OptionalDouble.empty();
  }

  private void time(
      String key, String title, OptionalDouble seconds, String sum, String how, String group) {
    if (seconds.isEmpty()) {
      return;
    }
    double value = seconds.getAsDouble();
    predictions.add(
        new Prediction(
            key,
            group,
            title,
            new Expectation.Amount(value, Tolerances.time(value), MeasureUnit.SECOND_UNIT),
            null,
            Double.NaN,
            "machine",
            "stop watch",
            how,
            EnumSet.complementOf(EnumSet.of(Part.STOP, Part.PRESETS)),
            Derivation.of(
                new Step(
                    title,
                    "",
                    sum,
                    value,
                    MeasureUnit.SECOND_UNIT,
                    "Newton's second law; load of the axis"))));
  }
}
