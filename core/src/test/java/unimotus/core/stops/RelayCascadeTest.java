package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Campaign;
import unimotus.core.Lines;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.Wire;

/** Relays that drop one another: a demand is through when the last has let go. */
class RelayCascadeTest {
  private static final int TREES = Campaign.size(400, 40, 8);

  /** A forced contact, a relay, and the safe torque off of this drive. */
  private static final double BUTTON = 0.01;

  private static final double RELAY = 0.02;
  private static final double DRIVE = 0.012;

  /** A button, the relays it drops, and what feeds the two safety inputs. */
  private static Project panel(int relays, List<String> wires) {
    Project project = Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
    project =
        project
            .with(
                new Drive(
                    "drive",
                    "Drive",
                    Stops.TERMINAL_DRIVE,
                    Map.of("sto.jumper", "removed"),
                    Map.of()))
            .with(new Part("s1", "Button", "emergency-stop-button", Map.of()));
    List<String> all = new ArrayList<>(wires);
    all.add("plc:24V – s1:11");
    for (int i = 0; i < relays; i++) {
      project = project.with(new Part("k" + i, "Relay " + i, "relay-two-changeover", Map.of()));
      all.add("k%d:A2 – plc:0V".formatted(i));
    }
    return wired(project, all).with(stop(List.of("s1"), null));
  }

  private static Project wired(Project project, List<String> wires) {
    Project next = project;
    for (String wire : wires) {
      String[] ends = wire.split(" – ");
      next =
          next.with(
              new Wire(
                  "c" + Integer.toHexString(wire.hashCode()),
                  Lines.ref(ends[0]),
                  Lines.ref(ends[1])));
    }
    return next;
  }

  private static StopFunction stop(List<String> triggers, @Nullable String relay) {
    return new StopFunction(
        "stop",
        "Stop",
        Lines.AXIS,
        StopTrigger.EMERGENCY_STOP,
        relay == null ? StopLogic.DIRECT : StopLogic.SAFETY_RELAY,
        StopEffect.STO,
        triggers,
        relay,
        null,
        List.of(),
        false,
        false,
        400,
        StopUse.USUAL);
  }

  /** One relay behind the other; the last feeds both safety inputs. */
  private static Project row(int relays) {
    List<String> wires = new ArrayList<>(List.of("s1:12 – k0:A1"));
    for (int i = 1; i < relays; i++) {
      wires.add("plc:24V – k%d:11".formatted(i - 1));
      wires.add("k%d:14 – k%d:A1".formatted(i - 1, i));
    }
    int last = relays - 1;
    for (String way : List.of("11 14 STO1", "21 24 STO2")) {
      String[] w = way.split(" ");
      wires.add("drive:P24 – k%d:%s".formatted(last, w[0]));
      wires.add("k%d:%s – drive:%s".formatted(last, w[1], w[2]));
    }
    return panel(relays, wires);
  }

  private static double reaction(Project project) {
    JudgedStop judged = Stops.judged(project);
    assertThat(judged.verdict().outcome())
        .as(judged.verdict().toString())
        .isEqualTo(StopOutcome.STOPS);
    return StopTimeline.fromMaximum(judged.circuit()).reactionSeconds();
  }

