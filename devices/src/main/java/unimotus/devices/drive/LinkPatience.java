package unimotus.devices.drive;

/** How long a drive waits for somebody to speak. Not thread-safe. */
final class LinkPatience {
  private double silent;
  private double most;

  /** Somebody spoke. */
  void heard() {
    silent = 0;
  }

  /** From now on silence of so many seconds is a loss; 0 for never. */
  void last(double seconds) {
    silent = 0;
    most = seconds;
  }

  /** Whether it is at an end after a tick more. */
  boolean isOver(double tick) {
    silent += tick;
    return most > 0 && silent > most;
  }
}
