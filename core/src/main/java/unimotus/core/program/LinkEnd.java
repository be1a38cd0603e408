package unimotus.core.program;

import java.util.Optional;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.processdata.DriveImage;
import unimotus.core.profile.OperatingMode;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.PlacedValues;

/**
 * What a block speaks to at the other end of its link.
 *
 * @param values the values of the drive, by what they are
 * @param noun what a value stands in, in a word
 * @param carrier over what, and to whom
 * @param answered what counts as an answer
 * @param silence what the drive does when the block falls silent
 * @param mode what is written each cycle to choose the operating mode; empty where nothing is
 */
record LinkEnd(
    PlacedValues values,
    String noun,
    String carrier,
    String answered,
    String silence,
    Optional<OperatingMode> mode) {

  private static final String ATTENTION =
      "ATTENTION: a controller that stops does not stop the motor. ";

  /** Registers of a drive. */
  static LinkEnd registers(AxisAssembly axis, RegisterMap map) {
    LinkLoss loss = LinkLoss.of(axis);
    boolean written = LinkProgram.timeout(map).isPresent();
    boolean runsOn = written ? loss.action() == LinkLoss.Action.HOLD : loss.runsOn();
    String does = written ? loss.afterwards() : loss.words();
    return new LinkEnd(
        map,
        "register",
        "a register fieldbus, unit %d".formatted(axis.record().fieldbus().unit()),
        "TRUE in each scan in which an answer came",
        runsOn ? ATTENTION + does : does,
        Optional.empty());
  }

  /** The process image of the station that leads to a drive. */
  static LinkEnd processData(DriveImage image) {
    return new LinkEnd(
        image,
        "entry of the image",
        "process data, station %s".formatted(image.design().station().name()),
        "TRUE in each scan in which the station is in OP and its working counter is right",
        "ATTENTION: what the motor does after the watchdog of the station is set in the drive. Try it.",
        image.modePlace().flatMap(p -> image.mode()));
  }
}
