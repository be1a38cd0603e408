package unimotus.devices.drive;

/**
 * What a drive takes of the switches along its travel, over whatever wires lead to its inputs.
 *
 * @param negative of the negative limit switch
 * @param positive of the positive limit switch
 * @param home of the home switch, which is operated from home downwards
 */
public record SwitchSense(Seen negative, Seen positive, Seen home) {
  /** Limit switches wired as they are meant, and no home switch. */
  public static final SwitchSense LIMITS = new SwitchSense(Seen.MEANT, Seen.MEANT, Seen.NONE);

  static final int NEGATIVE = 1;
  static final int POSITIVE = 2;
  static final int HOME = 4;

  /**
   * What is taken of one switch.
   *
   * @param free whether the drive takes it for acting while it is free
   * @param operated whether it does while it is operated
   */
  public record Seen(boolean free, boolean operated) {
    /** It acts when it is operated. */
    public static final Seen MEANT = new Seen(false, true);

    /** Never: there is none, or its input has another function. */
    public static final Seen NONE = new Seen(false, false);

    boolean acts(boolean isOperated) {
      return isOperated ? operated : free;
    }
  }

  /** Which act as the drive sees it, bit by bit as in object 0x60FD. */
  int acting(boolean atLeast, boolean atMost, boolean atHome) {
    return (negative.acts(atLeast) ? NEGATIVE : 0)
        | (positive.acts(atMost) ? POSITIVE : 0)
        | (home.acts(atHome) ? HOME : 0);
  }
}
