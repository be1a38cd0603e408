package unimotus.core.quantity;

/**
 * What kind of thing a number measures. Units convert only within one dimension.
 *
 * <p>Finer than the physicist's dimension on purpose: hertz of a drive and revolutions of a shaft
 * are both "per second", yet typing one where the other belongs is a fault of the trade.
 */
public enum Dimension {
  RATIO("ratio"),
  COUNT("counts"),
  FREQUENCY("frequency"),
  ROTATION("rotational speed"),
  SPEED("speed"),
  RATE("rate"),
  CURRENT("current"),
  VOLTAGE("voltage"),
  POWER("power"),
  TORQUE("torque"),
  FORCE("force"),
  INERTIA("moment of inertia"),
  MASS("mass"),
  TIME("time"),
  LENGTH("length"),
  ANGLE("angle"),
  ACCELERATION("acceleration"),
  RESISTANCE("resistance"),
  INDUCTANCE("inductance"),
  CAPACITANCE("capacitance"),
  AREA("area"),
  PRESSURE("pressure"),
  ENERGY("energy");

  private final String label;

  Dimension(String label) {
    this.label = label;
  }

  /** The name used in messages, in plain words. */
  public String label() {
    return label;
  }
}
