package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopMachine;
import unimotus.core.stops.StopPhase;
import unimotus.core.stops.StopState;
import unimotus.core.stops.StopTimeline;
import unimotus.core.wiring.WiringFault;

/**
 * What the proof of a stop should show: voltages and statuses from its circuit and behaviour, times
 * from its timeline.
 */
public final class StopPredictions {
  /** What the keys of all proofs of stops begin with. */
  public static final String PREFIX = "safe.";

  private static final List<String> STATES =
      List.of("no power", "not permitted", "ready", "running", "fault");
  private static final Set<Part> CIRCUIT = EnumSet.of(Part.WIRES, Part.DRIVE, Part.STOP);
  private static final String NO_MOTION = " The motor is uncoupled, or the reference stands at 0.";

  private final StopCircuit circuit;
  private final StopFunction stop;
  private final StopMachine machine;
  private final StopState running;
  private final List<StopEvent> demands = new ArrayList<>();
  private final List<StopEvent> releases = new ArrayList<>();
  private final List<Prediction> predictions = new ArrayList<>();

  private StopPredictions(StopCircuit circuit) {
    this.circuit = circuit;
    this.stop = circuit.stop();
    this.machine = new StopMachine(circuit);
    this.running = machine.running();
    stop.triggers().forEach(t -> demands.add(StopEvent.demand(t)));
    stop.triggers().forEach(t -> releases.add(StopEvent.release(t)));
  }

  /** The proofs of all stops of an axis that are made before it moves. */
  static List<Prediction> beforeMotion(AxisAssembly axis) {
    List<Prediction> all = new ArrayList<>();
    for (StopCircuit circuit : circuits(axis)) {
      StopPredictions made = new StopPredictions(circuit);
      made.settings();
      made.voltages();
      made.statuses();
      made.channels();
      all.addAll(made.predictions);
    }
    return all;
  }

  /** The proofs that need the turning shaft; the first things done with it. */
  static List<Prediction> inMotion(AxisAssembly axis) {
    List<Prediction> all = new ArrayList<>();
    for (StopCircuit circuit : circuits(axis)) {
      StopPredictions made = new StopPredictions(circuit);
      made.times();
      all.addAll(made.predictions);
    }
    return all;
  }

  private static List<StopCircuit> circuits(AxisAssembly axis) {
    List<StopCircuit> circuits = new ArrayList<>();
    for (StopFunction stop : axis.stops()) {
      try {
        circuits.add(StopCircuit.of(axis, stop));
      } catch (IllegalArgumentException unjoined) {
        // A finding says so; there is nothing to predict.
        continue;
      }
    }
    return circuits;
  }

  private void settings() {
    if (stop.effect() == StopEffect.SS1_T) {
      word(
          "delay",
          "delay of safe stop 1 entered and confirmed",
          "accepted",
          List.of("accepted", "refused"),
          "Enter the delay of %s, then the same again within two minutes; the drive takes it only then."
              .formatted(seconds(StopTimeline.fromMaximum(circuit).timing().delaySeconds())),
          "drive's display");
    }
    if (stop.effect().usesSafeTorqueOff()) {
      word(
          "jumper",
          "works jumper over the safe torque off terminals",
          "removed",
          List.of("removed", "still there"),
          "All power off, locked and tagged; capacitors discharged. Look at the terminals.",
          "drive's terminals");
    }
  }

  private void voltages() {
    StopState demanded = machine.after(running, demands);
    int number = 1;
    for (TerminalRef terminal : circuit.stopping()) {
      volts("volts.released.%d".formatted(number), terminal, running, "stop released and reset");
      volts("volts.demanded.%d".formatted(number), terminal, demanded, "stop demanded");
      number++;
    }
  }

  private void volts(String key, TerminalRef terminal, StopState state, String when) {
    OptionalDouble volts = circuit.voltsAt(machine.solution(state), terminal);
    if (volts.isEmpty()) {
      return;
    }
    double value = volts.getAsDouble();
    add(
        key,
        "%s against its 0 V, %s".formatted(terminal.terminal(), when),
        new Expectation.Amount(value, Tolerances.meter(value), MeasureUnit.VOLT_UNIT),
        "%s of %s".formatted(terminal.terminal(), name(terminal)),
        "multimeter",
        "%s. Then hold the meter.".formatted(sentence(when)),
        CIRCUIT,
        Derivation.of(
            new Step(
                "meter",
                "",
                "stop circuit solved, " + when,
                value,
                MeasureUnit.VOLT_UNIT,
                "Kirchhoff's laws, modified nodal analysis")));
  }

