package unimotus.core.stops;

import java.util.List;

/**
 * Something that happens to a stop circuit.
 *
 * @param kind what happens
 * @param part id of the part it happens to; empty for the line as a whole
 */
public record StopEvent(Kind kind, String part) {

  /** What can happen. */
  public enum Kind {
    DEMAND("demand the stop"),
    RELEASE("release the stop"),
    PRESS_RESET("press reset"),
    RELEASE_RESET("let reset go"),
    POWER_OFF("power off"),
    POWER_ON("power on"),
    RUN_ON("command run"),
    RUN_OFF("withdraw run");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }
  }

  /** Power off, power on. */
  public static final StopEvent POWER_OFF = new StopEvent(Kind.POWER_OFF, "");

  /** Power comes back. */
  public static final StopEvent POWER_ON = new StopEvent(Kind.POWER_ON, "");

  /** The controller commands motion. */
  public static final StopEvent RUN_ON = new StopEvent(Kind.RUN_ON, "");

  /** The controller withdraws its command. */
  public static final StopEvent RUN_OFF = new StopEvent(Kind.RUN_OFF, "");

  /** The hand on the stop, or the guard opens. */
  public static StopEvent demand(String trigger) {
    return new StopEvent(Kind.DEMAND, trigger);
  }

  /** The stop is pulled again, or the guard closes. */
  public static StopEvent release(String trigger) {
    return new StopEvent(Kind.RELEASE, trigger);
  }

  /** The reset button is pressed and let go; nothing where there is none. */
  public static List<StopEvent> reset(StopCircuit circuit) {
    String button = circuit.stop().resetButton();
    return button == null
        ? List.of()
        : List.of(
            new StopEvent(Kind.PRESS_RESET, button), new StopEvent(Kind.RELEASE_RESET, button));
  }

  /** What happens, in words. */
  public String text() {
    return kind.label();
  }
}
