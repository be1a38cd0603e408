package unimotus.core.servo;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A servo axis with its loops.
 *
 * @param load motor and what it turns
 * @param gains of the loops
 * @param lagSeconds time constant of the current loop; 0 for none
 * @param tickSeconds of position and velocity loop, over 0
 * @param mostNewtonMetres torque limit, over 0
 * @param countsPerTurn counts of the encoder a turn of the motor; 0 for a position without steps
 */
@RecordBuilder
public record ServoSetup(
    ServoLoad load,
    LoopGains gains,
    double lagSeconds,
    double tickSeconds,
    double mostNewtonMetres,
    double countsPerTurn)
    implements ServoSetupBuilder.With {

  /** Usual time constant of a current loop (common practice). */
  public static final double USUAL_LAG = 0.0005;

  /** Usual tick of position and velocity loop (common practice). */
  public static final double USUAL_TICK = 0.00025;

  /** Checks the numbers. */
  public ServoSetup {
    if (!(tickSeconds > 0 && tickSeconds < 1)) {
      throw new IllegalArgumentException("servo: tick must be over 0 s, not " + tickSeconds);
    }
    if (!(mostNewtonMetres > 0)) {
      throw new IllegalArgumentException(
          "servo: torque limit must be over 0, not " + mostNewtonMetres);
    }
    if (!(lagSeconds >= 0 && countsPerTurn >= 0)) {
      throw new IllegalArgumentException("servo: lag and counts must not be negative");
    }
  }
}
