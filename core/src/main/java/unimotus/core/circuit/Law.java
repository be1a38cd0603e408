package unimotus.core.circuit;

/** How the current of a branch follows from the voltage across it. */
public sealed interface Law permits Characteristic, Law.FixedVoltage, Law.Open {

  /** An open contact or a broken wire: joins nothing. */
  Law OPEN = new Open();

  /**
   * A source that keeps its voltage whatever the current.
   *
   * @param volts voltage of the branch's first node against its second
   */
  record FixedVoltage(double volts) implements Law {}

  /** No connection at all. */
  record Open() implements Law {}
}
