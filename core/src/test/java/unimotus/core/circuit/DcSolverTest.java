package unimotus.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import unimotus.core.circuit.Law.FixedVoltage;

/** Circuits whose answer can be worked by hand with Ohm's and Kirchhoff's laws. */
class DcSolverTest {
  private static final Offset<Double> MILLIVOLT = within(1e-6);
  private final Circuit.Builder net = Circuit.builder().ground("0");

  private OperatingPoint solved() {
    DcResult result = DcSolver.solve(net.build());
    assertThat(result).isInstanceOf(OperatingPoint.class);
    return (OperatingPoint) result;
  }

  private double at(OperatingPoint point, String node) {
    return point.volts(net.node(node), net.node("0")).orElseThrow();
  }

  private int resistor(String a, String b, double ohms) {
    return net.add("R " + a + b, a, b, Characteristic.resistor(ohms));
  }

  @Test
  void aDividerSharesTheVoltageInTheRatioOfItsResistors() {
    net.add("E", "a", "0", new FixedVoltage(24));
    int upper = resistor("a", "b", 1000);
    resistor("b", "0", 3000);
    OperatingPoint point = solved();
    assertThat(at(point, "b")).isEqualTo(18, MILLIVOLT);
    assertThat(point.amperes(upper)).isEqualTo(0.006, within(1e-9));
    assertThat(point.amperes(0))
        .as("a source gives what the load takes")
        .isEqualTo(-0.006, within(1e-9));
  }

  @Test
  void anUnbalancedBridgeHasItsTheveninVoltage() {
    // Thevenin between c and d: 10·(3/4 − 1/2) = 2.5 V behind 750 + 1000 ohms, loaded with 750
    // ohms.
    net.add("E", "a", "0", new FixedVoltage(10));
    resistor("a", "c", 1000);
    resistor("c", "0", 3000);
    resistor("a", "d", 2000);
    resistor("d", "0", 2000);
    int load = resistor("c", "d", 750);
    assertThat(solved().amperes(load)).isEqualTo(2.5 / 2500, within(1e-9));
  }

  @Test
  void twoRealSourcesInParallelMeetByMillman() {
    net.add("E1", "a", "0", Characteristic.source(24, 0.5));
    net.add("E2", "a", "0", Characteristic.source(23, 1));
    resistor("a", "0", 10);
    // Millman: (24/0.5 + 23/1)/(1/0.5 + 1/1 + 1/10)
    assertThat(at(solved(), "a")).isEqualTo(71 / 3.1, MILLIVOLT);
  }

  @Test
  void aSupplyHoldsItsVoltageUntilItsLimitThenItsCurrent() {
    net.add("G", "a", "0", Characteristic.supply(24, 0.1, 0.1));
    int load = resistor("a", "0", 100);
    OperatingPoint point = solved();
    assertThat(point.amperes(load)).isEqualTo(0.1, within(1e-6));
    assertThat(at(point, "a")).isEqualTo(10, within(1e-4));
  }

  @Test
  void aSupplyTakesNothingBackFromAStrongerOne() {
    int weak = net.add("weak", "a", "0", Characteristic.supply(23, 0.1, 1));
    net.add("strong", "a", "0", Characteristic.supply(24, 0.1, 1));
    resistor("a", "0", 240);
    OperatingPoint point = solved();
    assertThat(point.amperes(weak)).isEqualTo(0, within(1e-6));
    assertThat(at(point, "a")).isEqualTo(24 * 240 / 240.1, within(1e-4));
  }

  @Test
  void aCurrentSourceKeepsItsLoopUntilItsComplianceIsUsedUp() {
    // 20 mA through 500 ohms needs 10 V; through 1000 ohms it would need 20 V of the 12 there are.
    net.add("I", "a", "0", Characteristic.currentSource(0.020, 12));
    int burden = resistor("a", "0", 500);
    assertThat(solved().amperes(burden)).isEqualTo(0.020, within(1e-6));
    Circuit.Builder over = Circuit.builder().ground("0");
    over.add("I", "a", "0", Characteristic.currentSource(0.020, 12));
    int heavy = over.add("R", "a", "0", Characteristic.resistor(1000));
    OperatingPoint point = (OperatingPoint) DcSolver.solve(over.build());
    assertThat(point.amperes(heavy)).isEqualTo(0.012, within(0.0001));
  }

  @Test
  void aDiodeBlocksOneWayAndDropsItsForwardVoltageTheOther() {
    net.add("E", "a", "0", new FixedVoltage(5));
    int forward = net.add("D1", "a", "b", Characteristic.diode(0.7, 10));
    resistor("b", "0", 420);
    int backward = net.add("D2", "c", "a", Characteristic.diode(0.7, 10));
    resistor("c", "0", 1000);
    OperatingPoint point = solved();
    assertThat(point.amperes(forward)).isEqualTo(4.3 / 430, within(1e-6));
    assertThat(point.amperes(backward)).isEqualTo(0, within(1e-7));
  }

