package unimotus.devices.registers;

import java.util.function.LongSupplier;
import unimotus.core.bench.BenchSetup;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.profile.WordProfile;
import unimotus.core.sheet.InductionPlate;

/** A small drive with a six-pole motor and a light load, for tests. */
final class Drives {
  private static final InductionPlate PLATE =
      new InductionPlate(750, 400, 2.05, 50, 930, 0.72, 1, 0.0025);
  private static final ShaftLoad LIGHT = new ShaftLoad(0.005, 1, 0, 0);

  private Drives() {}

  /** Its bench; from standstill to 50 Hz in so many seconds, and back. */
  static BenchSetup setup(double rampSeconds) {
    return new BenchSetup(
        hertz -> Math.min(hertz, 50),
        50,
        50,
        rampSeconds,
        rampSeconds,
        true,
        false,
        PLATE,
        15,
        LIGHT);
  }

  /** A drive with the registers every stand-in has. */
  static DriveUnit drive(double rampSeconds, WordProfile profile, LongSupplier nanos) {
    return new DriveUnit(
        setup(rampSeconds), profile, DriveRegisters.map(), "Fieldbus drive 1.5 kW", nanos);
  }
}
