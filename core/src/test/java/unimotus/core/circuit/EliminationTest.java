package unimotus.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/**
 * The order nodes are eliminated in: least degree first, so that few equations fill (minimum
 * degree, Tinney and Walker 1967, from memory); and that no order and no beginning changes a
 * result.
 */
class EliminationTest {
  private static void resistor(Circuit.Builder net, String a, String b) {
    net.add("R " + a + b, a, b, Characteristic.resistor(100));
  }

  @Test
  void aStarIsEatenFromItsPoints() {
    Circuit.Builder net = Circuit.builder().ground("0");
    for (String leaf : List.of("p", "q", "r", "s")) {
      resistor(net, "hub", leaf);
    }
    resistor(net, "hub", "0");
    assertThat(net.build().eliminationOrder())
        .hasSize(5)
        .startsWith("p", "q", "r")
        .endsWith("s")
        .doesNotContain("0");
  }

  /** Two rings share a node of four neighbours: it goes last of all that still have two. */
  @Test
  void aKnotOfTwoRingsGoesAfterTheRings() {
    Circuit.Builder net = Circuit.builder().ground("0");
    for (String pair : List.of("kn", "no", "ok", "kp", "pq", "qk")) {
      resistor(net, pair.substring(0, 1), pair.substring(1));
    }
    resistor(net, "k", "0");
    List<String> order = net.build().eliminationOrder();
    assertThat(order).containsExactlyInAnyOrder("k", "n", "o", "p", "q");
    assertThat(order.indexOf("k")).isGreaterThan(order.indexOf("n"));
  }

  /** With its neighbour gone a node of a chain of three hangs by one branch and goes next. */
  @Test
  void aChainIsEatenFromItsEnd() {
    Circuit.Builder net = Circuit.builder().ground("0");
    resistor(net, "b", "c");
    resistor(net, "a", "b");
    resistor(net, "c", "d");
    resistor(net, "b", "e");
    resistor(net, "c", "f");
    resistor(net, "f", "0");
    List<String> order = net.build().eliminationOrder();
    assertThat(order.subList(0, 2)).doesNotContain("b", "c");
    assertThat(order).hasSize(6);
  }

  /** Played by hand: each that goes has fewest neighbours, who are joined when it is gone. */
  @Test
  void eachThatGoesHasFewestNeighboursLeft() {
    for (long seed = 0; seed < 100; seed++) {
      Circuit circuit = random(seed, List.of());
      Map<String, Set<String>> neighbours = new TreeMap<>();
      for (Branch branch : circuit.branches()) {
        String from = circuit.nodes().get(branch.from());
        String to = circuit.nodes().get(branch.to());
        neighbours.computeIfAbsent(from, k -> new TreeSet<>()).add(to);
        neighbours.computeIfAbsent(to, k -> new TreeSet<>()).add(from);
      }
      List<String> order = circuit.eliminationOrder();
      List<String> grounds = new ArrayList<>(circuit.nodes());
      grounds.removeAll(order);
      grounds.forEach(g -> remove(neighbours, g, false));
      for (String node : order) {
        int least = neighbours.values().stream().mapToInt(Set::size).min().orElseThrow();
        assertThat(neighbours.get(node)).as("seed %d, %s", seed, node).hasSize(least);
        remove(neighbours, node, true);
      }
      assertThat(neighbours).isEmpty();
    }
  }

  private static void remove(Map<String, Set<String>> neighbours, String node, boolean joined) {
    Set<String> around = neighbours.remove(node);
    for (String other : around == null ? Set.<String>of() : around) {
      neighbours.get(other).remove(node);
      if (joined) {
        neighbours.get(other).addAll(around);
        neighbours.get(other).remove(other);
      }
    }
  }

  @Test
  void aToldOrderIsKeptAndTheRestGoesLast() {
    Circuit.Builder net = Circuit.builder().ground("0").ordered(List.of("c", "gone", "a"));
    resistor(net, "a", "b");
    resistor(net, "b", "c");
    resistor(net, "c", "0");
    Circuit circuit = net.build();
    List<String> told = circuit.order().stream().map(circuit.nodes()::get).toList();
    assertThat(told).startsWith("c", "a").contains("b").doesNotContain("gone");
    assertThat(told).hasSameSizeAs(circuit.nodes()).doesNotHaveDuplicates();
    assertThat(Circuit.builder().build().order()).isEmpty();
  }

  private static Circuit random(long seed, List<String> order) {
    Random random = new Random(seed);
    Circuit.Builder net = Circuit.builder().ground("n0").ordered(order);
    for (int i = 0; i < 24; i++) {
      String a = "n" + random.nextInt(9);
      String b = "n" + random.nextInt(9);
      Characteristic law =
          switch (random.nextInt(4)) {
            case 0 -> Characteristic.supply(5 + random.nextInt(20), 0.1, 0.5);
            case 1 -> Characteristic.limitedDiode(1.5, 470, 0.02);
            case 2 -> Characteristic.eitherWay(1.5, 470, 0.02);
            default -> Characteristic.resistor(10 + random.nextInt(5000));
          };
      if (!a.equals(b)) {
        net.add("b" + i, a, b, law);
      }
    }
    return net.build();
  }

