package unimotus.desktop.stop;

import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stops.BrakingEnergy;
import unimotus.core.stops.StopTimeline;
import unimotus.core.stops.StopTimes;
import unimotus.desktop.Desk;

/** What a stop that stops comes to, in a few sentences. */
final class StopSentence {
  private final Desk desk;

  StopSentence(Desk desk) {
    this.desk = desk;
  }

  String of(AxisAssembly axis, StopFunction stop, StopTimes times) {
    StopTimeline t = times.sound();
    return "%s in effect (%s). From %s the shaft %s%s%s%s.%s"
        .formatted(
            t.category().label(),
            t.category().hint(),
            text(Math.round(t.timing().topRpm()), MeasureUnit.RPM),
            stands(t),
            cut(t),
            margin(t),
            link(axis, stop, t),
            unwatched(times));
  }

  private String stands(StopTimeline t) {
    return t.comesToRest()
        ? "stands still after %s and %s turns of the motor"
            .formatted(
                text(t.standstillSeconds(), MeasureUnit.SECOND_UNIT),
                desk.units().format().number(Math.round(10 * t.turns()) / 10.0))
        : "does not come to rest";
  }

  private String cut(StopTimeline t) {
    return t.torqueOffRpm() > 1
        ? "; torque goes at %s with %s left in the load"
            .formatted(
                text(Math.round(t.torqueOffRpm()), MeasureUnit.RPM),
                text(Math.round(t.energyLeftJoules()), MeasureUnit.JOULE_UNIT))
        : "";
  }

  private String margin(StopTimeline t) {
    return t.timing().delaySeconds() > 0 && t.timing().rampSeconds() > 0
        ? "; %s of the delay to spare from maximum speed"
            .formatted(text(t.timing().marginSeconds(), MeasureUnit.SECOND_UNIT))
        : "";
  }

  private String link(AxisAssembly axis, StopFunction stop, StopTimeline t) {
    if (!(t.timing().rampSeconds() > 0)) {
      return "";
    }
    BrakingEnergy energy = BrakingEnergy.of(axis, stop, t);
    return "; the ramp returns %s, the d.c. link takes %s"
        .formatted(
            text(Math.round(energy.returnedJoules()), MeasureUnit.JOULE_UNIT),
            text(Math.round(energy.linkJoules()), MeasureUnit.JOULE_UNIT));
  }

  private String unwatched(StopTimes times) {
    return times
        .fault()
        .map(
            f ->
                " Only the time is watched: should the drive fail to ramp, %s."
                    .formatted(
                        f.comesToRest()
                            ? "standstill after "
                                + text(f.standstillSeconds(), MeasureUnit.SECOND_UNIT)
                            : "it does not come to rest"))
        .orElse("");
  }

  private String text(double value, MeasureUnit unit) {
    return desk.units().text(Math.round(value * 1000) / 1000.0, unit);
  }
}
