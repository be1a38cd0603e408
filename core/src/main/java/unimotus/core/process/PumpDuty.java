package unimotus.core.process;

/**
 * All that a pump with a loop has to cope with.
 *
 * @param system with the least static head it meets, the set-point's own pressure counted in
 * @param mostStaticMetres the most it meets, no less
 * @param restFlow what still leaks where nothing is drawn, m³/h; 0 or more
 * @param leastFlow least that is drawn and for which it must not sleep, over the leak
 * @param mostFlow most that is drawn, no less
 * @param storedPerUnit m³ that leave the store for each unit of the feedback, over 0
 * @param restSeconds it is to sleep for at least, so that it does not start too often; 0 or more
 */
public record PumpDuty(
    PumpSystem system,
    double mostStaticMetres,
    double restFlow,
    double leastFlow,
    double mostFlow,
    double storedPerUnit,
    double restSeconds) {
  /** Checks the numbers. */
  public PumpDuty {
    if (!(mostStaticMetres >= system.staticMetres()) || Double.isInfinite(mostStaticMetres)) {
      throw new IllegalArgumentException(
          "static head: the most must be no less than the least of %s m, not %s m"
              .formatted(system.staticMetres(), mostStaticMetres));
    }
    if (!(restFlow >= 0 && leastFlow > restFlow && mostFlow >= leastFlow)
        || Double.isInfinite(mostFlow)) {
      throw new IllegalArgumentException(
          "flow: leak, least and most must rise from 0 on, not %s, %s and %s m³/h"
              .formatted(restFlow, leastFlow, mostFlow));
    }
    if (!(storedPerUnit > 0 && restSeconds >= 0)
        || Double.isInfinite(storedPerUnit + restSeconds)) {
      throw new IllegalArgumentException(
          "store: must be over 0 m³ a unit and the rest 0 s or more, not %s m³ and %s s"
              .formatted(storedPerUnit, restSeconds));
    }
  }

  /** At which it settles where nothing is drawn but the leak, at the most static head. */
  public double restingHertz() {
    return system.against(mostStaticMetres).hertz(restFlow);
  }

  /** At which it settles at the least that is drawn, at the least static head. */
  public double workingHertz() {
    return system.hertz(leastFlow);
  }

  /** What it needs for the most that is drawn, at the most static head. */
  public double fullHertz() {
    return system.against(mostStaticMetres).hertz(mostFlow);
  }

  /**
   * How long the store covers the leak until the feedback is off by a deviation; possibly infinite.
   */
  public double restSeconds(double deviation) {
    return deviation * storedPerUnit / restFlow * 3600;
  }
}
