package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Parameter.share;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;

/** Questions about the motor. */
final class MotorCalculators {
  private static final String RATING = "IEC 60034-1";
  private static final String PRACTICE = "common practice";

  private MotorCalculators() {}

  static List<Calculator> all() {
    return List.of(
        synchronousSpeed(),
        poles(),
        slip(),
        shaftSpeed(),
        torque(),
        power(),
        current(),
        efficiency(),
        frequency());
  }

  private static Calculator synchronousSpeed() {
    return new Calculator(
        "synchronous-speed",
        "speed of the motor's field",
        List.of(
            of("frequency", "output frequency", MeasureUnit.HERTZ_UNIT),
            positive("poles", "pole count", MeasureUnit.ONE)),
        "frequency=50Hz poles=4",
        in ->
            result(
                "synchronous speed",
                "n_s = 120·f/p",
                "120·%s/%s",
                MotorFormulas.synchronousRpm(in.get("frequency"), in.whole("poles")),
                MeasureUnit.RPM,
                RATING,
                in.get("frequency"),
                in.get("poles")));
  }

  private static Calculator frequency() {
    return new Calculator(
        "frequency",
        "output frequency for a synchronous speed",
        List.of(
            of("speed", "synchronous speed", MeasureUnit.RPM),
            positive("poles", "pole count", MeasureUnit.ONE)),
        "speed=1500rpm poles=4",
        in ->
            result(
                "frequency",
                "f = n_s·p/120",
                "%s·%s/120",
                MotorFormulas.frequencyHertz(in.get("speed"), in.whole("poles")),
                MeasureUnit.HERTZ_UNIT,
                RATING,
                in.get("speed"),
                in.get("poles")));
  }

  private static Calculator poles() {
    return new Calculator(
        "poles",
        "pole count from the plate",
        List.of(
            of("frequency", "plate frequency", MeasureUnit.HERTZ_UNIT),
            of("speed", "plate speed", MeasureUnit.RPM)),
        "frequency=50Hz speed=1455rpm",
        in -> {
          int poles = MotorFormulas.poles(in.get("frequency"), in.get("speed"));
          return Sums.remark(
              result(
                  "poles",
                  "p, the most with 120·f/p ≥ n",
                  "120·%s/p ≥ %s",
                  poles,
                  MeasureUnit.ONE,
                  RATING,
                  in.get("frequency"),
                  in.get("speed")),
              "synchronous speed %.0f rpm"
                  .formatted(MotorFormulas.synchronousRpm(in.get("frequency"), poles)));
        });
  }

  private static Calculator slip() {
    return new Calculator(
        "slip",
        "slip of a shaft behind its field",
        List.of(
            of("synchronous", "synchronous speed", MeasureUnit.RPM),
            of("speed", "shaft speed", MeasureUnit.RPM)),
        "synchronous=1500rpm speed=1440rpm",
        in -> {
          in.require(
              in.get("speed") <= 2 * in.get("synchronous"),
              "speed",
              "must be at most twice the synchronous speed");
          return result(
              "slip",
              "s = (n_s − n)/n_s",
              "(%s − %s)/%s",
              100 * MotorFormulas.slip(in.get("synchronous"), in.get("speed")),
              MeasureUnit.PERCENT,
              RATING,
              in.get("synchronous"),
              in.get("speed"),
              in.get("synchronous"));
        });
  }

  private static Calculator shaftSpeed() {
    return new Calculator(
        "shaft-speed",
        "shaft speed from frequency, poles and slip",
        List.of(
            of("frequency", "output frequency", MeasureUnit.HERTZ_UNIT),
            positive("poles", "pole count", MeasureUnit.ONE),
            of("slip", "slip speed at this load", MeasureUnit.RPM, 0)),
        "frequency=50Hz poles=4 slip=45rpm",
        in -> {
          in.require(
              in.get("slip")
                  <= MotorFormulas.synchronousRpm(in.get("frequency"), in.whole("poles")),
              "slip",
              "must be at most the synchronous speed, 100 %");
          return result(
              "shaft speed",
              "n = 120·f/p − n_slip",
              "120·%s/%s − %s",
              MotorFormulas.synchronousRpm(in.get("frequency"), in.whole("poles")) - in.get("slip"),
              MeasureUnit.RPM,
              RATING,
              in.get("frequency"),
              in.get("poles"),
              in.get("slip"));
        });
  }

