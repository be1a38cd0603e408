package unimotus.core.detective;

/** What can be wrong on any axis, whatever the way of its command. */
public enum AxisCause implements Cause {
  AS_DESIGNED(
      "Nothing: the axis is as designed",
      8,
      "All readings lie on the prediction.",
      "Nothing to do."),
  IMPLIED_DECIMALS(
      "Implied decimals in the program's number",
      1.5,
      "Everything is off by 10 or 100, or the path is at its limit.",
      "Agree on the decimals of the number between screen and program."),
  DRIVE_SPAN(
      "Drive scales the reference to another top frequency",
      3,
      "Signal right, display off by one ratio such as 60/50.",
      "Set the frequency at full signal to the number the program means."),
  MAXIMUM_CLAMP(
      "Maximum frequency clamps the reference",
      3,
      "Right up to a limit, flat above it.",
      "Raise the maximum frequency if motor and machine allow it."),
  MINIMUM_FLOOR(
      "Minimum frequency lifts the reference",
      2.5,
      "Flat at a floor for low references, right above it; a macro often sets 20 Hz.",
      "Lower the minimum frequency."),
  OTHER_SOURCE(
      "Drive takes its reference from elsewhere",
      2,
      "The same speed at any command.",
      "Set the reference source to the wired input."),
  NOT_RUNNING(
      "No run command arrives",
      2.6,
      "Drive ready and no output, too few volts at the run input: dead output, open wire, commons apart, source or sink.",
      "Follow the run wire from the output to the input, and the commons back."),
  RUN_IGNORED(
      "Drive does not take the run command from its input",
      1,
      "Drive ready and no output although the run input has its volts: function of the terminal, command source, enable of the direction.",
      "Compare function of the terminal, command source and blocked directions with the design."),
  NOT_PERMITTED(
      "Permission is missing",
      2.5,
      "Drive not permitted: reset not pressed, one channel open, factory-fitted jumper missing, kind of feed, enable, stop demanded.",
      "Measure each safe torque off and enable input against its common, stop released and reset."),
  DRIVE_FAULT(
      "Drive has a fault",
      1.5,
      "Drive shows a fault and does not run.",
      "Read the fault number in the sheet or the manual, remove its cause, then reset."),
  RUN_AT_REST(
      "Run command is on at rest",
      1,
      "Drive runs although nothing is commanded: a wire beside the contact, an output shorted to its supply.",
      "Switch off. Look for a wire beside the contact; the motor may start at power-up."),
  PERMISSION_BRIDGED(
      "Permission is bridged",
      1,
      "Drive stays ready with the permission open: factory-fitted jumper or a wire across it.",
      "Remove the jumper or the wire and prove the stop again before anything else."),
  POLES(
      "Motor has another pole count",
      1.5,
      "Display right, shaft off by a ratio of pole counts such as 2 or 1.5.",
      "Read the plate again and set the poles."),
  SIGN(
      "Phase order is reversed",
      2.5,
      "Sizes right, shaft turns the other way.",
      "Swap two motor phases with the drive isolated, or the direction setting."),
  GEAR(
      "Gear or diameter is not as designed",
      2,
      "Shaft right, machine off by one ratio.",
      "Read the gear's plate and measure the diameter."),
  SLIP(
      "Shaft sags under load",
      1.5,
      "Display right, shaft low by more than the plate's slip for this load.",
      "Check load, voltage, connection and motor data; this is not a scaling fault."),
  RAMP_TIME(
      "Ramp is not as long as designed",
      2,
      "Speeds right, time of a ramp off by one ratio: its setting, or the frequency ramps count to.",
      "Read ramp times and the frequency they count to on the drive; is the current limit reached?"),
  LOAD_OTHERWISE(
      "Inertia or friction is not as designed",
      2,
      "Speeds right, coasting takes longer or shorter by one ratio.",
      "Correct inertia and friction of the load by the coast; then check stops and ramps again."),
  OUTPUT_OTHERWISE(
      "Analog output of the drive is set otherwise",
      1.5,
      "Speeds right, one output of the drive off at rest or by one ratio: meaning, full scale or range.",
      "Read meaning, full scale and range of the output on the drive, and its switch."),
  NOT_EXPLAINED(
      "Not explained by any known cause",
      1,
      "No cause fits all readings; two faults at once, or a reading that is wrong.",
      "Repeat the reading that stands out, then change one thing at a time.");

  private final Account account;

  AxisCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public boolean isFault() {
    return this != AS_DESIGNED && this != NOT_EXPLAINED;
  }

  @Override
  public boolean isStanding() {
    return switch (this) {
      case NOT_RUNNING, RUN_IGNORED, NOT_PERMITTED, DRIVE_FAULT -> true;
      default -> false;
    };
  }
}
