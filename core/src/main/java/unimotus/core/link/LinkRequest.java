package unimotus.core.link;

/**
 * A link that is wanted.
 *
 * @param axis id of the axis
 * @param intent what it is for
 * @param choice in which of its forms
 */
public record LinkRequest(String axis, LinkIntent intent, LinkChoice choice) {

  /** Checks the form. */
  public LinkRequest {
    if (!intent.choices().contains(choice)) {
      throw none(intent, choice.key());
    }
  }

  /** A link in its usual form. */
  public static LinkRequest of(String axis, LinkIntent intent) {
    return new LinkRequest(axis, intent, intent.usual());
  }

  /**
   * A link in one of its forms, by its key.
   *
   * @throws IllegalArgumentException naming the forms there are, where it has no such one
   */
  public static LinkRequest of(String axis, LinkIntent intent, String choice) {
    return intent.choices().stream()
        .filter(c -> c.key().equals(choice))
        .findFirst()
        .map(c -> new LinkRequest(axis, intent, c))
        .orElseThrow(() -> none(intent, choice));
  }

  private static IllegalArgumentException none(LinkIntent intent, String choice) {
    return new IllegalArgumentException(
        "'%s' cannot be wired as '%s'; it can as %s"
            .formatted(
                intent.label(),
                choice,
                String.join(", ", intent.choices().stream().map(LinkChoice::key).toList())));
  }
}
