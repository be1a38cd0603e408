package unimotus.core.path;

/** What carries a value from one station to the next, as it is drawn. */
public enum Carrier {
  /** A program, a mechanism, a sum inside a device. */
  WITHIN,
  /** A voltage or a current on wires. */
  WIRES,
  /** Outputs and contacts, on or off. */
  CONTACTS,
  /** Messages on a bus. */
  MESSAGES
}
