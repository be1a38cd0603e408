package unimotus.core.settings;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.MotorTorque;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingRole;

/**
 * The shortest ramps the current limit allows, and the current limit itself. A ramp that is long
 * enough as it stands is left alone.
 */
final class DerivedRamps {
  /** A ramp with this much more time than the least does not run along the limit. */
  private static final double RESERVE = 1.5;

  private static final String PRACTICE = "common practice";

  private final AxisAssembly axis;
  private final InductionPlate plate;
  private final Map<SettingRole, Ramp> ramps = new EnumMap<>(SettingRole.class);

  /**
   * A derived number.
   *
   * @param reason why
   * @param sum how it came about
   */
  record Ramp(String reason, Derivation sum) {}

  DerivedRamps(AxisAssembly axis) {
    this.axis = axis;
    this.plate = axis.inductionPlate();
  }

  Map<SettingRole, Ramp> ramps() {
    double limit = currentLimit();
    double top =
        MotorFormulas.synchronousRpm(axis.axis().reference().frequencyAtFullHertz(), poles());
    ShaftLoad load = ShaftLoad.of(axis);
    double torque = MotorTorque.atCurrent(plate, limit).mostAtRpm(top);
    ramp(SettingRole.ACCELERATION_TIME, load, top, torque, torque - load.torqueNewtonMetres(top));
    ramp(SettingRole.DECELERATION_TIME, load, top, torque, torque);
    return ramps;
  }

  private int poles() {
    return plate.speedRpm() < MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2)
        ? MotorFormulas.poles(plate)
        : 2;
  }

  private double currentLimit() {
    double amperes = plate.currentAmperes() * plate.serviceFactor();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    ramps.put(
        SettingRole.CURRENT_LIMIT,
        new Ramp(
            "What the motor bears continuously; another school sets what the load needs to break away and to follow its ramp, up to the drive's short-time rating.",
            new Derivation(
                List.of(
                    shortTime(),
                    loadNeeds(settings),
                    new Step(
                        "current limit",
                        "I_plate·SF",
                        "%s·%s"
                            .formatted(text(plate.currentAmperes()), text(plate.serviceFactor())),
                        amperes,
                        MeasureUnit.AMPERE_UNIT,
                        PRACTICE)))));
    boolean entered = axis.drive().settings().containsKey(code(SettingRole.CURRENT_LIMIT));
    return entered ? settings.number(SettingRole.CURRENT_LIMIT, amperes) : amperes;
  }

  private Step shortTime() {
    DriveRatings ratings = axis.driveSheet().ratings();
    return new Step(
        "drive, short time",
        "I_drive·overload ratio",
        "%s·%s, %s s"
            .formatted(
                text(ratings.currentAmperes()),
                text(ratings.overloadRatio()),
                text(ratings.overloadSeconds())),
        ratings.currentAmperes() * ratings.overloadRatio(),
        MeasureUnit.AMPERE_UNIT,
        "device sheet");
  }

  /** The other school: load and acceleration on the ramp as it is set. */
  private Step loadNeeds(EffectiveSettings settings) {
    double topHertz = axis.axis().reference().frequencyAtFullHertz();
    double top = MotorFormulas.synchronousRpm(topHertz, poles());
    double seconds =
        settings.number(SettingRole.ACCELERATION_TIME, 0)
            * topHertz
            / settings.rampBaseHertz(topHertz);
    ShaftLoad load = ShaftLoad.of(axis);
    double ramp =
        seconds > 0
            ? RampFormulas.acceleratingTorqueNewtonMetres(load.inertiaKgM2(), top, seconds)
            : 0;
    double torque = load.torqueNewtonMetres(top) + ramp;
    double rated = MotorFormulas.ratedTorqueNewtonMetres(plate);
    return new Step(
        "what the load needs",
        "√(I_m² + (I_w·T/T_n)²), T = T_load + J·ω/t",
        "T %s N·m, T_n %s N·m".formatted(text(torque), text(rated)),
        MotorFormulas.currentEstimateAmperes(plate, torque / rated),
        MeasureUnit.AMPERE_UNIT,
        "constant magnetising current (common practice)");
  }

  private String code(SettingRole role) {
    return axis.driveSheet().setting(role).map(s -> s.code()).orElse("");
  }

  private void ramp(SettingRole role, ShaftLoad load, double top, double torque, double net) {
    if (!(net > 0) || !(axis.driveSheet().setting(role).orElse(null) instanceof NumberSetting s)) {
      return;
    }
    double least = RampFormulas.rampSeconds(load.inertiaKgM2(), top, net);
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    double topHertz = axis.axis().reference().frequencyAtFullHertz();
    double toBase = settings.rampBaseHertz(topHertz) / topHertz;
    double set = s.unit().convert(settings.number(role, 0), MeasureUnit.SECOND_UNIT);
    boolean enough = set >= least * toBase;
    double seconds = enough ? set : Math.ceil(RESERVE * least * toBase);
    ramps.put(
        role,
        new Ramp(
            enough
                ? "Long enough for the load, as it stands."
                : "Shorter would run along the current limit.",
            Derivation.of(
                new Step(
                    "torque at the limit",
                    "T_n·√(I² − I_m²)/I_w",
                    "",
                    torque,
                    MeasureUnit.NEWTON_METRE,
                    "motor plate; constant magnetising current (common practice)"),
                new Step(
                    "least ramp",
                    "J·ω/T_net",
                    "%s kg·m²·%s rpm·2π/60/%s N·m"
                        .formatted(text(load.inertiaKgM2()), text(top), text(net)),
                    least,
                    MeasureUnit.SECOND_UNIT,
                    "Newton's second law"),
                new Step(
                    "ramp",
                    enough
                        ? "as it stands"
                        : "half as long again, counted to the ramp base, whole seconds",
                    enough ? "" : "1.5·%s s·%s".formatted(text(least), text(toBase)),
                    seconds,
                    MeasureUnit.SECOND_UNIT,
                    PRACTICE))));
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
