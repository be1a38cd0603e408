package unimotus.core.process;

import java.util.List;

/**
 * The head a centrifugal pump gives over its flow, H = H₀ − a·Q² at its own frequency; at another
 * one it moves by the affinity laws: Q ∝ f, H ∝ f².
 *
 * @param hertz frequency the curve was taken at, over 0
 * @param shutOffMetres head with the valve shut, over 0
 * @param fall metres lost for each (m³/h)², over 0
 */
public record PumpCurve(double hertz, double shutOffMetres, double fall) {
  /**
   * A point of a curve.
   *
   * @param flow cubic metres an hour, 0 or more
   * @param metres head, 0 or more
   */
  public record Point(double flow, double metres) {
    /** Checks the numbers. */
    public Point {
      if (!(flow >= 0 && metres >= 0) || Double.isInfinite(flow + metres)) {
        throw new IllegalArgumentException(
            "pump curve: flow and head must be 0 or more, not %s m³/h and %s m"
                .formatted(flow, metres));
      }
    }
  }

  /** Checks the numbers. */
  public PumpCurve {
    if (!(hertz > 0 && shutOffMetres > 0 && fall > 0)
        || Double.isInfinite(hertz + shutOffMetres + fall)) {
      throw new IllegalArgumentException(
          "pump curve: frequency, head with the valve shut and fall must be over 0,"
              + " not %s Hz, %s m and %s m/(m³/h)²".formatted(hertz, shutOffMetres, fall));
    }
  }

  /**
   * The curve nearest to its points, by least squares in Q².
   *
   * @param points by rising flow, two at least
   * @throws IllegalArgumentException where they are no curve of a pump: flows that do not rise, a
   *     head that rises again after it fell, or one that does not fall over all
   */
  public static PumpCurve through(double hertz, List<Point> points) {
    check(points);
    double squares = 0;
    double heads = 0;
    for (Point point : points) {
      squares += point.flow() * point.flow() / points.size();
      heads += point.metres() / points.size();
    }
    double across = 0;
    double along = 0;
    for (Point point : points) {
      double off = point.flow() * point.flow() - squares;
      across += off * (point.metres() - heads);
      along += off * off;
    }
    double fall = -across / along;
    if (!(fall > 0)) {
      throw new IllegalArgumentException(
          "pump curve: the head must fall with the flow, it rises by %.3g m/(m³/h)²"
              .formatted(-fall));
    }
    return new PumpCurve(hertz, heads + fall * squares, fall);
  }

  private static void check(List<Point> points) {
    if (points.size() < 2) {
      throw new IllegalArgumentException(
          "pump curve: two points are needed at least, %d given".formatted(points.size()));
    }
    boolean hasFallen = false;
    for (int i = 1; i < points.size(); i++) {
      Point before = points.get(i - 1);
      Point now = points.get(i);
      if (!(now.flow() > before.flow())) {
        throw new IllegalArgumentException(
            "pump curve: the flow must rise from point to point, not from %s to %s m³/h"
                .formatted(before.flow(), now.flow()));
      }
      if (hasFallen && now.metres() > before.metres()) {
        throw new IllegalArgumentException(
            "pump curve: the head rises again at %s m³/h, from %s to %s m; it has one top"
                .formatted(now.flow(), before.metres(), now.metres()));
      }
      hasFallen |= now.metres() < before.metres();
    }
  }

  /**
   * The head at a flow; negative beyond what the pump can move.
   *
   * @param flow cubic metres an hour
   */
  public double metres(double flow, double atHertz) {
    double ratio = atHertz / hertz;
    return shutOffMetres * ratio * ratio - fall * flow * flow;
  }

  /**
   * The flow against a head, in m³/h; 0 where the head is more than it gives, for a non-return
   * valve is taken to be there.
   */
  public double flow(double metres, double atHertz) {
    double ratio = atHertz / hertz;
    double left = shutOffMetres * ratio * ratio - metres;
    return left > 0 ? Math.sqrt(left / fall) : 0;
  }
}
