package unimotus.core.sheet;

/**
 * What a drive asks of its supply, cables and place.
 *
 * @param leastSupplyVolts lowest mains voltage it works on, line to line
 * @param mostSupplyVolts highest mains voltage it bears
 * @param phases mains phases, 1 or 3
 * @param inputAmperes mains current at rated load
 * @param fuseAmperes largest fuse in front of it
 * @param fuseClass class of the fuse or breaker in words
 * @param leakageAmperes earth leakage in service
 * @param mostMotorCableMetres longest shielded motor cable without a choke
 * @param mostSquareMillimetres largest conductor its power terminals take
 * @param powerNewtonMetres tightening torque of the power terminals
 * @param controlNewtonMetres tightening torque of the control terminals
 * @param dischargeMinutes wait after power off before the terminals may be touched
 * @param clearanceMillimetres free space above and below
 */
public record PowerData(
    double leastSupplyVolts,
    double mostSupplyVolts,
    int phases,
    double inputAmperes,
    double fuseAmperes,
    String fuseClass,
    double leakageAmperes,
    double mostMotorCableMetres,
    double mostSquareMillimetres,
    double powerNewtonMetres,
    double controlNewtonMetres,
    double dischargeMinutes,
    double clearanceMillimetres) {

  /** Checks phases and that everything is positive. */
  public PowerData {
    if (phases != 1 && phases != 3) {
      throw new IllegalArgumentException("phases must be 1 or 3, not " + phases);
    }
    if (!(leastSupplyVolts > 0 && mostSupplyVolts >= leastSupplyVolts)) {
      throw new IllegalArgumentException(
          "supply range %s to %s V is none".formatted(leastSupplyVolts, mostSupplyVolts));
    }
    if (!(inputAmperes > 0 && fuseAmperes >= inputAmperes)) {
      throw new IllegalArgumentException(
          "input current %s A must be over 0 and not over the fuse's %s A"
              .formatted(inputAmperes, fuseAmperes));
    }
  }
}
