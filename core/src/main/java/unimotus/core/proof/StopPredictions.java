package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopMachine;
import unimotus.core.stops.StopState;
import unimotus.core.stops.StopTimeline;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.WiringFault;

/**
 * What the proof of a stop has to show. What is expected follows from what the stop is for: no
 * voltage at what permits torque, no permission, standstill in time, no restart. Voltages and times
 * come from its circuit and its timeline. A stop that does not stop, or of which nothing can be
 * told, has no proof list: there is nothing yet to prove.
 */
public final class StopPredictions {
  /** What the keys of all proofs of stops begin with. */
  public static final String PREFIX = "safe.";

  /** Whether a prediction is of the volts at a permission's terminal with the stop released. */
  public static boolean isReleasedVolts(String key) {
    return key.startsWith(PREFIX) && key.contains(".volts.released.");
  }

  private static final Set<Part> CIRCUIT = EnumSet.of(Part.WIRES, Part.DRIVE, Part.STOP);
  private static final String NO_MOTION = " The motor is uncoupled, or the reference is 0.";

  /** What a drive may be seen to show; a number nobody knows is to be looked up. */
  private static final List<String> CHOICES =
      List.of(
          CommandState.NO_POWER,
          CommandState.NOT_PERMITTED,
          CommandState.READY,
          CommandState.RUNNING,
          CommandState.FAULT,
          "something else: look it up in the manual and enter it on the sheet");

  /** A meter on a conductor without voltage shows less than this. */
  private static final double DEAD_VOLTS = 1;

  private final StopCircuit circuit;
  private final StopFunction stop;
  private final StopMachine machine;
  private final List<StopEvent> start;
  private final StopState running;
  private final StopRows rows;

  private StopPredictions(StopCircuit circuit, List<StopEvent> start) {
    this.circuit = circuit;
    this.stop = circuit.stop();
    this.rows = new StopRows(stop);
    this.machine = new StopMachine(circuit);
    this.start = start;
    this.running = machine.from(start);
  }

  /** The proofs of stops that are made before the axis moves. */
  static List<Prediction> beforeMotion(List<JudgedStop> stops) {
    List<Prediction> all = new ArrayList<>();
    for (StopPredictions made : provable(stops)) {
      made.settings();
      made.stop.triggers().forEach(made::demand);
      made.channels();
      all.addAll(made.rows.all());
    }
    return all;
  }

  /** The proofs that need the turning shaft; the first things done with it. */
  static List<Prediction> inMotion(List<JudgedStop> stops) {
    List<Prediction> all = new ArrayList<>();
    for (StopPredictions made : provable(stops)) {
      StopTimeRows.add(made.rows, made.circuit);
      all.addAll(made.rows.all());
    }
    return all;
  }

  private static List<StopPredictions> provable(List<JudgedStop> stops) {
    List<StopPredictions> provable = new ArrayList<>();
    for (JudgedStop judged : stops) {
      judged.sound().ifPresent(c -> provable.add(new StopPredictions(c, judged.verdict().start())));
    }
    return provable;
  }

  private void settings() {
    if (stop.effect() == StopEffect.SS1_T) {
      delayProcedure();
    }
    boolean jumper =
        stop.effect().usesSafeTorqueOff()
            && circuit.axis().driveSheet().selector(SelectorRole.STO_JUMPER).isPresent();
    if (jumper) {
      rows.word(
          "jumper",
          "factory-fitted jumper over the safe torque off terminals",
          "removed",
          List.of("removed", "still there"),
          "All power off, locked and tagged; capacitors discharged. Check the terminals.",
          "drive's terminals",
          "A jumper left in takes the stop away.");
    }
  }

  /** The delay is entered by a procedure of its own where the sheet has one. */
  private void delayProcedure() {
    double delay = StopTimeline.fromMaximum(circuit).timing().delaySeconds();
    String how =
        circuit.axis().driveSheet().procedures().stream()
            .filter(p -> isDelay(p.setting()))
            .findFirst()
            .map(p -> p.text(seconds(delay)))
            .orElse(
                "Enter the delay of %s and read it back on the display.".formatted(seconds(delay)));
    rows.word(
        "delay",
        "delay of safe stop 1 entered and confirmed",
        "accepted",
        List.of("accepted", "refused"),
        how,
        "drive's display",
        "The drive takes the delay only by this procedure; a delay that is refused leaves the old one.");
  }

  private boolean isDelay(String code) {
    return circuit
        .axis()
        .driveSheet()
        .setting(SettingRole.SAFE_STOP_DELAY)
        .filter(d -> d.code().equals(code))
        .isPresent();
  }

  /** Pressed, released, reset: what has to be seen at each step, by one trigger. */
  private void demand(String trigger) {
    String key = stop.triggers().size() > 1 ? trigger + "." : "";
    StopEvent press = StopEvent.demand(circuit, trigger);
    StopState demanded = machine.after(running, press);
    String when = "%s at '%s'".formatted(circuit.name(trigger), press.to());
    int number = 1;
    for (TerminalRef terminal : circuit.stopping()) {
      volts(
          "%svolts.released.%d".formatted(key, number),
          terminal,
          running,
          "stop released and reset");
      dead("%svolts.demanded.%d".formatted(key, number), terminal, demanded, when);
      number++;
    }
    if (stop.effect() == StopEffect.CONTACTORS) {
      power(key, when, demanded);
    }
    statuses(key, trigger, demanded);
  }

