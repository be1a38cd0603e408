package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;

/**
 * What keeps the motor from starting although nothing demands a stop: what is seen, and what is to
 * blame, found by making each repair in thought.
 */
final class Hindrances {
  /** More than so many repairs that help point nowhere. */
  private static final int MOST_BLAMED = 3;

  private final StopCircuit circuit;
  private final StopMachine machine;
  private final StopState at;

  Hindrances(StopCircuit circuit) {
    this.circuit = circuit;
    this.machine = new StopMachine(circuit);
    this.at = machine.from(Starting.usual(circuit));
  }

  /** What is to blame, then what is seen; never empty. */
  List<String> because() {
    List<String> words = new ArrayList<>(blame());
    words.addAll(seen());
    return words;
  }

  private List<String> blame() {
    Repairs repairs = new Repairs(circuit);
    // A wire too many comes first: a selector that makes up for it may switch a test off.
    List<String> found = new ArrayList<>(helping(repairs.removals()));
    if (found.isEmpty()) {
      found.addAll(helping(repairs.changes()));
    }
    if (found.isEmpty()) {
      found.addAll(helping(repairs.additions()));
    }
    return found.size() > MOST_BLAMED ? List.of() : found;
  }

  /** A repair starts it, and neither loses the stop nor leaves a channel closed on a demand. */
  private static boolean helps(StopCircuit repaired) {
    boolean starts = Starting.of(repaired).isPresent();
    return starts
        && StopSpace.of(repaired, Doubt.READS_OFF).unstopped().isEmpty()
        && new Bridges(repaired).isSound(Starting.usual(repaired));
  }

  private List<String> helping(List<Repairs.Repair> repairs) {
    return repairs.stream()
        .filter(r -> helps(r.change().apply(circuit)))
        .map(Repairs.Repair::fault)
        .limit(MOST_BLAMED + 1L)
        .toList();
  }

  /** What the devices show in the state in which the motor should turn; never empty. */
  private List<String> seen() {
    Set<String> words = new LinkedHashSet<>();
    LineSolution solution = machine.solution(at);
    Observation sight = machine.observe(at);
    circuit.relays().forEach(r -> relay(r, sight, solution, words));
    StopState.DriveState drive = machine.drive(at);
    String name = circuit.name(circuit.axis().drive().id());
    if (!drive.fed()) {
      words.add("no mains reach " + name);
    }
    if (!drive.joined()) {
      words.add("%s is not connected to %s".formatted(circuit.axis().motor().name(), name));
    }
    if (drive.fault()) {
      words.add(faultOfDrive(name, sight));
    }
    if (circuit.stop().effect() == StopEffect.CONTACTORS) {
      circuit.stop().contactors().stream()
          .filter(c -> !solution.isEnergised(c))
          .forEach(c -> words.add("%s does not pull in".formatted(circuit.name(c))));
    } else {
      circuit.stopping().stream()
          .filter(s -> !solution.isOn(s))
          .forEach(s -> words.add(low(s, solution)));
    }
    StopTraits.all(circuit.drive(), TerminalRole.SAFE_TORQUE_OFF).stream()
        .filter(s -> !solution.isOn(s))
        .forEach(s -> words.add(low(s, solution)));
    if (words.isEmpty()) {
      words.add("the drive does not take the run command");
    }
    return List.copyOf(words);
  }

  private String faultOfDrive(String name, Observation sight) {
    Observation.DriveSight seen = sight.drive(circuit.axis().drive().id());
    return seen.wrongFeed()
        ? "%s is set for test pulses and gets a steady voltage".formatted(name)
        : seen.differs()
            ? "%s finds its channels unlike".formatted(name)
            : "%s finds that its test pulses do not come back as they should".formatted(name);
  }

  private void relay(
      PlacedDevice relay, Observation sight, LineSolution solution, Set<String> words) {
    StopState.Relay memory = at.relay(relay.id());
    Observation.RelaySight seen = sight.relay(relay.id());
    if (memory.on()) {
      return;
    }
    String name = relay.device().name();
    if (!seen.powered()) {
      StopTraits.all(relay, TerminalRole.POWER_INPUT).stream()
          .filter(p -> !solution.isOn(p))
          .forEach(p -> words.add("%s has no feed: %s".formatted(name, low(p, solution))));
    } else if (memory.locked()) {
      words.add("%s finds that its test pulses do not come back as they should".formatted(name));
    } else if (!seen.allChannelsOn()) {
      StopTraits.all(relay, TerminalRole.SAFETY_INPUT).stream()
          .filter(c -> !solution.isOn(c))
          .forEach(c -> words.add("a channel stays open: " + low(c, solution)));
      if (StopTraits.all(relay, TerminalRole.SAFETY_INPUT).stream().allMatch(solution::isOn)) {
        words.add("%s takes the test pulses of its feed for open channels".formatted(name));
      }
    } else {
      words.add(notReset(relay, name));
    }
  }

  private String notReset(PlacedDevice relay, String name) {
    StopState cold = machine.settle(StopState.COLD);
    boolean always =
        !StopTraits.all(relay, TerminalRole.RESET_INPUT).isEmpty()
            && machine.observe(cold).relay(relay.id()).loopClosed();
    return StopTraits.isManualReset(relay) && always
        ? "%s never sees its reset button: the loop is closed all the time".formatted(name)
        : "%s is never reset: its reset and feedback loop stays open".formatted(name);
  }

  private String low(TerminalRef terminal, LineSolution solution) {
    String volts =
        solution
            .input(terminal)
            .map(
                r ->
                    QuantityFormat.PLAIN.text(
                        Math.round(10 * r.volts()) / 10.0, MeasureUnit.VOLT_UNIT))
            .orElse("nothing");
    return "%s sees %s".formatted(circuit.name(terminal), volts);
  }
}
