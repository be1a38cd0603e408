package unimotus.core.process;

/**
 * The level of a tank that a pump fills or empties, in metres. A tank that is filled is left by the
 * demand, one that is emptied gets it; both in m³/h. What is over the rim is lost.
 */
public final class TankLevel implements Process {
  private static final double HOUR = 3600;

  private final PumpSystem pump;
  private final double area;
  private final double rim;
  private final boolean fills;
  private double level;
  private double lost;

  /**
   * A tank.
   *
   * @param area square metres, over 0
   * @param rim height it holds in metres, over 0
   * @param fills whether the pump fills it
   * @param level at first, 0 to the rim
   */
  public TankLevel(PumpSystem pump, double area, double rim, boolean fills, double level) {
    if (!(area > 0 && rim > 0) || Double.isInfinite(area + rim)) {
      throw new IllegalArgumentException(
          "tank: area and height must be over 0, not %s m² and %s m".formatted(area, rim));
    }
    if (!(level >= 0 && level <= rim)) {
      throw new IllegalArgumentException(
          "tank: the level must be 0 to %s m, not %s m".formatted(rim, level));
    }
    this.pump = pump;
    this.area = area;
    this.rim = rim;
    this.fills = fills;
    this.level = level;
  }

  @Override
  public double value() {
    return level;
  }

  @Override
  public void advance(double hertz, double demand, double seconds) {
    double pumped = pump.flow(hertz);
    double net = (fills ? pumped - demand : demand - pumped) / HOUR * seconds;
    double next = level + net / area;
    lost += Math.max(0, next - rim) * area;
    level = Math.max(0, Math.min(rim, next));
  }

  /** What went over the rim so far, in m³. */
  public double lost() {
    return lost;
  }
}
