package unimotus.core.stops;

/**
 * How an input is taken whose voltage lies between off and on. A verdict holds only where it comes
 * out the same both ways.
 */
enum Doubt {
  /** It reads on: the worse for a stop. */
  READS_ON,
  /** It reads off: the worse for a start. */
  READS_OFF
}
