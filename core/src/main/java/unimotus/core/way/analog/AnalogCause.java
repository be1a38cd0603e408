package unimotus.core.way.analog;

import unimotus.core.detective.Cause;

/** What can be wrong with a reference as a voltage or a current. */
public enum AnalogCause implements Cause {
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
      "No volts or milliamps at any command: dead output, no supply of the module, or an open current loop.",
      "Measure at the output with the wire off (volts) or over a meter (milliamps); then its supply and fuse."),
  OPEN_WIRE(
      "Wire of the signal is open",
      2,
      "Volts right at the controller, drive at its minimum or at its lost-signal action.",
      "Measure the signal at the drive's terminals against their common; repair the wire or its return."),
  RAW_FULL_SCALE(
      "Program and module count to different full scales",
      3,
      "Everything is short, or full early, by one ratio, from the signal onwards.",
      "Scale the program to the module's full scale."),
  INPUT_INVERTED(
      "Drive's input is inverted",
      1.5,
      "Fast where slow is meant, and the other way round.",
      "Switch the inversion off."),
  INPUT_KIND(
      "Input switch is set to the other kind of signal",
      2.5,
      "Signal right, drive is at its maximum or saturates early.",
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
      "Measure the signal at the drive's terminals and repair the joint."),
  OFFSET(
      "A constant adds to the signal",
      1,
      "Display off by the same amount at every reference: ground difference or zero adjustment.",
      "Connect the returns at one point, or zero the input.");

  private final Account account;

  AnalogCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }
}
