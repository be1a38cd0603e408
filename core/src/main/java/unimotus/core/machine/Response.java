package unimotus.core.machine;

/**
 * A switch that something at the machine operates a time after a coil took its voltage: a cylinder
 * at its end, a door closed.
 *
 * @param part id of the switch
 * @param coil id of the part whose coil makes it happen
 * @param onSeconds from the coil's voltage to the switch, 0 to 3600
 * @param offSeconds from the end of it to the switch let go, 0 to 3600
 */
public record Response(String part, String coil, double onSeconds, double offSeconds) {
  private static final double LONGEST = 3600;

  /** Checks names and times. */
  public Response {
    if (part.isBlank() || coil.isBlank()) {
      throw new IllegalArgumentException("response: the switch and the coil must be named");
    }
    if (!(onSeconds >= 0 && onSeconds <= LONGEST) || !(offSeconds >= 0 && offSeconds <= LONGEST)) {
      throw new IllegalArgumentException(
          "response: '%s' takes 0 to 3600 s, not %s s on and %s s off"
              .formatted(part, onSeconds, offSeconds));
    }
  }
}
