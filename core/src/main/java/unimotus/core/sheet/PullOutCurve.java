package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/**
 * Torque a step motor gives over its speed before it falls out of step, as its catalogue has it for
 * a driver and a supply. Straight between the points; beyond the last one nothing is given.
 *
 * @param points from rest on, torque never rising
 * @param isEstimated whether it was worked out and not published
 */
public record PullOutCurve(List<Point> points, boolean isEstimated) {
  private static final double[] ESTIMATED = {1, 1.5, 2, 3, 5, 8, 12};

  /**
   * One point.
   *
   * @param stepsPerSecond full steps a second, 0 or more
   * @param newtonMetres torque there, 0 or more
   */
  public record Point(double stepsPerSecond, double newtonMetres) {
    /** Checks the numbers. */
    public Point {
      if (!(stepsPerSecond >= 0 && newtonMetres >= 0)
          || Double.isInfinite(stepsPerSecond + newtonMetres)) {
        throw new IllegalArgumentException(
            "pull-out curve: %s N·m at %s steps/s must both be 0 or more"
                .formatted(newtonMetres, stepsPerSecond));
      }
    }
  }

  /** Takes a copy and checks that it falls. */
  public PullOutCurve {
    points = List.copyOf(points);
    if (points.size() < 2) {
      throw new IllegalArgumentException("pull-out curve: two points at least are needed");
    }
    for (int i = 1; i < points.size(); i++) {
      Point before = points.get(i - 1);
      Point point = points.get(i);
      if (point.stepsPerSecond() <= before.stepsPerSecond()) {
        throw new IllegalArgumentException(
            "pull-out curve: %s steps/s must be over the %s before it"
                .formatted(point.stepsPerSecond(), before.stepsPerSecond()));
      }
      if (point.newtonMetres() > before.newtonMetres()) {
        throw new IllegalArgumentException(
            "pull-out curve: torque rises from %s to %s N·m at %s steps/s; it only falls"
                .formatted(before.newtonMetres(), point.newtonMetres(), point.stepsPerSecond()));
      }
    }
  }

  /**
   * Where no curve was published: flat up to where the supply is spent, falling with 1/f beyond it
   * (common practice).
   *
   * @param newtonMetres at low speed, such as 0.7 of the holding torque
   * @param cornerStepsPerSecond see {@link Coils#cornerStepsPerSecond}
   */
  public static PullOutCurve estimated(double newtonMetres, double cornerStepsPerSecond) {
    List<Point> points = new ArrayList<>();
    points.add(new Point(0, newtonMetres));
    for (double times : ESTIMATED) {
      points.add(new Point(times * cornerStepsPerSecond, newtonMetres / times));
    }
    return new PullOutCurve(points, true);
  }

  /**
   * Reads a published curve: full steps a second and newton metres, point by point, such as {@code
   * 0 1.9; 1000 1.6; 4000 0.5}.
   *
   * @throws IllegalArgumentException naming the point that is not understood or does not fall
   */
  public static PullOutCurve parse(String text) {
    List<Point> points = new ArrayList<>();
    for (String part : text.split("[;\\n]")) {
      if (!part.isBlank()) {
        points.add(point(part.strip()));
      }
    }
    return new PullOutCurve(points, false);
  }

  private static Point point(String text) {
    String[] words = text.split("\\s+");
    if (words.length != 2) {
      throw new IllegalArgumentException(
          "pull-out curve: '%s' is no point; write full steps a second and N·m, such as 1000 1.6"
              .formatted(text));
    }
    return new Point(
        QuantityText.parseIn("pull-out curve", words[0], MeasureUnit.ONE),
        QuantityText.parseIn("pull-out curve", words[1], MeasureUnit.ONE));
  }

  /** The curve as it is read again. */
  public String words() {
    return points.stream()
        .map(
            p ->
                "%s %s"
                    .formatted(
                        QuantityFormat.PLAIN.number(p.stepsPerSecond()),
                        QuantityFormat.PLAIN.number(p.newtonMetres())))
        .collect(Collectors.joining("; "));
  }

  /** Torque at a speed; 0 beyond the last point. */
  public double at(double stepsPerSecond) {
    double rate = Math.abs(stepsPerSecond);
    if (rate > most()) {
      return 0;
    }
    int i = 1;
    while (i < points.size() - 1 && points.get(i).stepsPerSecond() < rate) {
      i++;
    }
    Point low = points.get(i - 1);
    Point high = points.get(i);
    double share =
        Math.max(0, rate - low.stepsPerSecond()) / (high.stepsPerSecond() - low.stepsPerSecond());
    return low.newtonMetres() + share * (high.newtonMetres() - low.newtonMetres());
  }

  /** The last speed anything is said of, in full steps a second. */
  public double most() {
    return points.get(points.size() - 1).stepsPerSecond();
  }
}
