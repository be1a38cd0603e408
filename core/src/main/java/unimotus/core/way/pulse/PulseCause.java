package unimotus.core.way.pulse;

import unimotus.core.detective.Cause;

/** What can be wrong with positions sent as pulses. */
public enum PulseCause implements Cause {
  SWITCHES(
      "Switches of the driver stand for other pulses a turn",
      3,
      "Pulses right, shaft off by a neat ratio: 2, 4, 5, 10.",
      "Read the switches with the power off and set them by the table on the lid."),
  PROGRAM_STEPS(
      "Program counts other pulses a turn",
      2.5,
      "Pulses off by a neat ratio: 2, 4, 5, 10.",
      "Enter the pulses a turn of the driver's switches in the program."),
  PROGRAM_UNIT(
      "Program has another lead or unit",
      2,
      "Pulses off by 10, 1000, 25.4, π, or the travel against 360.",
      "Enter the travel of one turn in the unit of the program."),
  DIRECTION(
      "It turns the other way",
      2,
      "Pulses right, shaft the same distance the other way.",
      "Exchange the two ends of one coil, or invert the direction in the program; not both."),
  OPEN_PHASE(
      "A coil is open, or its pairs are mixed up",
      1.5,
      "Held weakly; at every pulse it shakes and gets nowhere.",
      "Power off. Find the pairs by continuity and wire each to its phase."),
  PULL_IN(
      "Pulses begin faster than the motor starts",
      1.5,
      "It hums and stands at the usual rate, and runs in a slow jog.",
      "Begin under the pull-in rate and ramp up; look at the load's inertia."),
  STALLS(
      "It falls out of step",
      1.5,
      "Short moves right; after some rounds it stands elsewhere.",
      "Less acceleration, a higher supply; look for what binds."),
  PULSES_LOST(
      "The input misses pulses",
      1.5,
      "Pulses right, shaft short by no neat ratio, and it does not come back.",
      "Measure volts and milliamps at the input while it is on; look at the resistor and the rate."),
  DISABLED(
      "The driver is disabled",
      2,
      "Shaft turns freely and stands silent at any pulse.",
      "Look at the enable input: some are enabled while it is open, some while it is driven."),
  NO_STEPS(
      "No pulse reaches the input",
      1.5,
      "Held, silent, and stands.",
      "Hold the meter, or a lamp, on the step input while the program gives pulses."),
  TIMER_BASE(
      "Timers count in another base",
      1,
      "Positions and rate right, standing times off by 10 or 100.",
      "Compare the base of the timers: 50 are 5 s at 100 ms and 0.5 s at 10 ms."),
  SPEED_UNIT(
      "Speed counts a minute for a second",
      1,
      "Positions right, rate off by 60.",
      "Compare the unit of speeds: a minute for a second.");

  private final Account account;

  PulseCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public boolean isStanding() {
    return switch (this) {
      case OPEN_PHASE, PULL_IN, DISABLED, NO_STEPS -> true;
      default -> false;
    };
  }
}
