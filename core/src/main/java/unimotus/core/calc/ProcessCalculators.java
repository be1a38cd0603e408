package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Parameter.signed;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.process.SleepStart;
import unimotus.core.quantity.MeasureUnit;

/** Questions about process loops in drives. */
final class ProcessCalculators {
  private static final String PRACTICE = "common practice";

  private ProcessCalculators() {}

  static List<Calculator> all() {
    return List.of(
        signal("process-signal", MeasureUnit.MILLIAMPERE, 4, 20),
        signal("process-volts", MeasureUnit.VOLT_UNIT, 0, 10),
        sleepStart(),
        shutOff());
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
