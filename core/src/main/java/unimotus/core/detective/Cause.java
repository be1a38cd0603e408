package unimotus.core.detective;

/**
 * What can be wrong on a path, with the signature it leaves: of any axis, or of one way of command.
 */
public interface Cause {

  /**
   * What is told of a cause.
   *
   * @param title the cause in a few words
   * @param weight how common it is before anything is measured, relative to the others (common
   *     practice)
   * @param signature what gives it away
   * @param remedy what to do about it
   */
  record Account(String title, double weight, String signature, String remedy) {}

  /** Its word in files, such as {@code NOT_RUNNING}. */
  String name();

  /** What is told of it. */
  Account account();

  /** The cause in a few words. */
  default String title() {
    return account().title();
  }

  /** How common it is before anything is measured, relative to the others. */
  default double weight() {
    return account().weight();
  }

  /** What gives it away. */
  default String signature() {
    return account().signature();
  }

  /** What to do about it. */
  default String remedy() {
    return account().remedy();
  }

  /** Whether something is wrong, and known. */
  default boolean isFault() {
    return true;
  }

  /** Whether the drive does not turn its motor under it, whatever else is wrong. */
  default boolean isStanding() {
    return false;
  }
}