  /** What the contactors take away: the mains of the drive, or the motor from the drive. */
  private void power(String key, String when, StopState demanded) {
    StopState.DriveState drive = machine.drive(demanded);
    String at = drive.fed() ? "motor terminals U V W" : "mains terminals of the drive";
    rows.add(
        key + "power",
        "voltage at the %s, %s".formatted(at, when),
        new Expectation.Amount(0, DEAD_VOLTS, MeasureUnit.VOLT_UNIT),
        at,
        "voltage tester made for the mains",
        "%s. Licensed people only: wait the discharge time on the drive's plate, then test all poles against each other and against earth."
            .formatted(sentence(when)),
        CIRCUIT,
        Derivation.of(
            new Step(
                "contactors",
                "",
                "main contacts open, power side followed",
                0,
                MeasureUnit.VOLT_UNIT,
                "power wires as drawn")));
  }

  private void volts(String key, TerminalRef terminal, StopState state, String when) {
    OptionalDouble volts = circuit.voltsAt(machine.solution(state), terminal);
    if (volts.isPresent()) {
      double value = volts.getAsDouble();
      volts(
          key,
          terminal,
          value,
          Tolerances.meter(value),
          when,
          "A channel that was never closed cannot be observed to open.");
    }
  }

  /** A demanded stop is expected at 0 V, for that is what it is for. */
  private void dead(String key, TerminalRef terminal, StopState state, String when) {
    OptionalDouble volts = circuit.voltsAt(machine.solution(state), terminal);
    if (volts.isPresent()) {
      double value = Math.abs(volts.getAsDouble()) < DEAD_VOLTS ? volts.getAsDouble() : 0;
      volts(
          key,
          terminal,
          value,
          Math.max(DEAD_VOLTS, Tolerances.meter(value)),
          when,
          "No voltage here is what takes the torque away.");
    }
  }

  private void volts(
      String key, TerminalRef terminal, double value, double tolerance, String when, String why) {
    rows.add(
        key,
        "%s against its 0 V, %s".formatted(circuit.name(terminal), when),
        new Expectation.Amount(value, tolerance, MeasureUnit.VOLT_UNIT),
        circuit.name(terminal),
        "multimeter",
        "%s. Red probe on %s, black on the 0 V of the same device. %s"
            .formatted(sentence(when), circuit.name(terminal), why),
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

  private void statuses(String key, String trigger, StopState demanded) {
    String name = circuit.name(trigger);
    String press = StopEvent.demand(circuit, trigger).text(circuit);
    status(
        key + "demanded",
        "status while %s demands the stop, run held".formatted(name),
        demanded,
        "%s.".formatted(sentence(press)),
        "The motor must not be able to start now.");
    StopEvent release = StopEvent.release(trigger);
    StopState released = machine.after(demanded, release);
    status(
        key + "released",
        "status after release, not reset, run held",
        released,
        "%s. Do not reset.".formatted(sentence(release.text(circuit))),
        "Releasing the stop must not start the motor.");
    List<StopEvent> reset = StopEvent.reset(circuit);
    StopState at = released;
    if (!reset.isEmpty()) {
      StopState held = machine.after(released, reset.get(0));
      status(
          key + "reset.held",
          "status while reset is held down",
          held,
          "%s and keep it pressed.".formatted(sentence(reset.get(0).text(circuit))),
          "A button that is held or stuck must not release the stop.");
      at = machine.after(held, reset.get(1));
      status(
          key + "reset",
          "status after reset, run still held",
          at,
          "%s.".formatted(sentence(reset.get(1).text(circuit))),
          "Reset must not by itself start the motor.");
    }
    at = machine.after(machine.after(at, StopEvent.RUN_OFF), start);
    status(
        key + "new.run",
        "status after a new run command",
        at,
        "Withdraw run, then: %s.".formatted(StopEvent.text(start, circuit)),
        "Only a new command may start the motor.");
    StopState back = machine.after(running, List.of(StopEvent.POWER_OFF, StopEvent.POWER_ON));
    status(
        key + "power",
        "status after power off and on, run held",
        back,
        "Power off, wait until the display is dark, power on.",
        "The return of power must not start the motor.");
  }

  /** One wire after the other taken off: each channel alone has to stop the motor. */
  private void channels() {
    int number = 1;
    for (Wire wire : circuit.channelWires()) {
      StopState at =
          new StopMachine(circuit, List.of(new WiringFault.OpenWire(wire.id()))).from(start);
      TerminalRef end = circuit.stopping().contains(wire.from()) ? wire.from() : wire.to();
      status(
          "channel.%d".formatted(number),
          "status with wire %s off at %s".formatted(wire.id(), end.terminal()),
          at,
          "Power off, take wire %s off at %s, power on, then: %s."
              .formatted(wire.id(), circuit.name(end), StopEvent.text(start, circuit)),
          "One channel alone has to stop the motor. Put the wire back.");
      number++;
    }
  }

  private void status(String key, String title, StopState state, String how, String why) {
    String shows = machine.drive(state).shows();
    rows.word(
        "status." + key,
        title,
        shows,
        CHOICES,
        how + NO_MOTION,
        "display of %s%s".formatted(circuit.name(circuit.axis().drive().id()), text(shows)),
        why);
  }

  /** The drive's own words for a state, from its sheet. */
  private String text(String state) {
    return circuit.axis().driveSheet().statusTexts().stream()
        .filter(t -> t.state().equals(state))
        .findFirst()
        .map(t -> t.means().isEmpty() ? t.text() : "%s, %s".formatted(t.text(), t.means()))
        .map(": '%s'"::formatted)
        .orElse(state.equals(CommandState.NO_POWER) ? ": dark" : "");
  }

  private static String sentence(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  private static String seconds(double value) {
    return QuantityFormat.PLAIN.text(Math.round(value * 100) / 100.0, MeasureUnit.SECOND_UNIT);
  }
}
