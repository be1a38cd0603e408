package unimotus.core.way.motion;

import unimotus.core.detective.Cause;

/** What can be wrong with positions sent to a servo drive. */
public enum MotionCause implements Cause {
  PROGRAM_ENCODER(
      "Motion axis counts another encoder",
      2.5,
      "Target position off by a power of two (64: 23 bits against 17), or by 4 (lines against edges).",
      "Enter the counts a turn of the motor's plate in the motion axis."),
  PROGRAM_GEAR(
      "Motion axis has another gear",
      2,
      "Target position off by the gear ratio, or by its square where it is inverted.",
      "Enter the gear in the motion axis as it is: motor turns for load turns."),
  PROGRAM_FEED(
      "Motion axis has another feed or unit",
      2,
      "Target position off by 10, 100, 1000, 25.4, π, or the feed against 360.",
      "Enter the feed in the unit of the program."),
  PROGRAM_DIRECTION(
      "Motion axis counts backwards",
      1.5,
      "Target position has the other sign; the axis runs the other way.",
      "Take the inversion out of the motion axis, or set it in drive and axis alike."),
  DRIVE_ENCODER(
      "Drive counts another number a turn",
      2,
      "Target position right, shaft off by a power of two or by 4, and a turn by hand as well.",
      "Read counts a turn in the drive (0x608F) beside the motor's plate."),
  DRIVE_UNITS(
      "Gear or feed of the drive acts on the target",
      1.5,
      "Target position right, shaft off by the gear ratio or by the feed.",
      "Set gear (0x6091) and feed (0x6092) of the drive as the controller means them, once and not twice."),
  DRIVE_DIRECTION(
      "Drive counts backwards",
      1.5,
      "Target position right, shaft turns the other way, a turn by hand counts down; no fault.",
      "Read the polarity (0x607E) in the drive."),
  ENCODER_REVERSED(
      "Encoder counts against the motor",
      1,
      "A turn by hand counts down, and once enabled the axis runs away and faults.",
      "Remove the torque. Correct the encoder's wiring or its direction, not a sign in the program."),
  PHASE_ORDER(
      "Two motor phases are exchanged, or the commutation offset is wrong",
      1.2,
      "A turn by hand counts right; once enabled the axis jerks or runs away and faults.",
      "Remove the torque, isolate, and wire U, V, W as the drive's sheet says; repeat the finding of the commutation."),
  POSITION_SHIFTED(
      "Image is shifted between controller and drive",
      2,
      "Station in OP, drive not enabled, or a fault on following error at the first enable.",
      "Lay the mapping of the drive beside the controller's list: an entry or a padding is missing."),
  ENABLE_BIT(
      "A bit of the control word is missing",
      2,
      "Station in OP, drive ready and never enabled; no fault.",
      "Follow the control word: 6, 7, 15. The block that enables the axis has to be called in every cycle."),
  INTERPOLATION_TIME(
      "Interpolation time is not the cycle",
      1.5,
      "Positions right, motion in steps, loud.",
      "Write 0x60C2 at start-up so that it is the cycle of the controller."),
  BRAKE_CLOSED(
      "Holding brake does not open",
      1.5,
      "Brake stays closed when the drive is enabled; following error and a fault at the first motion.",
      "Measure 24 V at the brake while the drive is enabled; follow its supply, relay and polarity."),
  BRAKE_SLIPS(
      "Holding brake does not hold",
      1,
      "The axis sinks when the drive is disabled.",
      "Secure the load. Measure the brake's torque; look for oil, wear, and for torque taken away before it closed."),
  FOLLOWING_GAIN(
      "Position gain is not as designed",
      1.5,
      "Positions right, following error off by one ratio.",
      "Read gain and feed-forward in the drive."),
  SPEED_UNIT(
      "Speed counts a minute for a second",
      1.5,
      "Positions right, moves take many times as long or short.",
      "Compare the unit of speeds in program and motion axis: 360° a minute is one turn a minute.");

  private final Account account;

  MotionCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public boolean isStanding() {
    return switch (this) {
      case ENCODER_REVERSED, PHASE_ORDER, POSITION_SHIFTED, ENABLE_BIT, BRAKE_CLOSED -> true;
      default -> false;
    };
  }
}