  /** However long the row: it comes to rest, and each relay adds its own time. */
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 5, 12, 20})
  void everyRelayOfARowAddsItsTime(int relays) {
    assertThat(reaction(row(relays))).isCloseTo(BUTTON + relays * RELAY + DRIVE, within(1e-9));
  }

  /** A relay beside the last of the row opens the coil of the first: it runs round for ever. */
  @ParameterizedTest
  @ValueSource(ints = {1, 5, 20})
  void aRowThatOpensItsOwnBeginningNeverComesToRest(int relays) {
    Project row = row(relays);
    List<Wire> wires = new ArrayList<>(row.wires());
    wires.removeIf(w -> w.touches(Lines.ref("k0:A1")));
    int last = relays - 1;
    Project ring =
        wired(
            row.withWires(wires).with(new Part("x", "Own relay", "relay-two-changeover", Map.of())),
            List.of(
                "s1:12 – x:11", "x:12 – k0:A1", "k%d:A1 – x:A1".formatted(last), "x:A2 – plc:0V"));
    JudgedStop judged = Stops.judged(ring);
    assertThat(judged.verdict().outcome()).isEqualTo(StopOutcome.CANNOT_BE_TOLD);
    assertThat(judged.verdict().because().toString()).contains("never comes to rest");
  }

  /** A safety relay whose contacts drop two relays that carry the safety inputs. */
  @Test
  void aRelayBehindTheSafetyRelayCounts() {
    Project project = Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY));
    String relay = project.stops().get(0).relay();
    List<Wire> wires = new ArrayList<>(project.wires());
    for (String input : List.of("STO1", "STO2")) {
      wires.removeIf(w -> w.touches(Lines.ref("drive:" + input)));
    }
    for (String side : List.of("13", "23")) {
      wires.removeIf(w -> w.touches(Lines.ref(relay + ":" + side)));
    }
    Project expanded =
        wired(
            project
                .withWires(wires)
                .with(new Part("k1", "Expansion 1", "relay-two-changeover", Map.of()))
                .with(new Part("k2", "Expansion 2", "relay-two-changeover", Map.of())),
            List.of(
                "plc:24V – " + relay + ":13",
                "plc:24V – " + relay + ":23",
                relay + ":14 – k1:A1",
                relay + ":24 – k2:A1",
                "k1:A2 – plc:0V",
                "k2:A2 – plc:0V",
                "drive:P24 – k1:11",
                "k1:14 – drive:STO1",
                "drive:P24 – k2:11",
                "k2:14 – drive:STO2"));
    JudgedStop judged = Stops.judged(expanded);
    assertThat(judged.verdict().stops()).as(judged.verdict().toString()).isTrue();
    List<Reaction> chain = StopTimeline.fromMaximum(judged.circuit()).chain();
    assertThat(chain).extracting(Reaction::seconds).containsExactly(0.01, 0.02, 0.02, 0.012);
    assertThat(chain.get(2).element()).startsWith("Expansion");
  }

  /** Of two buttons, the one further from the drive decides. */
  @Test
  void theSlowestTriggerCounts() {
    Project row = row(3);
    List<Wire> wires = new ArrayList<>(row.wires());
    wires.removeIf(w -> w.touches(Lines.ref("k2:A1")));
    Project two =
        wired(
                row.withWires(wires)
                    .with(new Part("s2", "Near button", "emergency-stop-button", Map.of())),
                List.of("k1:14 – s2:11", "s2:12 – k2:A1"))
            .withStops(List.of(stop(List.of("s2", "s1"), null)));
    assertThat(reaction(two)).isCloseTo(BUTTON + 3 * RELAY + DRIVE, within(1e-9));
  }

  /**
   * Random trees of relays against plain arithmetic: a safety input fed over several relays in a
   * row of contacts goes with the first of them, the stop with the later of the two inputs.
   */
  @Test
  void aTreeIsThroughWhenItsLaterInputIs() {
    for (int n = 0; n < TREES; n++) {
      Random random = new Random(n * 7919L + 3);
      int relays = 2 + random.nextInt(7);
      int[] depth = new int[relays];
      List<String> wires = new ArrayList<>();
      for (int i = 0; i < relays; i++) {
        int parent = i == 0 ? -1 : random.nextInt(i + 1) - 1;
        depth[i] = parent < 0 ? 1 : depth[parent] + 1;
        wires.add(
            parent < 0 ? "s1:12 – k%d:A1".formatted(i) : "k%d:14 – k%d:A1".formatted(parent, i));
        wires.add("plc:24V – k%d:11".formatted(i));
      }
      List<Integer> order = new ArrayList<>(IntStream.range(0, relays).boxed().toList());
      Collections.shuffle(order, random);
      int first = 1 + random.nextInt(relays - 1);
      double later = 0;
      int[][] ways = {
        order.subList(0, first).stream().mapToInt(i -> i).toArray(),
        order.subList(first, relays).stream().mapToInt(i -> i).toArray()
      };
      for (int way = 0; way < 2; way++) {
        String from = "drive:P24";
        for (int k : ways[way]) {
          wires.add("%s – k%d:21".formatted(from, k));
          from = "k%d:24".formatted(k);
        }
        wires.add("%s – drive:STO%d".formatted(from, way + 1));
        later = Math.max(later, Arrays.stream(ways[way]).map(k -> depth[k]).min().orElseThrow());
      }
      assertThat(reaction(panel(relays, wires)))
          .as("tree %d %s", n, wires)
          .isCloseTo(BUTTON + later * RELAY + DRIVE, within(1e-9));
    }
  }
}
