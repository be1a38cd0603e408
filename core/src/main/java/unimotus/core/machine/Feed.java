package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.TerminalRole;

/**
 * The power cables of a drive.
 *
 * @param mainsVolts mains voltage, line to line
 * @param phases mains phases, 1 or 3
 * @param method how the supply cable is laid
 * @param supplyMetres length of the supply cable
 * @param motorMetres length of the motor cable
 * @param shieldedMotorCable whether the motor cable is shielded
 */
@RecordBuilder
public record Feed(
    double mainsVolts,
    int phases,
    CableLaying method,
    double supplyMetres,
    double motorMetres,
    boolean shieldedMotorCable)
    implements FeedBuilder.With {
  /** Three phases of 400 V over ten metres in ducts, a shielded motor cable of ten metres. */
  public static final Feed USUAL = new Feed(400, 3, CableLaying.DUCT, 10, 10, true);

  /** The mains a drive is rated for, over the usual cables; taken until somebody looks. */
  public static Feed ratedFor(DriveSheet sheet) {
    long inputs =
        sheet.terminals().stream().filter(t -> t.role() == TerminalRole.LINE_INPUT).count();
    int phases = sheet.power() != null ? sheet.power().phases() : inputs == 2 ? 1 : 3;
    return USUAL.withMains(sheet.ratings().supplyVolts(), phases);
  }

  /** Checks the numbers. */
  public Feed {
    if (!(mainsVolts > 0 && mainsVolts <= 1000)) {
      throw new IllegalArgumentException(
          "mains voltage must be over 0 to 1000 V, not %s".formatted(mainsVolts));
    }
    if (phases != 1 && phases != 3) {
      throw new IllegalArgumentException("mains phases must be 1 or 3, not " + phases);
    }
    if (!(supplyMetres > 0 && supplyMetres <= 1000 && motorMetres > 0 && motorMetres <= 1000)) {
      throw new IllegalArgumentException(
          "cables must be over 0 to 1000 m long, not %s and %s m"
              .formatted(supplyMetres, motorMetres));
    }
  }

  /** This feed on another mains. */
  public Feed withMains(double volts, int nextPhases) {
    return with().mainsVolts(volts).phases(nextPhases).build();
  }

  /** This feed with cables of other lengths. */
  public Feed withLengths(double supply, double motor) {
    return with().supplyMetres(supply).motorMetres(motor).build();
  }

  /** This feed with a shielded motor cable, or a plain one. */
  public Feed withShield(boolean shielded) {
    return withShieldedMotorCable(shielded);
  }
}
