package unimotus.core.processdata;

import java.util.Map;
import java.util.Optional;
import unimotus.core.profile.HomingMethod;
import unimotus.core.profile.OperatingMode;

/**
 * What a number in an object of the drive profile chooses (IEC 61800-7-201, from memory). A further
 * axis of one device stands 0x800 higher.
 */
public final class ProfileMeaning {
  private static final int FIRST = 0x6000;
  private static final int BEHIND = 0xA000;
  private static final int NEXT_AXIS = 0x800;
  private static final int QUICK_STOP = 0x605A;
  private static final int SHUTDOWN = 0x605B;
  private static final int DISABLE = 0x605C;
  private static final int HALT = 0x605D;
  private static final int FAULT = 0x605E;
  private static final int MODE = 0x6060;
  private static final int HOMING = 0x6098;

  private static final String COASTS = "torque off, it coasts";
  private static final String RAMP = "down on the ramp";
  private static final String QUICK_RAMP = "down on the quick-stop ramp";
  private static final String CURRENT = "down at the current limit";
  private static final String VOLTAGE = "down at the voltage limit";
  private static final String THEN_OFF = ", then torque off";
  private static final String STAYS = ", torque stays on";

  private static final Map<Integer, Map<Integer, String>> OPTIONS =
      Map.of(
          QUICK_STOP,
          Map.of(
              0, COASTS,
              1, RAMP + THEN_OFF,
              2, QUICK_RAMP + THEN_OFF,
              3, CURRENT + THEN_OFF,
              4, VOLTAGE + THEN_OFF,
              5, RAMP + STAYS,
              6, QUICK_RAMP + STAYS,
              7, CURRENT + STAYS,
              8, VOLTAGE + STAYS),
          SHUTDOWN,
          Map.of(0, COASTS, 1, RAMP + THEN_OFF),
          DISABLE,
          Map.of(0, COASTS, 1, RAMP + THEN_OFF),
          HALT,
          Map.of(1, RAMP + STAYS, 2, QUICK_RAMP + STAYS, 3, CURRENT + STAYS, 4, VOLTAGE + STAYS),
          FAULT,
          Map.of(
              0, COASTS,
              1, RAMP + THEN_OFF,
              2, QUICK_RAMP + THEN_OFF,
              3, CURRENT + THEN_OFF,
              4, VOLTAGE + THEN_OFF));

  private static final Map<Integer, String> ASKED =
      Map.of(
          QUICK_STOP, "quick stop",
          SHUTDOWN, "shutdown",
          DISABLE, "operation disabled",
          HALT, "halt",
          FAULT, "fault");

  private ProfileMeaning() {}

  /**
   * What a value chooses, such as {@code quick stop: down on the ramp, torque stays on}; empty for
   * an object that chooses nothing.
   *
   * @param index the object, of any axis
   * @param subindex its part
   * @param value the number in it
   */
  public static Optional<String> of(int index, int subindex, long value) {
    if (index < FIRST || index >= BEHIND || subindex != 0) {
      return Optional.empty();
    }
    int first = FIRST + (index - FIRST) % NEXT_AXIS;
    int number = (int) value;
    if (first == MODE) {
      return Optional.of(
          DriveImage.mode(number).map(OperatingMode::label).orElse(strange(number, "mode")));
    }
    if (first == HOMING) {
      return Optional.of(
          HomingMethod.of(number).map(HomingMethod::text).orElse(strange(number, "homing method")));
    }
    return Optional.ofNullable(OPTIONS.get(first))
        .map(o -> ASKED.get(first) + ": " + o.getOrDefault(number, strange(number, "option")));
  }

  private static String strange(int number, String what) {
    return number < 0
        ? "%s of the manufacturer".formatted(what)
        : "no %s of the profile".formatted(what);
  }
}
