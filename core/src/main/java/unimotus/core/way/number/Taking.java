package unimotus.core.way.number;

/** Which number a drive makes of the bits of one that was sent. */
@FunctionalInterface
public interface Taking {
  /** The same number. */
  Taking AS_SENT = raw -> raw;

  /** The number that is taken where this one was sent. */
  double of(double raw);
}
