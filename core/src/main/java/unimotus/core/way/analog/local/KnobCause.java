package unimotus.core.way.analog.local;

import unimotus.core.detective.Cause;

/** What can be wrong with a potentiometer. */
enum KnobCause implements Cause {
  ENDS_EXCHANGED(
      "Ends of the potentiometer are exchanged",
      2.5,
      "The wiper's volts fall as it is turned up: fast where slow is meant.",
      "Exchange the two ends of the track."),
  DEAD_WIPER(
      "Wiper or feed of the potentiometer is open",
      2.5,
      "No volts at the wiper at any position of the knob; the drive stays at its minimum.",
      "Measure the 10 V over the track, then the wiper at the potentiometer and at the drive."),
  LOWER_END_OPEN(
      "Lower end of the potentiometer is open",
      2,
      "Nearly the whole voltage at the wiper at any position of the knob.",
      "Connect the lower end of the track to the common of the analog input."),
  WRONG_FEED(
      "Track is fed with another voltage",
      1,
      "Full speed early on the travel: the track is connected to 24 V instead of the drive's 10 V.",
      "Feed the track from the drive's 10 V terminal; look whether the input took harm."),
  LOADED_WIPER(
      "Input takes a current and loads the wiper",
      2.5,
      "The wiper's volts break down as it is turned up from zero.",
      "Put the switch of the analog input to voltage.");

  private final Account account;

  KnobCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }
}
