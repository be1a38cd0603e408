package unimotus.core.stops;

import java.util.Optional;

/** What keeps the motor from starting although nothing is broken and nothing demands a stop. */
public enum Hindrance {
  FEED("the drive's safety inputs are set for another kind of feed, or differ"),
  TEST_PULSES("the safety relay's test pulses do not come back as they should"),
  RESET("the safety relay cannot be reset: its channels or its feedback loop stay open"),
  INPUTS("the inputs that permit motion do not read on");

  private final String label;

  Hindrance(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** What keeps a sound circuit from starting; empty where it starts. */
  static Optional<Hindrance> of(StopCircuit circuit) {
    StopState at = new StopMachine(circuit).running();
    if (at.drive().moving()) {
      return Optional.empty();
    }
    if (at.drive().fault()) {
      return Optional.of(FEED);
    }
    if (circuit.relay() != null && !at.relay().on()) {
      return Optional.of(at.relay().locked() ? TEST_PULSES : RESET);
    }
    return Optional.of(INPUTS);
  }
}
