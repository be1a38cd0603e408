package unimotus.core.processdata;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.MotionDesign;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordProfile;

/** The words of a drive behind a station follow from the mode it is put into there. */
public final class StationWords {
  private StationWords() {}

  /**
   * The words of an axis; empty where not exactly one described station leads to its drive, or
   * nothing says a mode.
   */
  public static Optional<WordProfile> of(AxisAssembly axis) {
    if (axis.stations().size() != 1) {
      return Optional.empty();
    }
    StationDesign design = StationDesign.of(axis.stations().get(0), axis.descriptions());
    return DriveImage.of(design).flatMap(i -> mode(axis, i)).map(DriveProfiles::cia402);
  }

  private static Optional<OperatingMode> mode(AxisAssembly axis, DriveImage image) {
    MotionDesign motion = axis.axis().motion();
    return axis.isServo() && motion != null
        ? new ServoImage(image, motion.driveAxis()).mode()
        : image.mode();
  }
}
