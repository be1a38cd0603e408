package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.PowerNet;

/**
 * How long one element between hand and shaft takes to pass a demand on.
 *
 * @param element the element's name
 * @param does what it does, in a few words
 * @param seconds its reaction time
 * @param source where the time comes from
 */
public record Reaction(String element, String does, double seconds, String source) {
  /** A contact that is forced open (common practice). */
  private static final double CONTACT_SECONDS = 0.01;

  /** A relay, with or without logic. */
  private static final double RELAY_SECONDS = 0.02;

  private static final double CONTACTOR_SECONDS = 0.03;

  /** What is left in a loaded d.c. link, at most. */
  private static final double LINK_SECONDS = 0.5;

  private static final double SAFE_INPUT_SECONDS = 0.012;

  /** A binary input with its filter and the drive's cycle. */
  private static final double INPUT_SECONDS = 0.01;

  private static final String COMMON_PRACTICE = "common practice";

  /** The elements of a circuit in the order a demand passes them. */
  static List<Reaction> chain(StopCircuit circuit) {
    StopFunction stop = circuit.stop();
    List<Reaction> chain = new ArrayList<>(DropOut.slowest(circuit));
    if (stop.effect() == StopEffect.CONTACTORS && isBeforeDrive(circuit)) {
      chain.add(linkLasts(circuit.drive()));
    }
    if (stop.effect().usesSafeTorqueOff()) {
      chain.add(of(circuit.drive(), "takes notice", SAFE_INPUT_SECONDS));
    } else if (stop.effect() != StopEffect.CONTACTORS) {
      String drive = circuit.drive().device().name();
      chain.add(new Reaction(drive, "reads its input off", INPUT_SECONDS, COMMON_PRACTICE));
    }
    return List.copyOf(chain);
  }

  /** The part that demands the stop. */
  static Reaction ofTrigger(StopCircuit circuit, PlacedDevice trigger) {
    boolean curtain = circuit.stop().trigger() == StopTrigger.LIGHT_CURTAIN;
    return of(trigger, curtain ? "sees the interruption" : "opens its contacts", CONTACT_SECONDS);
  }

  /** A relay or contactor that loses what holds it. */
  static Reaction ofPart(PlacedDevice part) {
    if (part.sheet() instanceof PartSheet p && p.hasLogic()) {
      return of(part, "opens its safety contacts", RELAY_SECONDS);
    }
    boolean contactor = part.sheet().first(TerminalRole.MAIN_CONTACT).isPresent();
    return of(part, "drops out", contactor ? CONTACTOR_SECONDS : RELAY_SECONDS);
  }

  /** Whether the contactors take the mains or the d.c. link from the drive. */
  static boolean isBeforeDrive(StopCircuit circuit) {
    return !new PowerNet(circuit.installation(), CommandState.REST, Set.of(), List.of())
        .isFed(circuit.drive());
  }

  /** The capacitors feed the motor on for a while: no instant stop category 0. */
  private static Reaction linkLasts(PlacedDevice drive) {
    Optional<Double> given = drive.sheet().given(Figure.RIDE_THROUGH_SECONDS);
    return new Reaction(
        drive.device().name(),
        "runs on from its d.c. link, at most",
        given.orElse(LINK_SECONDS),
        given.isPresent() ? "device sheet" : COMMON_PRACTICE);
  }

  private static Reaction of(PlacedDevice device, String does, double otherwise) {
    Optional<Double> given = device.sheet().given(Figure.REACTION_SECONDS);
    return new Reaction(
        device.device().name(),
        does,
        given.orElse(otherwise),
        given.isPresent() ? "device sheet" : COMMON_PRACTICE);
  }
}
