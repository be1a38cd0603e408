package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Parameter.signed;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.process.LoopMargins;
import unimotus.core.process.LoopTuning;
import unimotus.core.process.PumpCurve;
import unimotus.core.process.PumpSystem;
import unimotus.core.process.SleepStart;
import unimotus.core.process.StepModel;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** Questions about process loops in drives. */
final class ProcessCalculators {
  private static final String PRACTICE = "common practice";

  private ProcessCalculators() {}

  static List<Calculator> all() {
    return List.of(
        signal("process-signal", MeasureUnit.MILLIAMPERE, 4, 20),
        signal("process-volts", MeasureUnit.VOLT_UNIT, 0, 10),
        sleepStart(),
        shutOff(),
        pumpHold(),
        tuning("loop-tuning", false),
        tuning("level-tuning", true));
  }

  private static Calculator signal(String name, MeasureUnit unit, double low, double high) {
    return new Calculator(
        name,
        "signal of a process value over its range",
        List.of(
            signed("value", "process value, in its unit", MeasureUnit.ONE),
            of("from", "process value at the low end", MeasureUnit.ONE, 0),
            signed("to", "process value at the high end", MeasureUnit.ONE),
            of("low", "signal at the low end", unit, low),
            of("high", "signal at the high end", unit, high)),
        "value=75 from=0 to=200 low=%.0f%s high=%.0f%s"
            .formatted(low, unit.symbol(), high, unit.symbol()),
        in -> {
          in.require(in.get("to") != in.get("from"), "to", "a range needs two ends");
          double share = (in.get("value") - in.get("from")) / (in.get("to") - in.get("from"));
          return result(
              "signal",
              "s₀ + (v − v₀)/(v₁ − v₀)·(s₁ − s₀)",
              "%s + (%s − %s)/(%s − %s)·(%s − %s)",
              in.get("low") + share * (in.get("high") - in.get("low")),
              unit,
              PRACTICE,
              in.get("low"),
              in.get("value"),
              in.get("from"),
              in.get("to"),
              in.get("from"),
              in.get("high"),
              in.get("low"));
        });
  }

  private static Calculator sleepStart() {
    return new Calculator(
        "sleep-start",
        "whether a pump falls asleep while it starts",
        List.of(
            positive("maximum", "output at the end of the ramp", MeasureUnit.HERTZ_UNIT),
            of("ramp", "ramp from 0 to that", MeasureUnit.SECOND_UNIT),
            of("level", "sleep level", MeasureUnit.HERTZ_UNIT),
            positive("delay", "sleep delay", MeasureUnit.SECOND_UNIT),
            of("lag", "before the ramp begins", MeasureUnit.SECOND_UNIT, 0)),
        "maximum=60Hz ramp=30s level=40Hz delay=15s",
        in -> {
          SleepStart start =
              new SleepStart(
                  in.get("maximum"),
                  in.get("ramp"),
                  in.get("level"),
                  in.get("delay"),
                  in.get("lag"));
          return new CalcResult(
              start.marginSeconds(), MeasureUnit.SECOND_UNIT, start.sum(), PRACTICE, start.words());
        });
  }

  /** The curve through two points, moved by the affinity laws. */
  private static Calculator pumpHold() {
    return new Calculator(
        "pump-hold",
        "frequency at which a pump moves a flow",
        List.of(
            positive("frequency", "frequency of the pump's curve", MeasureUnit.HERTZ_UNIT),
            positive("head", "head it gives there with the valve shut", MeasureUnit.METRE_UNIT),
            positive("at", "flow of another point of the curve, in m³/h", MeasureUnit.ONE),
            of("gives", "head at that point", MeasureUnit.METRE_UNIT),
            of("static", "static head", MeasureUnit.METRE_UNIT),
            of("flow", "flow that is wanted, in m³/h", MeasureUnit.ONE),
            of("friction", "metres lost in the pipe for each (m³/h)²", MeasureUnit.ONE, 0)),
        "frequency=50Hz head=40m at=10 gives=30m static=22.5m flow=5",
        in -> {
          in.require(
              in.get("gives") < in.get("head"), "gives", "a pump's head falls with the flow");
          PumpCurve curve =
              PumpCurve.through(
                  in.get("frequency"),
                  List.of(
                      new PumpCurve.Point(0, in.get("head")),
                      new PumpCurve.Point(in.get("at"), in.get("gives"))));
          PumpSystem system = new PumpSystem(curve, in.get("static"), in.get("friction"));
          return new CalcResult(
              system.hertz(in.get("flow")),
              MeasureUnit.HERTZ_UNIT,
              system.sum(in.get("flow")),
              "affinity laws of centrifugal pumps",
              "nothing flows below %s Hz"
                  .formatted(QuantityFormat.PLAIN.number(hundredths(system.shutOffHertz()))));
        });
  }

