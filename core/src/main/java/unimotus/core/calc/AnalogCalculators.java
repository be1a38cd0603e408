package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.signed;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.analog.AnalogFormulas;
import unimotus.core.quantity.MeasureUnit;

/** Questions about analog links. */
final class AnalogCalculators {
  private static final String PRACTICE = "common practice";
  private static final double USUAL_FULL_SCALE = 27648;

  private AnalogCalculators() {}

  static List<Calculator> all() {
    return List.of(
        counts(),
        percent(),
        signal("signal", MeasureUnit.MILLIAMPERE, 4, 20),
        signal("signal-volts", MeasureUnit.VOLT_UNIT, 0, 10),
        signalPercent("signal-percent", MeasureUnit.MILLIAMPERE, 4, 20),
        signalPercent("signal-volts-percent", MeasureUnit.VOLT_UNIT, 0, 10),
        liveZero(),
        resolution(),
        loopSupply(),
        loopState());
  }

  private static Parameter fullScale() {
    return of("fullscale", "counts at 100 %", MeasureUnit.COUNTS, USUAL_FULL_SCALE);
  }

  private static Calculator counts() {
    return new Calculator(
        "counts",
        "raw counts for a percentage",
        List.of(signed("percent", "percentage", MeasureUnit.PERCENT), fullScale()),
        "percent=50% fullscale=27648",
        in ->
            result(
                "counts",
                "N·p/100",
                "%s·%s/100",
                AnalogFormulas.counts(in.get("percent"), in.get("fullscale")),
                MeasureUnit.COUNTS,
                PRACTICE,
                in.get("fullscale"),
                in.get("percent")));
  }

  private static Calculator percent() {
    return new Calculator(
        "percent",
        "percentage for raw counts",
        List.of(signed("counts", "raw counts", MeasureUnit.COUNTS), fullScale()),
        "counts=13824 fullscale=27648",
        in ->
            result(
                "percent",
                "counts/N·100",
                "%s/%s·100",
                AnalogFormulas.percent(in.get("counts"), in.get("fullscale")),
                MeasureUnit.PERCENT,
                PRACTICE,
                in.get("counts"),
                in.get("fullscale")));
  }

  private static Calculator signal(String name, MeasureUnit unit, double low, double high) {
    return new Calculator(
        name,
        "%s for a percentage of a range".formatted(words(unit)),
        List.of(
            signed("percent", "percentage", MeasureUnit.PERCENT),
            of("low", "signal at 0 %", unit, low),
            of("high", "signal at 100 %", unit, high)),
        "percent=50%% low=%.0f%s high=%.0f%s".formatted(low, unit.symbol(), high, unit.symbol()),
        in -> {
          requireSpan(in);
          return result(
              "signal",
              "s₀ + p/100·(s₁₀₀ − s₀)",
              "%s + %s/100·(%s − %s)",
              in.get("low") + in.get("percent") / 100 * (in.get("high") - in.get("low")),
              unit,
              PRACTICE,
              in.get("low"),
              in.get("percent"),
              in.get("high"),
              in.get("low"));
        });
  }

  private static Calculator signalPercent(String name, MeasureUnit unit, double low, double high) {
    return new Calculator(
        name,
        "percentage for %s of a range".formatted(words(unit)),
        List.of(
            signed("signal", "signal", unit),
            of("low", "signal at 0 %", unit, low),
            of("high", "signal at 100 %", unit, high)),
        "signal=%.0f%s".formatted((low + high) / 2, unit.symbol()),
        in -> {
          requireSpan(in);
          return result(
              "percent",
              "(s − s₀)/(s₁₀₀ − s₀)·100",
              "(%s − %s)/(%s − %s)·100",
              (in.get("signal") - in.get("low")) / (in.get("high") - in.get("low")) * 100,
              MeasureUnit.PERCENT,
              PRACTICE,
              in.get("signal"),
              in.get("low"),
              in.get("high"),
              in.get("low"));
        });
  }

  private static void requireSpan(Inputs in) {
    in.require(in.get("high") > in.get("low"), "high", "must be over the signal at 0 %");
  }

  private static String words(MeasureUnit unit) {
    return unit == MeasureUnit.MILLIAMPERE ? "milliamps" : "volts";
  }

  private static Calculator liveZero() {
    return new Calculator(
        "live-zero",
        "error of a 0-20 mA input on a 4-20 mA signal",
        List.of(of("percent", "percentage sent", MeasureUnit.PERCENT)),
        "percent=0%",
        in ->
            result(
                "error",
                "(4 + 16·p/100)/20·100 − p",
                "(4 + 16·%s/100)/20·100 − %s",
                AnalogFormulas.liveZeroReadAsDeadZero(in.get("percent")) - in.get("percent"),
                MeasureUnit.PERCENT,
                "by arithmetic from the two ranges",
                in.get("percent"),
                in.get("percent")));
  }

  private static Calculator resolution() {
    return new Calculator(
        "resolution",
        "step of the output frequency for one count",
        List.of(of("span", "span of the output", MeasureUnit.HERTZ_UNIT), fullScale()),
        "span=50Hz fullscale=4095",
        in -> {
          if (in.get("fullscale") == 0) {
            throw new IllegalArgumentException("fullscale must be positive, not 0 counts");
          }
          return result(
              "step",
              "span/N",
              "%s/%s",
              AnalogFormulas.stepPerCount(in.get("span"), in.get("fullscale")),
              MeasureUnit.HERTZ_UNIT,
              PRACTICE,
              in.get("span"),
              in.get("fullscale"));
        });
  }

  private static Calculator loopSupply() {
    return new Calculator(
        "loop-supply",
        "least supply of a current loop",
        List.of(
            of("current", "greatest loop current", MeasureUnit.AMPERE_UNIT, 0.021),
            of("burden", "resistance of the receiver", MeasureUnit.OHM_UNIT),
            of("wire", "resistance of both conductors", MeasureUnit.OHM_UNIT, 0),
            of("transmitter", "least voltage of the transmitter", MeasureUnit.VOLT_UNIT)),
        "current=21mA burden=250ohm wire=10ohm transmitter=12V",
        in ->
            result(
                "supply",
                "U = I·(R_b + R_w) + U_t",
                "%s·(%s + %s) + %s",
                AnalogFormulas.loopSupplyVolts(
                    in.get("current"), in.get("burden"), in.get("wire"), in.get("transmitter")),
                MeasureUnit.VOLT_UNIT,
                PRACTICE,
                in.get("current"),
                in.get("burden"),
                in.get("wire"),
                in.get("transmitter")));
  }

  private static Calculator loopState() {
    return new Calculator(
        "loop-state",
        "what a 4-20 mA receiver makes of a current",
        List.of(of("current", "loop current", MeasureUnit.MILLIAMPERE)),
        "current=3.5mA",
        in ->
            Sums.remark(
                result(
                    "span",
                    "(I − 4)/16·100",
                    "(%s − 4)/16·100",
                    (in.get("current") - 4) / 16 * 100,
                    MeasureUnit.PERCENT,
                    "NAMUR NE 43 (from memory)",
                    in.get("current")),
                AnalogFormulas.loopState(in.get("current")).label()));
  }
}
