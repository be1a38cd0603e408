package unimotus.core.stops;

import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** Whether a stop that stops is quick enough, and its ramp as long as its delay. */
final class StopTimeChecks {
  private final StopChecks checks;
  private final AxisAssembly axis;
  private final StopFunction stop;

  StopTimeChecks(StopChecks checks, AxisAssembly axis, StopFunction stop) {
    this.checks = checks;
    this.axis = axis;
    this.stop = stop;
  }

  void check(StopCircuit circuit) {
    StopTimes times = StopTimes.of(circuit);
    StopTimeline timeline = times.sound();
    StopTimeline.Timing timing = timeline.timing();
    if (!timeline.comesToRest() && !stop.verticalLoad()) {
      checks.add(
          Severity.WARNING,
          Rule.NO_STANDSTILL,
          "nothing brakes the load once %s has taken the torque".formatted(stop.name()),
          "Safe torque off does not brake: the load turns on for an unknown time.",
          "Enter the friction of the load, or ramp down first.");
    }
    checkDistance(times);
    if (stop.effect() != StopEffect.SS1_T) {
      return;
    }
    if (!(timing.delaySeconds() > 0)) {
      checks.add(
          Severity.ERROR,
          Rule.STOP_DELAY,
          "the delay of %s is 0 s".formatted(stop.name()),
          "Without a delay the torque goes at once: the ramp never happens.",
          "Set a delay in which the ramp from maximum speed fits, and confirm it on the drive.");
      return;
    }
    if (!(timing.rampSeconds() > 0)) {
      checks.add(
          Severity.ERROR,
          Rule.STOP_RAMP,
          "nothing tells the drive to ramp down in the %s before the torque goes"
              .formatted(seconds(timing.delaySeconds())),
          "The motor runs on at speed until the delay ends, then it coasts.",
          "Lead a contact that opens at once onto the run input, with the stop mode on ramp.");
      return;
    }
    if (!timing.hasMargin()) {
      addMargin(timeline);
    }
    addEnergy(timeline);
    addUnwatched(times);
  }

  /** The ramp of a timed stop is not watched; its fault case has to be borne (IEC 61800-5-2). */
  private void addUnwatched(StopTimes times) {
    times
        .fault()
        .ifPresent(
            fault ->
                checks.add(
                    Severity.NOTE,
                    Rule.TIMED_STOP_FAULT,
                    "%s watches the time only: should the drive fail to ramp, the shaft is at standstill after %s, not %s"
                        .formatted(
                            stop.name(),
                            secondsOrNever(fault.standstillSeconds()),
                            secondsOrNever(times.sound().standstillSeconds())),
                    "Until the delay ends nothing brakes, or the motor even drives on; then the load coasts.",
                    "Show in the risk assessment that this is bearable, or take a drive that watches the ramp."));
  }

  private void checkDistance(StopTimes times) {
    StopApproach approach = stop.use().approach();
    if (approach.kind() == StopApproach.Kind.NONE || !(approach.distanceMillimetres() > 0)) {
      return;
    }
    String needed;
    try {
      double least = times.neededMillimetres(approach);
      if (least <= approach.distanceMillimetres()) {
        return;
      }
      needed = "%s mm are needed".formatted(number(Math.ceil(least)));
    } catch (IllegalArgumentException none) {
      needed = String.valueOf(none.getMessage());
    }
    checks.add(
        Severity.ERROR,
        Rule.STOP_DISTANCE,
        "the danger is %s mm away; %s".formatted(number(approach.distanceMillimetres()), needed),
        "A person reaches the danger before standstill.",
        "Move what notices the person further away, or shorten the stop.");
  }

  private void addMargin(StopTimeline timeline) {
    StopTimeline.Timing timing = timeline.timing();
    boolean cut = timing.marginSeconds() < 0;
    checks.add(
        cut ? Severity.ERROR : Severity.WARNING,
        Rule.STOP_RAMP,
        "the ramp takes %s from maximum speed, torque goes after %s"
            .formatted(seconds(timing.neededSeconds()), seconds(timing.delaySeconds())),
        cut
            ? "Torque goes at %s rpm (%s %%); the rest is a coast without control."
                .formatted(
                    number(timeline.torqueOffRpm()),
                    number(100 * timeline.torqueOffRpm() / timing.topRpm()))
            : "A tenth of the ramp is the usual margin; a warm motor and a low link take longer.",
        timing.neededSeconds() > timing.rampSeconds()
            ? "The current limit allows no less than %s: lengthen the delay to %s."
                .formatted(seconds(timing.neededSeconds()), seconds(1.1 * timing.neededSeconds()))
            : "Shorten the safe ramp to %s, or lengthen the delay to %s."
                .formatted(
                    seconds(timing.delaySeconds() / 1.1), seconds(1.1 * timing.rampSeconds())));
  }

  private void addEnergy(StopTimeline timeline) {
    BrakingEnergy energy = BrakingEnergy.of(axis, stop, timeline);
    if (!energy.fits()) {
      checks.add(
          Severity.WARNING,
          Rule.BRAKING_ENERGY,
          "the ramp returns %s, the d.c. link takes %s"
              .formatted(
                  text(energy.returnedJoules(), MeasureUnit.JOULE_UNIT),
                  text(energy.linkJoules(), MeasureUnit.JOULE_UNIT)),
          "The drive trips on over-voltage and the rest is a coast, or it stretches the ramp.",
          "Fit a braking resistor of at most %s for %s, or lengthen ramp and delay."
              .formatted(
                  text(Math.floor(energy.mostOhms()), MeasureUnit.OHM_UNIT),
                  text(Math.ceil(energy.peakWatts()), MeasureUnit.WATT_UNIT)));
    }
  }

  private static String seconds(double value) {
    return text(Math.round(value * 100) / 100.0, MeasureUnit.SECOND_UNIT);
  }

  private static String secondsOrNever(double value) {
    return Double.isFinite(value) ? seconds(value) : "no time that can be determined";
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(Math.round(value));
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}