  @Test
  void aFullBridgeOfDiodesRectifiesEitherPolarity() {
    for (double volts : new double[] {12, -12}) {
      Circuit.Builder bridge = Circuit.builder().ground("m");
      bridge.add("E", "p", "q", new FixedVoltage(volts));
      bridge.add("D1", "p", "a", Characteristic.diode(0.7, 1));
      bridge.add("D2", "q", "a", Characteristic.diode(0.7, 1));
      bridge.add("D3", "m", "p", Characteristic.diode(0.7, 1));
      bridge.add("D4", "m", "q", Characteristic.diode(0.7, 1));
      int load = bridge.add("R", "a", "m", Characteristic.resistor(104));
      OperatingPoint point = (OperatingPoint) DcSolver.solve(bridge.build());
      assertThat(point.amperes(load)).isEqualTo(10.6 / 106, within(1e-6));
    }
  }

  @Test
  void whatNothingJoinsFloats() {
    net.add("E", "a", "0", new FixedVoltage(24));
    resistor("a", "0", 100);
    net.add("E2", "x", "y", new FixedVoltage(10));
    net.add("contact", "a", "x", Law.OPEN);
    OperatingPoint point = solved();
    assertThat(point.volts(net.node("x"), net.node("0"))).isEmpty();
    assertThat(point.volts(net.node("x"), net.node("y"))).hasValue(10);
  }

  @Test
  void stiffSourcesThatFightAreNamed() {
    net.add("24 V supply", "a", "0", new FixedVoltage(24));
    net.add("12 V battery", "a", "0", new FixedVoltage(12));
    DcResult result = DcSolver.solve(net.build());
    assertThat(result).isInstanceOf(DcResult.NoSolution.class);
    assertThat(((DcResult.NoSolution) result).reason())
        .contains("24 V supply (24.0 V)", "12 V battery (12.0 V)");
    assertThat(((DcResult.NoSolution) result).branches())
        .containsExactly("24 V supply", "12 V battery");
  }

  @Test
  void aStiffSourceWithBothEndsOnOneNodeIsNamed() {
    net.add("supply", "a", "a", new FixedVoltage(24));
    assertThat(DcSolver.solve(net.build()))
        .isInstanceOfSatisfying(
            DcResult.NoSolution.class, n -> assertThat(n.reason()).contains("supply"));
  }

  @Test
  void anEmptyCircuitHasAnEmptySolution() {
    assertThat(DcSolver.solve(Circuit.builder().build())).isInstanceOf(OperatingPoint.class);
  }

  @Test
  void aCurrentThatFallsWithRisingVoltageIsRefused() {
    assertThatThrownBy(
            () -> Characteristic.of(new double[] {0, 1}, new double[] {1, 0}, 1e-6, 1e-6))
        .hasMessageContaining("knot 1 (1.0 V, 0.0 A)");
    assertThatThrownBy(() -> Characteristic.resistor(0)).hasMessageContaining("over 0, not 0.0");
  }

  /** Kirchhoff's current law holds at every node of any network of the kinds there are. */
  @RepeatedTest(60)
  void currentsSumToZeroAtEveryNodeOfARandomNetwork(RepetitionInfo round) {
    Random random = new Random(round.getCurrentRepetition());
    Circuit.Builder wild = Circuit.builder();
    int nodes = 4 + random.nextInt(30);
    for (int i = 0; i < nodes * 2; i++) {
      String a = "n" + random.nextInt(nodes);
      String b = "n" + random.nextInt(nodes);
      wild.add("b" + i, a, b, law(random));
    }
    Circuit circuit = wild.build();
    DcResult result = DcSolver.solve(circuit);
    assertThat(result).isInstanceOf(OperatingPoint.class);
    double[] sums = new double[circuit.nodes().size()];
    for (int i = 0; i < circuit.branches().size(); i++) {
      Branch branch = circuit.branches().get(i);
      sums[branch.from()] += ((OperatingPoint) result).amperes(i);
      sums[branch.to()] -= ((OperatingPoint) result).amperes(i);
    }
    assertThat(sums).containsExactly(new double[sums.length], within(1e-6));
  }

  private static Law law(Random random) {
    double size = Math.pow(10, random.nextDouble() * 4);
    return switch (random.nextInt(7)) {
      case 0 -> Characteristic.supply(5 + random.nextInt(20), 0.05 + random.nextDouble(), 0.1);
      case 1 -> Characteristic.currentSource(random.nextDouble() * 0.02, 12);
      case 2 -> Characteristic.diode(0.7, 1 + random.nextInt(20));
      case 3 -> Characteristic.limitedDiode(1.5, size, 0.003);
      case 4 -> Characteristic.eitherWay(1.5, size, 0.004);
      case 5 -> Law.OPEN;
      default -> Characteristic.resistor(size);
    };
  }
}
