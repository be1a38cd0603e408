package unimotus.core.stops.adversary;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.stops.StopOutcome;

/**
 * The verdict on stops against an oracle that shares no code with it: reachability over a plain
 * graph. Whole with {@code ./run-tests --full}, small else; figures in docs/truth.md.
 */
class StopAdversaryTest {
  private static final int CIRCUITS = Campaign.size(20_000, 1_500, 60);

  private static Panel panel(int number) {
    return PanelMaker.panel(new Random(number * 7919L + 13), number % 3);
  }

  /**
   * Nothing is told to stop where torque stays possible, nothing not to start where it can, and
   * nothing to fail where it does not.
   */
  @Test
  void theVerdictHoldsAgainstThePlainGraph() {
    ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    Map<StopOutcome, AtomicInteger> told = new EnumMap<>(StopOutcome.class);
    for (StopOutcome outcome : StopOutcome.values()) {
      told.put(outcome, new AtomicInteger());
    }
    AtomicInteger beyond = new AtomicInteger();
    IntStream.range(0, CIRCUITS)
        .parallel()
        .forEach(
            number -> {
              Panel panel = panel(number);
              PlainGraph oracle = new PlainGraph(panel, false);
              boolean starts = oracle.canStart();
              boolean torque = oracle.torqueUnderDemand();
              boolean mayKeep = torque || new PlainGraph(panel, true).torqueUnderDemand();
              StopOutcome outcome = Panels.judged(Panels.project(panel)).verdict().outcome();
              told.get(outcome).incrementAndGet();
              if (oracle.isBeyond()) {
                beyond.incrementAndGet();
              } else {
                String fault = fault(outcome, starts, torque, mayKeep);
                if (!fault.isEmpty()) {
                  wrong.add("%d: %s, told %s\n%s".formatted(number, fault, outcome, panel));
                }
              }
            });
    System.out.printf(
        "stops against the plain graph: %d circuits, %s, %d beyond the oracle (a supply shorted or in a row with another), %d differ%n",
        CIRCUITS, told, beyond.get(), wrong.size());
    assertThat(wrong.stream().sorted().limit(3).toList()).isEmpty();
    assertThat(told.values().stream().map(AtomicInteger::get).toList())
        .as("every verdict is met")
        .filteredOn(n -> n > 0)
        .hasSizeGreaterThanOrEqualTo(3);
  }

  private static String fault(
      StopOutcome outcome, boolean starts, boolean torque, boolean mayKeep) {
    if (torque && outcome == StopOutcome.STOPS) {
      return "torque stays possible";
    }
    if (torque && outcome == StopOutcome.CANNOT_BE_STARTED) {
      return "torque stays possible, so it is no stop";
    }
    if (!mayKeep && outcome == StopOutcome.DOES_NOT_STOP) {
      return "nothing keeps torque possible";
    }
    if (starts && outcome == StopOutcome.CANNOT_BE_STARTED) {
      return "it can be started";
    }
    return "";
  }

  /** A panel without a mistake stops, whatever the habits of its wiring. */
  @Test
  void soundPanelsStop() {
    List<String> wrong =
        IntStream.range(0, CIRCUITS / 10)
            .parallel()
            .mapToObj(n -> PanelMaker.panel(new Random(n * 31L + 5), 0))
            .filter(p -> Panels.judged(Panels.project(p)).verdict().outcome() != StopOutcome.STOPS)
            .map(p -> p + "\n" + Panels.judged(Panels.project(p)).verdict())
            .limit(3)
            .toList();
    assertThat(wrong).isEmpty();
  }
}
