package unimotus.devices.drive;

import java.util.Arrays;
import java.util.Optional;

/**
 * What a drive does on a quick stop (object 0x605A of IEC 61800-7-201, from memory). The stand-in
 * has one ramp for both kinds.
 */
public enum QuickStop {
  COAST(0, false),
  RAMP(1, false),
  QUICK_RAMP(2, false),
  RAMP_AND_STAY(5, true),
  QUICK_RAMP_AND_STAY(6, true);

  private final int option;
  private final boolean stays;

  QuickStop(int option, boolean stays) {
    this.option = option;
    this.stays = stays;
  }

  /** The number of the option. */
  public int option() {
    return option;
  }

  /** Whether the drive stays in quick stop with torque on when it stands. */
  boolean stays() {
    return stays;
  }

  /** The one of a number; empty for one the stand-in does not have. */
  public static Optional<QuickStop> of(int option) {
    return Arrays.stream(values()).filter(q -> q.option == option).findFirst();
  }
}
