package unimotus.core.machine;

/**
 * One thing that must hold for an input to be meant on: an output commanded on, a switch in a
 * position, a drive in a state.
 *
 * @param device id of the controller, part or drive
 * @param state the output's terminal of a controller, the position of a part, or the state of a
 *     drive
 * @param holds false where it must not be so
 */
public record Condition(String device, String state, boolean holds) {

  /** A condition that must hold. */
  public Condition(String device, String state) {
    this(device, state, true);
  }

  @Override
  public String toString() {
    return device + (holds ? " " : " not ") + state;
  }
}
