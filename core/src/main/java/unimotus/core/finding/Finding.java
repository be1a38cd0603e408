package unimotus.core.finding;

/**
 * One thing that is off, or worth knowing.
 *
 * @param severity how much it stands in the way
 * @param rule the rule that was broken
 * @param place where, as a model path such as {@code axis/rinse-drum/drive}
 * @param seen what is seen, with the values
 * @param why why it matters
 * @param remedy what to do
 */
public record Finding(
    Severity severity, Rule rule, String place, String seen, String why, String remedy) {

  /** The finding on one line, as the command line prints it. */
  public String line() {
    return "%s %s %s: %s".formatted(rule.code(), severity.label(), place, seen);
  }
}
