package unimotus.core.motor;

/** The d.c. link a mains gives. */
public final class LinkVoltage {
  private LinkVoltage() {}

  /** Nominal d.c. link of a regulated infeed, 1.5 times the line (common practice). */
  public static double regulatedVolts(double lineVolts) {
    return 1.5 * lineVolts;
  }

  /** D.c. link of a plain rectifier without load, √2 times the line. */
  public static double rectifiedVolts(double lineVolts) {
    return Math.sqrt(2) * lineVolts;
  }
}
