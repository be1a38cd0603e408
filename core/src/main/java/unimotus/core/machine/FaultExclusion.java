package unimotus.core.machine;

/**
 * A fault of a stop circuit that is taken for impossible, with the reason on record (ISO 13849-2,
 * annex D, from memory: the exclusion is to be justified).
 *
 * @param element what cannot fail: a wire's number, or a device with its terminal as {@code
 *     device:terminal}
 * @param kind the fault, such as {@code SHORT_TO_24V}
 * @param reason why, not blank
 * @param by who says so, not blank
 */
public record FaultExclusion(String element, String kind, String reason, String by) {

  /** Checks that somebody gives a reason. */
  public FaultExclusion {
    if (element.isBlank() || kind.isBlank()) {
      throw new IllegalArgumentException("fault exclusion: element and kind of fault are needed");
    }
    if (reason.isBlank() || by.isBlank()) {
      throw new IllegalArgumentException(
          "fault exclusion of %s: a reason and who gives it are needed".formatted(element));
    }
  }
}
