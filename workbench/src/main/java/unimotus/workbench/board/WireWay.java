package unimotus.workbench.board;

/**
 * The way of a wire over the board: level from one terminal to its lane, along the lane, level to
 * the other terminal.
 *
 * @param fromX one terminal
 * @param fromY one terminal
 * @param laneX its lane
 * @param toX the other terminal
 * @param toY the other terminal
 */
public record WireWay(double fromX, double fromY, double laneX, double toX, double toY) {

  /** How far a point is from the nearest point of the way. */
  public double distance(double x, double y) {
    double first = toLevel(x, y, fromY, fromX, laneX);
    double last = toLevel(x, y, toY, toX, laneX);
    double top = Math.min(fromY, toY);
    double bottom = Math.max(fromY, toY);
    double lane = Math.hypot(x - laneX, y - Math.max(top, Math.min(bottom, y)));
    return Math.min(lane, Math.min(first, last));
  }

  private static double toLevel(double x, double y, double level, double end, double other) {
    double near = Math.max(Math.min(end, other), Math.min(Math.max(end, other), x));
    return Math.hypot(x - near, y - level);
  }
}
