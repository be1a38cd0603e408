package unimotus.core.stops;

import java.util.List;

/**
 * Something that happens to a stop circuit.
 *
 * @param kind what happens
 * @param part id of the part it happens to; empty for the line as a whole
 * @param to the position a part is brought to, or the mark of an output; empty where neither
 */
public record StopEvent(Kind kind, String part, String to) {

  /** What can happen. */
  public enum Kind {
    DEMAND("demand the stop"),
    RELEASE("release the stop"),
    PRESS_RESET("press reset"),
    RELEASE_RESET("let reset go"),
    TURN("turn"),
    TURN_BACK("turn back"),
    OUTPUT_ON("program switches on"),
    OUTPUT_OFF("program switches off"),
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
  public static final StopEvent POWER_OFF = new StopEvent(Kind.POWER_OFF, "", "");

  /** Power comes back. */
  public static final StopEvent POWER_ON = new StopEvent(Kind.POWER_ON, "", "");

  /** Motion is commanded. */
  public static final StopEvent RUN_ON = new StopEvent(Kind.RUN_ON, "", "");

  /** The command is withdrawn. */
  public static final StopEvent RUN_OFF = new StopEvent(Kind.RUN_OFF, "", "");

  /** The hand on the stop, or the guard opens. */
  public static StopEvent demand(StopCircuit circuit, String trigger) {
    return new StopEvent(Kind.DEMAND, trigger, circuit.demand(trigger));
  }

  /** The stop is pulled again, or the guard closes. */
  public static StopEvent release(String trigger) {
    return new StopEvent(Kind.RELEASE, trigger, "");
  }

  /** The reset button is pressed and let go; nothing where there is none. */
  public static List<StopEvent> reset(StopCircuit circuit) {
    String button = circuit.stop().resetButton();
    return button == null
        ? List.of()
        : List.of(
            new StopEvent(Kind.PRESS_RESET, button, circuit.demand(button)),
            new StopEvent(Kind.RELEASE_RESET, button, ""));
  }

  /** What happens, in words, with the names the parts have in a circuit. */
  public String text(StopCircuit circuit) {
    return switch (kind) {
      case DEMAND -> "%s: %s".formatted(circuit.name(part), to);
      case RELEASE, TURN_BACK -> "%s: %s".formatted(circuit.name(part), circuit.rest(part));
      case PRESS_RESET -> "press " + circuit.name(part);
      case RELEASE_RESET -> "let %s go".formatted(circuit.name(part));
      case TURN -> "turn %s to %s".formatted(circuit.name(part), to);
      case OUTPUT_ON, OUTPUT_OFF -> "%s %s of %s".formatted(kind.label(), to, circuit.name(part));
      default -> kind.label();
    };
  }

  /** Several events in a row, in words. */
  public static String text(List<StopEvent> events, StopCircuit circuit) {
    return String.join(", ", events.stream().map(e -> e.text(circuit)).toList());
  }
}
