package unimotus.core.detective;

/** What can be wrong on a path, with the signature it leaves. */
public enum Cause {
  AS_DESIGNED(
      "Nothing: the axis is as designed",
      8,
      "All readings lie on the prediction.",
      "Nothing to do."),
  DRIVE_DEAD_ZERO(
      "Drive reads without live zero",
      3,
      "Too fast by 20 % of span at zero, fading to nothing at full scale.",
      "Set the drive's input to the live-zero range that is sent."),
  CONTROLLER_DEAD_ZERO(
      "Controller sends without live zero",
      3,
      "Nothing at low references, too slow in between, right at full scale.",
      "Set the controller's channel to the live-zero range."),
  DRIVE_LIVE_ZERO(
      "Drive expects a live zero",
      2,
      "Nothing at low references, too slow in between, right at full scale; or a lost signal at zero.",
      "Set the drive's input to the range that is sent."),
  CONTROLLER_LIVE_ZERO(
      "Controller sends with live zero",
      2,
      "Too fast by 20 % of span at zero, fading to nothing at full scale; the signal begins at 2 V or 4 mA.",
      "Set the controller's channel to the range the drive reads."),
  DEAD_OUTPUT(
      "No signal leaves the controller",
      2,
      "No volts or milliamps whatever is commanded: dead output, no supply of the module, or an open current loop.",
      "Measure at the output with the wire off (volts) or over a meter (milliamps); then its supply and fuse."),
  OPEN_WIRE(
      "Wire of the signal is open",
      2,
      "Volts right at the controller, drive at its minimum or at its lost-signal action.",
      "Measure the signal at the drive's terminals against their common; mend the wire or its return."),
  RAW_FULL_SCALE(
      "Program and module count to different full scales",
      3,
      "Everything is short, or full early, by one ratio, from the signal onwards.",
      "Scale the program to the module's full scale."),
  IMPLIED_DECIMALS(
      "Implied decimals in the program's number",
      1.5,
      "Everything is off by 10 or 100, or the path stands at its limit.",
      "Agree on the decimals of the number between screen and program."),
  DRIVE_SPAN(
      "Drive scales the reference to another top frequency",
      3,
      "Signal right, display off by one ratio such as 60/50.",
      "Set the frequency at full signal to the number the program means."),
  REGISTER_SCALE(
      "Drive takes the number in the register otherwise",
      3,
      "Register right, display off by 10 or 100, or by percent of the maximum for hertz.",
      "Read unit and decimals of the register in the manual again, then correct them in the map."),
  REGISTER_ORDER(
      "Bytes or words of the register are exchanged",
      1.5,
      "Register right as the program sees it, display without any order in it.",
      "Exchange bytes or words in the map of the register."),
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
  INPUT_INVERTED(
      "Drive's input is inverted",
      1.5,
      "Fast where slow is meant, and the other way round.",
      "Switch the inversion off."),
  INPUT_KIND(
      "Input switch stands at the other kind of signal",
      2.5,
      "Signal right, drive stands at its maximum or saturates early.",
      "Put the switch of the analog input to what is wired."),
  HALF_RANGE(
      "Drive reads half or twice the range",
      1.5,
      "Signal right, drive twice as fast and full at half, or half as fast.",
      "Set the same range at both ends."),
  DEAD_BAND(
      "Dead band swallows low references",
      1,
      "Nothing at low references, right above.",
      "Reduce the dead band."),
  JOINT(
      "Signal is lost on the way",
      1.5,
      "Display short by one ratio while the controller's end is right: high-resistance joint or burden.",
      "Measure the signal at the drive's terminals and mend the joint."),
  OFFSET(
      "A constant adds to the signal",
      1,
      "Display off by the same amount at every reference: ground difference or zero adjustment.",
      "Join the returns at one point, or zero the input."),
  OTHER_SOURCE(
      "Drive takes its reference from elsewhere",
      2,
      "The same speed whatever is commanded.",
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
      "Drive not permitted: reset not pressed, one channel open, works jumper missing, kind of feed, enable, stop demanded.",
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
      "Drive stays ready with the permission open: works jumper or a wire across it.",
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
      "Correct inertia and friction of the load by the coast; then look at stops and ramps again."),
  NOT_EXPLAINED(
      "Not explained by any known cause",
      1,
      "No cause fits all readings; two faults at once, or a reading that is wrong.",
      "Repeat the reading that stands out, then change one thing at a time.");

  private final String title;
  private final double weight;
  private final String signature;
  private final String remedy;

  Cause(String title, double weight, String signature, String remedy) {
    this.title = title;
    this.weight = weight;
    this.signature = signature;
    this.remedy = remedy;
  }

  /** Whether something is wrong, and known. */
  public boolean isFault() {
    return this != AS_DESIGNED && this != NOT_EXPLAINED;
  }

  /** Whether the drive does not turn its motor under it, whatever else is wrong. */
  boolean isStanding() {
    return switch (this) {
      case NOT_RUNNING, RUN_IGNORED, NOT_PERMITTED, DRIVE_FAULT -> true;
      default -> false;
    };
  }

  /** The cause in a few words. */
  public String title() {
    return title;
  }

  /** How common it is before anything is measured, relative to the others (common practice). */
  double weight() {
    return weight;
  }

  /** The pattern it leaves in the readings. */
  public String signature() {
    return signature;
  }

  /** What to do about it. */
  public String remedy() {
    return remedy;
  }
}
