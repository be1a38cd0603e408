package unimotus.core.proof;

import java.util.EnumSet;
import java.util.List;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopPhase;
import unimotus.core.stops.StopTimeline;

/** How long a stop takes, to be proved by ramp, watch and display. */
final class StopTimeRows {
  private StopTimeRows() {}

  /** The proofs of a stop that moves. */
  static void add(StopRows rows, StopCircuit circuit) {
    StopFunction stop = circuit.stop();
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    String from =
        "From maximum speed: %s"
            .formatted(StopEvent.demand(circuit, stop.triggers().get(0)).text(circuit));
    timeline.phases().stream()
        .filter(p -> p.kind() == StopPhase.Kind.RAMP)
        .findFirst()
        .ifPresent(
            ramp ->
                rows.word(
                    "ramp",
                    "drive shows its ramp until %s after the demand"
                        .formatted(seconds(ramp.toSeconds())),
                    "ramping",
                    List.of("ramping", "coasting", "running on"),
                    from + ", watch the display.",
                    "drive's display",
                    "A ramp that is not there leaves the load to coast."));
    if (timeline.comesToRest()) {
      time(
          rows,
          "standstill",
          "time from the demand to standstill",
          timeline.standstillSeconds(),
          from + ", stop the watch at standstill.",
          "machine");
    }
    if (stop.effect() == StopEffect.SS1_T) {
      time(
          rows,
          "torque.off",
          "time from the demand until the drive shows safe torque off",
          timeline.torqueOffSeconds(),
          from + ", stop the watch when the display changes.",
          "drive's display");
    }
  }

  private static void time(
      StopRows rows, String key, String title, double value, String how, String where) {
    rows.add(
        key,
        title,
        new Expectation.Amount(value, Tolerances.time(value), MeasureUnit.SECOND_UNIT),
        where,
        "stop watch",
        how,
        EnumSet.of(Part.WIRES, Part.DRIVE, Part.STOP, Part.MOTOR, Part.MECHANICS),
        Derivation.of(
            new Step(
                title,
                "",
                "reactions, ramp and coast of the stop timeline",
                value,
                MeasureUnit.SECOND_UNIT,
                "Newton's second law; device sheets; drive settings")));
  }

  private static String seconds(double value) {
    return QuantityFormat.PLAIN.text(Math.round(value * 100) / 100.0, MeasureUnit.SECOND_UNIT);
  }
}
