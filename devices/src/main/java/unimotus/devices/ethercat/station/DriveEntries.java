package unimotus.devices.ethercat.station;

import unimotus.core.bench.BenchSetup;
import unimotus.core.processdata.ObjectEntry;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** The objects of a frequency drive that its motor lives behind (IEC 61800-7-201, from memory). */
enum DriveEntries {
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

  private static final double THOUSANDTH = 0.001;

  private final int index;
  private final String words;
  private final ValueRole role;
  private final ValueType type;
  private final boolean isWritten;

  DriveEntries(int index, String words, ValueRole role, ValueType type, boolean isWritten) {
    this.index = index;
    this.words = words;
    this.role = role;
    this.type = type;
    this.isWritten = isWritten;
  }

  int index() {
    return index;
  }

  boolean isWritten() {
    return isWritten;
  }

  /** Speeds count in rpm, the current in thousandths of what stands on the plate. */
  ObjectEntry of(BenchSetup setup) {
    Scaling scaling =
        switch (role) {
          case REFERENCE, OUTPUT_FREQUENCY, SHAFT_SPEED -> Scaling.of(1, "rpm");
          case MOTOR_CURRENT -> Scaling.of(THOUSANDTH * setup.plate().currentAmperes(), "A");
          default -> Scaling.PLAIN;
        };
    Limits limits = new Limits(type.least(), type.most());
    Access access = isWritten ? Access.READ_WRITE : Access.READ;
    return new ObjectEntry(new DriveValue(words, role, type, scaling, limits, access), index, 0);
  }
}