  private static Calculator torque() {
    return new Calculator(
        "torque",
        "torque from power and speed",
        List.of(
            of("power", "shaft power", MeasureUnit.WATT_UNIT),
            of("speed", "shaft speed", MeasureUnit.RPM)),
        "power=4kW speed=1455rpm",
        in ->
            result(
                "torque",
                "T = P/(2π·n/60)",
                "%s/(2π·%s/60)",
                MotorFormulas.torqueNewtonMetres(in.get("power"), in.get("speed")),
                MeasureUnit.NEWTON_METRE,
                RATING,
                in.get("power"),
                in.get("speed")));
  }

  private static Calculator power() {
    return new Calculator(
        "power",
        "shaft power from torque and speed",
        List.of(
            of("torque", "shaft torque", MeasureUnit.NEWTON_METRE),
            of("speed", "shaft speed", MeasureUnit.RPM)),
        "torque=26.25Nm speed=1455rpm",
        in ->
            result(
                "power",
                "P = T·2π·n/60",
                "%s·2π·%s/60",
                MotorFormulas.powerWatts(in.get("torque"), in.get("speed")),
                MeasureUnit.WATT_UNIT,
                RATING,
                in.get("torque"),
                in.get("speed")));
  }

  private static Calculator current() {
    return new Calculator(
        "motor-current",
        "line current from power, voltage, power factor and efficiency",
        List.of(
            of("power", "shaft power", MeasureUnit.WATT_UNIT),
            positive("voltage", "line-to-line voltage", MeasureUnit.VOLT_UNIT),
            share("powerfactor", "cos φ", MeasureUnit.ONE),
            share("efficiency", "efficiency", MeasureUnit.PERCENT)),
        "power=4kW voltage=400V powerfactor=0.81 efficiency=88.6%",
        in ->
            result(
                "current",
                "I = P/(√3·U·cos φ·η)",
                "%s/(√3·%s·%s·%s/100)",
                MotorFormulas.currentAmperes(
                    in.get("power"),
                    in.get("voltage"),
                    in.get("powerfactor"),
                    in.get("efficiency") / 100),
                MeasureUnit.AMPERE_UNIT,
                PRACTICE,
                in.get("power"),
                in.get("voltage"),
                in.get("powerfactor"),
                in.get("efficiency")));
  }

  private static Calculator efficiency() {
    return new Calculator(
        "efficiency",
        "efficiency from the plate",
        List.of(
            of("power", "shaft power", MeasureUnit.WATT_UNIT),
            positive("voltage", "line-to-line voltage", MeasureUnit.VOLT_UNIT),
            positive("current", "line current", MeasureUnit.AMPERE_UNIT),
            share("powerfactor", "cos φ", MeasureUnit.ONE)),
        "power=4kW voltage=400V current=8.05A powerfactor=0.81",
        in -> {
          double value =
              100
                  * in.get("power")
                  / MotorFormulas.inputWatts(
                      in.get("voltage"), in.get("current"), in.get("powerfactor"));
          CalcResult result =
              result(
                  "efficiency",
                  "η = P/(√3·U·I·cos φ)",
                  "%s/(√3·%s·%s·%s)",
                  value,
                  MeasureUnit.PERCENT,
                  PRACTICE,
                  in.get("power"),
                  in.get("voltage"),
                  in.get("current"),
                  in.get("powerfactor"));
          return Sums.remark(
              result,
              value > 100 || value < 50 ? "not plausible: a number is typed wrong" : "plausible");
        });
  }
}
