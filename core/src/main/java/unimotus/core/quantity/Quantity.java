package unimotus.core.quantity;

/** A number with its unit. Finite by construction: bad input never becomes a plausible number. */
public record Quantity(double value, MeasureUnit unit) {

  /** Refuses a value that is not finite. */
  public Quantity {
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException("a quantity must be finite, not " + value);
    }
  }

  /**
   * The number this quantity has in {@code target}.
   *
   * @throws UnitMismatch where the dimensions differ
   */
  public double in(MeasureUnit target) {
    return unit.convert(value, target);
  }
}
