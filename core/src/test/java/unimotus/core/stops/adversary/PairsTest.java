package unimotus.core.stops.adversary;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.stops.ElementFault;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopMachine;
import unimotus.core.stops.StopState;
import unimotus.core.stops.Stops;
import unimotus.core.wiring.WiringFault;

/**
 * Which pairs of faults lose a stop, by playing every one of them: no fault stands for another, and
 * no pair is reckoned from its parts, as the fault run does to be quick.
 */
class PairsTest {
  private static final int PANELS = Campaign.size(1_000, 60, 12);

  @Test
  void thePairsOfTheFaultRunAreThoseThatLoseTheStop() {
    ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    AtomicInteger played = new AtomicInteger();
    AtomicInteger lost = new AtomicInteger();
    IntStream.range(0, PANELS)
        .parallel()
        .forEach(
            number -> {
              Panel panel = PanelMaker.panel(new Random(number * 613L + 7), number % 2);
              JudgedStop judged = Panels.judged(Panels.project(panel));
              if (judged.verdict().stops()) {
                FaultRun run = FaultRun.of(judged.circuit(), judged.verdict());
                Set<String> told = new TreeSet<>();
                run.lostByTwo().forEach(r -> told.add(words(r.faults().get(0), r.last())));
                Set<String> seen = seen(run, played);
                lost.addAndGet(seen.size());
                if (!told.equals(seen)) {
                  wrong.add(difference(number, told, seen));
                }
              }
            });
    System.out.printf(
        "pairs of faults, each played: %d panels, %d pairs, %d kinds of pair lose the stop, %d panels differ%n",
        PANELS, played.get(), lost.get(), wrong.size());
    assertThat(lost.get()).isGreaterThan(PANELS);
    assertThat(wrong.stream().sorted().limit(3).toList()).isEmpty();
  }

  private static String difference(int number, Set<String> told, Set<String> seen) {
    Set<String> missing = new TreeSet<>(seen);
    missing.removeAll(told);
    Set<String> invented = new TreeSet<>(told);
    invented.removeAll(seen);
    return "%d: not told %s, not so %s".formatted(number, missing, invented);
  }

  /** A pair in either order, whichever supply a conductor touches. */
  private static String words(ElementFault one, ElementFault other) {
    return String.join(
        " and ", Stream.of(one, other).map(f -> f.key() + " " + f.kind()).sorted().toList());
  }

  private static Set<String> seen(FaultRun run, AtomicInteger played) {
    List<ElementFault> all =
        run.singles().stream().filter(FaultResult::counts).map(FaultResult::last).toList();
    Set<ElementFault> hidden = Set.copyOf(run.hidden().stream().map(FaultResult::last).toList());
    Set<String> lost = new TreeSet<>();
    List<Map.Entry<ElementFault, ElementFault>> pairs = new ArrayList<>();
    for (ElementFault first : all) {
      for (ElementFault second : all) {
        if (hidden.contains(first) && !first.key().equals(second.key())) {
          pairs.add(Map.entry(first, second));
        }
      }
    }
    played.addAndGet(pairs.size());
    pairs.stream()
        .filter(p -> isLost(run, p.getKey(), p.getValue()))
        .forEach(p -> lost.add(words(p.getKey(), p.getValue())));
    return lost;
  }

  /** The second fault comes while the first is there and the motor turns; then each demand. */
  private static boolean isLost(FaultRun run, ElementFault first, ElementFault second) {
    StopCircuit circuit = run.circuit();
    StopState running = Stops.worst(circuit, faults(first)).from(run.start());
    StopMachine both = Stops.worst(circuit, faults(first, second));
    // Anything that happens lets everything react; a run command that is on already is nothing new.
    StopState settled = both.after(running, StopEvent.RUN_ON);
    return both.drive(settled).moving()
        && circuit.stop().triggers().stream()
            .map(t -> both.after(settled, StopEvent.demand(circuit, t)))
            .anyMatch(at -> isTorquePossible(circuit, both, at));
  }

  private static boolean isTorquePossible(StopCircuit circuit, StopMachine machine, StopState at) {
    StopState.DriveState drive = machine.drive(at);
    return circuit.stop().effect().isSafetyStop() ? drive.torquePossible() : drive.moving();
  }

  private static List<WiringFault> faults(ElementFault... faults) {
    return Stream.of(faults).<WiringFault>map(ElementFault::fault).toList();
  }
}
