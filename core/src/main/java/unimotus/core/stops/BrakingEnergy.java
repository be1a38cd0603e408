package unimotus.core.stops;

import java.util.List;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * What a ramp down pushes back into the drive's d.c. link, and what the link can take before the
 * drive trips on over-voltage.
 *
 * @param kineticJoules what the shaft loses on the ramp
 * @param pushedJoules what of it the load's friction does not take
 * @param returnedJoules what reaches the link after the losses of motor and drive
 * @param linkJoules what the link takes between its voltage in service and the trip
 * @param peakWatts the most electrical power that flows into the link
 * @param tripVolts voltage of the link at which the drive trips
 * @param sum how it came about
 */
public record BrakingEnergy(
    double kineticJoules,
    double pushedJoules,
    double returnedJoules,
    double linkJoules,
    double peakWatts,
    double tripVolts,
    Derivation sum) {
  /** Share of the power that passes the inverter (common practice). */
  private static final double DRIVE_EFFICIENCY = 0.97;

  /** So fine that the closed form for constant friction agrees to a part in a hundred thousand. */
  private static final int SLICES = 1000;

  private static final double TRIP_400_VOLTS = 800;
  private static final double TRIP_230_VOLTS = 400;

  /** Mains above this voltage make a drive of the 400 V class. */
  private static final double CLASS_BORDER_VOLTS = 300;

  private static final String NEWTON = "Newton's second law; load of the axis";

  /** Braking energy of the ramp in a stop; all zero where the stop has none. */
  public static BrakingEnergy of(AxisAssembly axis, StopFunction stop, StopTimeline timeline) {
    StopPhase ramp =
        timeline.phases().stream()
            .filter(p -> p.kind() == StopPhase.Kind.RAMP)
            .findFirst()
            .orElse(new StopPhase(StopPhase.Kind.RAMP, 0, 0, 0, 0, 0, List.of()));
    ShaftLoad load = timeline.load();
    double kinetic =
        RampFormulas.kineticJoules(load.inertiaKgM2(), ramp.fromRpm())
            - RampFormulas.kineticJoules(load.inertiaKgM2(), ramp.toRpm());
    double efficiency = motorEfficiency(axis) * DRIVE_EFFICIENCY;
    double pushed = 0;
    double peak = 0;
    for (int i = 0; i < SLICES; i++) {
      double watts = Math.max(0, pushedWatts(load, ramp, (i + 0.5) / SLICES));
      pushed += watts * ramp.seconds() / SLICES;
      peak = Math.max(peak, watts * efficiency);
    }
    double returned = pushed * efficiency;
    double mains = axis.feed().mainsVolts();
    double trip = mains > CLASS_BORDER_VOLTS ? TRIP_400_VOLTS : TRIP_230_VOLTS;
    double farads = stop.linkMicrofarads() * 1e-6;
    double link = farads / 2 * (trip * trip - 2 * mains * mains);
    Derivation sum =
        Derivation.of(
            step("energy of the ramp", "½·J·(ω₁² − ω₂²)", "", kinetic, NEWTON),
            step(
                "pushed back by the shaft",
                "∫ max(0, J·α − T(ω))·ω·dt",
                "",
                pushed,
                NEWTON + ", in %d slices".formatted(SLICES)),
            step(
                "back into the link",
                "E·η_motor·η_drive",
                "%s J·%s".formatted(number(pushed), number(efficiency)),
                returned,
                axis.motor().induction().isPresent()
                    ? "motor plate; drive 97 % (common practice)"
                    : "no efficiency on the plate, taken as 1; drive 97 % (common practice)"),
            step(
                "room in the link",
                "½·C·(U_trip² − 2·U²)",
                "½·%s µF·(%s² − 2·%s²)"
                    .formatted(number(stop.linkMicrofarads()), number(trip), number(mains)),
                link,
                "trip voltage of the class (common practice)"));
    return new BrakingEnergy(kinetic, pushed, returned, link, peak, trip, sum);
  }

  /** A plate without an efficiency sends all of it back, which asks most of the link. */
  private static double motorEfficiency(AxisAssembly axis) {
    return axis.motor().induction().map(MotorFormulas::efficiency).orElse(1.0);
  }

  /** Power the shaft pushes back at a share of the ramp; negative while friction outweighs. */
  private static double pushedWatts(ShaftLoad load, StopPhase ramp, double share) {
    if (!(ramp.seconds() > 0)) {
      return 0;
    }
    double rpm = ramp.fromRpm() + (ramp.toRpm() - ramp.fromRpm()) * share;
    double slowing =
        RampFormulas.acceleratingTorqueNewtonMetres(
            load.inertiaKgM2(), ramp.fromRpm() - ramp.toRpm(), ramp.seconds());
    return (slowing - load.torqueNewtonMetres(rpm)) * RampFormulas.radiansPerSecond(rpm);
  }

  private static Step step(
      String quantity, String formula, String put, double joules, String source) {
    return new Step(quantity, formula, put, joules, MeasureUnit.JOULE_UNIT, source);
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  /** Whether the link takes the energy without a braking resistor. */
  public boolean fits() {
    return returnedJoules <= linkJoules;
  }

  /** U_trip²/P: the largest braking resistor that takes the peak power, in ohms. */
  public double mostOhms() {
    return tripVolts * tripVolts / peakWatts;
  }
}
