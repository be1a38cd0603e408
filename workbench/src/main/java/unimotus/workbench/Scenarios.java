package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.ReadableLink;
import unimotus.core.proof.SetPoint;

/** The dry-runs that are offered for every axis, as long as its ramps ask for. */
final class Scenarios {
  private static final double SETTLE_SECONDS = 3;
  private static final double MOST_SECONDS = 600;

  private Scenarios() {}

  /**
   * The ready-made scenarios of an axis.
   *
   * @param full the program's number for full speed
   */
  public static List<Scenario> of(BenchSetup setup, double full) {
    double up = setup.accelerationSeconds() + SETTLE_SECONDS;
    double down = setup.decelerationSeconds() + SETTLE_SECONDS;
    return List.of(
        Scenario.runAndStop(full, bounded(up), bounded(up + 2 * down)),
        Scenario.steps(full, bounded(setup.accelerationSeconds() / 4 + SETTLE_SECONDS)),
        Scenario.reversal(full, bounded(up + down)),
        Scenario.permissionLost(full, bounded(up), bounded(up + 4 * down)));
  }

  /**
   * The ready-made scenarios of a path: where it chooses among a few speeds, each of them in turn
   * besides.
   */
  public static List<Scenario> of(BenchSetup setup, SignalPath path) {
    List<Scenario> all = new ArrayList<>(of(setup, path.scale().atFull()));
    if (!path.link().isProportional()) {
      List<Double> numbers =
          ReadableLink.of(path).setPoints(path).stream().map(SetPoint::number).toList();
      double each = Math.max(setup.accelerationSeconds(), setup.decelerationSeconds());
      all.add(Scenario.inTurn(numbers, bounded(each + SETTLE_SECONDS)));
    }
    return all;
  }

  /**
   * A ready-made scenario by its name, or one of the user's own from its events.
   *
   * @throws IllegalArgumentException naming the part that cannot be read
   */
  public static Scenario find(String text, BenchSetup setup, SignalPath path) {
    return of(setup, path).stream()
        .filter(s -> s.name().replace(' ', '-').equals(text))
        .findFirst()
        .orElseGet(() -> Scenario.parse("own events", text));
  }

  private static double bounded(double seconds) {
    return Math.min(MOST_SECONDS, seconds);
  }
}
