package unimotus.core.machine;

/**
 * A switch that the axis itself operates on its way, between two positions of the machine in the
 * travel unit of its mechanics. An end switch reaches from where it is operated to the mechanical
 * stop behind it.
 *
 * @param part id of the switch
 * @param use what it is for
 * @param from lower position, below {@code to}
 * @param to upper position
 */
public record PlacedSwitch(String part, SwitchUse use, double from, double to) {
  /** Checks the positions. */
  public PlacedSwitch {
    if (part.isBlank()) {
      throw new IllegalArgumentException("switch along the travel: which part it is must be named");
    }
    if (!Double.isFinite(from) || !Double.isFinite(to) || !(from < to)) {
      throw new IllegalArgumentException(
          "switch along the travel: it is operated from %s to %s, the first must be below the second"
              .formatted(from, to));
    }
  }

  /** Whether the axis operates it at a position; an end switch stays so beyond its stop. */
  public boolean isOperated(double position) {
    boolean over = position >= from || use == SwitchUse.LOW_END;
    boolean under = position <= to || use == SwitchUse.HIGH_END;
    return over && under;
  }

  /** How long it is. */
  public double length() {
    return to - from;
  }
}
