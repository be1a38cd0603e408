package unimotus.core.processdata;

import java.util.Arrays;
import java.util.Optional;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** The objects a drive is commanded by and tells of itself with (IEC 61800-7-201, from memory). */
public enum ProfileObject {
  ERROR(0x603F, "error code", ValueRole.FAULT_CODE, ValueType.UNSIGNED_16, false),
  CONTROL(0x6040, "control word", ValueRole.CONTROL_WORD, ValueType.BITS_16, true),
  STATUS(0x6041, "status word", ValueRole.STATUS_WORD, ValueType.BITS_16, false),
  VELOCITY_TARGET(0x6042, "target velocity", ValueRole.REFERENCE, ValueType.SIGNED_16, true),
  VELOCITY_DEMAND(
      0x6043, "velocity demand", ValueRole.OUTPUT_FREQUENCY, ValueType.SIGNED_16, false),
  VELOCITY_ACTUAL(0x6044, "velocity", ValueRole.SHAFT_SPEED, ValueType.SIGNED_16, false),
  CURRENT(0x6078, "current", ValueRole.MOTOR_CURRENT, ValueType.SIGNED_16, false),
  PROFILE_TARGET(0x60FF, "target velocity", ValueRole.REFERENCE, ValueType.SIGNED_32, true),
  PROFILE_ACTUAL(0x606C, "velocity", ValueRole.SHAFT_SPEED, ValueType.SIGNED_32, false);

  /** The object that chooses the operating mode. */
  public static final int MODE = 0x6060;

  /** The object that shows the operating mode. */
  public static final int MODE_SHOWN = 0x6061;

  private static final double THOUSANDTH = 0.001;
  private static final Scaling RPM = Scaling.of(1, "rpm");

  private final int index;
  private final String words;
  private final ValueRole role;
  private final ValueType type;
  private final boolean isWritten;

  ProfileObject(int index, String words, ValueRole role, ValueType type, boolean isWritten) {
    this.index = index;
    this.words = words;
    this.role = role;
    this.type = type;
    this.isWritten = isWritten;
  }

  /** The object of a number; empty where it is none of these. */
  public static Optional<ProfileObject> of(int index) {
    return Arrays.stream(values()).filter(o -> o.index == index).findFirst();
  }

  /** Its number. */
  public int index() {
    return index;
  }

  /** What it is to the program. */
  public ValueRole role() {
    return role;
  }

  /** The type the profile gives it. */
  public ValueType type() {
    return type;
  }

  /** Whether the controller writes it. */
  public boolean isWritten() {
    return isWritten;
  }

  /**
   * What it says where speeds count in rpm.
   *
   * @param ratedAmperes what the current is told in thousandths of
   */
  public DriveValue value(double ratedAmperes) {
    return value(type, isSpeed() ? RPM : scaling(ratedAmperes));
  }

  private Scaling scaling(double ratedAmperes) {
    return role == ValueRole.MOTOR_CURRENT
        ? Scaling.of(THOUSANDTH * ratedAmperes, "A")
        : Scaling.PLAIN;
  }

  /** Whether it tells a speed. */
  public boolean isSpeed() {
    return switch (role) {
      case REFERENCE, OUTPUT_FREQUENCY, SHAFT_SPEED -> true;
      default -> false;
    };
  }

  /** What it says as some type, with some steps. */
  public DriveValue value(ValueType as, Scaling scaling) {
    Limits limits = new Limits(scaling.value(as.least()), scaling.value(as.most()));
    Access access = isWritten ? Access.READ_WRITE : Access.READ;
    return new DriveValue(words, role, as, scaling, limits, access);
  }
}
