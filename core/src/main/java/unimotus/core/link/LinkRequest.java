package unimotus.core.link;

/**
 * A link that is wanted.
 *
 * @param axis id of the axis
 * @param kind what it is for
 * @param presets inputs for preset speeds, 1 to 4; only {@link LinkKind#PRESETS} looks at it
 * @param delayedStart whether Hand–Off–Auto takes the start input with a delay
 */
public record LinkRequest(String axis, LinkKind kind, int presets, boolean delayedStart) {

  /** Checks the number of presets. */
  public LinkRequest {
    if (presets < 1 || presets > 4) {
      throw new IllegalArgumentException(
          "preset speeds take 1 to 4 inputs, not %d".formatted(presets));
    }
  }

  /** A link with the usual choices: two preset inputs, delayed start. */
  public static LinkRequest of(String axis, LinkKind kind) {
    return new LinkRequest(axis, kind, 2, true);
  }
}