  /** Whatever order is told and wherever it begins, the voltages are the same. */
  @Test
  void neitherOrderNorBeginningChangesAResult() {
    for (long seed = 0; seed < 60; seed++) {
      Circuit plain = random(seed, List.of());
      OperatingPoint point = (OperatingPoint) DcSolver.solve(plain);
      Circuit ordered = random(seed, plain.eliminationOrder());
      OperatingPoint near = (OperatingPoint) DcSolver.solve(random(seed + 1, List.of()));
      OperatingPoint other = (OperatingPoint) DcSolver.solve(ordered, near);
      OperatingPoint again = (OperatingPoint) DcSolver.solve(plain, point);
      for (int branch = 0; branch < plain.branches().size(); branch++) {
        assertThat(other.amperes(branch)).isCloseTo(point.amperes(branch), within(1e-7));
        assertThat(again.amperes(branch)).isCloseTo(point.amperes(branch), within(1e-9));
        assertThat(again.piece(branch)).isEqualTo(point.piece(branch));
      }
      assertThat(point.branchCount()).isEqualTo(plain.branches().size());
    }
  }

  /** By hand: 1 V forward and 100 Ω, held at 20 mA, are 3 V; the other way the same. */
  @Test
  void characteristicsBendWhereTheyAreToldTo() {
    Characteristic limited = Characteristic.limitedDiode(1, 100, 0.02);
    assertThat(limited.amperesAt(2)).isCloseTo(0.01, within(1e-6));
    assertThat(limited.amperesAt(3)).isCloseTo(0.02, within(1e-6));
    assertThat(limited.amperesAt(10)).isCloseTo(0.02, within(1e-6));
    assertThat(limited.amperesAt(0)).isZero();
    Characteristic either = Characteristic.eitherWay(1, 100, 0.02);
    assertThat(either.amperesAt(-2)).isCloseTo(-0.01, within(1e-6));
    assertThat(either.amperesAt(-9)).isCloseTo(-0.02, within(1e-6));
    assertThat(either.knotVolts()).containsExactly(-3, -1, 1, 3);
    Characteristic source = Characteristic.limitedSource(10, 2, 0.5);
    assertThat(source.amperesAt(10)).isCloseTo(0, within(1e-9));
    assertThat(source.amperesAt(0)).isCloseTo(-0.5, within(1e-6));
    assertThat(source.amperesAt(20)).isCloseTo(0.5, within(1e-6));
    assertThat(source.likelyPiece()).isEqualTo(1);
    assertThat(Characteristic.supply(24, 0.1, 1).likelyPiece()).isEqualTo(1);
    Characteristic current = Characteristic.currentSource(0.02, 12);
    assertThat(current.amperesAt(5)).isCloseTo(-0.02, within(1e-6));
    assertThat(current.amperesAt(12)).isCloseTo(0, within(1e-9));
    assertThat(Characteristic.currentSource(0, 12).amperesAt(5)).isCloseTo(0, within(1e-6));
    assertThat(Characteristic.currentSource(0, 12).knotVolts()).containsExactly(0);
  }

  /** What is given as a broken line lies on it, and its likely piece is the one at 0 V. */
  @Test
  void aBrokenLineIsFollowed() {
    Characteristic line =
        Characteristic.of(new double[] {-1, 1, 2}, new double[] {-2, 2, 3}, 0.5, 0.25);
    assertThat(line.amperesAt(-3)).isCloseTo(-3, within(1e-12));
    assertThat(line.amperesAt(0.5)).isCloseTo(1, within(1e-12));
    assertThat(line.amperesAt(1.5)).isCloseTo(2.5, within(1e-12));
    assertThat(line.amperesAt(6)).isCloseTo(4, within(1e-12));
    assertThat(line.likelyPiece()).isEqualTo(1);
  }

  @Test
  void whatIsNoCharacteristicIsRefused() {
    double[] one = {0};
    double[] two = {0, 1};
    assertThatThrownBy(() -> Characteristic.of(new double[0], new double[0], 1, 1))
        .hasMessageContaining("0 and 0");
    assertThatThrownBy(() -> Characteristic.of(one, two, 1, 1)).hasMessageContaining("2 and 1");
    assertThatThrownBy(() -> Characteristic.of(two, new double[] {1, 1}, 1, 1))
        .hasMessageContaining("knot 1");
    assertThatThrownBy(() -> Characteristic.of(new double[] {1, 1}, two, 1, 1))
        .hasMessageContaining("knot 1");
    assertThatThrownBy(() -> Characteristic.of(one, one, 0, 1)).hasMessageContaining("end slopes");
    assertThatThrownBy(() -> Characteristic.of(one, one, 1, 0)).hasMessageContaining("end slopes");
    assertThatThrownBy(() -> Characteristic.resistor(0)).hasMessageContaining("resistance");
    assertThatThrownBy(() -> Characteristic.resistor(Double.POSITIVE_INFINITY))
        .hasMessageContaining("Infinity");
  }
}
