package unimotus.core.process;

/** What a drive with a loop is doing. */
public enum LoopState {
  STOPPED("stopped"),
  RUNNING("running"),
  /** Runs to a higher store before it sleeps. */
  BOOSTING("boost before sleep"),
  /** Stands, and starts by itself. */
  ASLEEP("asleep"),
  HAND("by hand"),
  FAULT("fault");

  private final String label;

  LoopState(String label) {
    this.label = label;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** Whether its output follows the loop. */
  boolean isLoop() {
    return this == RUNNING || this == BOOSTING;
  }
}