  private String name(TerminalRef terminal) {
    return circuit.device(terminal.device()).device().name();
  }

  private void statuses() {
    StopState demanded = machine.after(running, demands);
    status("demanded", "status while the stop is demanded, run held", demanded, "Demand the stop.");
    StopState released = machine.after(demanded, releases);
    status(
        "released",
        "status after release without reset, run held",
        released,
        "Release the stop, do not reset.");
    List<StopEvent> reset = StopEvent.reset(circuit);
    StopState at = released;
    if (!reset.isEmpty()) {
      StopState held = machine.after(released, reset.get(0));
      status(
          "reset.held",
          "status while reset is held down",
          held,
          "Press reset and keep it pressed: a held or stuck button must not release.");
      at = machine.after(held, reset.get(1));
      status("reset", "status after reset, run still held", at, "Let the reset button go.");
    }
    at = machine.after(at, List.of(StopEvent.RUN_OFF, StopEvent.RUN_ON));
    status("new.run", "status after a new run command", at, "Withdraw run and command it again.");
    StopState back = machine.after(running, List.of(StopEvent.POWER_OFF, StopEvent.POWER_ON));
    status("power", "status after power off and on, run held", back, "Power off, wait, power on.");
  }

  /** One wire after the other taken off: each channel alone has to stop the motor. */
  private void channels() {
    int number = 1;
    for (Wire wire : circuit.channelWires()) {
      StopState at =
          new StopMachine(circuit, List.of(new WiringFault.OpenWire(wire.id()))).running();
      status(
          "channel.%d".formatted(number),
          "status with wire %s off at %s".formatted(wire.id(), wire.to().terminal()),
          at,
          "Power off, take wire %s off at %s of %s, power on, reset, command run. One channel alone has to stop the motor."
              .formatted(wire.id(), wire.to().terminal(), name(wire.to())));
      number++;
    }
  }

  private void status(String key, String title, StopState state, String how) {
    word("status." + key, title, state.driveShows(), STATES, how + NO_MOTION, "drive's display");
  }

  private void times() {
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    String from = "From maximum speed demand %s".formatted(stop.name());
    timeline.phases().stream()
        .filter(p -> p.kind() == StopPhase.Kind.RAMP)
        .findFirst()
        .ifPresent(
            ramp ->
                word(
                    "ramp",
                    "drive shows its ramp until %s after the demand"
                        .formatted(seconds(ramp.toSeconds())),
                    "ramping",
                    List.of("ramping", "coasting", "running on"),
                    from + ", watch the display.",
                    "drive's display"));
    if (timeline.comesToRest()) {
      time(
          "standstill",
          "time from the demand to standstill",
          timeline.standstillSeconds(),
          from + ", stop the watch at standstill.",
          "machine");
    }
    if (stop.effect() == StopEffect.SS1_T) {
      time(
          "torque.off",
          "time from the demand until the drive shows safe torque off",
          timeline.torqueOffSeconds(),
          from + ", stop the watch when the display changes.",
          "drive's display");
    }
  }

  private void time(String key, String title, double value, String how, String where) {
    add(
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

  private void word(
      String key, String title, String expected, List<String> choices, String how, String where) {
    add(
        key,
        title,
        new Expectation.Word(expected, choices),
        where,
        "eyes",
        how,
        CIRCUIT,
        Derivation.NONE);
  }

  private void add(
      String key,
      String title,
      Expectation expectation,
      String where,
      String instrument,
      String how,
      Set<Part> parts,
      Derivation sum) {
    predictions.add(
        new Prediction(
            PREFIX + stop.id() + "." + key,
            stop.name(),
            title,
            expectation,
            null,
            Double.NaN,
            where,
            instrument,
            how,
            parts,
            sum));
  }

  private static String sentence(String words) {
    return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
  }

  private static String seconds(double value) {
    return QuantityFormat.PLAIN.text(Math.round(value * 100) / 100.0, MeasureUnit.SECOND_UNIT);
  }
}
