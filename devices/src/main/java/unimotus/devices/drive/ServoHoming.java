package unimotus.devices.drive;

import java.util.Optional;
import unimotus.core.profile.HomingMethod;

/**
 * Finds home: quickly until the switch acts, slowly back until it lets go, then on to the index
 * pulse where the method says so. Positions are raw counts, speeds counts a second.
 */
final class ServoHoming {
  /** Part of the profile velocity while the switch is sought, and while its edge is. */
  private static final double SEEKING = 0.25;

  private static final double CREEPING = 0.025;

  private enum Step {
    SEEKS,
    LEAVES,
    TO_INDEX,
    DONE,
    FAILED
  }

  private final HomingMethod method;
  private final double most;
  private final double turn;
  private Step step;
  private double edge;

  ServoHoming(
      HomingMethod method, double profileVelocity, double countsPerTurn, boolean hasHomeSwitch) {
    this.method = method;
    this.most = profileVelocity;
    this.turn = countsPerTurn;
    this.edge = Double.NaN;
    // What asks for a switch that is not there cannot be done.
    this.step =
        switch (method.switched()) {
          case HOME -> hasHomeSwitch ? Step.SEEKS : Step.FAILED;
          case NONE -> method.index() ? Step.TO_INDEX : Step.DONE;
          default -> Step.SEEKS;
        };
  }

  /** Whether home is where it stands. */
  boolean isHere() {
    return method.isHere();
  }

  boolean isOver() {
    return step == Step.DONE || step == Step.FAILED;
  }

  boolean hasFailed() {
    return step == Step.FAILED;
  }

  double velocity() {
    double sign = method.positive() ? 1 : -1;
    return switch (step) {
      case SEEKS -> sign * SEEKING * most;
      case LEAVES -> -sign * CREEPING * most;
      case TO_INDEX ->
          (method.switched() == HomingMethod.Switch.NONE ? sign : -sign) * CREEPING * most;
      case DONE, FAILED -> 0;
    };
  }

  /** Looks at a tick; the place of home once it is found. */
  Optional<Double> tick(double raw, int switches) {
    int limit = method.positive() ? SwitchSense.POSITIVE : SwitchSense.NEGATIVE;
    boolean isHome = method.switched() == HomingMethod.Switch.HOME;
    boolean acts = (switches & (isHome ? SwitchSense.HOME : limit)) != 0;
    switch (step) {
      case SEEKS ->
          // Without a home switch it comes to the limit, and there is no home.
          step = acts ? Step.LEAVES : isHome && (switches & limit) != 0 ? Step.FAILED : step;
      case LEAVES -> {
        if (!acts && !method.index()) {
          return found(raw);
        }
        step = acts ? step : Step.TO_INDEX;
      }
      case TO_INDEX -> {
        double turns = Math.floor(raw / turn);
        double before = edge;
        edge = turns;
        if (!Double.isNaN(before) && turns != before) {
          return found(Math.max(turns, before) * turn);
        }
      }
      case DONE, FAILED -> {
        // Nothing is sought any more.
      }
    }
    return Optional.empty();
  }

  private Optional<Double> found(double place) {
    step = Step.DONE;
    return Optional.of(place);
  }
}
