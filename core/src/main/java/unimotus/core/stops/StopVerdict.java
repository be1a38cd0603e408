package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Unusable;
import unimotus.core.motor.Pairing;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/**
 * Whether a stop stops, for every way of demanding it, found by playing everything its circuit can
 * come to. No time, category, energy or level may be told of a stop before this is {@link
 * StopOutcome#STOPS}.
 *
 * @param outcome what it comes to
 * @param because what is to blame, in words, or what was seen where nothing single is; empty where
 *     it stops
 * @param weaknesses channels that do not open although the stop stops, with what is to blame;
 *     possibly empty
 * @param way the events from power-up to what the verdict rests on; empty where it stops
 * @param start the events from power-up to motion; empty where there are none
 * @param resumption the events from power-up to motion that comes back without a new command; empty
 *     where it never does
 * @param modeStart the events from power-up to motion that turning another switch brings back;
 *     empty where none does
 */
public record StopVerdict(
    StopOutcome outcome,
    List<String> because,
    List<Weakness> weaknesses,
    List<StopEvent> way,
    List<StopEvent> start,
    List<StopEvent> resumption,
    List<StopEvent> modeStart) {

  /**
   * A channel that stays closed on a demand although the stop stops.
   *
   * @param terminal the input or coil that stays on
   * @param text what stays on when, and what is to blame, in words
   */
  public record Weakness(TerminalRef terminal, String text) {}

  /** Takes copies. */
  public StopVerdict {
    because = List.copyOf(because);
    weaknesses = List.copyOf(weaknesses);
    way = List.copyOf(way);
    start = List.copyOf(start);
    resumption = List.copyOf(resumption);
    modeStart = List.copyOf(modeStart);
  }

  /** The verdict on a stop whose circuit cannot even be laid out. */
  static StopVerdict unknown(String why) {
    return plain(StopOutcome.CANNOT_BE_TOLD, why);
  }

  /** The verdict on a stop. */
  public static StopVerdict of(StopCircuit circuit) {
    Optional<String> open = unfinished(circuit).or(() -> unusable(circuit));
    if (open.isPresent()) {
      return plain(StopOutcome.CANNOT_BE_TOLD, open.get());
    }
    StopSpace worst = StopSpace.of(circuit, Doubt.READS_ON);
    StopSpace strict = worst.unclear().isEmpty() ? worst : StopSpace.of(circuit, Doubt.READS_OFF);
    if (strict.unstopped().isPresent()) {
      return unstopped(circuit, strict);
    }
    Optional<String> puzzle = worst.puzzle().or(strict::puzzle).or(() -> motion(circuit.axis()));
    if (puzzle.isPresent()) {
      return plain(StopOutcome.CANNOT_BE_TOLD, puzzle.get());
    }
    if (worst.unstopped().isPresent() || worst.start().isPresent() != strict.start().isPresent()) {
      return new StopVerdict(
          StopOutcome.CANNOT_BE_TOLD,
          List.copyOf(worst.unclear()),
          List.of(),
          worst.unstopped().orElse(List.of()),
          List.of(),
          List.of(),
          List.of());
    }
    if (strict.start().isEmpty()) {
      return plain(StopOutcome.CANNOT_BE_STARTED, new Hindrances(circuit).because());
    }
    return stops(circuit, worst, strict);
  }

  private static StopVerdict plain(StopOutcome outcome, String because) {
    return plain(outcome, List.of(because));
  }

  private static StopVerdict plain(StopOutcome outcome, List<String> because) {
    return new StopVerdict(outcome, because, List.of(), List.of(), List.of(), List.of(), List.of());
  }

  private static StopVerdict unstopped(StopCircuit circuit, StopSpace space) {
    List<StopEvent> way = space.unstopped().orElseThrow();
    return new StopVerdict(
        StopOutcome.DOES_NOT_STOP,
        new Bridges(circuit).because(way),
        List.of(),
        way,
        space.start().orElse(List.of()),
        List.of(),
        List.of());
  }

  private static StopVerdict stops(StopCircuit circuit, StopSpace worst, StopSpace strict) {
    List<StopEvent> start = strict.start().orElseThrow();
    return new StopVerdict(
        StopOutcome.STOPS,
        List.of(),
        new Bridges(circuit).weaknesses(start),
        List.of(),
        start,
        worst.resumption().or(strict::resumption).orElse(List.of()),
        worst.modeStart().or(strict::modeStart).orElse(List.of()));
  }

  /** What is not drawn far enough to tell anything; empty where all is there. */
  private static Optional<String> unfinished(StopCircuit circuit) {
    if (circuit.stop().triggers().isEmpty()) {
      return Optional.of("nothing demands it: it has no button, guard or curtain");
    }
    if (circuit.stop().effect() != StopEffect.CONTACTORS) {
      return circuit.stopping().isEmpty()
          ? Optional.of(
              "%s has no input that takes the motion away by %s"
                  .formatted(
                      circuit.name(circuit.axis().drive().id()),
                      circuit.stop().effect().label().toLowerCase(java.util.Locale.ROOT)))
          : Optional.empty();
    }
    Set<String> unwired = new LinkedHashSet<>();
    for (String contactor : circuit.stop().contactors()) {
      PlacedDevice device = circuit.device(contactor);
      boolean poles =
          StopTraits.all(device, TerminalRole.MAIN_CONTACT).stream()
              .anyMatch(
                  p -> circuit.installation().powerWires().stream().anyMatch(w -> w.touches(p)));
      if (!poles) {
        unwired.add(circuit.name(contactor));
      }
    }
    if (circuit.stop().contactors().isEmpty()) {
      return Optional.of("it stops by contactors and names none");
    }
    return unwired.isEmpty()
        ? Optional.empty()
        : Optional.of(
            "no power wire is drawn to the main contacts of %s: nothing shows what they take away"
                .formatted(String.join(", ", unwired)));
  }

  /** A switch that stands nowhere, a setting nobody can enter, a wire that ends nowhere. */
  private static Optional<String> unusable(StopCircuit circuit) {
    Optional<String> value =
        circuit.installation().devices().stream()
            .flatMap(d -> Unusable.of(d.device(), d.sheet(), s -> !s.role().isAnalog()).stream())
            .map(Unusable::text)
            .findFirst();
    return value.or(
        () ->
            circuit.lost().stream()
                .sorted()
                .findFirst()
                .map("a wire of it ends on %s, which is not there"::formatted));
  }

  /** Why it cannot be told how the shaft comes to rest, where the wiring would stop it. */
  private static Optional<String> motion(AxisAssembly axis) {
    return Pairing.fault(axis)
        .or(
            () ->
                axis.motor().plate().kind() == MotorKind.STEPPER
                    ? Optional.of(
                        "%s is a step motor: how it comes to rest is not calculated"
                            .formatted(axis.motor().name()))
                    : Optional.empty());
  }

  /** Whether figures may be told of the stop. */
  public boolean stops() {
    return outcome == StopOutcome.STOPS;
  }

  /** The verdict with what it rests on, in words. */
  public String text(StopCircuit circuit) {
    List<String> words = new ArrayList<>(List.of(outcome.label()));
    if (!because.isEmpty()) {
      words.add(": " + String.join("; ", because));
    }
    if (!way.isEmpty()) {
      words.add(" (" + StopEvent.text(way, circuit) + ")");
    }
    return String.join("", words);
  }
}
