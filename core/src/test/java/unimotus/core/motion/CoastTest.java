package unimotus.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Percentage;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Coasting by closed forms against the integrator of a numerics library, and by hand. */
class CoastTest {

  /** Speed and angle of a shaft that only its load brakes. */
  private record Coasting(ShaftLoad load) implements OrdinaryDifferentialEquation {
    @Override
    public int getDimension() {
      return 2;
    }

    @Override
    public double[] computeDerivatives(double t, double[] y) {
      double torque = load.torqueNewtonMetres(RampFormulas.rpm(y[0]));
      return new double[] {-torque / load.inertiaKgM2(), y[0]};
    }
  }

  @ParameterizedTest
  @CsvSource({
    "0.05, 1.2, 0, 0",
    "0.05, 1.2, 0.0005, 0",
    "0.05, 0, 0.002, 0",
    "0.4, 0.3, 0, 0.000002",
    "0.4, 0.0, 0, 0.000002",
    "0.4, 0.5, 0.0004, 0.000002",
    "0.4, 0.01, 0.004, 0.000001"
  })
  void timeAndTurnsAgreeWithTheIntegrator(
      double inertia, double constant, double linear, double quadratic) {
    ShaftLoad load = new ShaftLoad(inertia, constant, linear, quadratic);
    double from = 1500;
    double to = 300;
    double seconds = RampFormulas.coastSeconds(load, from, to);
    double[] end =
        new DormandPrince853Integrator(1e-9, seconds / 10, 1e-11, 1e-11)
            .integrate(
                new Coasting(load),
                new ODEState(0, new double[] {RampFormulas.radiansPerSecond(from), 0}),
                seconds)
            .getPrimaryState();
    assertThat(RampFormulas.rpm(end[0])).isCloseTo(to, within(1e-5));
    assertThat(RampFormulas.coastTurns(load, from, to))
        .isCloseTo(end[1] / (2 * Math.PI), Percentage.withPercentage(1e-5));
  }

  /** Under dry friction the shaft turns half as far as it would have at its first speed. */
  @Test
  void dryFrictionBringsHalfTheTurns() {
    ShaftLoad load = new ShaftLoad(0.1, 2, 0, 0);
    double seconds = RampFormulas.coastSeconds(load, 1200, 0);
    assertThat(seconds).isCloseTo(0.1 * 40 * Math.PI / 2, within(1e-12));
    assertThat(RampFormulas.coastTurns(load, 1200, 0)).isCloseTo(20 * seconds / 2, within(1e-9));
    assertThat(RampFormulas.coastTurns(0.1, 1200, 2))
        .isCloseTo(RampFormulas.coastTurns(load, 1200, 0), within(1e-9));
  }

  @Test
  void withoutFrictionItTurnsForEver() {
    ShaftLoad load = new ShaftLoad(0.1, 0, 0, 0);
    assertThat(RampFormulas.coastSeconds(load, 1500, 0)).isInfinite();
    assertThat(RampFormulas.coastTurns(load, 1500, 0)).isInfinite();
  }

  /** ½·J·ω²: 0.5 kg·m² at 1500 rpm hold 6.17 kJ (by arithmetic). */
  @Test
  void theEnergyOfATurningMass() {
    assertThat(RampFormulas.kineticJoules(0.5, 1500)).isCloseTo(6168.5, within(0.1));
  }
}
