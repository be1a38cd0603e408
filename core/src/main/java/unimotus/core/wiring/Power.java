package unimotus.core.wiring;

/** Whether the supplies of an installation are on. */
enum Power {
  ON,
  /** On, in the moment when test-pulse outputs are low. */
  PULSES_LOW,
  OFF
}