  private static Calculator tuning(String name, boolean integrates) {
    Parameter gain =
        integrates
            ? positive("gain", "% a second for each % of speed", MeasureUnit.ONE)
            : positive("gain", "% of the feedback for each % of speed", MeasureUnit.ONE);
    Parameter lag = positive("lag", "lag of the process", MeasureUnit.SECOND_UNIT);
    Parameter dead = positive("dead", "dead time, transmitter and filter", MeasureUnit.SECOND_UNIT);
    Parameter pace =
        of("pace", "1 quick, 2.5 medium, 4 calm: closed loop over dead time", MeasureUnit.ONE, 2.5);
    return new Calculator(
        name,
        integrates ? "gain of a loop that holds a level" : "gain of a loop with a lag",
        integrates ? List.of(gain, dead, pace) : List.of(gain, lag, dead, pace),
        integrates ? "gain=0.05 dead=4s pace=1" : "gain=2 lag=6s dead=1s pace=1",
        in -> {
          in.require(in.get("pace") > 0, "pace", "must be over 0");
          StepModel model =
              integrates
                  ? StepModel.integrating(in.get("gain"), in.get("dead"))
                  : StepModel.firstOrder(in.get("gain"), in.get("lag"), in.get("dead"));
          LoopTuning tuned = LoopTuning.of(model, in.get("pace"));
          return new CalcResult(
              tuned.gain(),
              MeasureUnit.ONE,
              tuned.sum(in.get("pace")),
              "S. Skogestad, SIMC tuning rules, 2003",
              words(tuned));
        });
  }

  private static String words(LoopTuning tuned) {
    LoopMargins margins = tuned.margins();
    LoopTuning.Response response = tuned.response();
    if (Double.isInfinite(response.settlingSeconds())) {
      return "integral time %s s; it does not settle in a time that can be reckoned"
          .formatted(QuantityFormat.PLAIN.number(hundredths(tuned.integralSeconds())));
    }
    return "integral time %s s; gain margin %s, phase margin %s°; it goes over by %s %% and is within 2 %% after %s s"
        .formatted(
            QuantityFormat.PLAIN.number(hundredths(tuned.integralSeconds())),
            QuantityFormat.PLAIN.number(hundredths(margins.gain())),
            QuantityFormat.PLAIN.number(hundredths(margins.phaseDegrees())),
            QuantityFormat.PLAIN.number(hundredths(100 * response.overshoot())),
            QuantityFormat.PLAIN.number(hundredths(response.settlingSeconds())));
  }

  private static double hundredths(double value) {
    return Math.rint(value * 100) / 100;
  }

  /** Affinity of pumps: H ∝ f². */
  private static Calculator shutOff() {
    return new Calculator(
        "shut-off",
        "frequency below which a pump moves nothing",
        List.of(
            positive("frequency", "frequency of the pump's curve", MeasureUnit.HERTZ_UNIT),
            positive("head", "head it gives there with the valve shut", MeasureUnit.METRE_UNIT),
            of("static", "static head", MeasureUnit.METRE_UNIT)),
        "frequency=50Hz head=40m static=22.5m",
        in -> {
          in.require(
              in.get("static") <= in.get("head"),
              "static",
              "a pump never lifts more than the head it gives with the valve shut");
          return result(
              "shut-off frequency",
              "f·√(H_static/H₀)",
              "%s·√(%s/%s)",
              in.get("frequency") * Math.sqrt(in.get("static") / in.get("head")),
              MeasureUnit.HERTZ_UNIT,
              "affinity laws of centrifugal pumps",
              in.get("frequency"),
              in.get("static"),
              in.get("head"));
        });
  }
}
