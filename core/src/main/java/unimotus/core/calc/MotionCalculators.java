package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.signed;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.motion.RampFormulas;
import unimotus.core.quantity.MeasureUnit;

/** Questions about masses, ramps and machine speed. */
final class MotionCalculators {
  private static final String NEWTON = "Newton's second law";

  private MotionCalculators() {}

  static List<Calculator> all() {
    return List.of(
        acceleratingTorque(),
        rampTime(),
        coastTime(),
        coastTurns(),
        reflectedInertia(),
        machineSpeed());
  }

  private static Parameter inertia() {
    return of("inertia", "moment of inertia at the shaft", MeasureUnit.KILOGRAM_SQUARE_METRE);
  }

  private static Parameter speed() {
    return of("speed", "change of shaft speed", MeasureUnit.RPM);
  }

  private static Calculator acceleratingTorque() {
    return new Calculator(
        "accelerating-torque",
        "torque to change speed in a time",
        List.of(inertia(), speed(), of("time", "ramp time", MeasureUnit.SECOND_UNIT)),
        "inertia=0.5kgm2 speed=1500rpm time=5s",
        in ->
            result(
                "torque",
                "T = J·(2π·n/60)/t",
                "%s·(2π·%s/60)/%s",
                RampFormulas.acceleratingTorqueNewtonMetres(
                    in.get("inertia"), in.get("speed"), in.get("time")),
                MeasureUnit.NEWTON_METRE,
                NEWTON,
                in.get("inertia"),
                in.get("speed"),
                in.get("time")));
  }

  private static Calculator rampTime() {
    return new Calculator(
        "ramp-time",
        "time to change speed with a torque",
        List.of(
            inertia(),
            speed(),
            of("torque", "torque left for acceleration", MeasureUnit.NEWTON_METRE)),
        "inertia=0.5kgm2 speed=1500rpm torque=15.708Nm",
        in ->
            result(
                "time",
                "t = J·(2π·n/60)/T",
                "%s·(2π·%s/60)/%s",
                RampFormulas.rampSeconds(in.get("inertia"), in.get("speed"), in.get("torque")),
                MeasureUnit.SECOND_UNIT,
                NEWTON,
                in.get("inertia"),
                in.get("speed"),
                in.get("torque")));
  }

  private static Calculator coastTime() {
    return new Calculator(
        "coast-time",
        "time to coast to standstill under constant friction",
        List.of(inertia(), speed(), of("friction", "friction torque", MeasureUnit.NEWTON_METRE)),
        "inertia=0.5kgm2 speed=1500rpm friction=2Nm",
        in ->
            Sums.remark(
                result(
                    "coast time",
                    "t = J·(2π·n/60)/T_f",
                    "%s·(2π·%s/60)/%s",
                    RampFormulas.coastSeconds(
                        in.get("inertia"), in.get("speed"), in.get("friction")),
                    MeasureUnit.SECOND_UNIT,
                    NEWTON,
                    in.get("inertia"),
                    in.get("speed"),
                    in.get("friction")),
                "safe torque off does not brake"));
  }

  private static Calculator coastTurns() {
    return new Calculator(
        "coast-turns",
        "turns made while coasting under constant friction",
        List.of(inertia(), speed(), of("friction", "friction torque", MeasureUnit.NEWTON_METRE)),
        "inertia=0.5kgm2 speed=1500rpm friction=2Nm",
        in ->
            result(
                "turns",
                "n/60·t/2",
                "%s/60·%s/2",
                RampFormulas.coastTurns(in.get("inertia"), in.get("speed"), in.get("friction")),
                MeasureUnit.ONE,
                NEWTON,
                in.get("speed"),
                RampFormulas.coastSeconds(in.get("inertia"), in.get("speed"), in.get("friction"))));
  }

  private static Calculator reflectedInertia() {
    return new Calculator(
        "reflected-inertia",
        "inertia behind a gear, seen from the motor",
        List.of(inertia(), of("ratio", "motor turns for one output turn", MeasureUnit.ONE)),
        "inertia=40kgm2 ratio=20",
        in -> {
          if (in.get("ratio") == 0) {
            throw new IllegalArgumentException("ratio must be positive, not 0");
          }
          return result(
              "inertia at the motor",
              "J/i²",
              "%s/%s²",
              RampFormulas.reflectedInertiaKgM2(in.get("inertia"), in.get("ratio")),
              MeasureUnit.KILOGRAM_SQUARE_METRE,
              "energy of rotation",
              in.get("inertia"),
              in.get("ratio"));
        });
  }

  private static Calculator machineSpeed() {
    return new Calculator(
        "machine-speed",
        "rim speed from shaft speed, gear and diameter",
        List.of(
            signed("speed", "shaft speed", MeasureUnit.RPM),
            of("ratio", "motor turns for one output turn", MeasureUnit.ONE, 1),
            of("diameter", "drum diameter", MeasureUnit.METRE_UNIT)),
        "speed=1455rpm ratio=91.4 diameter=500mm",
        in -> {
          if (in.get("ratio") == 0) {
            throw new IllegalArgumentException("ratio must be positive, not 0");
          }
          return result(
              "rim speed",
              "v = n/i·π·d",
              "%s/%s·π·%s",
              in.get("speed") / in.get("ratio") * Math.PI * in.get("diameter"),
              MeasureUnit.METRES_PER_MINUTE,
              "circumference of a circle",
              in.get("speed"),
              in.get("ratio"),
              in.get("diameter"));
        });
  }
}
