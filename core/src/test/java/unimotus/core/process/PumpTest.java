package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Pumps by the affinity laws (published), and their curves. */
class PumpTest {
  private static final PumpCurve CURVE = new PumpCurve(50, 40, 0.1);

  /** Affinity laws: at half the speed half the flow, a quarter of the head. */
  @Test
  void theCurveMovesByTheAffinityLaws() {
    for (double flow : new double[] {0, 3, 8, 12}) {
      assertThat(CURVE.metres(flow / 2, 25)).isCloseTo(CURVE.metres(flow, 50) / 4, within(1e-12));
    }
    assertThat(CURVE.flow(CURVE.metres(7, 42), 42)).isCloseTo(7, within(1e-12));
    assertThat(CURVE.flow(41, 50)).as("more than it gives").isZero();
  }

  /** Handbook table 3.25, from memory: H_s/H₀ of 0.36 is shut off at 30 of 50 Hz. */
  @Test
  void theShutOffFrequencyIsWhereTheHeadIsTheStaticOne() {
    PumpSystem system = new PumpSystem(CURVE, 0.36 * 40, 0.05);
    assertThat(system.shutOffHertz()).isCloseTo(30, within(1e-12));
    assertThat(system.flow(30)).isZero();
    assertThat(system.flow(30.001)).isPositive();
    assertThat(system.flow(29)).isZero();
  }

  @Test
  void theFrequencyThatHoldsAFlowGivesThatFlow() {
    Random random = new Random(3);
    for (int i = 0; i < 5000; i++) {
      PumpSystem system =
          new PumpSystem(
              new PumpCurve(
                  30 + random.nextInt(40),
                  5 + 95 * random.nextDouble(),
                  0.001 + random.nextDouble()),
              50 * random.nextDouble(),
              random.nextDouble());
      double flow = 20 * random.nextDouble();
      double hertz = system.hertz(flow);
      assertThat(system.flow(hertz)).isCloseTo(flow, within(1e-6));
      // The pump's head there is what the pipe takes there.
      assertThat(system.pump().metres(flow, hertz))
          .isCloseTo(system.staticMetres() + system.friction() * flow * flow, within(1e-6));
      assertThat(system.sum(flow).text()).contains("frequency that holds it");
    }
  }

  @Test
  void aCurveIsReadFromItsPoints() {
    PumpCurve read =
        PumpCurve.through(
            50,
            List.of(
                new PumpCurve.Point(0, 40),
                new PumpCurve.Point(5, 37.5),
                new PumpCurve.Point(10, 30),
                new PumpCurve.Point(15, 17.5)));
    assertThat(read.shutOffMetres()).isCloseTo(40, within(1e-9));
    assertThat(read.fall()).isCloseTo(0.1, within(1e-9));
  }

  @Test
  void whatIsNoCurveIsRefusedByName() {
    assertThatThrownBy(() -> curve(0, 40, 5, 30, 10, 32))
        .hasMessage(
            "pump curve: the head rises again at 10.0 m³/h, from 30.0 to 32.0 m; it has one top");
    // One that is highest beside the shut valve is told, not refused.
    assertThat(curve(0, 38, 5, 39, 10, 30).fall()).isPositive();
    assertThatThrownBy(() -> curve(0, 38, 5, 39, 10, 30, 15, 31))
        .hasMessageContaining("rises again");
    assertThatThrownBy(() -> curve(0, 30, 5, 39)).hasMessageContaining("must fall with the flow");
    assertThatThrownBy(() -> curve(0, 30, 0, 20)).hasMessageContaining("must rise from point to");
    assertThatThrownBy(() -> curve(0, 30)).hasMessageContaining("two points are needed");
    assertThatThrownBy(() -> new PumpCurve.Point(-1, 3)).hasMessageContaining("-1.0 m³/h");
    assertThatThrownBy(() -> new PumpCurve(50, 0, 1)).hasMessageContaining("must be over 0");
  }

  private static PumpCurve curve(double... numbers) {
    List<PumpCurve.Point> points = new java.util.ArrayList<>();
    for (int i = 0; i < numbers.length; i += 2) {
      points.add(new PumpCurve.Point(numbers[i], numbers[i + 1]));
    }
    return PumpCurve.through(50, points);
  }
}
