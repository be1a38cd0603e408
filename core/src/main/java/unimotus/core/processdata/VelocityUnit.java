package unimotus.core.processdata;

import java.util.Optional;
import unimotus.core.value.Scaling;

/**
 * What one step of a velocity is, as a drive says it in object 0x60A9: a power of ten in the
 * highest byte, then what is counted, then in which time (IEC 61800-7-201 and CiA 303-2, from
 * memory).
 */
final class VelocityUnit {
  static final int OBJECT = 0x60A9;

  private static final int REVOLUTIONS = 0xB4;
  private static final int MINUTE = 0x47;
  private static final int SECOND = 0x03;
  private static final int SECONDS_OF_MINUTE = 60;

  private VelocityUnit() {}

  /** One step in rpm; empty where the number counts something else than revolutions. */
  static Optional<Scaling> of(long number) {
    byte tens = (byte) (number >> 24);
    int counted = (int) (number >> 16 & 0xFF);
    int time = (int) (number >> 8 & 0xFF);
    if (counted != REVOLUTIONS || (time != MINUTE && time != SECOND)) {
      return Optional.empty();
    }
    double rpm = Math.pow(10, tens) * (time == SECOND ? SECONDS_OF_MINUTE : 1);
    return Optional.of(Scaling.of(rpm, "rpm"));
  }
}
